import { evaluate } from '../../../src/kernel/figures/how';
import { houseRules } from '../../../src/rules';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, inches, subtract, toInches, ZERO } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { type Blocked, layBolts } from '../../../src/kernel/stock/layBolts';
import { boltRules } from '../../../src/stages/topoff';
import { work } from '../../../src/work';
import { insertOf, openingOf } from '../../support/openings';
import { type Side, HALL, planOf, rectilinear, withCourses, withInside, withTop } from '../../support/plans';

const plan = (change: Partial<Plan> = {}): Plan => planOf(HALL, { ...withCourses(7), ...change });
const usual = boltRules(houseRules());
const lay = (length: number, blocked: readonly Blocked[] = []) =>
  layBolts(ZERO, inches(length), blocked, usual);

describe('anchor bolts of a piece of plate', () => {
  // IRC R403.1.6, from memory: 6 ft apart at most, within 12 in of each end, 7 diameters from it at least, two to a piece.
  it('stand four to a plate of 16 ft, two to a short one', () => {
    expect(lay(192).at).toHaveLength(4);
    expect(lay(72).at).toHaveLength(2);
    expect(lay(32).at).toHaveLength(2);
    // Seven diameters of a half-inch bolt are 3 1/2 in.
    expect(toInches(usual.nearest)).toBe(3.5);
  });

  it('keep ends and spacing for any length, with anything in the way that leaves room', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 32, max: 240 }),
        fc.array(fc.record({ at: fc.integer({ min: 0, max: 240 }), half: fc.integer({ min: 1, max: 3 }) }), {
          maxLength: 8,
        }),
        (length, bars) => {
          const blocked = bars.map(({ at, half }) => ({ from: inches(at - half), to: inches(at + half) }));
          const { at, gaps, short } = lay(length, blocked);
          for (const bolt of at) {
            expect(blocked.some((each) => bolt > each.from && bolt < each.to)).toBe(false);
            expect(toInches(bolt)).toBeGreaterThanOrEqual(3.5);
            expect(toInches(bolt)).toBeLessThanOrEqual(length - 3.5);
          }
          if (short || gaps.length > 0) return;
          expect(at.length).toBeGreaterThanOrEqual(2);
          expect(toInches(at[0] as Length)).toBeLessThanOrEqual(12);
          expect(toInches(at.at(-1) as Length)).toBeGreaterThanOrEqual(length - 12);
          at.slice(1).forEach((bolt, index) => {
            expect(toInches(subtract(bolt, at[index] as Length))).toBeLessThanOrEqual(72);
          });
          // No fewer could: the stretch between the end zones takes so many bays.
          expect(at.length).toBeGreaterThanOrEqual(Math.ceil((length - 24) / 72) + 1);
        },
      ),
    );
  });

  it('tell a stretch that nothing can stand in, and a piece too short for two', () => {
    const { gaps } = lay(192, [{ from: inches(40), to: inches(130) }]);
    expect(gaps).toHaveLength(1);
    const [gap] = gaps;
    expect(toInches(subtract(gap?.to as Length, gap?.from as Length))).toBeGreaterThanOrEqual(90);
    expect(lay(5).short).toBe(true);
  });
});

