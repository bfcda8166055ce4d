import type { StageView } from '../../frame/stage';
import { STEEL_PANELS } from './panels';

export const steelView: StageView = {
  id: 'steel',
  name: 'Steel',
  view: {
    shows: ['steel'],
    panels: STEEL_PANELS,
    load: async () => (await import('./SteelStage')).SteelStage,
  },
  sheets: [
    {
      path: 'steel',
      name: 'Steel',
      title: 'Steel',
      load: async () => (await import('./SteelSheet')).SteelSheet,
    },
  ],
  prints: 'steel',
};
