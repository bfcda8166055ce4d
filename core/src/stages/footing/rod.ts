import { type Length, ZERO } from '../../kernel/measure';
import { type Levels, type Shell, type Wall, alongFace } from '../outline';

/** Where a rod stands by plan: along its outline, how long that is all round, and how high above the lowest footing. */
export interface RodPlace {
  readonly station: Length;
  readonly round: Length;
  readonly above: Length;
}

/** The place of a rod so far from a wall's first corner, along the wall as drawn. */
export function rodPlace(shell: Shell, levels: Levels, wall: Wall, at: Length): RodPlace {
  const face = Math.round(Math.min(Math.max(alongFace(wall, at), 0), wall.length));
  const span = (levels.walls[wall.id] ?? []).findLast((each) => each.from <= face);
  const loop = shell.loops.find((each) => each.id === wall.loop)?.built;
  return {
    station: (wall.station + face) as Length,
    round: loop?.perimeter ?? wall.length,
    above: span?.bottom ?? ZERO,
  };
}
