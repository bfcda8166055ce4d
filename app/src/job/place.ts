import type { Notice } from '@ombra/core/kernel/notices';
import type { SurveyPass } from '@ombra/core/stages/footing';
import { device } from '../remembered';

/** Where the user is in a job, so that a reload comes back to it. Kept in the browser, not in the plan. */
export interface Place {
  readonly wall: string | null;
  readonly course: number;
  readonly piece: string | null;
  readonly face: 'inside' | 'outside';
  /** Pixels per metre on the strip; null fits the wall's height to the view. */
  readonly zoom: number | null;
  /** Height of the walls on the strip in pixels; null as each stage has it. */
  readonly tall: number | null;
  /** Whether walls and notices on the left are folded away. */
  readonly folded: boolean;
  /** Pixels scrolled along the strip. */
  readonly scroll: number;
  /** The figure whose why card is open. */
  readonly figure: string | null;
  /** The open panel of each stage, by stage; the first panel where there is none. */
  readonly panels: Readonly<Record<string, string>>;
  /** The survey of the footing that is open. */
  readonly pass: SurveyPass;
  /** The open pour; the first where there is none. */
  readonly pour: string | null;
  /** The opening or insert that is chosen. */
  readonly opening: string | null;
  readonly insert: string | null;
  /** The card that is open beside the drawing. */
  readonly card: Card | null;
}

/** Cards of the courses: settings of a wall, the strap list, plans side by side. */
export type Card = 'wall' | 'straps' | 'plans';

/** A change of the place; the panels that it does not name stay. */
export type PlaceChange = Partial<Place>;

/** What is chosen by going to a notice's place; nothing where a stage as a whole is its place. */
export const placeOfNotice = ({ place: { wall, opening, insert } }: Notice): PlaceChange => ({
  ...(wall === undefined ? {} : { wall, piece: null }),
  ...(opening === undefined ? {} : { opening, panels: { openings: 'openings' } }),
  ...(insert === undefined ? {} : { insert, panels: { openings: 'inserts' } }),
});

/** The open panel of a stage. */
export const panelOf = <Panel extends string>(
  place: Place,
  stage: string,
  panels: readonly [Panel, ...Panel[]],
): Panel => panels.find((panel) => panel === place.panels[stage]) ?? panels[0];

const START: Place = {
  wall: null,
  course: 1,
  piece: null,
  face: 'inside',
  zoom: null,
  tall: null,
  folded: false,
  scroll: 0,
  figure: null,
  panels: {},
  pass: 'footing',
  pour: null,
  opening: null,
  insert: null,
  card: null,
};

/** The place that an address asks for, `?course=3`, as the code on a printed page does; nothing where it asks for none. */
export function askedPlace(search: string): PlaceChange {
  const course = Number(new URLSearchParams(search).get('course') ?? Number.NaN);
  return Number.isInteger(course) && course >= 1 && course <= 200 ? { course, piece: null } : {};
}

const key = (jobId: string): string => `ombra.place.${jobId}`;

/** The place kept for a job; the start where there is none or it cannot be read. */
export function keptPlace(jobId: string): Place {
  try {
    const kept: unknown = JSON.parse(device.get(key(jobId)) ?? 'null');
    return typeof kept === 'object' && kept !== null ? { ...START, ...kept } : START;
  } catch {
    return START;
  }
}

export function keepPlace(jobId: string, place: Place): void {
  device.set(key(jobId), JSON.stringify(place));
}
