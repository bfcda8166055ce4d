/** Parts of the pour's stage. */
export const POUR_PANELS = ['lifts', 'order', 'mix', 'pressure', 'rehearsal', 'top', 'ready'] as const;
export type PourPanel = (typeof POUR_PANELS)[number];
