/** Parts of the openings' stage. */
export const OPENINGS_PANELS = ['openings', 'bucks', 'inserts', 'files'] as const;
export type OpeningsPanel = (typeof OPENINGS_PANELS)[number];
