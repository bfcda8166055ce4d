import {
  type Length,
  type UnitSystem,
  nanometres,
  NANOMETRES_PER_FOOT,
  NANOMETRES_PER_METRE,
  toDegrees,
  ZERO,
} from '../../kernel/measure';
import { type Point, distance } from '../../kernel/geometry/point';
import { segmentsMeet } from '../../kernel/geometry/polygon';
import { type BuiltLoop, type Corner, type Shell, isSquare } from '../outline';

/** A spot on the outside face of the forms: a corner, or so far along a wall. */
export interface Spot {
  /** A corner's letter, or null on a wall. */
  readonly letter: string | null;
  readonly wall: string;
  readonly at: Length;
}

/** A length to pull between two spots, straight across. */
export interface Diagonal {
  readonly from: Spot;
  readonly to: Spot;
  readonly length: Length;
}

/** A rectangle within an outline: both its diagonals are the same length. */
export interface Rectangle {
  readonly loop: string;
  readonly sides: readonly [Length, Length];
  readonly diagonals: readonly [Diagonal, Diagonal];
}

/** How one corner is checked by itself: two legs along its walls and the pull between their ends. */
export interface CornerCheck {
  readonly corner: string;
  readonly loop: string;
  readonly square: boolean;
  readonly legBefore: Length;
  readonly legAfter: Length;
  readonly across: Length;
}

/** What to pull with the tape so that the outline is square. */
export interface Square {
  readonly rectangles: readonly Rectangle[];
  /** Where an outline has no rectangle in it: every pull between two of its corners that stays inside. */
  readonly diagonals: readonly (Diagonal & { readonly loop: string })[];
  readonly corners: readonly CornerCheck[];
}

/** More corners than these are not pulled each to each. */
const MOST_CORNERS = 24;

const cornerSpot = (built: BuiltLoop, index: number): Spot => ({
  letter: built.walls[index]?.from ?? null,
  wall: built.walls[index]?.id ?? '',
  at: ZERO,
});

const insidePolygon = (corners: readonly Point[], x: number, y: number): boolean => {
  let inside = false;
  corners.forEach((a, index) => {
    const b = corners[(index + 1) % corners.length] as Point;
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  });
  return inside;
};

const isRightAngled = (built: BuiltLoop): boolean =>
  !built.open &&
  built.corners.every((corner) => isSquare(corner.turn)) &&
  built.walls.every((wall) => !wall.curve);

/** The spot at a point of the outline's outside face, where there is one. */
function spotAt(built: BuiltLoop, corners: readonly Point[], point: Point): Spot | null {
  const corner = corners.findIndex((each) => distance(each, point) < 1000);
  if (corner >= 0) return cornerSpot(built, corner);
  for (const [index, wall] of built.walls.entries()) {
    const [a, b] = [corners[index] as Point, corners[(index + 1) % corners.length] as Point];
    const [to, rest] = [distance(a, point), distance(point, b)];
    if (Math.abs(to + rest - distance(a, b)) < 1000) return { letter: null, wall: wall.id, at: to };
  }
  return null;
}

