import type { StageView } from '../../frame/stage';
import { BRACING_PANELS, BRACING_PANEL_NAMES } from './panels';

export const bracingView: StageView = {
  id: 'bracing',
  name: 'Bracing',
  view: {
    shows: ['bracing'],
    panels: BRACING_PANELS.map((id) => ({ id, name: BRACING_PANEL_NAMES[id] })),
    load: async () => (await import('./BracingStage')).BracingStage,
  },
  rules: { name: 'Bracing and planks' },
  sheets: [
    {
      path: 'bracing',
      name: 'Bracing',
      title: 'Brace plan',
      load: async () => (await import('./BracingSheet')).BracingSheet,
    },
  ],
  prints: 'bracing',
};
