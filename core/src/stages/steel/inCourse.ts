import type { Length } from '../../kernel/measure';
import type { Wall } from '../outline';
import type { Bar } from './bar';

/**
 * Bars of a wall that are met in one of its courses: those that lie in it, both corners' bars, and those that stand through its
 * middle. Stirrups are left out: they go with their lintel.
 *
 * @param tops heights of the courses' tops, the footing's first
 */
export function barsInCourse(
  bars: readonly Bar[],
  wall: Pick<Wall, 'id' | 'from' | 'to'>,
  course: number,
  tops: readonly Length[],
): readonly Bar[] {
  const middle = ((tops[course - 1] ?? 0) + (tops[course] ?? 0)) / 2;
  return bars.filter((bar) => {
    if (bar.use === 'stirrup') return false;
    if (bar.use === 'corner') {
      return bar.course === course && (bar.corner === wall.from || bar.corner === wall.to);
    }
    if (bar.wall !== wall.id) return false;
    if (bar.course !== null && bar.course > 0) return bar.course === course;
    return bar.bottom <= middle && middle <= bar.top;
  });
}
