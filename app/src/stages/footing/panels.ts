/** Parts of the footing's stage, in the order of the work. */
export const FOOTING_PANELS = ['ground', 'square', 'level', 'first', 'ready'] as const;
export type FootingPanel = (typeof FOOTING_PANELS)[number];
