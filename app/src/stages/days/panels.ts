/** Parts of the days' stage. */
export const DAYS_PANELS = ['line', 'list', 'go', 'log', 'holds', 'rates'] as const;
export type DaysPanel = (typeof DAYS_PANELS)[number];

export const DAYS_PANEL_NAMES: Readonly<Record<DaysPanel, string>> = {
  line: 'Time line',
  list: 'Day by day',
  go: 'Go or not',
  log: 'Log',
  holds: 'Hold points',
  rates: 'Our rates',
};
