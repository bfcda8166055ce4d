import { type Length, ZERO, max } from '../../kernel/measure';
import { cornerAt } from './cornerAt';
import type { BuiltLoop, Wall } from './shell';
import { insideLater } from './wallFaces';

/**
 * How much later the tape starts inside than outside at an end of a wall: by the thickness of the wall that it meets at a
 * square outside corner, so much earlier at an inside one; not at all at a free end or a tee.
 */
export function cornerReach(built: BuiltLoop, wall: Wall, atStart: boolean): Length {
  const met = cornerAt(built, wall, atStart);
  return met ? insideLater(met.corner, wall, met.other) : ZERO;
}

/** How much of a wall's outside face the wall that it meets at an end takes; nothing at an inside corner. */
export const takenByCorner = (built: BuiltLoop, wall: Wall, atStart: boolean): Length =>
  max(ZERO, cornerReach(built, wall, atStart));
