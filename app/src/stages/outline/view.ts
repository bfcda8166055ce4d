import type { StageView } from '../../frame/stage';

export const outlineView: StageView = {
  id: 'outline',
  name: 'Outline',
  view: {
    shows: ['families'],
    load: async () => (await import('./OutlineStage')).OutlineStage,
  },
};
