import type { UnitSystem } from './length';
import {
  CUBIC_METRES_PER_CUBIC_YARD,
  KILOGRAMS_PER_POUND,
  METRES_PER_FOOT,
  PASCALS_PER_PSF,
} from './quantities';
import { LONGEST_TEXT } from './readLength';

/**
 * Quantities that crews type with a unit, each with its base. Those that a published formula takes are kept in its own unit, so
 * that a value typed in it comes to the formula as it was typed.
 */
export type TypedQuantity =
  /** Pascals. */
  | 'pressure'
  /** Kilograms. */
  | 'mass'
  /** Cubic metres. */
  | 'volume'
  | 'concrete'
  /** Cubic metres an hour. */
  | 'flow'
  /** Metres an hour. */
  | 'rise'
  /** Pounds a square inch. */
  | 'strength'
  /** Of something solid or fluid: pounds a cubic foot. */
  | 'density'
  /** Of soil that presses like a fluid: pounds a cubic foot. */
  | 'fluid-weight'
  /** Degrees Fahrenheit. */
  | 'temperature'
  /** A difference of temperatures: degrees Fahrenheit. */
  | 'warming'
  /** Inches. */
  | 'slump'
  /** Square feet. */
  | 'area'
  /** Money a cubic yard. */
  | 'price'
  /** Work along a wall: man-minutes a metre. */
  | 'work-along'
  /** Work on the face of a wall: man-minutes a square metre. */
  | 'work-on';

/** A way of writing a unit, what one of it is in the base, and how it is written back. */
interface TypedUnit {
  readonly pattern: RegExp;
  readonly factor: number;
  /** What none of it is in the base; 0 where left out. */
  readonly zero?: number;
}

/** How a quantity is written in a system of units. */
interface OwnUnit {
  readonly text: string;
  readonly factor: number;
  readonly zero?: number;
}

const PSI_PER_MEGAPASCAL = 1e6 / (144 * PASCALS_PER_PSF);
const CUBIC_FEET = METRES_PER_FOOT ** 3;
const PCF_PER_KILOGRAM = CUBIC_FEET / KILOGRAMS_PER_POUND;
/** A kilonewton a cubic metre in pounds a cubic foot. */
const PCF_PER_KILONEWTON = (1000 * METRES_PER_FOOT) / PASCALS_PER_PSF;
const FAHRENHEIT_PER_CELSIUS = 1.8;
const FREEZING = 32;
const MILLIMETRES_PER_INCH = 25.4;

const an = String.raw`\s*(?:/|per|an?)\s*`;
const hour = `(?:${an}(?:h|hr|hour))`;
const MAN_MINUTES = '(?:man-?)?min(?:utes?)?';
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
  strength: [unit('psi', 1), unit(`(?:mpa|n${an}mm[2²])`, PSI_PER_MEGAPASCAL)],
  density: [unit(`(?:pcf|lbs?${an}(?:ft3|ft³|cu\\.? ?ft))`, 1), unit(`kgs?${an}(?:m3|m³)`, PCF_PER_KILOGRAM)],
  'fluid-weight': [
    unit(`(?:pcf|lbs?${an}(?:ft3|ft³|cu\\.? ?ft))`, 1),
    unit(`kn${an}(?:m3|m³)`, PCF_PER_KILONEWTON),
  ],
  temperature: [
    unit('(?:°|deg|degrees)? ?f(?:ahrenheit)?', 1),
    { ...unit('(?:°|deg|degrees)? ?c(?:elsius)?', FAHRENHEIT_PER_CELSIUS), zero: FREEZING },
  ],
  warming: [
    unit('(?:°|deg|degrees)? ?f(?:ahrenheit)?', 1),
    unit('(?:°|deg|degrees)? ?[ck](?:elsius|elvin)?', FAHRENHEIT_PER_CELSIUS),
  ],
  slump: [
    unit('(?:in|inch|inches|")', 1),
    unit('mm', 1 / MILLIMETRES_PER_INCH),
    unit('cm', 10 / MILLIMETRES_PER_INCH),
  ],
  area: [unit('(?:ft2|ft²|sf|sq\\.? ?ft)', 1), unit('(?:m2|m²|sq\\.? ?m)', 1 / METRES_PER_FOOT ** 2)],
  'work-along': [
    unit(`${MAN_MINUTES}${an}(?:ft|foot|feet|')`, 1 / METRES_PER_FOOT),
    unit(`${MAN_MINUTES}${an}m(?:et(?:er|re)s?)?`, 1),
  ],
  'work-on': [
    unit(`${MAN_MINUTES}${an}(?:ft2|ft²|sf|sq\\.? ?ft)`, 1 / METRES_PER_FOOT ** 2),
    unit(`${MAN_MINUTES}${an}(?:m2|m²|sq\\.? ?m)`, 1),
  ],
  price: [unit(`(?:${an})?${YARDS}`, 1), unit(`(?:${an})?${METRES}`, CUBIC_METRES_PER_CUBIC_YARD)],
};

