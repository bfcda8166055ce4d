import { type Entry, type EntryOf, standingEntries } from '../../../kernel/record';

const KINDS = ['load', 'rise', 'side', 'hose', 'halt', 'trouble'] as const;

type TapKind = (typeof KINDS)[number];

/** What was tapped on the day of a pour. */
export type Tap = { readonly [Kind in TapKind]: EntryOf<Kind> }[TapKind];

/** A tap with the moment that it tells of, in minutes from the hour that the first truck is ordered for. */
export interface TimedTap<One extends Tap = Tap> {
  readonly tap: One;
  readonly at: number;
}

const isTap = (entry: Entry): entry is Tap => (KINDS as readonly string[]).includes(entry.kind);

/** Taps of a pour that stand, in the order of what they tell of; where two agree, the one that was written first, then their ids. */
export const tapsOf = (pour: string, entries: readonly Entry[]): readonly Tap[] =>
  // Of a long log only the taps, and what corrects or takes back anything.
  standingEntries(entries.filter((entry) => isTap(entry) || entry.corrects !== undefined))
    .flatMap(({ entry }) => (isTap(entry) && entry.body.pour === pour ? [entry] : []))
    .map((tap) => ({ tap, instant: Date.parse(tap.body.time), written: Date.parse(tap.at) }))
    .sort((a, b) => a.instant - b.instant || a.written - b.written || (a.tap.id < b.tap.id ? -1 : 1))
    .map(({ tap }) => tap);

/** Minutes by which a pour may begin off its hour and still be told by it. [ours] */
const OFF_ITS_HOUR = 60;

/** The first minute of a pour: milliseconds since 1970, and what the clock at the site says then, in minutes after midnight. */
export interface Origin {
  readonly origin: number;
  readonly start: number;
}

/** Minutes of a time zone against UTC: `-05:00` is -300. */
function offsetOf(time: string): number {
  const found = /([+-])(\d{2}):(\d{2})$/.exec(time);
  return found ? (found[1] === '-' ? -1 : 1) * (Number(found[2]) * 60 + Number(found[3])) : 0;
}

/**
 * The moment from which the minutes of a pour are counted: the hour that its first truck is ordered for, on the day of its first tap.
 * Where the first truck came at quite another hour it is that.
 *
 * @param start minutes after midnight
 * @param now the day where nothing is tapped yet
 * @example originOf([], 450, '2026-12-01T06:50:00-05:00').origin // Date.parse('2026-12-01T07:30:00-05:00')
 */
export function originOf(taps: readonly Tap[], start: number, now: string): Origin {
  const time = taps[0]?.body.time ?? now;
  const offset = offsetOf(time);
  // Midnight at the site, and its hours from there.
  const midnight = Date.parse(`${time.slice(0, 10)}T00:00:00Z`) - offset * 60_000;
  const planned = midnight + start * 60_000;
  const first = taps.find((tap) => tap.kind === 'load' && tap.body.step === 'arrived');
  const came = first ? Date.parse(first.body.time) : planned;
  return Math.abs(came - planned) > OFF_ITS_HOUR * 60_000
    ? { origin: came, start: (came - midnight) / 60_000 }
    : { origin: planned, start };
}

/** Minutes from an origin. */
export const minutesFrom = (origin: number, time: string): number => (Date.parse(time) - origin) / 60_000;
