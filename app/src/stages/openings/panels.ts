/** Parts of the openings' stage. */
export const OPENINGS_PANELS = ['openings', 'bucks', 'inserts', 'files'] as const;
export type OpeningsPanel = (typeof OPENINGS_PANELS)[number];

export const OPENINGS_PANEL_NAMES: Readonly<Record<OpeningsPanel, string>> = {
  openings: 'Openings',
  bucks: 'Bucks and lumber',
  inserts: 'Inserts',
  files: 'CSV files',
};
