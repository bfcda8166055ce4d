import { type StageWork, saying, step } from '../../kernel/engine/stage';
import { layCourses } from './layCourses';
import { luckyLengths } from './lucky';
import { courseNotices } from './notices';

/** Every piece of every course. */
export const work: StageWork = {
  steps: [
    step(
      'courses',
      {
        needs: ['shell', 'system', 'levels', 'openings'],
        reads: ['loops', 'units', 'pours', 'height', 'laid'],
      },
      layCourses,
    ),
    step(
      'lucky',
      { needs: ['shell', 'system', 'courses'], reads: [] },
      ({ shell, system, courses }, _, rules) => luckyLengths(shell, system, courses, rules),
    ),
  ],
  says: saying(['courses', 'openings'], ({ courses, openings }, { units, nameOf }) =>
    courseNotices(courses, openings, units, nameOf),
  ),
};
