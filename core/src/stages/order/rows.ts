import type { CourseRow, Courses } from '../courses';

/** Whether any of a stretch of wall goes on in the course above it (+1), or stands on one below it (−1). */
export const standsNextTo = (courses: Courses, row: CourseRow, by: 1 | -1): boolean =>
  courses.rows.some(
    (other) =>
      other.wall === row.wall &&
      other.course === row.course + by &&
      other.from < row.to &&
      other.to > row.from,
  );
