import type { Day } from './day';
import { runDay, scratchFor } from './run';
import { seedOf } from './runs';

/** One way of ordering the trucks, and what it came to over its days. */
export interface Ordered {
  readonly trucks: number;
  readonly spacing: number;
  /** Shares of the days with a cold joint, with a load past its time, and with trucks that charged for waiting. */
  readonly cold: number;
  readonly overAge: number;
  readonly cost: number;
  readonly waitCost: number;
  readonly finish: number;
}

/** Where the search for the best trucks stands. */
export interface TruckSearch {
  readonly done: number;
  readonly of: number;
  readonly tried: readonly Ordered[];
  readonly best: Ordered | null;
}

const SPACINGS = Array.from({ length: 22 }, (_, index) => 15 + 5 * index);
const MOST_TRUCKS = 8;
/** Days that each way is played; the same days for all of them, so that they differ by the order alone. */
const DAYS = 200;

/** Odds of the worse of the two things that must not happen. */
const worst = ({ cold, overAge }: Ordered): number => Math.max(cold, overAge);

/**
 * The better of two: under the odds that are taken, the cheaper one; of two that are over, the one with the lesser odds. As good,
 * the one with fewer trucks, then the wider spacing.
 */
export function better(one: Ordered, other: Ordered, mostOdds: number): Ordered {
  const [a, b] = [worst(one), worst(other)];
  const [fits, otherFits] = [a <= mostOdds, b <= mostOdds];
  if (fits !== otherFits) return fits ? one : other;
  if (!fits && a !== b) return a < b ? one : other;
  if (one.cost !== other.cost) return one.cost < other.cost ? one : other;
  if (one.trucks !== other.trucks) return one.trucks < other.trucks ? one : other;
  return one.spacing >= other.spacing ? one : other;
}

function playedWith(day: Day, seed: number): Ordered {
  const scratch = scratchFor(day);
  let [cold, overAge, cost, waitCost, finish] = [0, 0, 0, 0, 0];
  for (let at = 0; at < DAYS; at++) {
    const run = runDay(day, seedOf(seed, at), scratch);
    if (run.cold.length > 0) cold += 1;
    if (run.age > day.discharge) overAge += 1;
    cost += run.cost;
    waitCost += run.waitCost;
    finish += run.finish;
  }
  return {
    trucks: day.trucks,
    spacing: day.spacing,
    cold: cold / DAYS,
    overAge: overAge / DAYS,
    cost: cost / DAYS,
    waitCost: waitCost / DAYS,
    finish: finish / DAYS,
  };
}

/**
 * The best spacing and number of trucks for the crew's method: every spacing from 15 min to 2 h with as many trucks as there are
 * loads at most, all played through the same days.
 *
 * @param mostOdds share of days that is taken for a cold joint, or a load past its time
 */
export function* bestTrucks(day: Day, seed: number, mostOdds: number): Generator<TruckSearch, TruckSearch> {
  const most = Math.min(MOST_TRUCKS, Math.max(1, day.loads.length));
  const ways = Array.from({ length: most }, (_, index) => index + 1).flatMap((trucks) =>
    SPACINGS.map((spacing) => ({ trucks, spacing })),
  );
  const tried: Ordered[] = [];
  let best: Ordered | null = null;
  const state = (): TruckSearch => ({ done: tried.length, of: ways.length, tried: [...tried], best });
  for (const way of ways) {
    const own = playedWith({ ...day, ...way }, seed);
    tried.push(own);
    best = best === null ? own : better(best, own, mostOdds);
    yield state();
  }
  return state();
}

/** Why a spacing is as it is: what one load takes the crew, and what that leaves or costs the next one. */
export interface SpacingWhy {
  /** Minutes from one truck backing in to the next at the crew's pace, a full load each. */
  readonly service: number;
  /** Minutes by which every truck waits longer than the one before it; below zero the crew waits for trucks. */
  readonly grows: number;
  /** Minutes that the last truck of the plan stands before its discharge, if nothing scatters. */
  readonly lastWaits: number;
}

/** A steady queue: trucks as ordered, a crew at its pace, nothing scattered. [D/D/1: the n-th waits (n − 1)·(service − spacing)] */
export function spacingWhy(
  day: Pick<Day, 'truck' | 'rate' | 'change' | 'loads'>,
  spacing: number,
): SpacingWhy {
  const service = (day.truck / day.rate) * 60 + day.change;
  const grows = service - spacing;
  return { service, grows, lastWaits: Math.max(0, grows) * Math.max(0, day.loads.length - 1) };
}
