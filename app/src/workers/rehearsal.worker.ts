import type { Plan } from '@ombra/core/kernel/plan';
import { type LookAhead, type Way, lookAhead } from '@ombra/core/stages/pour/board';
import {
  type Day,
  type Odds,
  type TruckSearch,
  bestTrucks,
  manyDays,
} from '@ombra/core/stages/pour/rehearsal';
import type { RemedySearch } from '@ombra/core/trials/remedies';
import { expose } from 'comlink';

/** Least time between two reports, in milliseconds: more could not be read. */
const REPORT_EVERY = 80;

/** Takes steps to their end and reports on the way. To cancel it, end the worker. */
async function toTheEnd<Step, Answer>(
  steps: Generator<Step, Answer>,
  report: (step: Step) => Promise<void>,
): Promise<Answer> {
  let told = performance.now();
  for (;;) {
    const step = steps.next();
    if (step.done === true) return step.value;
    if (performance.now() - told > REPORT_EVERY) {
      await report(step.value);
      told = performance.now();
    }
  }
}

const api = {
  /** Plays many days and tells how many are done; ends with what they came to. */
  odds: (day: Day, seed: number, days: number, report: (done: number) => Promise<void>): Promise<Odds> =>
    toTheEnd(manyDays(day, seed, days), report),
  /** Looks for the best spacing and number of trucks; reports on the way. */
  trucks: (
    day: Day,
    seed: number,
    mostOdds: number,
    report: (state: TruckSearch) => Promise<void>,
  ): Promise<TruckSearch> => toTheEnd(bestTrucks(day, seed, mostOdds), report),
  /** Plays a pour on from where it is, and the ways that may help. */
  ahead: (
    ways: readonly Way[],
    seed: number,
    days: { readonly on: number; readonly way: number },
  ): Promise<LookAhead | null> => Promise.resolve(lookAhead(ways, seed, days)),
  /**
   * Tries other ways to pour; reports on the way. What works plans out is fetched in here: a worker that waits for it first
   * misses what the page asks meanwhile.
   */
  remedies: async (
    plan: Plan,
    pour: string,
    { seed, mostOdds }: { readonly seed: number; readonly mostOdds: number },
    report: (state: RemedySearch) => Promise<void>,
  ): Promise<RemedySearch> => {
    const { remediesOf } = await import('@ombra/core/trials/remedies');
    return toTheEnd(remediesOf(plan, pour, seed, mostOdds), report);
  },
};

export type RehearsalApi = typeof api;

expose(api);
