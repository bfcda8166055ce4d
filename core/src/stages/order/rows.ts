import { type Run, besideGaps } from '../../kernel/geometry/gaps';
import type { CourseRow } from '../courses';
import type { PlacedOpening, Rect } from '../openings';

/** What of a stretch of wall does not go on in the course above it (+1), or stands on none below it (−1). */
export const openTo = (rows: readonly CourseRow[], row: CourseRow, by: 1 | -1): readonly Run[] =>
  besideGaps(
    row,
    rows.filter(({ wall, course }) => wall === row.wall && course === row.course + by),
  );

/** What openings that reach across a line of a row leave of some runs along it. */
export const besideOpenings = (
  runs: readonly Run[],
  { wall }: CourseRow,
  openings: readonly PlacedOpening[],
  across: (hole: Rect) => boolean,
): readonly Run[] => {
  const holes = openings.filter((each) => each.wall === wall && across(each.hole)).map(({ hole }) => hole);
  return runs.flatMap((run) => besideGaps(run, holes));
};

/** Whether an opening takes the top of a row where it stands. */
export const takesTop =
  ({ top }: CourseRow) =>
  (hole: Rect): boolean =>
    hole.bottom < top && hole.top >= top;
