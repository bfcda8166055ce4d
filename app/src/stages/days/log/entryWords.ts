import {
  type UnitSystem,
  nanometres,
  readLength,
  showLength,
  toCubicYards,
  writeQuantity,
} from '@ombra/core/kernel/measure';
import type { Entry, EntryKind, LoadStep, Trouble } from '@ombra/core/kernel/record';
import { hoursName } from '../dayWords';
import { airText, windText } from '../weatherWords';

/** The kinds of entries that are written by hand, in the order in which they are offered. */
export const WRITTEN: readonly EntryKind[] = [
  'work',
  'people',
  'relaid',
  'delivery',
  'pulled',
  'reading',
  'incident',
  'weather',
  'gear',
  'pour',
  'picture',
  'thought',
  'note',
];

export const KIND_NAMES: Readonly<Record<EntryKind, string>> = {
  work: 'Work done',
  people: 'People',
  delivery: 'Delivery',
  pulled: 'Pulled length',
  reading: 'Reading',
  incident: 'Incident',
  weather: 'Weather',
  gear: 'Gear',
  pour: 'Pour',
  picture: 'Picture',
  thought: 'Second thought',
  note: 'Note',
  load: 'Load',
  rise: 'Height',
  side: 'Beside the walls',
  hose: 'Hose',
  halt: 'Stop and go',
  trouble: 'Trouble',
  hold: 'Hold point',
  tick: 'Tick',
  relaid: 'Taken down',
  withdrawn: 'Taken back',
};

/** What words about entries need of the job. */
export interface EntryWords {
  readonly units: UnitSystem;
  /** Shown name of a wall; null where the plan has it no more. */
  readonly wallName: (id: string) => string | null;
}

const GONE = 'a wall that is gone';

/** A length as it was typed, in the job’s notation; inches alone where it is small. */
const lengthText = (text: string, units: UnitSystem, style?: 'inches'): string => {
  const reading = readLength(text, units);
  return reading.ok ? showLength(reading.length, units, style ? { style } : {}) : text;
};

const volumeText = (cubicMetres: number, units: UnitSystem): string =>
  units === 'imperial' ? `${toCubicYards(cubicMetres).toFixed(2)} yd³` : `${cubicMetres.toFixed(2)} m³`;

/** `10:05` of a moment, by the clock at the site. */
const timeText = (time: string): string => time.slice(11, 16);

const LOAD_STEP_WORDS: Readonly<Record<LoadStep, string>> = {
  ordered: 'ordered',
  arrived: 'came',
  tested: 'tested',
  placing: 'at the hose',
  empty: 'empty',
  back: 'sent back',
};

const HALT_WORDS: Readonly<Record<'stop' | 'go' | 'done', string>> = {
  stop: 'Stopped',
  go: 'Going on',
  done: 'Poured to the end',
};

export const TROUBLE_NAMES: Readonly<Record<Trouble, string>> = {
  bulge: 'Bulge',
  blowout: 'Blowout',
  lightning: 'Lightning',
  pump: 'Pump down',
  late: 'Truck late',
  load: 'Stiff or wet load',
  hurt: 'Someone is hurt',
};

const shareText = (share: number): string =>
  share >= 1 ? '' : ` · ${String(Math.round(share * 100))} % of it`;

