import { type Point, step } from '../kernel/geometry/point';
import { type Length, nanometres } from '../kernel/measure';
import type { Bar } from '../stages/steel';
import {
  type BuiltLoop,
  type Shell,
  type Wall,
  alongArc,
  radiusAt,
  wallShape,
  wallStart,
} from '../stages/outline';

/** A wall with the outline that it belongs to. */
export interface PlacedWall {
  readonly wall: Wall;
  readonly built: BuiltLoop;
  readonly index: number;
}

/** Every wall that is built, by its id, in walking order. */
export const placedWalls = ({ loops }: Shell): ReadonlyMap<string, PlacedWall> =>
  new Map(
    loops.flatMap(({ built }) =>
      built ? built.walls.map((wall, index) => [wall.id, { wall, built, index }] as const) : [],
    ),
  );

/** A point of the plan that lies so far along a wall's outside face and so far inward of it. */
export function onPlan({ wall, built, index }: PlacedWall, along: number, inward: number): Point {
  const start = wallStart(built, index);
  const outer = start?.outer ?? { x: nanometres(0), y: nanometres(0) };
  const { curve, heading } = wall;
  if (!curve) return step(outer, heading, along, inward);
  const share = along / wall.length;
  const from = step(outer, heading, 0, inward);
  return alongArc({
    from,
    heading,
    radius: radiusAt(curve.outside, curve.sweep, inward),
    sweep: curve.sweep,
    share,
  });
}

/** A stretch of a wall over its whole thickness on the plan. */
export const stretchOnPlan = (
  { wall, built, index }: PlacedWall,
  from: Length,
  to: Length,
): readonly Point[] => wallShape(built, index, from / wall.length, to / wall.length);

/** A line along a wall, so far inward of its outside face. */
interface WallLine {
  readonly place: PlacedWall;
  readonly inward: number;
}

/** Where lines along two straight walls cross; null where they run side by side, or one is bent. */
function crossingOf(one: WallLine, other: WallLine): Point | null {
  if (one.place.wall.curve || other.place.wall.curve) return null;
  const [from, to] = [0, one.place.wall.length].map((along) => onPlan(one.place, along, one.inward)) as [
    Point,
    Point,
  ];
  const [start, end] = [0, other.place.wall.length].map((along) =>
    onPlan(other.place, along, other.inward),
  ) as [Point, Point];
  const [ax, ay, bx, by] = [to.x - from.x, to.y - from.y, end.x - start.x, end.y - start.y];
  const across = ax * by - ay * bx;
  if (Math.abs(across) < 1e-9 * Math.hypot(ax, ay) * Math.hypot(bx, by)) return null;
  const share = ((start.x - from.x) * by - (start.y - from.y) * bx) / across;
  return { x: nanometres(from.x + share * ax), y: nanometres(from.y + share * ay) };
}

/** From the middle of a wall's core inward, as bars are told, to its outside face. */
export const barInward = ({ wall }: PlacedWall, { offset }: Pick<Bar, 'offset'>): number =>
  wall.skin + wall.core / 2 + offset;

/**
 * The way of a corner bar on the plan: back along the wall before it, round where the middles of both walls cross, and along its own.
 */
export function cornerBarOnPlan(
  bar: Bar,
  place: PlacedWall,
  places: ReadonlyMap<string, PlacedWall>,
): readonly Point[] {
  const corner = place.built.corners.find(({ letter }) => letter === bar.corner);
  const back = corner && places.get(corner.wallBefore);
  const own = { place, inward: barInward(place, bar) };
  const end = onPlan(place, bar.from + bar.laps.after, own.inward);
  if (!back) return [onPlan(place, bar.from, own.inward), end];
  const other = { place: back, inward: barInward(back, bar) };
  return [
    onPlan(back, back.wall.length - bar.from - bar.laps.before, other.inward),
    crossingOf(own, other) ?? onPlan(place, bar.from, own.inward),
    end,
  ];
}

/**
 * A place for a corner's letter: so far outside both walls that meet there. The end of an open walk is its last wall's.
 *
 * @param last the end of the wall instead of its start
 */
export function letterSpot(place: PlacedWall, aside: number, last = false): Point {
  const { built, index, wall } = place;
  const before = built.walls[index - 1] ?? (built.open ? undefined : built.walls.at(-1));
  const out = onPlan(place, last ? wall.length : 0, -aside);
  if (last || !before) return step(out, wall.heading, last ? aside : -aside);
  const other = { wall: before, built, index: built.walls.indexOf(before) };
  const [end, endOut] = [onPlan(other, before.length, 0), onPlan(other, before.length, -aside)];
  return { x: nanometres(out.x + endOut.x - end.x), y: nanometres(out.y + endOut.y - end.y) };
}
