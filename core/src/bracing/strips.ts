import type { Courses } from '../courses';
import { type Length, add, subtract } from '../measure';
import { type Shell, wallsOf } from '../shell';

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
  const lengths = new Map(wallsOf(shell).map((wall) => [wall.id, wall.length]));
  const webs = new Map<string, Map<Length, Set<number>>>();
  const put = (wall: string, at: Length, course: number): void => {
    const own = webs.get(wall) ?? new Map<Length, Set<number>>();
    webs.set(wall, own);
    const found = own.get(at);
    if (found) found.add(course);
    else own.set(at, new Set([course]));
  };
  for (const piece of courses.pieces) {
    if (piece.kind === 'corner') {
      const end = lengths.get(piece.wallBefore) ?? (0 as Length);
      for (const web of piece.websAfter) put(piece.wallAfter, web, piece.course);
      for (const web of piece.websBefore) put(piece.wallBefore, subtract(end, web), piece.course);
    } else for (const web of piece.webs) put(piece.wall, add(piece.start, web), piece.course);
  }
  return new Map(
    [...webs].map(([wall, own]) => {
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
