import type { StageView } from '../../frame/stage';

export const orderView: StageView = {
  id: 'order',
  name: 'Order',
  sheets: [
    {
      path: 'order',
      name: 'Order list',
      title: 'Order list',
      load: async () => (await import('./OrderSheet')).OrderSheet,
    },
  ],
};
