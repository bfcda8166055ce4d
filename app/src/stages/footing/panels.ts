/** Parts of the footing's stage, in the order of the work. */
export const FOOTING_PANELS = ['ground', 'square', 'level', 'first', 'ready'] as const;
export type FootingPanel = (typeof FOOTING_PANELS)[number];

export const FOOTING_PANEL_NAMES: Readonly<Record<FootingPanel, string>> = {
  ground: 'Footing and chalk',
  square: 'Square',
  level: 'Level',
  first: 'First course',
  ready: 'Ready for the wall',
};