/** Every rectangle of a right-angled outline that cannot be made larger inside it, the largest first. */
function rectanglesIn(built: BuiltLoop, loop: string): readonly Rectangle[] {
  const corners = built.faces.formOutside;
  const [origin] = corners;
  if (!origin || corners.length > MOST_CORNERS) return [];
  // Turned so that walls run along the axes, whatever way the first one heads.
  const angle = (toDegrees(built.walls[0]?.heading ?? (0 as never)) * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const turned = corners.map((point): Point => ({
    x: nanometres((point.x - origin.x) * cos + (point.y - origin.y) * sin),
    y: nanometres((point.y - origin.y) * cos - (point.x - origin.x) * sin),
  }));
  const axis = (values: readonly number[]): readonly number[] =>
    [...values]
      .sort((a, b) => a - b)
      .filter((value, index, list) => index === 0 || value - (list[index - 1] ?? 0) > 1000);
  const xs = axis(turned.map((point) => point.x));
  const ys = axis(turned.map((point) => point.y));
  const filled = xs
    .slice(1)
    .map((right, i) =>
      ys
        .slice(1)
        .map((below, j) => insidePolygon(turned, (right + (xs[i] ?? 0)) / 2, (below + (ys[j] ?? 0)) / 2)),
    );
  const full = (i1: number, i2: number, j1: number, j2: number): boolean => {
    if (i1 < 0 || j1 < 0 || i2 > xs.length - 1 || j2 > ys.length - 1) return false;
    for (let i = i1; i < i2; i++) for (let j = j1; j < j2; j++) if (filled[i]?.[j] !== true) return false;
    return true;
  };
  const found: { rectangle: Rectangle; area: number }[] = [];
  for (let i1 = 0; i1 < xs.length; i1++) {
    for (let i2 = i1 + 1; i2 < xs.length; i2++) {
      for (let j1 = 0; j1 < ys.length; j1++) {
        for (let j2 = j1 + 1; j2 < ys.length; j2++) {
          const larger =
            full(i1 - 1, i2, j1, j2) ||
            full(i1, i2 + 1, j1, j2) ||
            full(i1, i2, j1 - 1, j2) ||
            full(i1, i2, j1, j2 + 1);
          if (larger || !full(i1, i2, j1, j2)) continue;
          const [left, right, top, bottom] = [xs[i1] ?? 0, xs[i2] ?? 0, ys[j1] ?? 0, ys[j2] ?? 0];
          const spots = [
            [left, top],
            [right, top],
            [right, bottom],
            [left, bottom],
          ].map(([x = 0, y = 0]) => spotAt(built, turned, { x: nanometres(x), y: nanometres(y) }));
          const [a, b, c, d] = spots;
          if (!a || !b || !c || !d) continue;
          const length = nanometres(Math.hypot(right - left, bottom - top));
          found.push({
            area: (right - left) * (bottom - top),
            rectangle: {
              loop,
              sides: [nanometres(right - left), nanometres(bottom - top)],
              diagonals: [
                { from: a, to: c, length },
                { from: b, to: d, length },
              ],
            },
          });
        }
      }
    }
  }
  return found.sort((a, b) => b.area - a.area).map(({ rectangle }) => rectangle);
}

/** Pulls between corners that do not leave the outline. */
function diagonalsIn(built: BuiltLoop, loop: string): Square['diagonals'] {
  const corners = built.faces.formOutside;
  const count = built.walls.length;
  if (built.open || count > MOST_CORNERS) return [];
  const found: (Diagonal & { readonly loop: string })[] = [];
  for (let i = 0; i < count; i++) {
    for (let j = i + 2; j < count; j++) {
      if (i === 0 && j === count - 1) continue;
      const [a, b] = [corners[i] as Point, corners[j] as Point];
      const clear = corners.every((c, k) => {
        const next = (k + 1) % count;
        return (
          k === i || k === j || next === i || next === j || !segmentsMeet(a, b, c, corners[next] as Point)
        );
      });
      if (clear && insidePolygon(corners, (a.x + b.x) / 2, (a.y + b.y) / 2)) {
        found.push({ loop, from: cornerSpot(built, i), to: cornerSpot(built, j), length: distance(a, b) });
      }
    }
  }
  return found;
}

/** Legs of 3 and 4 parts as large as the corner's walls allow, in whole feet or half metres; for any other angle, equal legs. */
function cornerCheck(built: BuiltLoop, corner: Corner, loop: string, units: UnitSystem): CornerCheck | null {
  const lengthOf = (id: string): number => built.walls.find((wall) => wall.id === id)?.length ?? 0;
  const [before, after] = [lengthOf(corner.wallBefore), lengthOf(corner.wallAfter)];
  const common = { corner: corner.letter, loop, square: isSquare(corner.turn) };
  const unit = units === 'imperial' ? NANOMETRES_PER_FOOT : NANOMETRES_PER_METRE / 2;
  if (common.square) {
    const parts = (three: number, four: number): number => Math.floor(Math.min(three / 3, four / 4) / unit);
    const [threeBefore, fourBefore] = [parts(before, after), parts(after, before)];
    const k = Math.max(threeBefore, fourBefore) * unit;
    if (k === 0) return null;
    const [three, four] = [nanometres(3 * k), nanometres(4 * k)];
    return threeBefore >= fourBefore
      ? { ...common, legBefore: three, legAfter: four, across: nanometres(5 * k) }
      : { ...common, legBefore: four, legAfter: three, across: nanometres(5 * k) };
  }
  const leg = Math.floor(Math.min(before, after) / unit) * unit;
  if (leg === 0 || corner.turn === 0) return null;
  // The angle between the walls is what is left of a straight line.
  const between = ((180 - Math.abs(toDegrees(corner.turn))) * Math.PI) / 180;
  return {
    ...common,
    legBefore: nanometres(leg),
    legAfter: nanometres(leg),
    across: nanometres(2 * leg * Math.sin(between / 2)),
  };
}

/** Everything that shows whether the outline is square: rectangles with their diagonals, other pulls, and each corner by itself. */
export function squareOf(shell: Shell, units: UnitSystem): Square {
  const loops = shell.loops.flatMap(({ id, built }) => (built ? [{ id, built }] : []));
  const rectangles = loops.flatMap(({ id, built }) => (isRightAngled(built) ? rectanglesIn(built, id) : []));
  const squared = new Set(rectangles.map((each) => each.loop));
  return {
    rectangles,
    diagonals: loops.flatMap(({ id, built }) => (squared.has(id) ? [] : diagonalsIn(built, id))),
    corners: loops.flatMap(({ id, built }) =>
      built.corners.flatMap((corner) => cornerCheck(built, corner, id, units) ?? []),
    ),
  };
}
