/** Parts of the bracing's stage. */
export const BRACING_PANELS = ['walls', 'gear', 'wind', 'line'] as const;
export type BracingPanel = (typeof BRACING_PANELS)[number];
