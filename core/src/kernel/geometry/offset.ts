import { type Angle, type Length, cosine, nanometres, sine } from '../measure';
import { type Point, step } from './point';

/** What offsetting needs of a wall line: its corner of departure, its direction, and the turn at that corner. */
export interface Line {
  readonly from: Point;
  readonly heading: Angle;
  /** The turn from the line before into this one; right positive. */
  readonly turnIn: Angle;
}

/**
 * How far a wall line runs past a corner when it and its neighbour both move outward by their own distances.
 * With equal distances d this is d · tan(θ/2). Right turns lengthen, left turns shorten.
 *
 * @param turn θ, never 180°; 0° where a curve runs straight on, and nothing runs past
 * @param own how far this line moves outward
 * @param other how far the neighbour moves outward
 */
export const runPastCorner = (turn: Angle, own: number, other: number): number =>
  turn === 0 ? 0 : (other - own * cosine(turn)) / sine(turn);

/**
 * The corners of a closed outline after each line has moved to its right (inward, walking clockwise) by a distance of
 * its own: neighbouring lines are intersected. Negative distances move outward. Rounded to a nanometre.
 */
export function offsetCorners(lines: readonly Line[], inward: readonly Length[]): readonly Point[] {
  return lines.map((line, index) => {
    const before = (index + lines.length - 1) % lines.length;
    const own = inward[index] ?? 0;
    const other = inward[before] ?? 0;
    return step(line.from, line.heading, nanometres(-runPastCorner(line.turnIn, -own, -other)), own);
  });
}
