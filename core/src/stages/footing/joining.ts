import { step } from '../../kernel/geometry/point';
import { type Angle, type Length, RIGHT_ANGLE, ZERO, add, max, min } from '../../kernel/measure';
import type { Point } from '../../kernel/geometry/point';
import { type BuiltLoop, type Crossing, type Shell, runsAlong } from '../outline';
import type { Chalk, LoopBase, WallBase } from './base';
import { type Between, type Until, alongWall } from './edge';

/** What `footingsMet` goes by. */
interface FootingsMetInput {
  readonly shell: Shell;
  readonly built: BuiltLoop;
  readonly crossings: readonly Crossing[];
  readonly chalkBy: ReadonlyMap<string, Chalk | undefined>;
}

/**
 * The footing edges that an open walk's own footing runs between: those of the walls that it meets. On an arc, and where a wall does not
 * come near the one that it should meet, that is taken square at its end.
 */
export function footingsMet({ shell, built, crossings, chalkBy }: FootingsMetInput): Between {
  const until = (atStart: boolean): Until | null => {
    const tee = atStart ? built.tees.start : built.tees.end;
    const own = atStart ? built.walls[0] : built.walls.at(-1);
    if (!tee || !own) return null;
    const { inner = ZERO, outer = ZERO } = chalkBy.get(tee.wall) ?? {};
    const crossing = crossings.find((each) => each.wall === own.id && each.atStart === atStart);
    const home = shell.loops.find((loop) => loop.built?.walls.some(({ id }) => id === tee.wall))?.built;
    const met = home?.walls.findIndex(({ id }) => id === tee.wall) ?? -1;
    const wall = home?.walls[met];
    if (home && wall && crossing && !runsAlong(own.heading, wall.heading)) {
      const deep = crossing.side === 'inside' ? add(wall.thickness, max(ZERO, inner)) : -max(ZERO, outer);
      return {
        from: step(home.faces.formOutside[met] as Point, wall.heading, 0, deep),
        heading: wall.heading,
      };
    }
    const end = built.faces.formOutside[atStart ? 0 : built.walls.length] as Point;
    const shown = max(ZERO, inner);
    return {
      from: step(end, own.heading, atStart ? shown : -shown),
      heading: (own.heading + RIGHT_ANGLE) as Angle,
    };
  };
  return { start: until(true), end: until(false) };
}

/** What the footings of inside walls take of one wall's edges. */
export function joinsOf(
  { wall }: WallBase,
  all: {
    readonly shell: Shell;
    readonly crossings: readonly Crossing[];
    readonly loops: readonly LoopBase[];
  },
): WallBase['joins'] {
  const home = all.shell.loops.find(({ built }) => built?.walls.some(({ id }) => id === wall))?.built;
  const index = home?.walls.findIndex(({ id }) => id === wall) ?? -1;
  const through = home?.walls[index];
  if (!home || !through) return [];
  const bases = all.loops.flatMap((loop) => loop.walls);
  return all.crossings.flatMap((crossing): WallBase['joins'] => {
    const joining = crossing.through === wall ? bases.find((each) => each.wall === crossing.wall) : undefined;
    if (!joining || joining.outerLength <= 0 || joining.innerLength <= 0) return [];
    const [one, other] = [joining.outerSide, joining.innerSide].map((side) =>
      alongWall(through, home.faces.formOutside[index] as Point, side[crossing.atStart ? 0 : 1]),
    ) as [Length, Length];
    return [{ side: crossing.side, from: min(one, other), to: max(one, other) }];
  });
}