/** What a bare number is, and how a quantity is written back, by the job's units. */
const OWN: Readonly<Record<TypedQuantity, Readonly<Record<UnitSystem, OwnUnit>>>> = {
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
  strength: { imperial: { text: 'psi', factor: 1 }, metric: { text: 'MPa', factor: PSI_PER_MEGAPASCAL } },
  density: { imperial: { text: 'lb/ft³', factor: 1 }, metric: { text: 'kg/m³', factor: PCF_PER_KILOGRAM } },
  'fluid-weight': {
    imperial: { text: 'lb/ft³', factor: 1 },
    metric: { text: 'kN/m³', factor: PCF_PER_KILONEWTON },
  },
  temperature: {
    imperial: { text: '°F', factor: 1 },
    metric: { text: '°C', factor: FAHRENHEIT_PER_CELSIUS, zero: FREEZING },
  },
  warming: { imperial: { text: '°F', factor: 1 }, metric: { text: '°C', factor: FAHRENHEIT_PER_CELSIUS } },
  slump: { imperial: { text: 'in', factor: 1 }, metric: { text: 'mm', factor: 1 / MILLIMETRES_PER_INCH } },
  area: { imperial: { text: 'ft²', factor: 1 }, metric: { text: 'm²', factor: 1 / METRES_PER_FOOT ** 2 } },
  'work-along': {
    imperial: { text: 'man-min/ft', factor: 1 / METRES_PER_FOOT },
    metric: { text: 'man-min/m', factor: 1 },
  },
  'work-on': {
    imperial: { text: 'man-min/ft²', factor: 1 / METRES_PER_FOOT ** 2 },
    metric: { text: 'man-min/m²', factor: 1 },
  },
  price: {
    imperial: { text: 'a yd³', factor: 1 },
    metric: { text: 'a m³', factor: CUBIC_METRES_PER_CUBIC_YARD },
  },
};

/** Decimals that are written at most: what is measured no finer than to a whole is written so. */
const DECIMALS: Readonly<Partial<Record<TypedQuantity, Readonly<Record<UnitSystem, number>>>>> = {
  volume: { imperial: 4, metric: 4 },
  pressure: { imperial: 0, metric: 2 },
  strength: { imperial: 0, metric: 1 },
  density: { imperial: 1, metric: 0 },
  temperature: { imperial: 1, metric: 1 },
  warming: { imperial: 1, metric: 1 },
  slump: { imperial: 2, metric: 0 },
  area: { imperial: 0, metric: 1 },
};

/**
 * A quantity as a crew writes it, in its base unit; null where it cannot be read. A bare number is in the job's own unit: psf,
 * lb, ft³ (yd³ of concrete), yd³/h, psi, lb/ft³, °F, in, man-min/ft and so on in a feet-inch job; kPa, kg, m³, m³/h, MPa, kg/m³ or kN/m³,
 * °C and mm in a metric one.
 *
 * @example readQuantity('700 psf', 'pressure', 'metric') // 33516.2
 */
export function readQuantity(text: string, of: TypedQuantity, units: UnitSystem): number | null {
  if (text.length > LONGEST_TEXT) return null;
  const found = /^\s*(\d{1,9}(?:[.,]\d{1,6})?)\s*(.*?)\s*$/.exec(text);
  if (!found) return null;
  const value = Number((found[1] ?? '').replace(',', '.'));
  const written = (found[2] ?? '').toLowerCase();
  const known = written === '' ? OWN[of][units] : UNITS[of].find(({ pattern }) => pattern.test(written));
  return known ? value * known.factor + (known.zero ?? 0) : null;
}

/**
 * A quantity as it is written in the job's units, with no more decimals than it has: `700 psf`, `12.5 m³/h`.
 *
 * @example writeQuantity(4000, 'strength', 'imperial') // '4000 psi'
 */
export function writeQuantity(value: number, of: TypedQuantity, units: UnitSystem): string {
  const { text, factor, zero = 0 } = OWN[of][units];
  const decimals = DECIMALS[of]?.[units] ?? 2;
  return `${String(Number(((value - zero) / factor).toFixed(decimals)))} ${text}`;
}
