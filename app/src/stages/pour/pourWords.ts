import { showVolume } from '@ombra/core/kernel/figures';
import {
  type UnitSystem,
  toCelsius,
  toCubicYards,
  toFahrenheit,
  writeQuantity,
} from '@ombra/core/kernel/measure';
import { type PourMethod, type WorkedPour, clockText } from '@ombra/core/stages/pour';
import type { DayEventKind, Idle } from '@ombra/core/stages/pour/rehearsal';

export const METHOD_WORDS: Readonly<Record<PourMethod, string>> = {
  pump: 'pump and hose',
  chute: 'the truck’s chute',
  conveyor: 'conveyor with a sock',
  holes: 'access holes',
};

/** The same at the start of a sentence. */
export const METHOD_STARTS: Readonly<Record<PourMethod, string>> = {
  pump: 'By pump',
  chute: 'Off the chute',
  conveyor: 'By conveyor',
  holes: 'Through access holes',
};

/** A time of a pour, minutes after its start, as a clock on the wall shows it. */
export const timeOf = (pour: Pick<WorkedPour, 'start'>, minutes: number): string =>
  clockText(pour.start + minutes);

/** Degrees Fahrenheit in the job's scale, as a number. */
export const inScale = (fahrenheit: number, units: UnitSystem): number =>
  Math.round(units === 'imperial' ? fahrenheit : toCelsius(fahrenheit));
export const fromScale = (degrees: number, units: UnitSystem): number =>
  units === 'imperial' ? degrees : Math.round(toFahrenheit(degrees));

/** Both scales, the job's own first: crews of two countries share a ticket. */
export function degreesText(fahrenheit: number, units: UnitSystem): string {
  const [f, c] = [`${String(Math.round(fahrenheit))} °F`, `${String(Math.round(toCelsius(fahrenheit)))} °C`];
  return units === 'imperial' ? `${f} (${c})` : `${c} (${f})`;
}

/** A slump: `6 in`, `150 mm`. */
export const slumpText = (inches: number, units: UnitSystem): string => writeQuantity(inches, 'slump', units);

/** A load, to the quarter: `9 yd³`. */
export const loadText = (cubicMetres: number, units: UnitSystem): string =>
  showVolume(cubicMetres, units, Number.isInteger(loadNumber(cubicMetres, units)) ? 0 : 2);
const loadNumber = (cubicMetres: number, units: UnitSystem): number =>
  Math.round((units === 'imperial' ? toCubicYards(cubicMetres) : cubicMetres) * 100) / 100;

export const EVENT_WORDS: Readonly<Record<DayEventKind, string>> = {
  late: 'Late truck',
  stiff: 'Stiff load',
  lightning: 'Lightning',
  blowout: 'Small blowout',
  pump: 'Pump trouble',
};

export const ANSWER_WORDS: Readonly<Record<string, string>> = {
  'late:wait': 'wait for it',
  'late:slow': 'place slower until it arrives',
  'stiff:send-back': 'send it back',
  'stiff:thin': 'add the plant’s water reducer',
  'lightning:wait': 'everyone off the planks, wait',
  'lightning:call-off': 'call off the day, set bulkheads',
  'blowout:plate': 'stop, plate it, wait, go on',
  'blowout:skip': 'plate it, pass by, come back next lift',
  'pump:wait': 'wait for the mechanic',
  'pump:chute': 'go on with the chute',
};

export const IDLE_WORDS: Readonly<Record<Idle['why'], string>> = {
  'no-truck': 'no truck',
  backing: 'truck backing in, slump test',
  prime: 'pump being primed',
  change: 'truck changeover',
  move: 'machine being moved',
  late: 'late truck',
  stiff: 'stiff load',
  lightning: 'lightning',
  blowout: 'blowout',
  pump: 'pump trouble',
};

/** A share of days as odds: never 0 % or 100 % where some day was otherwise. */
export function oddsText(share: number): string {
  if (share === 0) return 'none seen';
  const percent = share * 100;
  if (percent < 1) return 'under 1 %';
  if (percent > 99 && share < 1) return 'over 99 %';
  return `${percent.toFixed(0)} %`;
}
