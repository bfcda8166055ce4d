import { type Length, cosine, nanometres, sine } from '../../kernel/measure';
import type { Point } from '../../kernel/geometry/point';
import type { BuiltLoop, Shell, Wall } from './shell';

/** The end of an inside wall against a wall that runs through. */
export interface Crossing {
  /** The wall that runs through, and the one that ends there. */
  readonly through: string;
  readonly wall: string;
  readonly atStart: boolean;
  /** What its form takes of the through wall's face, from that wall's first corner on its outside face. */
  readonly from: Length;
  readonly to: Length;
  /** The face of the through wall that it stands against. */
  readonly side: 'inside' | 'outside';
}

/** Where a point lies along a wall from its first corner, and how far in from its outside face. */
function placeOn(
  built: BuiltLoop,
  wall: Wall,
  point: Point,
): { readonly along: number; readonly in: number } {
  const corner = built.faces.formOutside[built.walls.indexOf(wall)] as Point;
  const [x, y] = [point.x - corner.x, point.y - corner.y];
  return {
    along: x * cosine(wall.heading) + y * sine(wall.heading),
    in: y * cosine(wall.heading) - x * sine(wall.heading),
  };
}

/**
 * Every end of an inside wall that meets another wall, as it lies along that one. An end that is said to meet a wall and does
 * not come near it crosses nothing; nor does one that meets a curved wall, whose face turns away.
 */
export function crossingsOf(shell: Shell): readonly Crossing[] {
  const loops = shell.loops.flatMap(({ built }) => (built ? [built] : []));
  const home = new Map(
    loops.flatMap((built) => built.walls.map((wall) => [wall.id, { built, wall }] as const)),
  );
  return loops.flatMap((built) =>
    [true, false].flatMap((atStart): Crossing[] => {
      const tee = atStart ? built.tees.start : built.tees.end;
      const own = atStart ? built.walls[0] : built.walls.at(-1);
      const met = home.get(tee?.wall ?? '');
      if (!own || !met || met.wall.curve || own.curve) return [];
      // An open walk's outline runs out along one face and back along the other.
      const { formOutside } = built.faces;
      const corners = atStart
        ? [formOutside[0], formOutside.at(-1)]
        : [formOutside[built.walls.length], formOutside[built.walls.length + 1]];
      const [one, other] = corners.map((point) => point && placeOn(met.built, met.wall, point));
      if (!one || !other) return [];
      const deep = (one.in + other.in) / 2;
      const { thickness, length } = met.wall;
      const near = deep > -own.thickness && deep < thickness + own.thickness;
      const [from, to] = [Math.min(one.along, other.along), Math.max(one.along, other.along)];
      if (!near || to < 0 || from > length) return [];
      return [
        {
          through: met.wall.id,
          wall: own.id,
          atStart,
          from: nanometres(from),
          to: nanometres(to),
          side: deep > thickness / 2 ? 'inside' : 'outside',
        },
      ];
    }),
  );
}
