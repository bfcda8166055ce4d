import type { UnitSystem } from './length';
import {
  CUBIC_METRES_PER_CUBIC_YARD,
  KILOGRAMS_PER_POUND,
  METRES_PER_FOOT,
  PASCALS_PER_PSF,
} from './quantities';
import { LONGEST_TEXT } from './readLength';

/** Quantities that crews type with a unit: pascals, kilograms, cubic metres, cubic metres an hour, metres an hour. */
export type TypedQuantity = 'pressure' | 'mass' | 'volume' | 'concrete' | 'flow' | 'rise';

/** A way of writing a unit, what one of it is in the base, and how it is written back. */
interface TypedUnit {
  readonly pattern: RegExp;
  readonly factor: number;
}

const an = String.raw`\s*(?:/|per|an?)\s*`;
const hour = `(?:${an}(?:h|hr|hour))`;
const YARDS = String.raw`(?:yd3|yd³|yards?|yds?|cy|cu\.? ?yd)`;
const METRES = String.raw`(?:m3|m³|cu\.? ?m)`;
const FEET = String.raw`(?:ft3|ft³|cf|cu\.? ?ft)`;
const unit = (pattern: string, factor: number): TypedUnit => ({
  pattern: new RegExp(`^${pattern}$`),
  factor,
});

const VOLUMES: readonly TypedUnit[] = [
  unit(YARDS, CUBIC_METRES_PER_CUBIC_YARD),
  unit(FEET, METRES_PER_FOOT ** 3),
  unit(METRES, 1),
  unit('(?:l|litres?|liters?)', 0.001),
];

const UNITS: Readonly<Record<TypedQuantity, readonly TypedUnit[]>> = {
  pressure: [
    unit(`(?:psf|lbs?${an}(?:ft2|ft²|sq\\.? ?ft))`, PASCALS_PER_PSF),
    unit('psi', 144 * PASCALS_PER_PSF),
    unit(`(?:kpa|kn${an}m[2²])`, 1000),
    unit('pa', 1),
  ],
  mass: [unit('(?:lbs?|pounds?)', KILOGRAMS_PER_POUND), unit('kgs?', 1)],
  volume: VOLUMES,
  concrete: VOLUMES,
  flow: [unit(`${YARDS}${hour}`, CUBIC_METRES_PER_CUBIC_YARD), unit(`${METRES}${hour}`, 1)],
  rise: [unit(`(?:ft|feet|')${hour}`, METRES_PER_FOOT), unit(`m${hour}`, 1)],
};

/** What a bare number is, and how a quantity is written back, by the job's units. */
const OWN: Readonly<
  Record<TypedQuantity, Readonly<Record<UnitSystem, { readonly text: string; readonly factor: number }>>>
> = {
  pressure: { imperial: { text: 'psf', factor: PASCALS_PER_PSF }, metric: { text: 'kPa', factor: 1000 } },
  mass: { imperial: { text: 'lb', factor: KILOGRAMS_PER_POUND }, metric: { text: 'kg', factor: 1 } },
  volume: { imperial: { text: 'ft³', factor: METRES_PER_FOOT ** 3 }, metric: { text: 'm³', factor: 1 } },
  concrete: {
    imperial: { text: 'yd³', factor: CUBIC_METRES_PER_CUBIC_YARD },
    metric: { text: 'm³', factor: 1 },
  },
  flow: {
    imperial: { text: 'yd³/h', factor: CUBIC_METRES_PER_CUBIC_YARD },
    metric: { text: 'm³/h', factor: 1 },
  },
  rise: { imperial: { text: 'ft/h', factor: METRES_PER_FOOT }, metric: { text: 'm/h', factor: 1 } },
};

/**
 * A quantity as a crew writes it, in its base unit; null where it cannot be read. A bare number is in the job's own unit: psf,
 * lb, ft³ (yd³ of concrete), yd³/h and ft/h in a feet-inch job; kPa, kg, m³, m³/h and m/h in a metric one.
 *
 * @example readQuantity('700 psf', 'pressure', 'metric') // 33516.2
 */
export function readQuantity(text: string, of: TypedQuantity, units: UnitSystem): number | null {
  if (text.length > LONGEST_TEXT) return null;
  const found = /^\s*(\d{1,9}(?:[.,]\d{1,6})?)\s*(.*?)\s*$/.exec(text);
  if (!found) return null;
  const value = Number((found[1] ?? '').replace(',', '.'));
  const written = (found[2] ?? '').toLowerCase();
  if (written === '') return value * OWN[of][units].factor;
  const known = UNITS[of].find(({ pattern }) => pattern.test(written));
  return known ? value * known.factor : null;
}

/** A quantity as it is written in the job's units, with no more decimals than it has: `700 psf`, `12.5 m³/h`. */
export function writeQuantity(value: number, of: TypedQuantity, units: UnitSystem): string {
  const { text, factor } = OWN[of][units];
  const decimals = of === 'volume' ? 4 : of === 'pressure' && units === 'imperial' ? 0 : 2;
  return `${String(Number((value / factor).toFixed(decimals)))} ${text}`;
}
