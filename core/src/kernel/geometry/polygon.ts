import type { Point } from './point';

/** Square nanometres in a square metre. */
const SQUARE_NANOMETRES = 1e18;

/**
 * Plan area of a polygon in square metres; positive where its corners run clockwise on the plan.
 * The shoelace formula in whole numbers, so nothing is lost between large coordinates. Source: common geometry.
 *
 * @example polygonArea([{ x: 0, y: 0 }, { x: 4e9, y: 0 }, { x: 4e9, y: 3e9 }, { x: 0, y: 3e9 }]) // 12
 */
export function polygonArea(corners: readonly Point[]): number {
  let doubled = 0n;
  corners.forEach((corner, index) => {
    const next = corners[(index + 1) % corners.length] as Point;
    doubled += BigInt(corner.x) * BigInt(next.y) - BigInt(next.x) * BigInt(corner.y);
  });
  return Number(doubled) / 2 / SQUARE_NANOMETRES;
}

/** Which side of the line from a to b the point c lies on: 1 right, -1 left, 0 on it (y runs down the plan). */
function side(a: Point, b: Point, c: Point): number {
  const left = (b.x - a.x) * (c.y - a.y);
  const right = (b.y - a.y) * (c.x - a.x);
  const cross = left - right;
  // Products reach 1e24 here, beyond exact floats: near zero, whole numbers decide.
  if (Math.abs(cross) > (Math.abs(left) + Math.abs(right)) * 1e-15) return Math.sign(cross);
  const exact = BigInt(b.x - a.x) * BigInt(c.y - a.y) - BigInt(b.y - a.y) * BigInt(c.x - a.x);
  return exact > 0n ? 1 : exact < 0n ? -1 : 0;
}

const within = (a: Point, b: Point, c: Point): boolean =>
  Math.min(a.x, b.x) <= c.x &&
  c.x <= Math.max(a.x, b.x) &&
  Math.min(a.y, b.y) <= c.y &&
  c.y <= Math.max(a.y, b.y);

/**
 * Whether two closed segments share a point.
 *
 * @example segmentsMeet({ x: 0, y: 0 }, { x: 2, y: 2 }, { x: 0, y: 2 }, { x: 2, y: 0 }) // true
 */
export function segmentsMeet(a: Point, b: Point, c: Point, d: Point): boolean {
  if (
    Math.max(a.x, b.x) < Math.min(c.x, d.x) ||
    Math.max(c.x, d.x) < Math.min(a.x, b.x) ||
    Math.max(a.y, b.y) < Math.min(c.y, d.y) ||
    Math.max(c.y, d.y) < Math.min(a.y, b.y)
  ) {
    return false;
  }
  const [c1, d1, a2, b2] = [side(a, b, c), side(a, b, d), side(c, d, a), side(c, d, b)];
  if (c1 * d1 < 0 && a2 * b2 < 0) return true;
  return (
    (c1 === 0 && within(a, b, c)) ||
    (d1 === 0 && within(a, b, d)) ||
    (a2 === 0 && within(c, d, a)) ||
    (b2 === 0 && within(c, d, b))
  );
}

/**
 * The first two sides of a polygon that cross or touch without being neighbours, by index; null where it is simple.
 * Side i runs from corner i to the next; an open line has no side from its last corner to its first.
 *
 * @example firstCrossing([{ x: 0, y: 0 }, { x: 4, y: 0 }, { x: 4, y: 4 }, { x: 0, y: 4 }]) // null
 */
export function firstCrossing(corners: readonly Point[], closed = true): readonly [number, number] | null {
  const count = corners.length;
  const sides = closed ? count : count - 1;
  const at = (index: number): Point => corners[index % count] as Point;
  for (let i = 0; i < sides; i++) {
    for (let j = i + 2; j < sides; j++) {
      if (closed && i === 0 && j === count - 1) continue;
      if (segmentsMeet(at(i), at(i + 1), at(j), at(j + 1))) return [i, j];
    }
  }
  return null;
}
