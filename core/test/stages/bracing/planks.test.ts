import { houseRules } from '../../../src/rules';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type PlankRules,
  layBraces,
  layPlanks,
  mostHang,
  plankRules,
  plankSpacing,
  widestSpacing,
} from '../../../src/stages/bracing';
import { type Length, inches, toInches } from '../../../src/kernel/measure';
import reference from '../../data/trade-values.json';

const rules = plankRules(houseRules());

// Source: common practice and OSHA 29 CFR 1926.451(b)(4), (5), worked out separately from this project.
describe.each(reference.plankSpacing)(
  'a plank of $plank in on strips $grid in apart',
  ({ plank, grid, max, minLap, maxHang, spacing, bays, overhang }) => {
    it('asks for the widest spacing at which its ends pass their supports', () => {
      const own: PlankRules = { ...rules, least: inches(minLap) };
      expect(mostHang(inches(plank), own)).toBe(inches(maxHang));
      expect(plankSpacing(inches(plank), inches(grid), inches(max), own)).toEqual({
        plank: inches(plank),
        spacing: inches(spacing),
        bays,
        overhang: inches(overhang),
      });
    });
  },
);

describe('the rules of planks', () => {
  // Source: OSHA 29 CFR 1926.451, from memory: the figures of each paragraph.
  it.each([
    ['(b)(2): at least 18 in wide', 'bracing.platform.width', 18],
    ['(b)(4): at least 6 in over its support', 'bracing.plank.end.least', 6],
    ['(b)(5)(i): 10 ft or less, not more than 12 in over', 'bracing.plank.end.short', 12],
    ['(b)(5)(ii): longer than 10 ft, not more than 18 in over', 'bracing.plank.end.long', 18],
    ['(b)(5): the limits part at 10 ft', 'bracing.plank.long', 120],
    ['(b)(7): overlapping by at least 12 in', 'bracing.plank.lap', 12],
    ['(g)(1): guardrails over 10 ft', 'bracing.guardrail.over', 120],
  ] as const)('%s', (_, rule, value) => {
    expect(toInches(houseRules().length(rule))).toBe(value);
  });
});

describe('the widest spacing of a stock of planks', () => {
  const feet = (...lengths: number[]) => lengths.map((each) => inches(each * 12));

  it('is what the best of them allows', () => {
    // 12 ft alone: 5 ft 4 in; with 8 ft planks 6 ft.
    expect(widestSpacing(feet(12), inches(8), inches(72), rules)?.spacing).toBe(inches(64));
    expect(widestSpacing(feet(8, 12), inches(8), inches(72), rules)).toMatchObject({
      spacing: inches(72),
      plank: inches(96),
    });
  });

  it('is none where no plank spans a bay with its ends over', () => {
    expect(widestSpacing([], inches(8), inches(72), rules)).toBeNull();
    expect(widestSpacing([inches(17)], inches(8), inches(72), rules)).toBeNull();
    expect(widestSpacing(feet(12), inches(8), inches(7), rules)).toBeNull();
  });

  it('keeps both ends in bounds for any plank, and no wider spacing would', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 30, max: 260 }),
        fc.constantFrom(6, 8, 12),
        fc.integer({ min: 24, max: 96 }),
        (plank, grid, most) => {
          const found = plankSpacing(inches(plank), inches(grid), inches(most), rules);
          const hang = mostHang(inches(plank), rules);
          const works = (spacing: number): boolean =>
            Array.from({ length: 50 }, (_, index) => index + 1).some((bays) => {
              const over = inches(plank) - bays * inches(spacing);
              return over / 2 >= inches(6) && over / 2 <= hang;
            });
          const all = Array.from({ length: Math.floor(most / grid) }, (_, index) => (index + 1) * grid);
          const widest = all.filter(works).at(-1);
          expect(found ? toInches(found.spacing) : undefined).toBe(widest);
          if (found) {
            expect(found.bays * found.spacing + 2 * found.overhang).toBe(inches(plank));
            // Two planks in a row share a support and lap over it.
            expect(2 * found.overhang).toBeGreaterThanOrEqual(rules.lap);
          }
        },
      ),
    );
  });
});

