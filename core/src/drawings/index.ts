import type { WorkedPlan } from '../worked';
import { courseDrawing } from './courseDrawing';
import type { Drawing } from './drawing';
import { elevationDrawing, stripDrawing } from './elevationDrawing';
import { placedWalls } from './place';
import { planDrawing } from './planDrawing';

export * from './drawing';
export { holeOutline } from './elevationDrawing';
export * from './place';

/** Every drawing that a job has, by its name. */
export const drawingNames = ({ shell, courses }: WorkedPlan): readonly string[] => [
  'plan',
  'strip',
  ...Array.from({ length: courses.count }, (_, index) => `course-${String(index + 1)}`),
  ...[...placedWalls(shell).values()].map(({ wall }) => `wall-${wall.from}-${wall.to}`),
];

/**
 * A drawing of a worked plan by its name: `plan`, `strip`, `course-3`, `wall-A-B`; null where there is none of that name.
 *
 * @example drawingOf(work(plan), 'course-1')?.title // 'Course 1 from above'
 */
export function drawingOf(worked: WorkedPlan, name: string): Drawing | null {
  if (name === 'plan') return planDrawing(worked);
  if (name === 'strip') return stripDrawing(worked);
  const course = Number(/^course-(\d{1,3})$/.exec(name)?.[1]);
  if (course >= 1 && course <= worked.courses.count) return courseDrawing(worked, course);
  const own = [...placedWalls(worked.shell).values()].find(
    ({ wall }) => `wall-${wall.from}-${wall.to}` === name,
  );
  return own ? elevationDrawing(worked, own) : null;
}
