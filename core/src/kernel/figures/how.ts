import { type Length, type UnitSystem, NANOMETRES_PER_METRE } from '../measure';

/**
 * Lengths are nanometres, areas square metres, volumes cubic metres, masses kilograms, pressures pascals, durations minutes,
 * flows cubic metres an hour, rises metres an hour, weights newtons in a cubic metre, densities kilograms in one, masses of a
 * line kilograms a metre, work man-minutes a metre or a square metre; counts, ratios and money plain numbers.
 */
export type QuantityUnit =
  | 'count'
  | 'ratio'
  | 'length'
  | 'area'
  | 'volume'
  | 'mass'
  | 'pressure'
  | 'duration'
  | 'flow'
  | 'rise'
  | 'weight'
  | 'density'
  | 'line-mass'
  | 'work-along'
  | 'work-on'
  | 'money';

/** Which pieces of the wall a figure counts: every field given must match. */
export interface PieceSelector {
  readonly course?: number;
  /** First and last of several courses. */
  readonly fromCourse?: number;
  readonly toCourse?: number;
  readonly wall?: string;
  readonly corner?: string;
  readonly kind?: 'straight' | 'cut' | 'corner';
  readonly hand?: 'LH' | 'RH';
  /** Pieces that this opening rips or notches; `*` for any. */
  readonly opening?: string;
}

/** Which of the six steps settled a run; 0 where the cuts were chosen, by hand or as the best found. */
export type CutStep = 0 | 1 | 2 | 3 | 4 | 5 | 6;

/** Why a wall has the cuts that it has, for the card to put into words. */
export interface CutReason {
  /** Which of the ways to cut a row's rest was taken, from none (0) on. */
  readonly step: CutStep;
  readonly rest: Length;
  readonly cuts: readonly Length[];
}

interface HowCommon {
  /** What it is called on the card: `A–B`, `long leg`, `plan area of the core`. */
  readonly name: string;
  readonly unit: QuantityUnit;
  readonly pieces?: PieceSelector;
  readonly cutReason?: CutReason;
}

/** A named quantity that the plan, the family or the walls give. */
export interface Given extends HowCommon {
  readonly op: 'given';
  readonly value: number;
  /** A factor between units as it is told in a job of either system; null where the terms are in its own units, and need none. */
  readonly shown?: Readonly<Record<UnitSystem, { readonly name: string; readonly value: number } | null>>;
}

/**
 * A named result of others. `whole-part` drops the fraction of its only operand; `rounded-up` is the next whole multiple of its
 * second operand at or over its first.
 */
export interface WorkedHow extends HowCommon {
  readonly op:
    'sum' | 'difference' | 'product' | 'quotient' | 'whole-part' | 'rounded-up' | 'least' | 'greatest';
  readonly of: readonly How[];
}

/** How a figure was worked out: a small tree of named quantities. */
export type How = Given | WorkedHow;

/**
 * A length that the plan, the family or the walls give.
 *
 * @example evaluate(givenLength('core', inches(8))) // inches(8)
 */
export const givenLength = (name: string, value: number): Given => ({
  op: 'given',
  name,
  unit: 'length',
  value,
});

/**
 * A count that is given.
 *
 * @example evaluate(givenCount('blocks', 12)) // 12
 */
export const givenCount = (name: string, value: number): Given => ({
  op: 'given',
  name,
  unit: 'count',
  value,
});

/**
 * Any quantity that is given.
 *
 * @example evaluate(given('a load', 'volume', 7)) // 7
 */
export const given = (name: string, unit: QuantityUnit, value: number): Given => ({
  op: 'given',
  name,
  unit,
  value,
});

/** What a sum of floats may be over a whole step without being more than it. */
const STEP_TOLERANCE = 1e-9;

/**
 * The next whole multiple of a step at or over a value.
 *
 * @example roundedUp(6.1, 0.25) // 6.25
 */
export const roundedUp = (value: number, step: number): number =>
  Math.ceil(value / step - STEP_TOLERANCE) * step;

/** A quantity in the base that products multiply in: metres for lengths, as it is for the rest. */
const inMetres = (how: How): number =>
  how.unit === 'length' ? evaluate(how) / NANOMETRES_PER_METRE : evaluate(how);

/**
 * The value of a tree in its own unit. Sums, differences and quotients of lengths stay in whole nanometres and are
 * exact; products of lengths become square or cubic metres.
 *
 * @example evaluate({ op: 'product', name: 'p', unit: 'count', of: [givenCount('a', 3), givenCount('b', 4)] }) // 12
 */
export function evaluate(how: How): number {
  switch (how.op) {
    case 'given':
      return how.value;
    case 'sum':
      return how.of.reduce((sum, part) => sum + evaluate(part), 0);
    case 'difference': {
      const [first, ...others] = how.of;
      return others.reduce((rest, part) => rest - evaluate(part), first ? evaluate(first) : 0);
    }
    case 'product': {
      const product = how.of.reduce((total, part) => total * inMetres(part), 1);
      return how.unit === 'length' ? Math.round(product * NANOMETRES_PER_METRE) : product;
    }
    case 'quotient': {
      const [first, second] = how.of;
      if (!first || !second) return Number.NaN;
      // Lengths among themselves, and parts of a length, stay whole; volumes and areas are divided by metres.
      return evaluate(first) / (first.unit === 'length' ? evaluate(second) : inMetres(second));
    }
    case 'whole-part': {
      const [only] = how.of;
      return only ? Math.floor(evaluate(only)) : Number.NaN;
    }
    case 'rounded-up': {
      const [first, second] = how.of;
      return first && second ? roundedUp(evaluate(first), evaluate(second)) : Number.NaN;
    }
    case 'least':
      return Math.min(...how.of.map(evaluate));
    case 'greatest':
      return Math.max(...how.of.map(evaluate));
  }
}
