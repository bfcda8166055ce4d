import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import type { Opening } from '../../../src/stages/openings/plan';
import { barSize } from '../../../src/stages/steel';
import { work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import { type Side, planOf, withCourses, withInside } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
const plan = (change: Partial<Plan> = {}): Plan => planOf(RECTANGLE, { ...withCourses(6), ...change });
const diameter = (size: string): number => barSize(size)?.diameter ?? 0;

describe('bars that stand', () => {
  it('go down clear of every bar that lies in their wall, or the wall is said to have no way for them', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('6in', '8in', '10in'),
        fc.constantFrom('alternating', 'tension', 'centred'),
        fc.constantFrom('#4', '#5', '#6'),
        fc.constantFrom('top' as const, 'alone' as const),
        fc.integer({ min: 1, max: 2 }),
        (core, slots, size, held, bottom) => {
          const { steel } = work(
            plan({
              core,
              rules: {
                'steel.horizontal.slots': slots,
                'steel.horizontal.size': size,
                'steel.horizontal.bottom': bottom,
              },
              steel: { walls: { w1: { backfill: '6ft', held } } },
            }),
          );
          const blocked = steel.problems.flatMap((each) =>
            each.kind === 'chase-blocked' ? [each.wall] : [],
          );
          const standing = steel.bars.filter(({ use }) => use === 'vertical' || use === 'dowel');
          expect(standing.length).toBeGreaterThan(0);
          for (const bar of standing) {
            if (blocked.includes(bar.wall)) continue;
            for (const lying of steel.bars) {
              if (lying.use !== 'horizontal' || lying.wall !== bar.wall) continue;
              const apart = Math.abs(bar.offset - lying.offset);
              expect(apart, `${bar.id} past ${lying.id}`).toBeGreaterThanOrEqual(
                (diameter(bar.size) + diameter(lying.size)) / 2,
              );
            }
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('the bending schedule', () => {
  it('lists bars by what they do in the order in which they are set out, the longest first', () => {
    const { schedule } = work(plan({ openings: [openingOf({ sill: '32in', height: '40in' })] })).steel;
    const uses = [...new Set(schedule.map(({ use }) => use))];
    expect(uses).toEqual([
      'horizontal',
      'corner',
      'vertical',
      'jamb',
      'dowel',
      'lintel bottom',
      'lintel top',
      'stirrup',
    ]);
    // Lines of one use lie together.
    expect(schedule.map(({ use }) => uses.indexOf(use))).toEqual(
      schedule.map(({ use }) => uses.indexOf(use)).sort((a, b) => a - b),
    );
    for (const use of uses) {
      const cuts = schedule.filter((line) => line.use === use).map(({ cut }) => cut);
      expect(cuts).toEqual([...cuts].sort((a, b) => b - a));
    }
  });
});

describe('what is told of bars', () => {
  const spaced = (spacing: string) =>
    work(
      planOf(
        [
          [100, 90],
          [336, 90],
          [100, 90],
          [336, 90],
        ],
        { ...withCourses(4), rules: { 'steel.vertical.spacing': spacing } },
      ),
    ).steel.problems.flatMap((each) => (each.kind === 'spacing-wide' ? [each.wall] : []));

  it('is a spacing wider than its wall, not one that is as wide', () => {
    expect(spaced('100in')).toEqual([]);
    expect(spaced('100 1/8in')).toEqual(['w1', 'w3']);
  });

  it('is the leg that an opening leaves at a tee, on whichever side of the L it is', () => {
    const joined = (openings: readonly Opening[]) => work(withInside(plan({ openings }))).steel;
    const legs = (openings: readonly Opening[]) =>
      joined(openings).problems.flatMap((each) =>
        each.kind === 'tee-cut-short' && each.course === 3 ? [toInches(each.leg)] : [],
      );
    const through = (at: number, id: string) =>
      openingOf({ id, at: `${String(at)}in`, width: '40in', height: '60in', sill: '20in' });
    const across = openingOf({
      id: 'o',
      wall: 'inside',
      at: '20in',
      width: '40in',
      height: '60in',
      sill: '20in',
    });
    const shortest = (openings: readonly Opening[]) =>
      Math.min(
        ...joined(openings)
          .bars.filter(({ use, course }) => use === 'tee' && course === 3)
          .flatMap(({ laps }) => [laps.before, laps.after])
          .map(toInches),
      );
    const along = [through(140, 'l'), through(225, 'r')];
    expect(legs(along)).toHaveLength(1);
    expect(legs(along)[0]).toBeLessThan(30);
    expect(legs(along)[0]).toBeCloseTo(shortest(along), 6);
    expect(legs([across])).toHaveLength(1);
    expect(legs([across])[0]).toBeLessThan(30);
    expect(legs([across])[0]).toBeCloseTo(shortest([across]), 6);
    expect(legs([])).toEqual([]);
  });
});
