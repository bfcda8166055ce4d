import { type Point, step } from '../../kernel/geometry/point';
import { type Angle, type Length, RIGHT_ANGLE, ZERO, add, max, min } from '../../kernel/measure';
import { type BuiltLoop, type Crossing, type Shell, type Wall, runsAlong, wallIn } from '../outline';
import type { Chalk, LoopBase, WallBase } from './base';
import { type Between, type Until, alongWall } from './edge';

/** The first corner of a wall, on its outside face. */
const firstCorner = ({ built, wall }: { readonly built: BuiltLoop; readonly wall: Wall }): Point =>
  built.faces.formOutside[built.walls.indexOf(wall)] as Point;

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
    const met = wallIn(shell.loops, tee.wall);
    if (met && crossing && !runsAlong(own.heading, met.wall.heading)) {
      const { heading, thickness } = met.wall;
      const deep = crossing.side === 'inside' ? add(thickness, max(ZERO, inner)) : -max(ZERO, outer);
      return { from: step(firstCorner(met), heading, 0, deep), heading };
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
  const own = all.crossings.filter(({ through }) => through === wall);
  const through = own.length === 0 ? undefined : wallIn(all.shell.loops, wall);
  if (!through) return [];
  const bases = all.loops.flatMap((loop) => loop.walls);
  return own.flatMap((crossing): WallBase['joins'] => {
    const joining = bases.find((each) => each.wall === crossing.wall);
    if (!joining || joining.outerLength <= 0 || joining.innerLength <= 0) return [];
    const [one, other] = [joining.outerSide, joining.innerSide].map((side) =>
      alongWall(through.wall, firstCorner(through), side[crossing.atStart ? 0 : 1]),
    ) as [Length, Length];
    return [{ side: crossing.side, from: min(one, other), to: max(one, other) }];
  });
}
