import type { StageView } from '../../frame/stage';
import { STEEL_PANELS, STEEL_PANEL_NAMES } from './panels';

export const steelView: StageView = {
  id: 'steel',
  name: 'Steel',
  view: {
    shows: ['steel'],
    panels: STEEL_PANELS.map((id) => ({ id, name: STEEL_PANEL_NAMES[id] })),
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
