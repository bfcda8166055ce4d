import { evaluate } from './how';
import {
  type Length,
  type UnitSystem,
  KILOGRAMS_PER_CUBIC_METRE_PER_PCF,
  KILOGRAMS_PER_POUND,
  METRES_PER_FOOT,
  PASCALS_PER_PSF,
  showLength,
  STANDARD_GRAVITY,
  toCubicFeet,
  toCubicYards,
  toSquareFeet,
  writeQuantity,
} from '../measure';
import type { CutReason, How, PieceSelector, QuantityUnit } from './how';

const fixed = (value: number, decimals: number): string => value.toFixed(decimals);

/**
 * A quantity as a crew would write it, with its unit.
 *
 * @example showQuantity(inches(8), 'length', 'imperial') // '8″'
 */
export function showQuantity(value: number, unit: QuantityUnit, units: UnitSystem): string {
  switch (unit) {
    case 'count':
      return String(value);
    case 'ratio':
      return fixed(value, 3);
    case 'length':
      return showLength(value as Length, units);
    case 'area':
      return units === 'imperial' ? `${fixed(toSquareFeet(value), 2)} ft²` : `${fixed(value, 3)} m²`;
    case 'volume':
      return showVolume(value, units);
    case 'mass':
      return showMass(value, units);
    case 'pressure':
      return showPressure(value, units);
    case 'duration':
      return showMinutes(value);
    case 'flow':
      return `${showVolume(value, units, 1)}/h`;
    case 'rise':
      return units === 'imperial' ? `${fixed(value / METRES_PER_FOOT, 1)} ft/h` : `${fixed(value, 2)} m/h`;
    case 'weight':
      return units === 'imperial'
        ? `${fixed(value / STANDARD_GRAVITY / KILOGRAMS_PER_CUBIC_METRE_PER_PCF, 1)} lb/ft³`
        : `${fixed(value / 1000, 2)} kN/m³`;
    case 'density':
      return units === 'imperial'
        ? `${fixed(value / KILOGRAMS_PER_CUBIC_METRE_PER_PCF, 1)} lb/ft³`
        : `${fixed(value, 0)} kg/m³`;
    case 'line-mass':
      return units === 'imperial'
        ? `${fixed((value * METRES_PER_FOOT) / KILOGRAMS_PER_POUND, 3)} lb/ft`
        : `${fixed(value, 3)} kg/m`;
    case 'work-along':
    case 'work-on':
      return writeQuantity(value, unit, units);
    case 'money':
      return value.toLocaleString('en', { maximumFractionDigits: 0 });
  }
}

/**
 * Pounds a square foot, or kilopascals.
 *
 * @example showPressure(33516.18, 'imperial') // '700 lb/ft²'
 * @example showPressure(33516.18, 'metric') // '33.5 kPa'
 */
export const showPressure = (pascals: number, units: UnitSystem): string =>
  units === 'imperial' ? `${fixed(pascals / PASCALS_PER_PSF, 0)} lb/ft²` : `${fixed(pascals / 1000, 1)} kPa`;

/**
 * Minutes up to two hours, then hours and minutes: `95 min`, `3 h 20 min`.
 *
 * @example showMinutes(95) // '95 min'
 */
export function showMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  if (Math.abs(whole) < 120) return `${String(whole)} min`;
  return `${String(Math.floor(whole / 60))} h ${String(whole % 60).padStart(2, '0')} min`;
}

/**
 * Two times that a sentence compares, the shorter first. If both round to the same minute, the shorter is rounded down and the longer
 * up, so that they never read alike.
 *
 * @example showApart(19.8, 20.2) // ['19 min', '21 min']
 * @example showApart(20, 90.4) // ['20 min', '90 min']
 */
export function showApart(shorter: number, longer: number): readonly [shorter: string, longer: string] {
  const alike = Math.round(shorter) === Math.round(longer);
  return alike
    ? [showMinutes(Math.floor(shorter)), showMinutes(Math.ceil(longer))]
    : [showMinutes(shorter), showMinutes(longer)];
}

/**
 * A mass in whole pounds or kilograms.
 *
 * @example showMass(1000, 'metric') // '1000 kg'
 */
