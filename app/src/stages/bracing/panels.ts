/** Parts of the bracing's stage. */
export const BRACING_PANELS = ['walls', 'gear', 'wind', 'line'] as const;
export type BracingPanel = (typeof BRACING_PANELS)[number];

export const BRACING_PANEL_NAMES: Readonly<Record<BracingPanel, string>> = {
  walls: 'Braces',
  gear: 'Planks and gear',
  wind: 'Wind tonight',
  line: 'String lines',
};
