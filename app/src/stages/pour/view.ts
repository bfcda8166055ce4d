import type { StageView } from '../../frame/stage';
import { POUR_PANELS, POUR_PANEL_NAMES } from './panels';

export const pourView: StageView = {
  id: 'pour',
  name: 'Pour',
  view: {
    shows: ['pour', 'edges', 'topoff'],
    panels: POUR_PANELS.map((id) => ({ id, name: POUR_PANEL_NAMES[id] })),
    load: async () => (await import('./PourStage')).PourStage,
  },
  rules: { name: 'The pour' },
  sheets: [
    {
      path: 'pour',
      name: 'Pour card',
      title: 'Pour card',
      load: async () => (await import('./PourSheet')).PourSheet,
    },
    {
      path: 'pour-record',
      name: 'Pour record',
      title: 'Pour record',
      load: async () => (await import('./PourRecordSheet')).PourRecordSheet,
    },
  ],
  prints: 'pour',
};
