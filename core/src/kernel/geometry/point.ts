import { type Angle, type Length, cosine, nanometres, sine, ZERO } from '../measure';

/** A point of the plan, in nanometres from corner A: x to the right, y down the plan, so that right turns run clockwise. */
export interface Point {
  readonly x: Length;
  readonly y: Length;
}

export const ORIGIN: Point = { x: ZERO, y: ZERO };

/**
 * The point `along` further on in a direction, and `aside` to its right. Rounded to a nanometre once.
 *
 * @example step({ x: 0, y: 0 }, degrees(0), 3, 4) // { x: 3, y: 4 }
 */
export const step = (from: Point, heading: Angle, along: number, aside = 0): Point => ({
  x: nanometres(from.x + along * cosine(heading) - aside * sine(heading)),
  y: nanometres(from.y + along * sine(heading) + aside * cosine(heading)),
});

export const distance = (a: Point, b: Point): Length => nanometres(Math.hypot(b.x - a.x, b.y - a.y));

/** A line without ends: a point of it, and its direction. */
interface Straight {
  readonly from: Point;
  readonly heading: Angle;
}

/**
 * The point of a line that lies square beside another point.
 *
 * @example footOn({ from: { x: ZERO, y: ZERO }, heading: degrees(0) }, { x: 3, y: 4 }) // { x: 3, y: 0 }
 */
export const footOn = (line: Straight, { x, y }: Point): Point => {
  const { from, heading } = line;
  return step(from, heading, (x - from.x) * cosine(heading) + (y - from.y) * sine(heading));
};

/**
 * Where two lines cross; null where they run the same way.
 *
 * @example meet({ from: ORIGIN, heading: degrees(0) }, { from: { x: feet(3), y: feet(4) }, heading: degrees(90) }) // { x: feet(3), y: ZERO }
 */
export function meet(line: Straight, other: Straight): Point | null {
  const across = cosine(line.heading) * sine(other.heading) - sine(line.heading) * cosine(other.heading);
  if (across === 0) return null;
  const [x, y] = [other.from.x - line.from.x, other.from.y - line.from.y];
  return step(line.from, line.heading, (x * sine(other.heading) - y * cosine(other.heading)) / across);
}
