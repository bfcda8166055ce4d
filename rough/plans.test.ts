import { readPlan } from '@ombra/core/planFile';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { orderOf } from '../core/src/orderOf';
import { makeWork } from '../core/src/work';
import { struckPlans } from '../core/test/support/absurd';

describe('10 000 plans that nobody means', () => {
  it('are worked or refused: none throws, hangs or fills the memory', () => {
    let most = 0;
    let runs = 0;
    let longest = 0;
    fc.assert(
      fc.property(struckPlans(), (document) => {
        const reading = readPlan(document);
        if (++runs % 100 === 0) most = Math.max(most, process.memoryUsage().heapUsed);
        if (!reading.ok) return;
        const started = performance.now();
        orderOf(reading.plan, makeWork()(reading.plan));
        longest = Math.max(longest, performance.now() - started);
      }),
      { numRuns: 10_000, seed: 2026 },
    );
    expect(most).toBeLessThan(500e6);
    // Not a measure of speed: a plan that takes so long has found a way round the limits.
    expect(longest).toBeLessThan(5_000);
    // Most of a minute by itself; several on a machine that runs the other rough tests beside it.
  }, 400_000);
});
