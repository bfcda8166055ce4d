import { type Courses, websByWall } from '../courses';
import type { Length } from '../../kernel/measure';
import type { Shell } from '../outline';

/** A fastening strip of a wall: where it stands, and the courses that have one there. */
export interface Strip {
  readonly at: Length;
  readonly courses: readonly number[];
}

/**
 * Fastening strips by wall, from its first corner on. Webs of different courses within reach of each other are one place to
 * stand an upright at; where fillers shift them, they line up only in some courses.
 */
export function stripsByWall(
  shell: Shell,
  courses: Courses,
  reach: Length,
): ReadonlyMap<string, readonly Strip[]> {
  return new Map(
    [...websByWall(shell, courses)].map(([wall, own]) => {
      const stations = [...own.keys()].sort((a, b) => a - b);
      let first = 0;
      const strips = stations.map((at): Strip => {
        const caught = new Set<number>();
        while ((stations[first] as number) < at - reach) first += 1;
        for (let next = first; next < stations.length; next++) {
          const other = stations[next] as Length;
          if (other > at + reach) break;
          for (const course of own.get(other) ?? []) caught.add(course);
        }
        return { at, courses: [...caught].sort((a, b) => a - b) };
      });
      return [wall, strips];
    }),
  );
}
