/** Parts of the steel's stage. */
export const STEEL_PANELS = ['spec', 'table', 'courses', 'schedule', 'stock'] as const;
export type SteelPanel = (typeof STEEL_PANELS)[number];

export const STEEL_PANEL_NAMES: Readonly<Record<SteelPanel, string>> = {
  spec: 'Bar spec',
  table: 'Code table',
  courses: 'By course',
  schedule: 'Bending schedule',
  stock: 'Stock and mass',
};
