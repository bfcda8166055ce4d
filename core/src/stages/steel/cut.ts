import { type Length, min } from '../../kernel/measure';
import { type Bend, lengthOfBar, SQUARE } from './bends';
import type { BarSize } from './sizes';

/** A bar's shape, and what it is cut to for it. */
export interface Cut {
  /** Legs out to out, in order; a straight bar has one. */
  readonly legs: readonly Length[];
  /** How far it turns between each two legs, in degrees. */
  readonly bends: readonly number[];
  /** Rounded up to the step that crews cut to. */
  readonly cut: Length;
}

/** What cutting looks up. */
export interface Cutting {
  /** Lengths are rounded up to whole steps. */
  readonly cutStep: Length;
  readonly stock: Length;
}

/** A length rounded up to the step; a whole stock bar is not cut. */
function roundedUp(length: Length, { cutStep, stock }: Cutting): Length {
  const rounded = (Math.ceil(length / cutStep) * cutStep) as Length;
  return length <= stock ? min(rounded, stock) : rounded;
}

/** A straight bar. */
export const straight = (length: Length, cutting: Cutting): Cut => ({
  legs: [length],
  bends: [],
  cut: roundedUp(length, cutting),
});

/** What `bent` goes by. */
interface BentInput {
  readonly legs: readonly Length[];
  readonly size: BarSize;
  readonly bend: Pick<Bend, 'inside'>;
  readonly cutting: Cutting;
  readonly bends?: readonly number[];
}

/** A bar of several legs with a bend between each two, square ones where nothing else is said. */
export function bent({ legs, size, bend, cutting, bends = legs.slice(1).map(() => SQUARE) }: BentInput): Cut {
  return { legs, bends, cut: roundedUp(lengthOfBar(legs, size, bend, bends), cutting) };
}
