import type { Stage } from '../../kernel/engine/stage';
import type { Courses } from './layCourses';
import type { LuckyLength } from './lucky';
import { coursesRules } from './rules';

/** Blocks, course by course. */
export const coursesStage: Stage = {
  id: 'courses',
  rules: coursesRules,
  makes: ['courses', 'lucky'],
  load: () => import('./work'),
};

declare module '../../kernel/engine/stage' {
  interface Worked {
    readonly courses: Courses;
    readonly lucky: readonly LuckyLength[];
  }
}
