import { type Length, inches, nanometres, times } from '../measure';
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
  tail: Math.max(times(size.diameter, 6), inches(3)) as Length,
});

/**
 * What a 90° bend saves of two legs that are told out to out: twice the outer radius, less the quarter circle that the
 * middle of the bar runs through instead. [geometry of the circle]
 */
export const bendDeduction = (size: BarSize, bend: Pick<Bend, 'inside'>): Length => {
  const outer = bend.inside / 2 + size.diameter;
  const middle = bend.inside / 2 + size.diameter / 2;
  return nanometres(2 * outer - (Math.PI / 2) * middle);
};

/** Length that a bar is cut to for legs told out to out, with a 90° bend between each two. */
export const cutLengthOf = (legs: readonly Length[], size: BarSize, bend: Pick<Bend, 'inside'>): Length =>
  (legs.reduce<number>((sum, leg) => sum + leg, 0) -
    Math.max(0, legs.length - 1) * bendDeduction(size, bend)) as Length;

/** Leg of a hook out to out: its straight part, the bend's radius and the bar. */
export const hookLeg = (size: BarSize, bend: Bend): Length =>
  nanometres(bend.tail + bend.inside / 2 + size.diameter);
