import type { StageView } from '../../frame/stage';
import { FOOTING_PANELS, FOOTING_PANEL_NAMES } from './panels';

export const footingView: StageView = {
  id: 'footing',
  name: 'Footing',
  view: {
    shows: ['footing'],
    panels: FOOTING_PANELS.map((id) => ({ id, name: FOOTING_PANEL_NAMES[id] })),
    load: async () => (await import('./FootingStage')).FootingStage,
  },
  sheets: [
    {
      path: 'footing',
      name: 'Footing',
      title: 'Footing',
      load: async () => (await import('./FootingSheet')).FootingSheet,
    },
  ],
  prints: 'footing',
};