/** What an entry says, in a line. */
export function entryText(entry: Entry, { units, wallName }: EntryWords): string {
  const wall = (id: string): string => wallName(id) ?? GONE;
  switch (entry.kind) {
    case 'work': {
      const { name, share, manMinutes, planned, rows = [] } = entry.body;
      const walls = [...new Set(rows.map((row) => wall(row.wall)))];
      return [
        `${name}${shareText(share)}`,
        ...(manMinutes === null
          ? []
          : [`${(manMinutes / 60).toFixed(1)} man-hours (planned ${(planned / 60).toFixed(1)})`]),
        ...(walls.length > 0 && walls.length < 6 && share < 1 ? [walls.join(', ')] : []),
      ].join(' · ');
    }
    case 'people': {
      const { people } = entry.body;
      const hours = people.reduce((sum, each) => sum + each.hours, 0);
      const names = people.map(({ name, first }) => (first === true ? `${name} (new)` : name)).join(', ');
      return people.length === 0 ? 'No one on site.' : `${names} · ${String(hours)} h in all`;
    }
    case 'delivery': {
      const { lines, ticket, late } = entry.body;
      const each = lines.map(({ article, counted, broken, short }) =>
        [
          `${String(counted)} ${article}`,
          ...(broken > 0 ? [`${String(broken)} broken`] : []),
          ...(short > 0 ? [`${String(short)} short`] : []),
        ].join(', '),
      );
      return [
        ...(late === true ? ['Late'] : []),
        ...(ticket === '' ? [] : [`ticket ${ticket}`]),
        ...each,
      ].join(' · ');
    }
    case 'pulled':
      return `${wall(entry.body.wall)}, course ${String(entry.body.course)}: pulled ${lengthText(entry.body.length, units)}`;
    case 'reading': {
      const { of, when, at, out } = entry.body;
      const what = of === 'string' ? 'off its string' : 'out of plumb';
      return `${wall(entry.body.wall)} at ${lengthText(at, units)}: ${lengthText(out, units, 'inches')} ${what}, ${when} the pour`;
    }
    case 'incident':
      return [
        entry.body.what,
        ...(entry.body.cause === '' ? [] : [`Cause: ${entry.body.cause}`]),
        ...(entry.body.cure === '' ? [] : [`Cure: ${entry.body.cure}`]),
      ].join(' ');
    case 'weather': {
      const { what, lowF: low, highF: high, gustMph: gust } = entry.body;
      return [
        ...(what === '' ? [] : [what]),
        ...(low === null ? [] : [`from ${airText(low, units)}`]),
        ...(high === null ? [] : [`up to ${airText(high, units)}`]),
        ...(gust === null ? [] : [`gusts of ${windText(gust, units)}`]),
      ].join(' · ');
    }
    case 'gear':
      return `${String(entry.body.count)} ${entry.body.what} ${entry.body.way === 'in' ? 'came' : 'went back'}`;
    case 'pour': {
      const { placedM3: placed, minutes, trucks, word } = entry.body;
      const volume = volumeText(placed, units);
      return [
        `${volume} placed in ${hoursName(minutes)}`,
        `${String(trucks)} ${trucks === 1 ? 'truck' : 'trucks'}`,
        ...(word === '' ? [] : [word]),
      ].join(' · ');
    }
    case 'load': {
      const { load, step, volumeM3, slumpIn, temperatureF, ticket } = entry.body;
      return [
        `Load ${String(load)} ${LOAD_STEP_WORDS[step]}`,
        ...(volumeM3 === undefined ? [] : [volumeText(volumeM3, units)]),
        ...(ticket === undefined || ticket === '' ? [] : [`ticket ${ticket}`]),
        ...(slumpIn === undefined ? [] : [`slump ${writeQuantity(slumpIn, 'slump', units)}`]),
        ...(temperatureF === undefined ? [] : [airText(temperatureF, units)]),
        timeText(entry.body.time),
      ].join(' · ');
    }
    case 'rise':
      return `${wall(entry.body.wall)} filled to ${showLength(nanometres(entry.body.top), units)} · ${timeText(entry.body.time)}`;
    case 'side':
      return `${String(Math.round(entry.body.share * 100))} % filled beside the walls · ${timeText(entry.body.time)}`;
    case 'hose': {
      const { to, time } = entry.body;
      const where =
        'wall' in to ? `${wall(to.wall)} at ${showLength(nanometres(to.along), units)}` : 'beside the walls';
      return `Hose to ${where} · ${timeText(time)}`;
    }
    case 'halt':
      return `${HALT_WORDS[entry.body.way]} · ${timeText(entry.body.time)}`;
    case 'trouble':
      return [
        TROUBLE_NAMES[entry.body.trouble],
        ...(entry.body.what === '' ? [] : [entry.body.what]),
        timeText(entry.body.time),
      ].join(' · ');
    case 'hold':
      return `${entry.body.name}: signed by ${entry.body.by}${entry.body.word === '' ? '' : `. ${entry.body.word}`}`;
    case 'tick':
      return `${entry.body.done ? 'Seen' : 'Not yet'}: ${entry.body.what}`;
    case 'relaid':
      return `${[...new Set(entry.body.rows.map((row) => `course ${String(row.course)}`))].join(', ')} taken down: ${entry.body.rows.map((row) => wall(row.wall)).join(', ')}${entry.body.why === '' ? '' : `. ${entry.body.why}`}`;
    case 'picture':
    case 'thought':
    case 'note':
      return entry.body.what;
    case 'withdrawn':
      return entry.body.why;
  }
}

/** Where an entry belongs, in words; null where it is of the whole job. */
export function placeText(entry: Entry, { units, wallName }: EntryWords): string | null {
  const { place } = entry;
  // These say it themselves.
  if (!place || entry.kind === 'pulled' || entry.kind === 'reading') return null;
  const parts = [
    ...(place.wall === undefined ? [] : [wallName(place.wall) ?? GONE]),
    ...(place.course === undefined ? [] : [`course ${String(place.course)}`]),
    ...(place.station === undefined ? [] : [`at ${lengthText(place.station, units)}`]),
  ];
  return parts.length === 0 ? null : parts.join(', ');
}
