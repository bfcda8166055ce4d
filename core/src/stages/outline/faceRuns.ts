import type { Run } from '../../kernel/geometry/gaps';
import { type Length, ZERO, nanometres } from '../../kernel/measure';
import { shareAt } from './arc';
import { cornerAt } from './cornerAt';
import type { BuiltLoop, Wall } from './shell';
import { insideLater } from './wallFaces';

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
 * @param run from the wall's first corner, as places on its outside face are told
 */
export function faceRuns(built: BuiltLoop, wall: Wall, { from, to }: Run): FaceRuns {
  const long = to - from;
  if (wall.curve)
    return {
      outside: nanometres(long * shareAt(wall, 0)),
      inside: nanometres(long * shareAt(wall, wall.thickness)),
    };
  const later = (atStart: boolean): number => {
    const met = cornerAt(built, wall, atStart);
    return met ? insideLater(met.corner, wall, met.other) : 0;
  };
  const taken = (from <= ZERO ? later(true) : 0) + (to >= wall.length ? later(false) : 0);
  return { outside: nanometres(long), inside: nanometres(Math.max(0, long - taken)) };
}
