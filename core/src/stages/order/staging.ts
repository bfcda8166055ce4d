import type { Courses } from '../courses';
import type { Wall } from '../outline';
import type { OrderLine } from './article';

/** How many bundles of straights stand inside each wall before the crew starts. */
export interface Staging {
  readonly wall: string;
  readonly name: string;
  readonly bundles: number;
}

/** Bundles shared out by what each wall lays, the largest remainders first, so that all are placed. */
function shared(bundles: number, laid: readonly number[]): readonly number[] {
  const all = laid.reduce((total, each) => total + each, 0);
  if (bundles === 0 || all === 0) return laid.map(() => 0);
  const shares = laid.map((each) => (each * bundles) / all);
  const given = shares.map(Math.floor);
  const order = shares
    .map((share, index) => ({ index, rest: share - Math.floor(share) }))
    .sort((a, b) => b.rest - a.rest || a.index - b.index);
  const left = bundles - given.reduce((total, each) => total + each, 0);
  for (const { index } of order.slice(0, left)) given[index] = (given[index] ?? 0) + 1;
  return given;
}

/** Bundles of straights, each core's among the walls that have it. */
export function staging(
  lines: readonly OrderLine[],
  courses: Courses,
  walls: readonly Wall[],
): readonly Staging[] {
  const laid = walls.map(
    (wall) => courses.pieces.filter((piece) => piece.kind !== 'corner' && piece.wall === wall.id).length,
  );
  const given = lines
    .filter(({ id, bundles }) => id.startsWith('straight:') && (bundles ?? 0) > 0)
    .map(({ core, bundles }) =>
      shared(
        bundles ?? 0,
        walls.map((wall, index) => (core === null || wall.core === core ? (laid[index] ?? 0) : 0)),
      ),
    );
  if (given.length === 0) return [];
  return walls.map((wall, index) => ({
    wall: wall.id,
    name: wall.name,
    bundles: given.reduce((total, each) => total + (each[index] ?? 0), 0),
  }));
}