export const showMass = (kilograms: number, units: UnitSystem): string =>
  units === 'imperial' ? `${fixed(kilograms / KILOGRAMS_PER_POUND, 0)} lb` : `${fixed(kilograms, 0)} kg`;

/**
 * Concrete as it is ordered: cubic yards or cubic metres.
 *
 * @example showVolume(6.881, 'imperial') // '9.00 yd³'
 * @example showVolume(7, 'metric', 1) // '7.0 m³'
 */
export const showVolume = (cubicMetres: number, units: UnitSystem, decimals = 2): string =>
  units === 'imperial'
    ? `${fixed(toCubicYards(cubicMetres), decimals)} yd³`
    : `${fixed(cubicMetres, decimals)} m³`;

/** One term of a worked line: its name, its value, and the line that works it out in turn. */
export interface ExplainedTerm {
  readonly name: string;
  readonly value: string;
  readonly pieces?: PieceSelector;
  readonly note?: string;
  readonly line?: ExplainedLine;
}

/** A line of arithmetic with its numbers filled in. */
export interface ExplainedLine {
  readonly op: Exclude<How['op'], 'given'>;
  readonly terms: readonly ExplainedTerm[];
  readonly result: string;
}

/** A tree deeper than this is not read by anyone; it also bounds the work. */
const DEEPEST = 6;

const short = (length: Length, units: UnitSystem): string => showLength(length, units, { style: 'inches' });

/** Why a wall has its cuts, in one sentence. */
export function cutReasonText(reason: CutReason, units: UnitSystem): string {
  const rest = short(reason.rest, units);
  const cuts = reason.cuts.map((cut) => short(cut, units)).join(' and ');
  switch (reason.step) {
    case 0:
      return `cuts chosen: ${cuts}`;
    case 1:
      return 'whole blocks fill the run: no cut';
    case 2:
      return `rest ${rest}: one filler`;
    case 3:
      return `rest ${rest} is no good length: a block more makes ${cuts}`;
    case 4:
      return `rest ${rest}: one filler, strap its joint`;
    case 5:
      return `rest ${rest} is too short: a block more makes ${cuts}, strap their joint`;
    case 6:
      return `rest ${rest}: one short cut, no block to share it with`;
  }
}

function explainTerm(how: How, units: UnitSystem, depth: number): ExplainedTerm {
  const factor = how.op === 'given' ? how.shown?.[units] : undefined;
  if (factor) return { name: factor.name, value: showQuantity(factor.value, 'ratio', units) };
  const line = how.op === 'given' || depth >= DEEPEST ? undefined : explainLine(how, units, depth + 1);
  return {
    name: how.name,
    value: showQuantity(evaluate(how), how.unit, units),
    ...(how.pieces === undefined ? {} : { pieces: how.pieces }),
    ...(how.cutReason === undefined ? {} : { note: cutReasonText(how.cutReason, units) }),
    ...(line === undefined ? {} : { line }),
  };
}

/**
 * A figure's tree in the words and units of the job. Called when a card opens, not before. Sums of one term are
 * skipped, since they say nothing.
 */
export function explainLine(how: How, units: UnitSystem, depth = 0): ExplainedLine | undefined {
  if (how.op === 'given') return undefined;
  // A factor between units is no step of its own where the terms are in the job's units.
  const of = how.of.filter((part) => part.op !== 'given' || part.shown?.[units] !== null);
  const [only] = of;
  if ((how.op === 'sum' || of.length < how.of.length) && of.length === 1 && only && only.op !== 'given') {
    const line = explainLine(only, units, depth);
    return line && { ...line, result: showResult(how, units) };
  }
  return {
    op: how.op,
    terms: of.map((part) => {
      const inner =
        part.op === 'sum' && part.of.length === 1 && part.of[0] ? { ...part.of[0], name: part.name } : part;
      return explainTerm(inner, units, depth);
    }),
    result: showResult(how, units),
  };
}

/** Feet multiply to cubic feet, concrete is ordered in yards: a product shows both, so that a calculator can follow. */
function showResult(how: How, units: UnitSystem): string {
  const value = evaluate(how);
  const ordered = showQuantity(value, how.unit, units);
  return how.op === 'product' && how.unit === 'volume' && units === 'imperial'
    ? `${fixed(toCubicFeet(value), 2)} ft³ = ${ordered}`
    : ordered;
}
