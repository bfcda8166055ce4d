import { bisectLeft, cumsum } from 'd3-array';
import { ofKind, standingEntries } from './history';
import type { Entry } from './entry';

/** What one day’s work says of a rate. */
export interface RateSeen {
  readonly job: string;
  readonly day: string;
  readonly rule: string;
  /** In the rule’s own unit. */
  readonly value: number;
  /** Man-minutes that the rate stood for that day, or minutes of a pour: a morning weighs less than a day. */
  readonly weight: number;
  readonly crew: string | null;
  /** Someone new to the work was among them. */
  readonly first: boolean;
}

/** A rate as the crews of this machine have worked. */
export interface LearnedRate {
  readonly rule: string;
  /** Weighted by the work behind each day, with the house rule as some days more. */
  readonly ours: number;
  /** Of the days alone: middle, and the quarters below and above it. */
  readonly middle: number;
  readonly low: number;
  readonly high: number;
  readonly days: readonly RateSeen[];
}

/**
 * What a job’s log says of the rates. Work on an item is told against the rates that its expectation was worked from: each of them
 * is off by as much as the whole.
 *
 * @example ratesSeen('job', []) // []
 */
export function ratesSeen(job: string, entries: readonly Entry[]): readonly RateSeen[] {
  const standing = standingEntries(entries);
  const poured = ofKind(standing, 'pour').flatMap(({ body }): RateSeen[] => {
    const { day, rule, placedM3, minutes, seen = {} } = body;
    const of = (which: string, value: number, weight: number): RateSeen => ({
      job,
      day,
      rule: which,
      value,
      weight,
      crew: null,
      first: false,
    });
    return [
      ...(placedM3 > 0 ? [of(rule, (placedM3 * 60) / minutes, minutes)] : []),
      ...Object.entries(seen).flatMap(([which, { value, weight }]) =>
        weight > 0 ? [of(which, value, weight)] : [],
      ),
    ];
  });
  const worked = ofKind(standing, 'work').flatMap((entry): RateSeen[] => {
    const { manMinutes, planned, rates, day, crew, first } = entry.body;
    if (manMinutes === null || manMinutes <= 0 || planned <= 0) return [];
    return Object.entries(rates)
      .filter(([, rate]) => rate > 0)
      .map(([rule, rate]) => ({
        job,
        day,
        rule,
        value: (rate * manMinutes) / planned,
        weight: planned,
        crew: crew ?? null,
        first: first === true,
      }));
  });
  return [...worked, ...poured];
}

/**
 * The value that a share of the weight lies under: the weighted quantile, the lower of two where it falls between them.
 *
 * @param seen values with their weights, at least one
 * @example weightedQuantile([{ value: 3, weight: 1 }, { value: 1, weight: 1 }, { value: 2, weight: 1 }], 0.5) // 2
 */
export function weightedQuantile(
  seen: readonly { readonly value: number; readonly weight: number }[],
  share: number,
): number {
  const sorted = [...seen].sort((a, b) => a.value - b.value);
  const sums = cumsum(sorted, ({ weight }) => weight);
  const all = sums.at(-1) ?? 0;
  // What rounding makes of a sum must not pass over a value.
  const at = bisectLeft(sums, share * all * (1 - 1e-12));
  return (sorted[Math.min(at, sorted.length - 1)] ?? { value: 0 }).value;
}

/**
 * The rates as they were worked, rule by rule. Days with somebody new to the work are left out where there are others.
 *
 * @param house what the rule says; null for a rule that is none
 * @param houseDays days of average work that the house rule counts as
 * @example learnRates([], () => 1, 3) // []
 */
export function learnRates(
  seen: readonly RateSeen[],
  house: (rule: string) => number | null,
  houseDays: number,
): readonly LearnedRate[] {
  const rules = [...new Set(seen.map(({ rule }) => rule))].sort();
  return rules.flatMap((rule): LearnedRate[] => {
    const own = seen.filter((each) => each.rule === rule);
    const used = own.some(({ first }) => !first) ? own.filter(({ first }) => !first) : own;
    const said = house(rule);
    if (said === null) return [];
    const average = used.reduce((sum, { weight }) => sum + weight, 0) / used.length;
    return [
      {
        rule,
        ours: weightedQuantile([...used, { value: said, weight: houseDays * average }], 0.5),
        middle: weightedQuantile(used, 0.5),
        low: weightedQuantile(used, 0.25),
        high: weightedQuantile(used, 0.75),
        days: [...own].sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0)),
      },
    ];
  });
}
