import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { barSize, bendingCapacity, soilMoment, steelPerMetre } from '../../../src/stages/steel';
import { work } from '../../../src/work';
import { type Side, planOf, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
const POUND_FOOT = 1.355817948331;
const PCF = 157.0874638462462;
const FOOT = 0.3048;

describe('the moment of the soil', () => {
  it('of soil to the top is γL³/(9√3), at L/√3 below it [textbook: simple beam under a triangle]', () => {
    for (const [height, weight] of [
      [2.4, 7000],
      [3, 9400],
    ] as const) {
      const { moment, at } = soilMoment(height, height, weight);
      expect(moment).toBeCloseTo((weight * height ** 3) / (9 * Math.sqrt(3)), 6);
      expect(at).toBeCloseTo(height / Math.sqrt(3), 9);
    }
  });

  it('of soil to part of the height is what a fine sum over the beam finds', () => {
    fc.assert(
      fc.property(fc.integer({ min: 8, max: 40 }), fc.integer({ min: 15, max: 100 }), (tenths, share) => {
        const height = tenths / 10;
        const soil = (height * share) / 100;
        const weight = 8000;
        const slices = 2000;
        const step = height / slices;
        const loads = Array.from({ length: slices }, (_, index) => {
          const down = (index + 0.5) * step;
          return { down, load: Math.max(0, weight * (down - (height - soil))) * step };
        });
        const top = loads.reduce((sum, { down, load }) => sum + (load * (height - down)) / height, 0);
        let greatest = 0;
        let before = 0;
        let turned = 0;
        for (const { down, load } of loads) {
          before += load;
          turned += load * down;
          greatest = Math.max(greatest, top * (down + step / 2) - (before * (down + step / 2) - turned));
        }
        expect(soilMoment(height, soil, weight).moment / greatest).toBeCloseTo(1, 3);
      }),
      { numRuns: 40 },
    );
  });

  it('is nothing without soil, and soil over the top counts to the top', () => {
    expect(soilMoment(3, 0, 9000).moment).toBe(0);
    expect(soilMoment(3, 5, 9000)).toEqual(soilMoment(3, 3, 9000));
  });
});

describe('what the verticals carry', () => {
  // #5 at 12 in, d = 4 in, 4000 psi, Grade 60: a = 0.31 · 60 / (0.85 · 4 · 12) = 0.456 in; φMn = 0.9 · 0.31 · 60 · (4 − 0.228) / 12
  // = 5.26 kip·ft a foot. [ACI 318 §22.2, a textbook strip worked by hand]
  it('is the textbook’s φMn', () => {
    const size = barSize('#5');
    if (!size) throw new Error('no #5');
    const area = steelPerMetre(size, inches(12));
    const perFoot = (bendingCapacity(area, 4 * 0.0254, 60_000, 4000) * FOOT) / POUND_FOOT;
    const block = (0.31 * 60) / (0.85 * 4 * 12);
    expect(perFoot).toBeCloseTo((0.9 * 0.31 * 60_000 * (4 - block / 2)) / 12, 0);
    expect(perFoot / 1000).toBeCloseTo(5.26, 2);
  });

  it('is never less than nothing', () => {
    expect(bendingCapacity(0.05, 0.01, 60_000, 2500)).toBe(0);
  });
});

describe('the screening of a wall', () => {
  const plan = (backfill: string, held: 'top' | 'alone', rules: Plan['rules'] = {}): Plan =>
    planOf(RECTANGLE, { ...withCourses(6), rules, steel: { walls: { w1: { backfill, held } } } });
  const screened = (of: Plan) => work(of).steel.sections.find((section) => section.wall === 'w1')?.capacity;

  it('takes the soil’s weight, factors it, and compares', () => {
    const capacity = screened(plan('8ft', 'top', { 'steel.soil.weight': 60 }));
    // 8 ft of soil on 8 ft: 60 · 8³ / (9√3) = 1971 lb·ft a foot, 1.6 times that.
    expect(((capacity?.demand ?? 0) * FOOT) / POUND_FOOT).toBeCloseTo(
      (1.6 * 60 * 8 ** 3) / (9 * Math.sqrt(3)),
      1,
    );
    expect(capacity?.fluidWeight).toBeCloseTo(60 * PCF, 6);
    expect(capacity?.share).toBeCloseTo((capacity?.demand ?? 0) / (capacity?.capacity ?? 1), 12);
  });

  it('gains from bars toward the tension side', () => {
    const middle = screened(plan('6ft', 'top'));
    const inside = screened(plan('6ft', 'top', { 'steel.horizontal.slots': 'tension' }));
    expect(inside?.capacity ?? 0).toBeGreaterThan(middle?.capacity ?? 0);
  });

  it('is left out where nobody holds the top or no soil presses, and tells what is too little', () => {
    expect(screened(plan('6ft', 'alone'))).toBeNull();
    expect(screened(planOf(RECTANGLE, withCourses(6)))).toBeNull();
    const weak = plan('8ft', 'top', {
      'steel.soil.weight': 130,
      'steel.vertical.size': '#3',
      'steel.vertical.spacing': '72in',
    });
    expect(work(weak).notices.some((notice) => notice.id.startsWith('steel-bends-too-much'))).toBe(true);
  });
});
