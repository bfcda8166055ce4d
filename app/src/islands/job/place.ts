import type { SurveyPass } from '@ombra/core/footing/problem';

/** Where the user is in a job, so that a reload comes back to it. Kept in the browser, not in the plan. */
export interface Place {
  readonly wall: string | null;
  readonly course: number;
  readonly piece: string | null;
  readonly face: 'inside' | 'outside';
  /** Pixels per metre on the strip; null fits the wall's height to the view. */
  readonly zoom: number | null;
  /** Pixels scrolled along the strip. */
  readonly scroll: number;
  /** The figure whose why card is open. */
  readonly figure: string | null;
  /** What of the footing is looked at, and which of its surveys. */
  readonly panel: FootingPanel;
  readonly pass: SurveyPass;
  /** What of the openings is looked at, and the opening or insert that is chosen. */
  readonly openingsPanel: OpeningsPanel;
  readonly steelPanel: SteelPanel;
  readonly bracingPanel: BracingPanel;
  readonly pourPanel: PourPanel;
  /** The stage of the job whose pour is looked at. */
  readonly pourStage: string | null;
  readonly opening: string | null;
  readonly insert: string | null;
  /** The card that is open beside the drawing. */
  readonly card: Card | null;
}

/** Cards of the courses: settings of a wall, the strap list, plans side by side. */
export type Card = 'wall' | 'straps' | 'plans';

/** Parts of the footing's stage, in the order of the work. */
export const FOOTING_PANELS = ['ground', 'square', 'level', 'first', 'ready'] as const;
export type FootingPanel = (typeof FOOTING_PANELS)[number];

/** Parts of the openings' stage. */
export const OPENINGS_PANELS = ['openings', 'bucks', 'inserts', 'files'] as const;
export type OpeningsPanel = (typeof OPENINGS_PANELS)[number];

/** Parts of the steel's stage. */
export const STEEL_PANELS = ['spec', 'table', 'courses', 'schedule', 'stock'] as const;
export type SteelPanel = (typeof STEEL_PANELS)[number];

/** Parts of the bracing's stage. */
export const BRACING_PANELS = ['walls', 'gear', 'wind', 'line'] as const;
export type BracingPanel = (typeof BRACING_PANELS)[number];

/** Parts of the pour's stage. */
export const POUR_PANELS = ['rounds', 'order', 'mix', 'pressure', 'rehearsal', 'top', 'ready'] as const;
export type PourPanel = (typeof POUR_PANELS)[number];

export const START: Place = {
  wall: null,
  course: 1,
  piece: null,
  face: 'inside',
  zoom: null,
  scroll: 0,
  figure: null,
  panel: 'ground',
  pass: 'footing',
  openingsPanel: 'openings',
  steelPanel: 'spec',
  bracingPanel: 'walls',
  pourPanel: 'rounds',
  pourStage: null,
  opening: null,
  insert: null,
  card: null,
};

const key = (jobId: string): string => `ombra.place.${jobId}`;

/** The place kept for a job; the start where there is none or it cannot be read. */
export function keptPlace(jobId: string): Place {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key(jobId)) ?? 'null');
    return typeof kept === 'object' && kept !== null ? { ...START, ...kept } : START;
  } catch {
    return START;
  }
}

export function keepPlace(jobId: string, place: Place): void {
  try {
    localStorage.setItem(key(jobId), JSON.stringify(place));
  } catch {
    // A full or closed store only loses the place.
  }
}
