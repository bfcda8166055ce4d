/** Parts of the pour's stage. */
export const POUR_PANELS = ['lifts', 'order', 'mix', 'pressure', 'rehearsal', 'top', 'ready'] as const;
export type PourPanel = (typeof POUR_PANELS)[number];

export const POUR_PANEL_NAMES: Readonly<Record<PourPanel, string>> = {
  lifts: 'Lifts and route',
  order: 'Order and trucks',
  mix: 'Mix and day',
  pressure: 'Pressure',
  rehearsal: 'Rehearsal',
  top: 'Topping off',
  ready: 'Before the pump',
};
