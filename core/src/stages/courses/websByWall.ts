import { type Length, ZERO } from '../../kernel/measure';
import { type Shell, wallsOf } from '../outline';
import type { Courses } from './layCourses';
import { onWalls } from './onWalls';

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
    for (const { wall, webs } of onWalls(piece, (id) => lengths.get(id) ?? ZERO)) {
      for (const web of webs) put(wall, web, piece.course);
    }
  }
  return found;
}
