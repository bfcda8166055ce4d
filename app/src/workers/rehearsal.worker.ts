import { type Day, type Odds, type TruckSearch, bestTrucks, manyDays } from '@ombra/core/rehearsal';
import { expose } from 'comlink';

/** Least time between two reports, in milliseconds: more could not be read. */
const REPORT_EVERY = 80;

const api = {
  /** Plays many days and tells how many are done; ends with what they came to. To cancel it, end the worker. */
  odds: async (
    day: Day,
    seed: number,
    days: number,
    report: (done: number) => Promise<void>,
  ): Promise<Odds> => {
    const steps = manyDays(day, seed, days);
    let told = performance.now();
    for (;;) {
      const step = steps.next();
      if (step.done === true) return step.value;
      if (performance.now() - told > REPORT_EVERY) {
        await report(step.value);
        told = performance.now();
      }
    }
  },
  /** Looks for the best spacing and number of trucks; reports on the way. */
  trucks: async (
    day: Day,
    seed: number,
    mostOdds: number,
    report: (state: TruckSearch) => Promise<void>,
  ): Promise<TruckSearch> => {
    const steps = bestTrucks(day, seed, mostOdds);
    let told = performance.now();
    for (;;) {
      const step = steps.next();
      if (step.done === true) return step.value;
      if (performance.now() - told > REPORT_EVERY) {
        await report(step.value);
        told = performance.now();
      }
    }
  },
};

export type RehearsalApi = typeof api;

expose(api);
