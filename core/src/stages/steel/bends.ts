import { type Length, inches, nanometres, times, max } from '../../kernel/measure';
import type { BarSize } from './sizes';

/** How a bar is bent. */
export interface Bend {
  /** Inside diameter of the bend. */
  readonly inside: Length;
  /** Straight part past it, for a 90° hook. */
  readonly tail: Length;
}

/** Standard 90° hook of #3 to #8: 12 diameters past a bend of 6 inside. [ACI 318-19 Table 25.3.1; from memory] */
export const standardHook = (size: BarSize): Bend => ({
  inside: times(size.diameter, 6),
  tail: times(size.diameter, 12),
});

/** Stirrup's 90° hook of #3 to #5: the greater of 6 diameters and 3 in past a bend of 4 inside. [ACI 318-19 Table 25.3.2; from memory] */
export const stirrupHook = (size: BarSize): Bend => ({
  inside: times(size.diameter, 4),
  tail: max(times(size.diameter, 6), inches(3)),
});

/** A square bend, in degrees. */
export const SQUARE = 90;

/**
 * What a bend saves of two legs that are told out to out, to where their outer faces would meet: both tangents of the outer
 * radius, r tan(θ/2), less the arc that the middle of the bar runs through instead. [geometry of the circle]
 *
 * @param degrees how far the bar turns: 0 is straight
 */
export function bendDeduction(size: BarSize, bend: Pick<Bend, 'inside'>, degrees = SQUARE): Length {
  const turn = (degrees * Math.PI) / 180;
  const outer = bend.inside / 2 + size.diameter;
  const middle = bend.inside / 2 + size.diameter / 2;
  return nanometres(2 * outer * Math.tan(turn / 2) - turn * middle);
}

/** From where the outer faces of two legs would meet to where the bar is straight again. [geometry of the circle] */
export const bendReach = (size: BarSize, bend: Pick<Bend, 'inside'>, degrees = SQUARE): Length =>
  nanometres((bend.inside / 2 + size.diameter) * Math.tan((degrees * Math.PI) / 360));

/**
 * Length of bar in legs told out to out.
 *
 * @param bends how far the bar turns between each two legs, in degrees
 * @example toInches(lengthOfBar([inches(30), inches(30)], size, standardHook(size), [90])) // 58.75
 */
export const lengthOfBar = (
  legs: readonly Length[],
  size: BarSize,
  bend: Pick<Bend, 'inside'>,
  bends: readonly number[],
): Length =>
  bends.reduce(
    (sum, degrees) => sum - bendDeduction(size, bend, degrees),
    legs.reduce<number>((sum, leg) => sum + leg, 0),
  ) as Length;

/** Leg of a hook out to out: its straight part, the bend's radius and the bar. */
export const hookLeg = (size: BarSize, bend: Bend): Length =>
  nanometres(bend.tail + bend.inside / 2 + size.diameter);
