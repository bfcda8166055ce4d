import { evaluate } from '../../../src/kernel/figures/how';
import type { WalkRow } from '../../../src/stages/outline/plan';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FAMILIES, writeFamily } from '../../../src/kernel/forms';
import { inches, METRES_PER_FOOT, PASCALS_PER_PSF } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import type { WorkedPour } from '../../../src/stages/pour';
import { work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import { type Side, planOf, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];

function pourOf(plan: Plan): WorkedPour {
  const [pour] = work(plan).pour.pours;
  if (!pour?.pressing) throw new Error('nothing presses');
  return pour;
}

/** Tops of the walls one by one, in courses. */
const withTops = (plan: Plan, tops: readonly (number | null)[]): Plan => ({
  ...plan,
  loops: plan.loops.map((loop) => ({
    ...loop,
    walk: loop.walk.map((row, index): WalkRow => {
      const top = tops[index];
      return top === null || top === undefined ? row : { ...row, top: `${String(top)} courses` };
    }),
  })),
});

const FEET = METRES_PER_FOOT;
const told = (plan: Plan, kind: string): readonly string[] =>
  work(plan)
    .notices.filter((notice) => `${notice.id}:`.startsWith(`pour:${kind}:`))
    .map((notice) => notice.what);

describe('the rate of rise', () => {
  it('of a 12 ft wall among 4 ft walls is that of the 12 ft wall alone, once the others are full', () => {
    // One wall of 40 ft, nine courses of 16 in; the three others stop at 48 in. 24 yd³/h by pump.
    const plan = withTops(planOf(RECTANGLE, { ...withCourses(9), rules: { 'pour.rate.pump': 24 } }), [
      null,
      3,
      3,
      3,
    ]);
    const { pressing } = pourOf(plan);
    // Its core once it stands alone: 8 in wide, 40 ft less the panels of 2 1/2 in that close both ends; worked by hand.
    const squareFeet = (8 / 12) * ((480 - 5) / 12);
    const feetAnHour = (24 * 27) / squareFeet;
    expect(feetAnHour).toBeGreaterThan(15);
    expect((pressing?.rise.value ?? 0) / FEET).toBeCloseTo(feetAnHour, 6);
    expect(pressing?.worst).toMatchObject({ wall: 'w1' });
    expect(pressing?.worst.lift).toBeGreaterThan(1);
    // Past 15 ft/h no formula holds: 12 ft of fluid concrete, 150 lb/ft³.
    expect((pressing?.judged ?? 0) / PASCALS_PER_PSF).toBeCloseTo(1800, 3);
    // It is told where no capacity is stated as well.
    expect(pressing?.capacity).toBeNull();
    expect(told(plan, 'whole-head')[0]).toMatch(/A–B/);
  });

  it('is the crew’s rate over the core that is filled at that height, on walls of any heights', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 2, max: 8 }), { minLength: 4, maxLength: 4 }),
        fc.integer({ min: 6, max: 40 }),
        fc.constantFrom('two', 'three', 'low-first'),
        (tops, rate, lifts) => {
          const highest = Math.max(...tops);
          const plan = withTops(
            planOf(RECTANGLE, {
              ...withCourses(highest),
              rules: { 'pour.rate.pump': rate, 'pour.lifts': lifts },
            }),
            tops,
          );
          const { pressing } = pourOf(plan);
          // By hand, course by course: along its middle a wall is shorter by half of its 13 in at a corner where it meets a wall
          // that is as high, and by a panel of 2 1/2 in at an end that stands free.
          const stands = (wall: number, course: number): boolean => (tops[(wall + 4) % 4] ?? 0) > course;
          const end = (neighbour: number, course: number): number => (stands(neighbour, course) ? 6.5 : 2.5);
          const areaAt = (course: number): number =>
            RECTANGLE.reduce(
              (sum, [length], wall) =>
                stands(wall, course)
                  ? sum + (8 * (length - end(wall - 1, course) - end(wall + 1, course))) / 144
                  : sum,
              0,
            );
          const rises = tops.map(
            (top) => (rate * 27) / Math.min(...Array.from({ length: top }, (_, course) => areaAt(course))),
          );
          expect((pressing?.rise.value ?? 0) / FEET).toBeCloseTo(Math.max(...rises), 6);
          const wall = tops.indexOf(highest);
          expect(tops[Number(pressing?.worst.wall.slice(1)) - 1]).toBe(tops[wall]);
          expect(evaluate(pressing?.rise.how ?? { op: 'given', name: '', unit: 'rise', value: NaN })).toBe(
            pressing?.rise.value,
          );
        },
      ),
      { numRuns: 40 },
    );
  });

  it('counts what openings leave of the core at their height', () => {
    // A band of openings takes 30 ft of the 40 ft on both long walls, 40 in high: well over a course.
    const openings = [0, 1].flatMap((wall) =>
      [0, 1, 2].map((index) =>
        openingOf({
          id: `o${String(wall)}${String(index)}`,
          wall: wall === 0 ? 'w1' : 'w3',
          at: `${String(40 + index * 140)}in`,
          width: '120in',
          height: '40in',
          sill: '32in',
          buck: 'lumber',
        }),
      ),
    );
    const closed = pourOf(planOf(RECTANGLE, withCourses(6))).pressing;
    const open = pourOf(planOf(RECTANGLE, { ...withCourses(6), openings })).pressing;
    // Lumber of 1 1/2 in beside each: 6 × 123 in × 8 in are not filled.
    const whole = (8 * (480 + 336 + 480 + 336 - 4 * 13)) / 144;
    const left = whole - (6 * 123 * 8) / 144;
    expect(((open?.rise.value ?? 0) / (closed?.rise.value ?? 1)).toFixed(6)).toBe((whole / left).toFixed(6));
  });

  it('in cell blocks goes by the maker’s volume of a block', () => {
    const cell = FAMILIES.find((family) => family.kind === 'cell');
    if (!cell) throw new Error('a cell family ships');
    const plan = planOf(RECTANGLE, {
      ...withCourses(4),
      family: cell.id,
      core: writeFamily(cell).cores[0] ?? '6in',
      rules: { 'pour.rate.pump': 10 },
    });
    const { volumes, pressing, span } = pourOf(plan);
    // The same concrete at every height: its volume over the wall's height.
    const area = volumes.core.value / ((span.top - span.bottom) / 1e9);
    expect(pressing?.rise.value).toBeCloseTo((10 * 0.764554857984) / area, 6);
  });

  it('of a strip lower than a foot is told with what lies under it', () => {
    const plan = withTops(planOf(RECTANGLE, withCourses(6)), [null, 6, 6, 6]);
    const even = pourOf(plan).pressing?.rise.value ?? 0;
    // One wall is 4 in higher than the others.
    const odd: Plan = {
      ...planOf(RECTANGLE, withCourses(7)),
      loops: plan.loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row, index) => ({ ...row, top: index === 0 ? '100in' : '96in' })),
      })),
    };
    const rise = pourOf(odd).pressing?.rise.value ?? 0;
    expect(rise).toBeGreaterThan(even);
    expect(rise).toBeLessThan(1.6 * even);
  });
});

