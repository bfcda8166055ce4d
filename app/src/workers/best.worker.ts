import type { Plan } from '@ombra/core/kernel/plan';
import { type StockOfSize, leastOf, withPlan } from '@ombra/core/stages/steel';
import type { LaidRowRecord } from '@ombra/core/kernel/record';
import type { OtherwiseLaid } from '@ombra/core/trials/asLaid';
import type { BestFound } from '@ombra/core/trials/best';
import type { Manner } from '@ombra/core/trials/compare';
import type { Nudge } from '@ombra/core/trials/nudge';
import { expose } from 'comlink';

/** Least time between two reports of the search, in milliseconds: more could not be read. */
const REPORT_EVERY = 80;

/** A size of bar on the way to its fewest stock bars. */
export interface LeastSoFar {
  readonly own: StockOfSize;
  /** Ways of cutting a bar that were tried. */
  readonly tried: number;
}

// What works plans out is fetched inside the answers: a worker that waits for it first misses what the page asks meanwhile.
const api = {
  /**
   * Searches for the fewest stock bars of each size and proves them, size by size; reports on the way. To cancel it, end the
   * worker.
   */
  leastStock: async (
    stock: readonly StockOfSize[],
    report: (found: LeastSoFar) => Promise<void>,
  ): Promise<void> => {
    let told = performance.now();
    for (const own of stock) {
      const steps = leastOf(own);
      for (;;) {
        const step = steps.next();
        if (step.done === true || performance.now() - told > REPORT_EVERY) {
          await report({ own: withPlan(own, step.value), tried: step.value.tried });
          told = performance.now();
        }
        if (step.done === true) break;
      }
    }
  },
  /** Places and sizes near an opening's own that save cuts. */
  nudges: async (plan: Plan, opening: string): Promise<readonly Nudge[]> =>
    (await import('@ombra/core/trials/nudge')).nudges(plan, opening),
  /** A course as it stands, where it was laid otherwise than planned. */
  rowsAsLaid: async (plan: Plan, how: OtherwiseLaid): Promise<readonly LaidRowRecord[]> =>
    (await import('@ombra/core/trials/asLaid')).rowsAsLaid(plan, how),
  /** Other ways to lay the job, each with what it comes to. */
  manners: async (plan: Plan): Promise<readonly Manner[]> =>
    (await import('@ombra/core/trials/compare')).manners(plan),
  /**
   * Searches for the best plan and reports the best so far on the way. To cancel it, end the worker.
   *
   * @returns why there is nothing to search, or null when the search has come to its end
   */
  search: async (plan: Plan, report: (found: BestFound) => Promise<void>): Promise<string | null> => {
    const { findBest } = await import('@ombra/core/trials/best');
    const reading = findBest(plan);
    if (!reading.ok) return reading.why;
    let told = performance.now();
    for (;;) {
      const step = reading.steps.next();
      if (step.done === true || performance.now() - told > REPORT_EVERY) {
        await report(step.value);
        told = performance.now();
      }
      if (step.done === true) return null;
    }
  },
};

export type BestApi = typeof api;

expose(api);
