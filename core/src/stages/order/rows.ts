import { type Run, besideGaps } from '../../kernel/geometry/gaps';
import type { CourseRow, Courses } from '../courses';

/** What of a stretch of wall does not go on in the course above it (+1), or stands on none below it (−1). */
export const openTo = ({ rows }: Pick<Courses, 'rows'>, row: CourseRow, by: 1 | -1): readonly Run[] =>
  besideGaps(
    row,
    rows.filter(({ wall, course }) => wall === row.wall && course === row.course + by),
  );
