import { type Angle, type Length, max, nanometres, normalise, sine, toDegrees } from '../../kernel/measure';
import { type Point, step } from '../../kernel/geometry/point';
import type { ArcWall } from './shell';
import { radiansOf } from './walk';

/** An arc is drawn in sides of about so many degrees. */
const DEGREES_A_SIDE = 3;

/** The inner points of an arc that sets out from a point in a direction; the last one is the arc's end. */
export function arcPoints(from: Point, heading: Angle, radius: number, sweep: Angle): readonly Point[] {
  const sides = Math.max(2, Math.ceil(Math.abs(toDegrees(sweep)) / DEGREES_A_SIDE));
  return Array.from({ length: sides }, (_, index) => {
    const part = Math.round((sweep * (index + 1)) / sides) as Angle;
    const chord = 2 * radius * Math.abs(sine(Math.round(part / 2) as Angle));
    return step(from, normalise((heading + part / 2) as Angle), chord);
  });
}

/** Area between an arc and its chord in square metres; an arc that bulges out of a clockwise outline adds it. */
export function segmentArea(radius: Length, sweep: Angle): number {
  const angle = radiansOf(sweep);
  const square = (radius / 1e9) ** 2;
  return (Math.sign(sweep) * square * (angle - Math.sin(angle))) / 2;
}

/** A curved wall between two radii. Its blocks are laid on the longer face, which has no foam to spare. */
export function arcWall(outside: Length, inside: Length, sweep: Angle): ArcWall {
  const angle = radiansOf(sweep);
  return {
    sweep,
    outside,
    inside,
    outsideLength: nanometres(outside * angle),
    insideLength: nanometres(inside * angle),
  };
}

/** Radius of a layer that lies so far inside the drawn line: an arc to the right has its centre inside. */
export const radiusAt = (drawn: Length, sweep: Angle, inward: number): Length =>
  nanometres(sweep > 0 ? drawn - inward : drawn + inward);

/**
 * How long a curved wall is at a depth inside its outside face, as a share of its longer face, along which places on it are measured;
 * 1 for a straight wall.
 *
 * @example shareAt({ curve: null }, inches(6)) // 1
 */
export const shareAt = ({ curve }: { readonly curve: ArcWall | null }, inward: number): number =>
  curve ? radiusAt(curve.outside, curve.sweep, inward) / max(curve.outside, curve.inside) : 1;

/** What `alongArc` goes by. */
interface AlongArcInput {
  readonly from: Point;
  readonly heading: Angle;
  readonly radius: number;
  readonly sweep: Angle;
  readonly share: number;
}

/** The point on an arc so far along it. */
export function alongArc({ from, heading, radius, sweep, share }: AlongArcInput): Point {
  const part = Math.round(sweep * share) as Angle;
  const chord = 2 * radius * Math.abs(sine(Math.round(part / 2) as Angle));
  return step(from, normalise((heading + part / 2) as Angle), chord);
}