describe('the whole head counts', () => {
  const soft = (rules: Plan['rules'], courses = 6): Plan =>
    planOf(RECTANGLE, { ...withCourses(courses), rules });

  it('where vibrated lifts are deeper than the formula holds for', () => {
    const deep = soft({ 'pour.lifts': 'two', 'pour.rate.pump': 6 }, 7);
    // Seven courses in two lifts: 56 in each, over 48.
    const { pressing } = pourOf(deep);
    expect(pressing?.wholeHead).toBe('deep');
    expect((pressing?.judged ?? 0) / PASCALS_PER_PSF).toBeCloseTo((150 * 7 * 16) / 12, 3);
    expect(told(deep, 'whole-head')).toHaveLength(1);
    expect(
      pourOf(soft({ 'pour.lifts': 'two', 'pour.rate.pump': 6, 'pour.consolidate': 'outside' }, 7)).pressing
        ?.wholeHead,
    ).toBeNull();
    expect(pourOf(soft({ 'pour.lifts': 'three', 'pour.rate.pump': 6 }, 7)).pressing?.wholeHead).toBeNull();
  });

  it('where the hose comes back to a place too soon', () => {
    // A pier of two short walls: a lift of it takes a few minutes.
    const pier = planOf(
      [
        [120, 90],
        [120, 90],
        [120, 90],
        [120, 90],
      ],
      { ...withCourses(6), rules: { 'pour.lifts': 'three', 'pour.rate.pump': 10 } },
    );
    const { pressing, clock, day } = pourOf(pier);
    expect(pressing?.wholeHead).not.toBeNull();
    // By hand from the clock: from the end of a layer to the beginning of the next at the same place.
    const seen = new Map<number, number>();
    let soonest = Infinity;
    for (const { stop, from, to } of clock.placed) {
      const slice = day.stops[stop]?.slice ?? -1;
      const last = seen.get(slice);
      if (last !== undefined) soonest = Math.min(soonest, from - last);
      seen.set(slice, to);
    }
    expect(soonest).toBeLessThan(20);
    expect(pressing?.soonest?.minutes).toBeCloseTo(soonest, 9);
  });
});

describe('what stays inside a form’s capacity', () => {
  it('holds at the worst place: there the fastest rate presses with just the capacity', () => {
    const family = FAMILIES.find(({ id }) => id === 'module-48');
    if (!family) throw new Error('module 48 ships');
    const own = { ...writeFamily(family), id: 'own', name: 'Own', capacityPascals: 900 * PASCALS_PER_PSF };
    const plan = withTops(
      planOf(RECTANGLE, {
        ...withCourses(6),
        family: 'own',
        families: [own],
        rules: { 'pour.rate.pump': 12 },
      }),
      [null, 4, 4, 4],
    );
    const { pressing, mix } = pourOf(plan);
    if (typeof pressing?.fastest !== 'number' || !mix.fresh) throw new Error('no rate');
    // ACI's first branch by hand at 70 °F, plain concrete: 900 = 150 + 9000 R/T. [from memory]
    const rise = ((900 - 150) * mix.fresh.temperature) / 9000;
    const alone = (8 * (480 - 5)) / 144;
    expect(pressing.fastest / FEET ** 3 / alone).toBeCloseTo(rise, 4);
    // The shortest a lift may take: its heights, each at the fastest rise of what is filled there.
    const bottom = pressing.shortestLifts.reduce((sum, minutes) => sum + minutes, 0);
    expect(bottom).toBeGreaterThanOrEqual(((6 * 16) / 12 / rise) * 60 - 1e-6);
    expect(inches(1)).toBe(25_400_000);
  });
});
