import { type Length, add, subtract, ZERO } from '../../kernel/measure';
import { type Shell, wallsOf } from '../outline';
import type { Courses } from './layCourses';

/** Middles of all webs by wall, from its first corner on its outside face, with the courses that have one there. */
export function websByWall(
  shell: Shell,
  courses: Pick<Courses, 'pieces'>,
): ReadonlyMap<string, ReadonlyMap<Length, ReadonlySet<number>>> {
  const lengths = new Map(wallsOf(shell).map((wall) => [wall.id, wall.length]));
  const found = new Map<string, Map<Length, Set<number>>>();
  const put = (wall: string, at: Length, course: number): void => {
    const own = found.get(wall) ?? new Map<Length, Set<number>>();
    found.set(wall, own);
    const there = own.get(at);
    if (there) there.add(course);
    else own.set(at, new Set([course]));
  };
  for (const piece of courses.pieces) {
    if (piece.kind === 'corner') {
      const end = lengths.get(piece.wallBefore) ?? ZERO;
      for (const web of piece.websAfter) put(piece.wallAfter, web, piece.course);
      for (const web of piece.websBefore) put(piece.wallBefore, subtract(end, web), piece.course);
    } else for (const web of piece.webs) put(piece.wall, add(piece.start, web), piece.course);
  }
  return found;
}
