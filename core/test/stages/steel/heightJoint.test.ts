import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inches, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { work } from '../../../src/work';
import { type Side, planOf } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];

describe('a wall that is given as a height', () => {
  const high = (height: string, toCourse: number): Plan =>
    planOf(RECTANGLE, { height, pours: [{ id: 'pour-1', toCourse, top: 'full' }] });

  it('has no pour joint of its own: 40 × 28 ft, 9 ft 4 in stands with verticals in one piece', () => {
    const { bars } = work(high('9ft 4in', 6)).steel;
    const verticals = bars.filter((bar) => bar.use === 'vertical');
    expect(verticals.length).toBeGreaterThan(50);
    // From the footing to 2 in of cover under the top: 112 − 2.
    for (const bar of verticals) expect(toInches(bar.cut)).toBeCloseTo(110, 6);
  });

  it('is braced, poured and reinforced the same, whatever number its only pour carries', () => {
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 150 }), fc.integer({ min: 1, max: 12 }), (height, toCourse) => {
        const text = `${String(height)}in`;
        const worked = work(high(text, toCourse));
        const right = work(high(text, Math.ceil(inches(height) / inches(16))));
        expect(worked.steel.bars).toEqual(right.steel.bars);
        expect(worked.bracing).toEqual(right.bracing);
        expect(worked.pour.pours.map(({ stops }) => stops)).toEqual(
          right.pour.pours.map(({ stops }) => stops),
        );
        expect(worked.pour.pours).toHaveLength(1);
      }),
      { numRuns: 20 },
    );
  });
});
