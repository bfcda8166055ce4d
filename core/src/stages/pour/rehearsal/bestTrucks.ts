import type { Day } from './day';
import { scratchFor } from './layers';
import { runDay } from './run';
import { seedOf } from './runs';
import type { Underway } from './underway';

/** One way of ordering the trucks, and what it came to over its days. */
export interface Ordered {
  readonly trucks: number;
  readonly spacing: number;
  /** Shares of the days with a cold joint, with a load past its time, and with forms pressed over what they are stated for. */
  readonly cold: number;
  readonly overAge: number;
  readonly over: number;
  /** Minutes of a day that trucks stood before their discharge, and that the crew stood for a truck. */
  readonly waited: number;
  readonly stood: number;
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

/** How finely a search looks. */
export interface SearchSteps {
  /** Minutes between two spacings that are tried. */
  readonly spacing: number;
  /** Days that each way is played; the same days for all of them, so that they differ by the order alone. */
  readonly days: number;
}

const FINE: SearchSteps = { spacing: 5, days: 200 };
const [CLOSEST, FARTHEST] = [15, 120];
const MOST_TRUCKS = 8;

/** Odds of the worst of the things that must not happen. */
export const riskOf = ({ cold, overAge, over }: Pick<Ordered, 'cold' | 'overAge' | 'over'>): number =>
  Math.max(cold, overAge, over);

/** Ways whose risk differs by less are as risky: a few of the days. [ours] */
const ALIKE_RISK = 0.01;
/** Ways that wait so much longer than the least, in minutes and as a share, wait about as long. [ours] */
const ALIKE_WAIT = { minutes: 10, share: 0.1 };
/** Ways that cost so much more than the cheapest cost about as much. [ours] */
const ALIKE_COST = 0.02;

/** Of some ways those whose figure is under the least of them with a tolerance. */
function nearLeast(
  ways: readonly Ordered[],
  of: (way: Ordered) => number,
  tolerated: (least: number) => number,
) {
  const most = tolerated(Math.min(...ways.map(of)));
  return ways.filter((way) => of(way) <= most);
}

/**
 * The best of some ways: those whose risk is taken, or else the least risky; of them those that wait least, trucks and crew
 * together; of those the cheapest; and of ways about as good the one with the fewest trucks, then with the widest spacing.
 *
 * @param mostOdds share of days that is taken for what must not happen
 */
export function bestOf(ways: readonly Ordered[], mostOdds: number): Ordered | null {
  const safe = nearLeast(ways, riskOf, (least) => Math.max(mostOdds, least + ALIKE_RISK));
  const waiting = ({ waited, stood }: Ordered): number => waited + stood;
  const quick = nearLeast(safe, waiting, (least) =>
    Math.max(least + ALIKE_WAIT.minutes, least * (1 + ALIKE_WAIT.share)),
  );
  const cheap = nearLeast(
    quick,
    ({ cost }) => cost,
    (least) => least * (1 + ALIKE_COST),
  );
  const [best] = [...cheap].sort((a, b) => a.trucks - b.trucks || b.spacing - a.spacing);
  return best ?? null;
}

/** What a day comes to on average over so many of its draws. */
export function playedWith(day: Day, seed: number, days: number, from: Underway | null = null): Ordered {
  const scratch = scratchFor(day);
  let [cold, overAge, over, waited, stood, cost, waitCost, finish] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (let at = 0; at < days; at++) {
    const run = runDay(day, seedOf(seed, at), scratch, from);
    if (run.cold.length > 0) cold += 1;
    if (run.age > day.discharge) overAge += 1;
    if (day.capacity !== null && (run.pressure ?? 0) > day.capacity) over += 1;
    waited += run.waited;
    stood += run.stood;
    cost += run.cost;
    waitCost += run.waitCost;
    finish += run.finish;
  }
  return {
    trucks: day.trucks,
    spacing: day.spacing,
    cold: cold / days,
    overAge: overAge / days,
    over: over / days,
    waited: waited / days,
    stood: stood / days,
    cost: cost / days,
    waitCost: waitCost / days,
    finish: finish / days,
  };
}

/**
 * The best spacing and number of trucks for the crew's method: every spacing from 15 min to 2 h with as many trucks as there are
 * loads at most, all played through the same days.
 *
 * @param mostOdds share of days that is taken for a cold joint, or a load past its time
 */
export function* bestTrucks(
  day: Day,
  seed: number,
  mostOdds: number,
  steps: SearchSteps = FINE,
): Generator<TruckSearch, TruckSearch> {
  const most = Math.min(MOST_TRUCKS, Math.max(1, day.loads.length));
  const spacings = Array.from(
    { length: Math.floor((FARTHEST - CLOSEST) / steps.spacing) + 1 },
    (_, index) => CLOSEST + steps.spacing * index,
  );
  const ways = Array.from({ length: most }, (_, index) => index + 1).flatMap((trucks) =>
    spacings.map((spacing) => ({ trucks, spacing })),
  );
  const tried: Ordered[] = [];
  const state = (): TruckSearch => ({
    done: tried.length,
    of: ways.length,
    tried: [...tried],
    best: bestOf(tried, mostOdds),
  });
  for (const way of ways) {
    tried.push(playedWith({ ...day, ...way }, seed, steps.days));
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
