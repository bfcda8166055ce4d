import {
  KILOGRAMS_PER_CUBIC_METRE_PER_PCF,
  METRES_PER_FOOT,
  PASCALS_PER_PSF,
  toCelsius,
} from '../../../kernel/measure';
import { type AciWall, aci347 } from './aci347';
import { type CiriaWall, ciria108 } from './ciria108';

/** The two ways of telling the pressure of fresh concrete. */
export type PressureSchool = 'aci' | 'ciria';

/** Fresh concrete, as far as its pressure asks. */
export interface FreshConcrete {
  /** Pounds a cubic foot. */
  readonly weight: number;
  /** Degrees Fahrenheit. */
  readonly temperature: number;
  /** Inches. */
  readonly slump: number;
  /** Chemistry coefficient of ACI 347R-14, and C2 of CIRIA 108. */
  readonly chemistry: number;
  readonly c2: number;
}

/** Standard gravity, m/s². */
const GRAVITY = 9.80665;

/** Newtons that a cubic metre weighs. */
export const weightOf = ({ weight }: FreshConcrete): number =>
  weight * KILOGRAMS_PER_CUBIC_METRE_PER_PCF * GRAVITY;

/** The wall in the units of ACI 347R-14; rise in m/h and height in m. */
export const aciWallOf = (fresh: FreshConcrete, rise: number, height: number): AciWall => ({
  rise: rise / METRES_PER_FOOT,
  temperature: fresh.temperature,
  weight: fresh.weight,
  height: height / METRES_PER_FOOT,
  chemistry: fresh.chemistry,
  slump: fresh.slump,
});

/** The wall in the units of CIRIA 108; rise in m/h and height in m. */
export const ciriaWallOf = (fresh: FreshConcrete, rise: number, height: number): CiriaWall => ({
  rise,
  temperature: toCelsius(fresh.temperature),
  weight: weightOf(fresh) / 1000,
  height,
  c1: 1,
  c2: fresh.c2,
});

/** Greatest pressure on a wall's form, in pascals. */
export const pressureOn = (
  school: PressureSchool,
  fresh: FreshConcrete,
  rise: number,
  height: number,
): number =>
  school === 'aci'
    ? aci347(aciWallOf(fresh, rise, height)) * PASCALS_PER_PSF
    : ciria108(ciriaWallOf(fresh, rise, height)) * 1000;

/** Rises are looked for up to this, in m/h: past it the formulas say the whole head. */
const FASTEST = 60;
const HALVINGS = 60;

/**
 * The fastest rise, in m/h, whose pressure stays within a form's capacity.
 *
 * @returns `any` where even the whole head stays inside, `none` where the slowest pour does not
 */
export function fastestRise(
  school: PressureSchool,
  fresh: FreshConcrete,
  height: number,
  capacity: number,
): number | 'any' | 'none' {
  const fits = (rise: number): boolean => pressureOn(school, fresh, rise, height) <= capacity;
  if (weightOf(fresh) * height <= capacity) return 'any';
  if (!fits(0)) return 'none';
  let [low, high] = [0, FASTEST];
  for (let step = 0; step < HALVINGS; step++) {
    const middle = (low + high) / 2;
    if (fits(middle)) low = middle;
    else high = middle;
  }
  return low;
}