describe('sill plates', () => {
  it('run through at the corner that they start at and butt at the other, along the middle of the core', () => {
    const { runs } = work(plan()).topoff;
    const [first] = runs;
    // A 13 in wall: the core's middle is 6 1/2 in from the outside; a 2×6 reaches 2 3/4 in to either side of it.
    expect(toInches(first?.from as Length)).toBe(3.75);
    expect(toInches(first?.to as Length)).toBe(480 - 9.25);
    expect(runs).toHaveLength(4);
  });

  it('are spliced at stock length, no piece shorter than the rule, and cut of the fewest boards', () => {
    const { runs, stock, boards } = work(plan()).topoff;
    const pieces = runs.flatMap((run) => run.pieces.map(({ from, to }) => subtract(to, from)));
    expect(Math.max(...pieces)).toBeLessThanOrEqual(inches(192));
    expect(Math.min(...pieces)).toBeGreaterThanOrEqual(inches(32));
    for (const run of runs) {
      expect(run.pieces[0]?.from).toBe(run.from);
      expect(run.pieces.at(-1)?.to).toBe(run.to);
    }
    expect(stock.pieces.flat().sort()).toEqual([...pieces].sort());
    expect(boards.value).toBe(stock.pieces.length);
    // A run of 193 in would leave 1 in: the piece before gives some.
    const short = work(
      planOf(
        [
          [205, 90],
          [205, 90],
          [205, 90],
          [205, 90],
        ],
        withCourses(4),
      ),
    ).topoff;
    expect(
      Math.min(...short.runs.flatMap((run) => run.pieces.map(({ from, to }) => to - from))),
    ).toBeGreaterThanOrEqual(inches(32));
  });

  it('are mitred at other corners, and cut from long point to long point', () => {
    const octagon = planOf(
      Array.from({ length: 8 }, (): Side => [180, 45]),
      withCourses(4),
    );
    const { runs, stock } = work(octagon).topoff;
    // The outer edge of a 2×6 lies 6 1/2 less 2 3/4 in inside the form's face, whose sides it shortens at both ends.
    const long = 180 - 2 * 3.75 * Math.tan(Math.PI / 8);
    expect(runs.map(({ pieces }) => pieces.length)).toEqual(Array(8).fill(1));
    for (const { pieces } of runs) expect(toInches(pieces[0]?.cut as Length)).toBeCloseTo(long, 4);
    expect(stock.pieces.flat().map((each) => toInches(each as Length))).toSatisfy((cuts: number[]) =>
      cuts.every((cut) => Math.abs(cut - long) < 0.001),
    );
    // A board of 16 ft reaches from long point to long point; an inch longer and it does not.
    const pieces = (side: number) => {
      const { topoff } = work(
        planOf(
          Array.from({ length: 8 }, (): Side => [side, 45]),
          withCourses(4),
        ),
      );
      return topoff.runs.map((run) => run.pieces.map(({ cut }) => toInches(cut)));
    };
    const most = 192 + 2 * 3.75 * Math.tan(Math.PI / 8);
    expect(pieces(most - 0.1).flat()).toHaveLength(8);
    const spliced = pieces(most + 1);
    expect(spliced.flat()).toHaveLength(16);
    for (const [first = 0, second = 0] of spliced) {
      expect(second).toBeCloseTo(32, 4);
      expect(first + second).toBeCloseTo(193, 2);
    }
  });

  it('have their bolts in the middle third, told for every core', () => {
    const mixed = plan();
    const { bands } = work({
      ...mixed,
      loops: mixed.loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row, index) => (index === 0 ? { ...row, core: '6in' } : row)),
      })),
    }).topoff;
    // A 2×6 of 5 1/2 in: its middle third is 1 5/6 in wide, about the middle of the core.
    expect(bands.map(({ core, from, to }) => [core, from, to].map((each) => toInches(each)))).toEqual([
      [8, expect.closeTo(4 - 5.5 / 6, 6), expect.closeTo(4 + 5.5 / 6, 6)],
      [6, expect.closeTo(3 - 5.5 / 6, 6), expect.closeTo(3 + 5.5 / 6, 6)],
    ]);
  });

  it('of an inside wall reach to the plate of the wall that it meets, whatever cores the two have', () => {
    const met = (inner: string, through: string): number => {
      const { topoff } = work(withInside(plan({ core: through }), { core: inner }));
      return toInches(topoff.runs.find(({ wall }) => wall === 'inside')?.from as Length);
    };
    // From the inside face of the wall that is met: 2 1/2 in of foam and half its core, less half of a 2×6.
    for (const inner of ['6in', '8in', '10in']) {
      expect(met(inner, '8in')).toBeCloseTo(-(2.5 + 4 - 2.75), 6);
      expect(met(inner, '6in')).toBeCloseTo(-(2.5 + 3 - 2.75), 6);
    }
  });

  it('stop beside an opening that takes the top of its wall', () => {
    const open = plan({
      openings: [
        openingOf({ wall: 'w1', at: '20ft', width: '10ft', height: '12ft', sill: '0ft', kind: 'garage' }),
      ],
    });
    const worked = work(open);
    const hole = worked.openings.placed[0]?.concrete;
    const own = worked.topoff.runs.filter((run) => run.wall === 'w1');
    expect(own.map((run) => [run.from, run.to])).toEqual([
      [inches(3.75), hole?.from],
      [hole?.to, inches(480 - 9.25)],
    ]);
  });

  it('hold bolts that keep clear of verticals and braces', () => {
    fc.assert(
      fc.property(rectilinear(110, 1), (sides) => {
        const { topoff, steel, bracing } = work(planOf(sides, withCourses(6)));
        const rules = houseRules();
        for (const run of topoff.runs) {
          const bars = steel.bars.filter((bar) => bar.wall === run.wall && bar.use === 'vertical');
          const braces = bracing.walls.find((own) => own.wall === run.wall)?.braces ?? [];
          for (const bolt of run.pieces.flatMap((piece) => piece.bolts)) {
            for (const bar of bars) {
              expect(Math.abs(bar.from - bolt)).toBeGreaterThanOrEqual(rules.length('topoff.bolt.clear'));
            }
            for (const brace of braces) {
              expect(Math.abs(brace.at - bolt)).toBeGreaterThanOrEqual(rules.length('topoff.bolt.brace'));
            }
          }
        }
        expect(evaluate(topoff.bolts.how)).toBe(topoff.bolts.value);
        expect(topoff.bolts.value).toBe(
          topoff.runs.reduce(
            (sum, run) => sum + run.pieces.reduce((all, piece) => all + piece.bolts.length, 0),
            0,
          ),
        );
      }),
      { numRuns: 15 },
    );
  });

  it('take closer bolts where the house says 4 ft or 3 ft', () => {
    const count = (spacing: string): number =>
      work(plan({ rules: { 'topoff.bolt.spacing': spacing } })).topoff.bolts.value;
    expect(count('48in')).toBeGreaterThan(count('72in'));
    expect(count('36in')).toBeGreaterThan(count('48in'));
  });

  it('leave the top as its pour says', () => {
    const pours: Plan['pours'] = [
      { id: 'low', name: 'Out of the ground', toCourse: 4, top: 'half' },
      { id: 'high', name: 'Up', toCourse: 7, top: 'full' },
    ];
    const { tops } = work(plan({ pours })).topoff;
    expect(tops.map(({ finish }) => finish)).toEqual(['half-block', 'trowelled']);
    expect(tops[0]?.bars).not.toBeNull();
    expect(tops[1]?.bars).toBeNull();
  });
});

