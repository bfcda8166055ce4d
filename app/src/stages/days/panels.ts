/** Parts of the days' stage. */
export const DAYS_PANELS = ['line', 'list'] as const;
export type DaysPanel = (typeof DAYS_PANELS)[number];

export const DAYS_PANEL_NAMES: Readonly<Record<DaysPanel, string>> = {
  line: 'Time line',
  list: 'Day by day',
};
