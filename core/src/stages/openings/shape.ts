import { type Length, add, nanometres, NANOMETRES_PER_METRE, subtract, ZERO } from '../../kernel/measure';

/** A rectangle on a wall's face: stations from the wall's first corner, heights above the lowest footing. */
export interface Rect {
  readonly from: Length;
  readonly to: Length;
  readonly bottom: Length;
  readonly top: Length;
}

/** The outline of a hole: a rectangle whose top may be an arc of a circle, `rise` high. */
export interface Shape extends Rect {
  readonly rise: Length;
}

export const widthOf = (rect: Pick<Rect, 'from' | 'to'>): Length => subtract(rect.to, rect.from);
export const heightOf = (rect: Pick<Rect, 'bottom' | 'top'>): Length => subtract(rect.top, rect.bottom);
export const centreOf = (rect: Pick<Rect, 'from' | 'to'>): number => (rect.from + rect.to) / 2;

/** Area of a rectangle in square metres. */
export const areaOf = (rect: Rect): number =>
  (widthOf(rect) / NANOMETRES_PER_METRE) * (heightOf(rect) / NANOMETRES_PER_METRE);

/** Whether two rectangles have more than an edge in common. */
export const overlap = (a: Rect, b: Rect): boolean =>
  a.from < b.to && b.from < a.to && a.bottom < b.top && b.bottom < a.top;

/** Radius of an arc from its chord and its rise: (chord²/4 + rise²) / (2 rise). [geometry of the circle] */
export const arcRadius = (chord: number, rise: number): number => (chord * chord) / 4 / (2 * rise) + rise / 2;

const radiusOf = (shape: Shape): number => arcRadius(widthOf(shape), shape.rise);

/** Half of the hole's width at a height; nothing above its top. */
export function halfWidthAt(shape: Shape, height: number): number {
  const half = widthOf(shape) / 2;
  if (shape.rise === 0 || height <= shape.top - shape.rise) return half;
  const radius = radiusOf(shape);
  const above = height - (shape.top - radius);
  return Math.sqrt(Math.max(0, radius * radius - above * above));
}

/** The stretch over which a hole takes a wall away from one height to another; null where it does so nowhere. */
export function takenBetween(
  shape: Shape,
  bottom: Length,
  top: Length,
): { readonly from: Length; readonly to: Length } | null {
  if (shape.bottom > bottom || shape.top < top) return null;
  if (shape.rise === 0 || top <= shape.top - shape.rise) return { from: shape.from, to: shape.to };
  const half = halfWidthAt(shape, top);
  const from = Math.ceil(centreOf(shape) - half) as Length;
  const to = Math.floor(centreOf(shape) + half) as Length;
  return to > from ? { from, to } : null;
}

/** A hole with so much more of it on its sides, its head and its sill. A round top stays concentric. */
export function grown(shape: Shape, sides: Length, head: Length, sill: Length): Shape {
  const rect = {
    from: subtract(shape.from, sides),
    to: add(shape.to, sides),
    bottom: subtract(shape.bottom, sill),
    top: add(shape.top, head),
  };
  if (shape.rise === 0) return { ...rect, rise: ZERO };
  const radius = radiusOf(shape);
  const outer = radius + head;
  const half = widthOf(rect) / 2;
  const springs = shape.top - radius + Math.sqrt(Math.max(0, outer * outer - half * half));
  return { ...rect, rise: nanometres(rect.top - springs) };
}

/** Area between the middle of a hole and a line so far beside it, from one height to another; in square nanometres. */
function areaBeside(shape: Shape, beside: number, bottom: number, top: number): number {
  if (beside < 0) return -areaBeside(shape, -beside, bottom, top);
  const half = widthOf(shape) / 2;
  const low = Math.max(bottom, shape.bottom);
  const high = Math.min(top, shape.top);
  if (high <= low) return 0;
  const springs = shape.top - shape.rise;
  const straight = Math.max(0, Math.min(high, springs) - low) * Math.min(beside, half);
  if (shape.rise === 0 || high <= springs) return straight;
  const radius = radiusOf(shape);
  const centre = shape.top - radius;
  const from = Math.max(low, springs) - centre;
  const to = high - centre;
  // Up to where the arc comes within the line, the line bounds it; above that, the arc.
  const meets = beside >= radius ? 0 : Math.sqrt(radius * radius - beside * beside);
  const turn = Math.min(Math.max(meets, from), to);
  const under = (height: number): number =>
    (height * Math.sqrt(Math.max(0, radius * radius - height * height)) +
      radius * radius * Math.asin(Math.min(1, height / radius))) /
    2;
  return straight + (turn - from) * Math.min(beside, half) + (under(to) - under(turn));
}

/** Area of what a hole and a rectangle have in common, in square metres. Exact for arcs too, by the circular segment. */
export function areaWithin(shape: Shape, rect: Rect): number {
  const centre = centreOf(shape);
  const area =
    areaBeside(shape, rect.to - centre, rect.bottom, rect.top) -
    areaBeside(shape, rect.from - centre, rect.bottom, rect.top);
  return Math.max(0, area) / (NANOMETRES_PER_METRE * NANOMETRES_PER_METRE);
}
