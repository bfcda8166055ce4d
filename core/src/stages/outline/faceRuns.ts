import { type Run, besideGaps } from '../../kernel/geometry/gaps';
import { type Length, ZERO, nanometres } from '../../kernel/measure';
import { shareAt } from './arc';
import { cornerReach } from './cornerReach';
import { crossingsOf, standsBeside } from './crossings';
import type { Levels } from './levels';
import type { BuiltLoop, Shell, Wall } from './shell';
import { wallIn } from './wallIn';

/** How long a stretch of a wall is on the outside and on the inside face of its forms. */
export interface FaceRuns {
  readonly outside: Length;
  readonly inside: Length;
}

/**
 * How long a stretch of a wall is on its two faces. Where it reaches a corner, the inside one is shorter by what the wall across an
 * outward corner takes of it, and longer at an inward one; on a curve each is as long as its radius makes it. A wall of 40 ft between
 * two of 13 in has 37 ft 10 in inside.
 *
 * @param run where it begins and ends, along the outside face from the wall's first corner
 */
export function faceRuns(built: BuiltLoop, wall: Wall, { from, to }: Run): FaceRuns {
  const long = to - from;
  if (wall.curve)
    return {
      outside: nanometres(long * shareAt(wall, 0)),
      inside: nanometres(long * shareAt(wall, wall.thickness)),
    };
  const taken =
    (from <= ZERO ? cornerReach(built, wall, true) : 0) +
    (to >= wall.length ? cornerReach(built, wall, false) : 0);
  return { outside: nanometres(long), inside: nanometres(Math.max(0, long - taken)) };
}

/** A stretch of a wall at one height above the lowest footing. */
interface StretchAt extends Run {
  readonly wall: string;
  readonly height: Length;
}

/**
 * What of both faces of a stretch can be fixed to at a height, piece by piece: an inside wall that stands against one parts it.
 *
 * @returns lengths along either face; none where no wall has this id
 */
export function partedFaces(
  shell: Pick<Shell, 'loops'>,
  levels: Levels,
  { wall: id, height, ...stretch }: StretchAt,
): Readonly<Record<keyof FaceRuns, readonly Length[]>> {
  const found = wallIn(shell.loops, id);
  if (!found) return { outside: [], inside: [] };
  const at = { bottom: height, top: nanometres(height + 1) };
  const met = crossingsOf(shell).filter((each) => each.through === id && standsBeside(each, at, levels));
  const along = (side: keyof FaceRuns): readonly Length[] =>
    besideGaps(
      stretch,
      met.filter((each) => each.side === side),
    ).map((run) => faceRuns(found.built, found.wall, run)[side]);
  return { outside: along('outside'), inside: along('inside') };
}
