import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inches, toInches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { applyEdit } from '../../../src/plan';
import { work } from '../../../src/work';
import { behindOn } from '../../support/behind';
import { insertOf, openingOf } from '../../support/openings';
import { type Side, planOf, withCourses } from '../../support/plans';

const RECTANGLE: readonly Side[] = [
  [480, 90],
  [336, 90],
  [480, 90],
  [336, 90],
];
const plan = (change: Parameters<typeof insertOf>[0] = {}, others: Partial<Plan> = {}): Plan =>
  planOf(RECTANGLE, {
    ...withCourses(6),
    inserts: [insertOf({ kind: 'hangers', at: '24in', up: '80in', length: '400in', ...change })],
    ...others,
  });

/** Plates that meet a web or a joint behind them, counted from the pieces. */
function meeting(each: Plan): readonly number[] {
  const worked = work(each);
  const [row] = worked.inserts.placed;
  if (!row) throw new Error('no row');
  const behind = behindOn(worked, 'w1', row.rect);
  return row.fixings.flatMap(({ at }) => {
    const web = behind.webs.some((each) => Math.abs(each - toInches(at)) < 1.5);
    const joint = behind.joints.some((each) => Math.abs(each - toInches(at)) < 2);
    return web || joint ? [toInches(at)] : [];
  });
}
const jointClear = { 'inserts.joint.clear': '2in' };

describe('a row of hanger plates', () => {
  it('is told with its plates on webs and joints, and one press moves the row to fewer', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 60 }),
        fc.integer({ min: 14, max: 26 }),
        fc.constantFrom('start' as const, 'end' as const),
        (at, spacing, from) => {
          const each = plan(
            { at: `${String(at)}in`, length: '300in', spacing: `${String(spacing)}in`, from },
            { rules: jointClear },
          );
          const worked = work(each);
          const [row] = worked.inserts.placed;
          const before = meeting(each);
          expect((row?.hangers?.blocked ?? []).map(toInches)).toEqual(before);
          const told = worked.notices.find(({ id }) => id.startsWith('insert-plates-blocked'));
          expect(told !== undefined).toBe(before.length > 0);
          const [fix] = told?.fixes ?? [];
          if (!fix) return;
          const moved = applyEdit(each, fix.edit);
          expect(meeting(moved).length).toBeLessThan(before.length);
          expect(work(moved).inserts.placed[0]?.fixings.length).toBe(row?.fixings.length);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('at the webs’ own spacing is cleared by one move', () => {
    // Webs stand 8 in apart, plates 16: all of a row meet them, or none but for cuts and corners.
    const straight = plan({ at: '52in', length: '96in', spacing: '16in' }, { rules: jointClear });
    const wall = meeting(straight);
    const told = work(straight).notices.find(({ id }) => id.startsWith('insert-plates-blocked'));
    expect(wall.length).toBeGreaterThan(0);
    const [fix] = told?.fixes ?? [];
    if (!fix) throw new Error('no fix');
    expect(meeting(applyEdit(straight, fix.edit))).toEqual([]);
  });
});

describe('a ledger across an opening', () => {
  it('has its anchors beside it, and the wide stretch is told', () => {
    const opening = openingOf({ at: '150in', width: '60in', height: '40in', sill: '60in' });
    const worked = work(plan({ kind: 'ledger', spacing: '24in' }, { openings: [opening] }));
    const [ledger] = worked.inserts.placed;
    const [hole] = worked.openings.placed;
    if (!ledger || !hole) throw new Error('not placed');
    const inside = ledger.fixings.filter(
      ({ at }) => at > hole.concrete.from - inches(2) && at < hole.concrete.to + inches(2),
    );
    expect(inside).toEqual([]);
    expect(worked.notices.some(({ id }) => id.startsWith('insert-anchor-gap'))).toBe(true);
    expect(worked.notices.some(({ id }) => id.startsWith('insert-in-opening'))).toBe(false);
  });

  it('that an anchor cannot avoid is told: a plate in it', () => {
    const opening = openingOf({ at: '150in', width: '60in', height: '40in', sill: '60in' });
    const worked = work(plan({ spacing: '16in' }, { openings: [opening] }));
    expect(worked.notices.some(({ id }) => id.startsWith('insert-in-opening'))).toBe(true);
  });
});
