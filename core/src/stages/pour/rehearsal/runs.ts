import type { Day } from './day';
import { scratchFor } from './layers';
import { runDay } from './run';
import type { Underway } from './underway';

/** A part of a distribution: from and to, and how many of the days fell into it. */
export interface Bin {
  readonly from: number;
  readonly to: number;
  readonly days: number;
}

/** How a figure came out over many days. */
export interface Spread {
  readonly mean: number;
  /** One day in ten is under the first, one in ten over the last. */
  readonly tenth: number;
  readonly middle: number;
  readonly ninetieth: number;
  readonly bins: readonly Bin[];
}

/** What many days came to. Odds are shares of the days. */
export interface Odds {
  readonly days: number;
  readonly cold: number;
  /** Days with a cold joint, slice by slice. */
  readonly coldAt: readonly number[];
  readonly overAge: number;
  readonly waits: number;
  /** Not done by dark; null where nobody has said when that is. */
  readonly dark: number | null;
  readonly extraLoad: number;
  /** Days on which a load was sent back. */
  readonly refused: number;
  /** Days on which the forms were pressed harder than they are stated for; null where that cannot be told. */
  readonly over: number | null;
  readonly finish: Spread;
  /** All done: struck off, straightened, washed out. */
  readonly done: Spread;
  readonly waitCost: Spread;
  readonly cost: Spread;
  readonly gap: Spread;
  readonly age: Spread;
  /** Pascals; null where no pressure can be told. */
  readonly pressure: Spread | null;
}

const BINS = 24;

/** Mean, tenths and bins of a figure. */
export function spreadOf(values: Float64Array): Spread {
  const sorted = Float64Array.from(values).sort();
  const at = (share: number): number =>
    sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
  const [least, most] = [sorted[0] ?? 0, sorted.at(-1) ?? 0];
  const width = (most - least) / BINS;
  const counts = new Array<number>(BINS).fill(0);
  for (const value of values) {
    const bin = width === 0 ? 0 : Math.min(BINS - 1, Math.floor((value - least) / width));
    counts[bin] = (counts[bin] ?? 0) + 1;
  }
  return {
    mean: values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length),
    tenth: at(0.1),
    middle: at(0.5),
    ninetieth: at(0.9),
    bins: counts.map((days, bin) => ({ from: least + bin * width, to: least + (bin + 1) * width, days })),
  };
}

/** Seeds of days that follow on: far apart, so that days do not resemble each other. [golden ratio, as a whole number of 32 bits] */
export const seedOf = (seed: number, day: number): number => (seed + Math.imul(day, 0x9e3779b1)) >>> 0;

/** Days played between two reports. */
const BETWEEN_REPORTS = 250;

/**
 * Plays many days. Yields how many are done; ends with what they came to.
 *
 * @param seed gives the same days again
 * @param from where a day that is under way is taken up; all figures then are of what is still to come
 */
export function* manyDays(
  day: Day,
  seed: number,
  days: number,
  from: Underway | null = null,
): Generator<number, Odds> {
  const scratch = scratchFor(day);
  const make = (): Float64Array => new Float64Array(days);
  const [finish, allDone, waitCost] = [make(), make(), make()];
  const [cost, gap, age, pressure] = [make(), make(), make(), make()];
  const coldAt = new Array<number>(day.slices).fill(0);
  let [cold, overAge, waits, dark, extra, refused, over] = [0, 0, 0, 0, 0, 0, 0];
  const { capacity } = day;
  for (let at = 0; at < days; at++) {
    const run = runDay(day, seedOf(seed, at), scratch, from);
    finish[at] = run.finish;
    allDone[at] = run.done;
    waitCost[at] = run.waitCost;
    cost[at] = run.cost;
    gap[at] = run.gap;
    age[at] = run.age;
    pressure[at] = run.pressure ?? 0;
    if (run.cold.length > 0) cold += 1;
    for (const slice of run.cold) coldAt[slice] = (coldAt[slice] ?? 0) + 1;
    if (run.age > day.discharge) overAge += 1;
    if (run.waitCost > 0) waits += 1;
    if (day.dark !== null && run.done > day.dark) dark += 1;
    if (run.extraLoads > 0) extra += 1;
    if (run.refused > 0) refused += 1;
    if (capacity !== null && (run.pressure ?? 0) > capacity) over += 1;
    if ((at + 1) % BETWEEN_REPORTS === 0) yield at + 1;
  }
  const share = (count: number): number => count / Math.max(1, days);
  return {
    days,
    cold: share(cold),
    coldAt,
    overAge: share(overAge),
    waits: share(waits),
    dark: day.dark === null ? null : share(dark),
    extraLoad: share(extra),
    refused: share(refused),
    over: capacity === null || !day.fresh ? null : share(over),
    done: spreadOf(allDone),
    finish: spreadOf(finish),
    waitCost: spreadOf(waitCost),
    cost: spreadOf(cost),
    gap: spreadOf(gap),
    age: spreadOf(age),
    pressure: day.fresh ? spreadOf(pressure) : null,
  };
}
