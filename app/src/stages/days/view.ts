import type { StageView } from '../../frame/stage';
import { DAYS_PANELS, DAYS_PANEL_NAMES } from './panels';

export const daysView: StageView = {
  id: 'days',
  name: 'Days',
  view: {
    shows: ['days'],
    panels: DAYS_PANELS.map((id) => ({ id, name: DAYS_PANEL_NAMES[id] })),
    load: async () => (await import('./DaysStage')).DaysStage,
  },
  rules: { name: 'Days and rates' },
  sheets: [
    {
      path: 'log',
      name: 'Daily sheet',
      title: 'Daily sheet',
      load: async () => (await import('./LogSheet')).LogSheet,
    },
  ],
  prints: 'log',
};