describe('what cannot be at the top', () => {
  const told = (change: Partial<Plan>): readonly string[] =>
    work(plan(change))
      .notices.filter((notice) => notice.id.startsWith('pour:top:'))
      .map((notice) => notice.what);

  it('is said plainly', () => {
    expect(told({ rules: { 'topoff.bolt.diameter': '1in', 'topoff.bolt.diameters': 14 } })).toContainEqual(
      expect.stringMatching(/14″ .* 12″/),
    );
    expect(told({ rules: { 'topoff.plate.width': '15in' } })).toContainEqual(
      expect.stringMatching(/15″ .* 13″/),
    );
    expect(
      told({
        openings: [openingOf({ wall: 'w1', at: '14ft', width: '12ft', height: '6ft', head: '9ft 1in' })],
      }),
    ).toContainEqual(expect.stringMatching(/^No bolt fits between/));
  });
});

describe('bolts beside inserts', () => {
  const boltsOf = (inserts: NonNullable<Plan['inserts']>) => {
    const found = work(plan({ inserts })).topoff.runs.flatMap(({ wall, pieces }) =>
      wall === 'w1' ? pieces.flatMap(({ bolts }) => bolts.map((at) => toInches(at))) : [],
    );
    return found;
  };

  it('stand clear of a pocket in the top, and heed nothing that leaves the top whole', () => {
    const usualPlaces = boltsOf([]);
    const [, second = 0] = usualPlaces;
    const pocket = (change: Partial<Parameters<typeof insertOf>[0]> = {}) =>
      insertOf({
        kind: 'pocket',
        at: `${String(second)}in`,
        up: '106in',
        size: '8in',
        height: '12in',
        depth: '4in',
        ...change,
      });
    const moved = boltsOf([pocket()]);
    // The pocket takes 4 in either way, and what keeps clear of it more.
    for (const at of moved) expect(Math.abs(at - second)).toBeGreaterThanOrEqual(4);
    expect(moved).not.toEqual(usualPlaces);
    // Deep in the wall, on another wall, or a ledge of brick outside: the bolts stand as they did.
    expect(boltsOf([pocket({ up: '40in' })])).toEqual(usualPlaces);
    expect(boltsOf([pocket({ wall: 'w2' })])).toEqual(usualPlaces);
    const ledge = insertOf({
      kind: 'brick-ledge',
      at: `${String(second - 20)}in`,
      up: '112in',
      length: '40in',
      depth: '5in',
    });
    expect(boltsOf([ledge])).toEqual(usualPlaces);
  });
});

