/** Parts of the steel's stage. */
export const STEEL_PANELS = ['spec', 'table', 'courses', 'schedule', 'stock'] as const;
export type SteelPanel = (typeof STEEL_PANELS)[number];
