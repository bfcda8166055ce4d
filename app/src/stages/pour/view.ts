import type { StageView } from '../../frame/stage';
import { POUR_PANELS } from './panels';

export const pourView: StageView = {
  id: 'pour',
  name: 'Pour',
  view: {
    shows: ['pour', 'topoff'],
    panels: POUR_PANELS,
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
  ],
  prints: 'pour',
};