describe('planks over supports', () => {
  const free = [-Infinity, Infinity] as unknown as readonly [Length, Length];
  const lay = (
    supports: readonly number[],
    lengths: readonly (readonly [feet: number, count: number])[],
    bounds = free,
  ) =>
    layPlanks(
      supports.map((each) => inches(each)),
      bounds,
      lengths.map(([length, count]) => ({ length: inches(length * 12), left: count })),
      rules,
    );

  it('of 12 ft lie over two bays of 5 ft 4 in and share a support', () => {
    const planks = lay([0, 64, 128, 192, 256], [[12, Infinity]]);
    expect(planks?.map(({ from, to }) => [toInches(from), toInches(to)])).toEqual([
      [-8, 136],
      [120, 264],
    ]);
  });

  it('are the fewest, and those on hand before others', () => {
    expect(
      lay(
        [0, 72, 144],
        [
          [8, 10],
          [13, 10],
        ],
      ),
    ).toHaveLength(1);
    expect(
      lay(
        [0, 72, 144],
        [
          [8, 10],
          [13, 0],
        ],
      ),
    ).toHaveLength(2);
  });

  it('never lie into the wall across their end', () => {
    const bounds = [inches(-7), inches(300)] as const;
    const [first] = lay([0, 72], [[8, 2]], bounds) ?? [];
    // 96 in over 72 in: 12 in too many at each side, and only 7 in of room at the first; 17 in would then be too far at the other.
    expect(first).toBeUndefined();
    const [long] = lay([0, 84], [[8, 2]], bounds) ?? [];
    expect([toInches(long?.from ?? (0 as Length)), toInches(long?.to ?? (0 as Length))]).toEqual([-6, 90]);
  });

  it('are none where nothing spans the supports', () => {
    expect(lay([0, 100], [[8, 5]])).toBeNull();
    expect(lay([0, 20], [[8, 5]])).toBeNull();
  });

  it('hold the rules of ends and laps over any supports', () => {
    const bays = fc.array(fc.integer({ min: 2, max: 9 }), { minLength: 1, maxLength: 9 });
    fc.assert(
      fc.property(bays, fc.subarray([6, 8, 10, 12, 14, 16], { minLength: 2 }), (grid, lengths) => {
        const supports = grid.reduce<number[]>((all, bay) => [...all, (all.at(-1) ?? 0) + bay * 8], [0]);
        const planks = lay(
          supports,
          lengths.map((each) => [each, Infinity] as const),
        );
        if (!planks) return;
        const at = (index: number): number => inches(supports[index] ?? 0);
        for (const plank of planks) {
          const hang = mostHang(plank.length, rules);
          for (const over of [at(plank.over[0]) - plank.from, plank.to - at(plank.over[1])]) {
            expect(over).toBeGreaterThanOrEqual(inches(6));
            expect(over).toBeLessThanOrEqual(hang);
          }
        }
        // No gap from the first support to the last, and every two in a row lap over a support that both lie on.
        expect(planks[0]?.over[0]).toBe(0);
        expect(planks.at(-1)?.over[1]).toBe(supports.length - 1);
        planks.slice(1).forEach((plank, index) => {
          const before = planks[index] as (typeof planks)[0];
          expect(plank.over[0]).toBeLessThanOrEqual(before.over[1]);
          expect(before.to - plank.from).toBeGreaterThanOrEqual(inches(12));
        });
      }),
      { numRuns: 200 },
    );
  });
});

describe('braces on strips', () => {
  const strips = (...at: readonly number[]) => at.map((each) => ({ at: inches(each), courses: [1] }));
  const grid = strips(...Array.from({ length: 60 }, (_, index) => 4 + index * 8));
  const want = (at: number, why: 'corner' | 'seam' = 'corner') => ({
    at: inches(at),
    why,
    face: inches(at),
    from: 0 as Length,
    to: inches(480),
  });
  const places = (laid: ReturnType<typeof layBraces>) => laid.stood.map(({ strip }) => toInches(strip.at));

  it('stand at what is wanted, then as far apart as they may, the last two bays alike', () => {
    const laid = layBraces(grid, [want(20), want(300)], inches(64), inches(12));
    expect(places(laid)).toEqual([20, 84, 148, 212, 252, 300]);
  });

  it('do double duty where two are wanted within reach, the corner first', () => {
    const laid = layBraces(grid, [want(26, 'seam'), want(20), want(84)], inches(72), inches(12));
    expect(laid.stood.map(({ why }) => why)).toEqual(['corner', 'corner']);
  });

  it('take the next strip where none is in reach, and say nothing of a place without any', () => {
    const far = layBraces(strips(4, 100, 196), [want(4), want(196)], inches(64), inches(12));
    expect(places(far)).toEqual([4, 100, 196]);
    const none = layBraces([], [want(4)], inches(64), inches(12));
    expect(none).toMatchObject({ stood: [], missed: [{ why: 'corner' }] });
  });
});