describe('bolts of a job of several pours', () => {
  // Its second wall ends with the first pour, four courses of 16 in; the others go on.
  const low: Plan = withTop(
    planOf(HALL, {
      pours: [
        { id: 'first', toCourse: 4, top: 'full' },
        { id: 'second', toCourse: 7, top: 'full' },
      ],
    }),
    'w2',
    '64in',
  );
  const on = (plan: Plan, of: (wall: string) => boolean): number =>
    work(plan).topoff.runs.reduce(
      (sum, { wall, pieces }) =>
        sum + (of(wall) ? pieces.reduce((own, { bolts }) => own + bolts.length, 0) : 0),
      0,
    );

  it('are set, listed and looked at in the pour that ends with their wall', () => {
    const worked = work(low);
    const [ends, goOn] = [on(low, (wall) => wall === 'w2'), on(low, (wall) => wall !== 'w2')];
    expect(ends).toBeGreaterThan(3);
    const listed = worked.pour.pours.map(({ ready }) => ready.find(({ id }) => id === 'top:bolts')?.what);
    expect(listed.map((what) => Number(/^\d+/.exec(what ?? '')?.[0]))).toEqual([ends, goOn]);
    const soft = worked.days.holds.find(({ id }) => id === 'soft:first');
    expect(soft?.lines.some(({ what }) => /walls end.*bolts/.test(what))).toBe(true);
    // So many minutes of one person for each, by the rule, beside what the length of the tops takes.
    const each = houseRules().count('days.rate.bolt');
    const bare = work({ ...low, rules: { ...low.rules, 'days.rate.bolt': 0 } });
    const minutes = ({ days }: ReturnType<typeof work>): readonly number[] =>
      days.items.flatMap(({ kind, work: taken }) => (kind === 'top' ? [taken.value] : []));
    const taken = minutes(worked).map((all, index) => all - (minutes(bare)[index] ?? 0));
    expect(taken[0]).toBeCloseTo(ends * each);
    expect(taken[1]).toBeCloseTo(goOn * each);
  });

  it('wait for the next pour where the first stops half way up the last block of their wall', () => {
    const half: Plan = { ...low, pours: low.pours.map((pour) => ({ ...pour, top: 'half' })) };
    expect(work(half).topoff.runs.every(({ pour }) => pour === 'second')).toBe(true);
    expect(work(half).pour.pours[0]?.ready.some(({ id }) => id === 'top:bolts')).toBe(false);
  });
});
