import type { StageView } from '../../frame/stage';

export const formsView: StageView = {
  id: 'forms',
  name: 'Forms',
  view: {
    shows: ['families'],
    setting: true,
    load: async () => (await import('./FormsStage')).FormsStage,
  },
};
