import { type Length, inches, NANOMETRES_PER_INCH, times, nanometres, max, min } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { type BarSize, barSize } from './sizes';

/** What the steel and the concrete of a lap are. */
export interface LapBasis {
  readonly rule: 'diameters' | 'class-b' | 'typed';
  /** Yield strength in psi. */
  readonly yieldPsi: number;
  /** Strength of the concrete in psi. */
  readonly concretePsi: number;
  /** Where the rule is `typed`. */
  readonly typed: Length;
}

/** Yield strengths by grade, in psi. [ASTM A615] */
export const YIELD_PSI: Readonly<Record<string, number>> = { 'grade-40': 40_000, 'grade-60': 60_000 };

/** What a job's laps follow from. */
export const lapBasis = (rules: HouseRules): LapBasis => ({
  rule: rules.choice('steel.lap') as LapBasis['rule'],
  yieldPsi: YIELD_PSI[rules.choice('steel.grade')] ?? 60_000,
  concretePsi: rules.quantity('steel.concrete.strength'),
  typed: rules.length('steel.lap.length'),
});

/** #6 and smaller develop in fewer diameters. */
const SMALL = inches(0.8);
/** No bar develops in less. [ACI 318-19 §25.4.2.1; from memory] */
const LEAST = inches(12);
/** Horizontal bars with so much fresh concrete under them bond less. [ACI 318-19 §25.4.2.5; from memory] */
export const TOP_BAR_DEPTH = inches(12);
const TOP_BAR_FACTOR = 1.3;

/**
 * Tension development length: f_y ψ_t ψ_g d_b / (25 λ √f'c) for #6 and smaller, / 20 for larger; normal weight, uncoated,
 * ψ_g 1.0 for Grade 60 and less. [ACI 318-19 §25.4.2.3; from memory]
 */
function developmentLength(size: BarSize, basis: LapBasis, top: boolean): Length {
  const divisor = size.diameter <= SMALL ? 25 : 20;
  const length =
    (basis.yieldPsi * (top ? TOP_BAR_FACTOR : 1) * size.diameter) / (divisor * Math.sqrt(basis.concretePsi));
  return max(nanometres(length), LEAST);
}

/** Up to a whole inch, as tables of laps are written. */
const wholeInches = (length: number): Length =>
  (Math.ceil(length / NANOMETRES_PER_INCH - 1e-9) * NANOMETRES_PER_INCH) as Length;

/**
 * Length of a tension lap: 40 or 60 bar diameters by grade, up to the whole inch [IRC R608.5.4(1); from memory]; or class B,
 * 1.3 times the development length [ACI 318-19 §25.5.2.1; from memory]; or as typed.
 *
 * @param top a horizontal bar with over 12 in of fresh concrete under it; only class B asks
 */
export function lapLength(size: BarSize, basis: LapBasis, top = false): Length {
  if (basis.rule === 'typed') return basis.typed;
  if (basis.rule === 'class-b') return nanometres(1.3 * developmentLength(size, basis, top));
  return wholeInches(times(size.diameter, basis.yieldPsi <= 40_000 ? 40 : 60));
}

/**
 * Lap of two bars of different sizes. Class B: the longer of the larger one's development length and the smaller one's lap
 * [ACI 318-19 §25.5.2.2; from memory]; by diameters, the larger one's.
 *
 * @param top as for `lapLength`
 */
export function lapOfTwo(a: BarSize, b: BarSize, basis: LapBasis, top = false): Length {
  const [small, large] = a.diameter <= b.diameter ? [a, b] : [b, a];
  if (basis.rule !== 'class-b' || small.id === large.id) return lapLength(large, basis, top);
  return max(developmentLength(large, basis, top), lapLength(small, basis, top));
}

/** Widest gap of bars that are lapped without touching: a fifth of the lap, and 6 in. [ACI 318-19 §25.5.1.3; from memory] */
export const widestGap = (lap: Length): Length => min(nanometres(lap / 5), inches(6));

/** How much less steel a bar of one size has than one of another; negative where it has more. */
export function lessSteel(instead: string, of: string): number {
  const [a, b] = [barSize(instead), barSize(of)];
  return a && b ? 1 - a.area / b.area : 0;
}
