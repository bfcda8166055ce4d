import type { StageView } from '../../frame/stage';

export const coursesView: StageView = {
  id: 'courses',
  name: 'Courses',
  view: {
    shows: ['lucky'],
    load: async () => (await import('./CoursesStage')).CoursesStage,
  },
  rules: { name: 'Courses and cuts' },
  sheets: [
    {
      path: 'courses',
      name: 'Courses',
      title: 'Courses',
      load: async () => (await import('./CoursesSheet')).CoursesSheet,
    },
    {
      path: 'above',
      name: 'From above',
      title: 'From above',
      load: async () => (await import('./AboveSheet')).AboveSheet,
    },
  ],
};
