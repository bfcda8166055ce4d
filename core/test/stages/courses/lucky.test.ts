import { outlineNotices } from '../../../src/stages/outline/notices';
import { applyEdit } from '../../../src/plan';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LuckyLength } from '../../../src/stages/courses';
import { storeLength, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { work } from '../../../src/work';
import { type Side, HATCHERY, planOf, rectilinear, withCourses } from '../../support/plans';

const luckyOf = (plan: Plan): readonly LuckyLength[] => work(plan).lucky;

/** The plan with both walls of an offer at their new lengths. */
const taken = (plan: Plan, lucky: LuckyLength): Plan =>
  lucky.changes.reduce(
    (changed, { wall, measured }) =>
      applyEdit(changed, { kind: 'set-row-length', row: wall, length: storeLength(measured, 'imperial') }),
    plan,
  );

describe('lucky lengths', () => {
  it('of the hatchery move two walls at once', () => {
    const [best] = luckyOf(planOf(HATCHERY, withCourses(7)));
    expect(best).toMatchObject({ wall: 'w1', movedName: 'F–A', cutsSaved: 14, blocksSaved: 0 });
    expect(best?.changes.map(({ name, by, measured }) => [name, toInches(by), toInches(measured)])).toEqual([
      ['A–B', 16, 544],
      ['E–F', 16, 352],
    ]);
  });

  it('shorten one wall and lengthen the other where an inside corner lies between', () => {
    const offers = luckyOf(planOf(HATCHERY, withCourses(7)));
    const aroundD = offers.filter(
      (offer) => offer.changes.some(({ by }) => by < 0) && offer.changes.some(({ by }) => by > 0),
    );
    expect(aroundD.length).toBeGreaterThan(0);
    for (const offer of aroundD) expect(['w3', 'w4']).toContain(offer.moved);
  });

  it('keep the outline closed and save just the cuts and blocks that they say', () => {
    const anyPlan = fc
      .record({
        sides: rectilinear(),
        measuredTo: fc.constantFrom('form' as const, 'concrete' as const, 'centre' as const),
        courses: fc.integer({ min: 1, max: 3 }),
        family: fc.constantFrom('module-48', 'long-96'),
      })
      .map(({ sides, courses, ...change }) => planOf(sides, { ...change, ...withCourses(courses) }));
    let tried = 0;
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const before = work(plan).tally.total;
        for (const lucky of luckyOf(plan)) {
          const after = work(taken(plan, lucky));
          // A face that moves far may run into another; the notices then say so.
          const told = outlineNotices(after.shell, plan.units, (id) => id);
          if (told.some(({ id }) => id.startsWith('crossing') || id.startsWith('no-room'))) continue;
          expect(told.filter((notice) => notice.severity === 'stop')).toEqual([]);
          expect(before.cut.value - after.tally.total.cut.value).toBe(lucky.cutsSaved);
          expect(before.blocksBought.value - after.tally.total.blocksBought.value).toBe(lucky.blocksSaved);
          expect(after.courses.fills.find((fill) => fill.wall === lucky.wall)?.odd.cuts).toEqual([]);
          tried += 1;
        }
      }),
      { numRuns: 20 },
    );
    expect(tried).toBeGreaterThan(50);
  });

  it('offer a move once that is lucky for both of its walls', () => {
    const moves = luckyOf(planOf(HATCHERY)).map(({ moved, changes }) =>
      [moved, ...changes.map(({ name, by }) => `${name} ${String(by)}`).sort()].join(),
    );
    expect(new Set(moves).size).toBe(moves.length);
  });

  it('leave out walls that are lucky already and moves that save nothing', () => {
    const lucky: readonly Side[] = [
      [64 + 48 * 5, 90],
      [64 + 48 * 4, 90],
      [64 + 48 * 5, 90],
      [64 + 48 * 4, 90],
    ];
    expect(luckyOf(planOf(lucky))).toEqual([]);
    for (const offer of luckyOf(planOf(HATCHERY))) expect(offer.cutsSaved).toBeGreaterThan(0);
  });

  it('come with the largest saving first, and not at all for what cannot be laid', () => {
    const saved = luckyOf(planOf(HATCHERY)).map((offer) => offer.cutsSaved);
    expect(saved).toEqual([...saved].sort((a, b) => b - a));
    expect(luckyOf(planOf(HATCHERY, withCourses(0)))).toEqual([]);
    expect(luckyOf(planOf(Array.from({ length: 6 }, (): Side => [240, 60])))).toEqual([]);
  });
});
