import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeWork, work } from '../src/work';
import { anyChange } from './support/histories';
import { demoPlan } from './support/demo';

describe('a plan that is worked again after any changes', () => {
  const demo = demoPlan();

  it('is what it is when it is worked for the first time', () => {
    fc.assert(
      fc.property(fc.array(anyChange, { minLength: 3, maxLength: 8 }), (changes) => {
        const again = makeWork();
        again(demo);
        let plan = demo;
        for (const change of changes) {
          plan = change(plan);
          expect(again(plan)).toEqual(work(plan));
        }
        // And back: what is remembered of the last state does not stay.
        expect(again(demo)).toEqual(work(demo));
      }),
      { numRuns: 5 },
    );
  }, 120_000);
});
