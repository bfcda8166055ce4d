import { type Line, offsetCorners } from '../../kernel/geometry/offset';
import { type Point, distance, footOn, meet, step } from '../../kernel/geometry/point';
import { type Angle, type Length, ZERO, cosine, nanometres, sine } from '../../kernel/measure';
import { type BuiltLoop, type Wall, arcPoints, radiansOf, radiusAt } from '../outline';

/** A line along the walls of a loop at some depth of each, negative outside them: its corners, and the length along every wall. */
export interface Edge {
  readonly corners: readonly Point[];
  /** Where every wall's part of it begins and ends. */
  readonly sides: readonly (readonly [Point, Point])[];
  readonly lengths: readonly Length[];
}

/** A line that an open walk's edges begin or end on. */
export type Until = Pick<Line, 'from' | 'heading'>;

/** What the edges of an open walk run between, where its ends meet other walls' footings. */
export interface Between {
  readonly start: Until | null;
  readonly end: Until | null;
}

const FREE: Between = { start: null, end: null };

/** How far along a wall a point lies, from the wall's first corner. */
export const alongWall = (wall: Wall, corner: Point, { x, y }: Point): Length =>
  nanometres((x - corner.x) * cosine(wall.heading) + (y - corner.y) * sine(wall.heading));

/**
 * The line along a loop's walls at a depth of each of its own, measured inward from their outside faces. Where a wall goes straight on
 * with another depth, the line ends square and begins anew beside.
 *
 * @param between where an open walk's line ends on others; at its walls' own ends where that is left out
 * @example edgeAt(work(plan).shell.loops[0].built, work(plan).shell.loops[0].built.walls.map(() => inches(-6))).lengths.length // 6
 */
export function edgeAt(built: BuiltLoop, inward: readonly Length[], between = FREE): Edge {
  const { walls, open } = built;
  const from = built.faces.formOutside;
  const turns = new Map(built.corners.map((corner) => [corner.wallAfter, corner.turn]));
  const lines = walls.map((wall, index): Line => ({
    from: from[index] as Point,
    heading: wall.heading,
    turnIn: turns.get(wall.id) ?? (0 as Angle),
  }));
  const joined = offsetCorners(lines, inward);
  const last = walls.length - 1;
  /** Where the line along one wall ends on another; the wall's own end where it is free, or an arc. */
  const endOf = (corner: Point, index: number, until: Until | null): Point => {
    const wall = walls[index] as Wall;
    const own = step(corner, wall.heading, 0, inward[index]);
    return (until && !wall.curve ? meet({ from: own, heading: wall.heading }, until) : null) ?? own;
  };
  const starts = open ? [endOf(from[0] as Point, 0, between.start), ...joined.slice(1)] : joined;
  const nexts = [
    ...starts.slice(1),
    open ? endOf(from[last + 1] as Point, last, between.end) : (starts[0] as Point),
  ];
  /** Whether the wall after one goes straight on, perhaps with a footing that lies otherwise. */
  const straightOn = (index: number): boolean =>
    (open ? lines[index + 1] : lines[(index + 1) % walls.length])?.turnIn === 0;
  const ends = walls.map((wall, index) =>
    straightOn(index) && !wall.curve
      ? footOn({ from: starts[index] as Point, heading: wall.heading }, nexts[index] as Point)
      : (nexts[index] as Point),
  );
  const radius = (wall: Wall, index: number): Length =>
    wall.curve ? radiusAt(wall.curve.outside, wall.curve.sweep, inward[index] ?? 0) : ZERO;
  /** Whether the line runs back along its wall: what it ends on leaves it nothing. */
  const nothing = (wall: Wall, index: number): boolean =>
    !wall.curve && alongWall(wall, starts[index] as Point, ends[index] as Point) < 0;
  return {
    corners: walls
      .flatMap((wall, index) => [
        starts[index] as Point,
        ...(wall.curve
          ? arcPoints(starts[index] as Point, wall.heading, radius(wall, index), wall.curve.sweep).slice(
              0,
              -1,
            )
          : straightOn(index)
            ? [ends[index] as Point]
            : []),
      ])
      .concat(open ? [ends[last] as Point] : []),
    sides: walls.map((wall, index) =>
      nothing(wall, index)
        ? ([ends[index] as Point, ends[index] as Point] as const)
        : ([starts[index] as Point, ends[index] as Point] as const),
    ),
    lengths: walls.map((wall, index) => {
      if (wall.curve) return nanometres(radius(wall, index) * Math.abs(radiansOf(wall.curve.sweep)));
      return nothing(wall, index) ? ZERO : distance(starts[index] as Point, ends[index] as Point);
    }),
  };
}
