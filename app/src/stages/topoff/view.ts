import type { StageView } from '../../frame/stage';

export const topoffView: StageView = {
  id: 'topoff',
  name: 'Top off',
  sheets: [
    {
      path: 'top',
      name: 'Plates and bolts',
      title: 'Plates and bolts',
      load: async () => (await import('./TopSheet')).TopSheet,
    },
  ],
};
