import type { StageView } from '../../frame/stage';
import { OPENINGS_PANELS, OPENINGS_PANEL_NAMES } from './panels';

export const openingsView: StageView = {
  id: 'openings',
  name: 'Openings',
  view: {
    shows: ['bucks'],
    panels: OPENINGS_PANELS.map((id) => ({ id, name: OPENINGS_PANEL_NAMES[id] })),
    load: async () => (await import('./OpeningsStage')).OpeningsStage,
  },
  rules: { name: 'Openings and inserts', of: ['inserts'] },
  sheets: [
    {
      path: 'openings',
      name: 'Openings',
      title: 'Openings',
      load: async () => (await import('./OpeningsSheet')).OpeningsSheet,
    },
    {
      path: 'ledgers',
      name: 'Ledgers, hangers, pockets',
      title: 'Ledgers, hangers and pockets laid out',
      load: async () => (await import('./LedgerSheet')).LedgerSheet,
    },
  ],
  prints: 'openings',
};
