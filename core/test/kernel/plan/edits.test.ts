import { applyEdit } from '../../../src/plan';
import { courseCount, emptyPlan } from '../../../src/stages/outline/plan';
import { describe, expect, it } from 'vitest';
import type { Plan, PlanEdit } from '../../../src/kernel/plan';
import { HATCHERY, planOf } from '../../support/plans';

const rows = (plan: Plan): readonly string[] =>
  plan.loops[0]?.walk.map((row) => `${row.id} ${row.length} ${row.turn}`) ?? [];
const after = (...edits: readonly PlanEdit[]): Plan =>
  edits.reduce((plan, edit) => applyEdit(plan, edit), planOf(HATCHERY));

describe('edits of a plan', () => {
  it('keep lengths in their stored form where they can be read, and as typed where not', () => {
    expect(rows(after({ kind: 'set-row-length', row: 'w1', length: '44' }))[0]).toBe('w1 44ft right 90');
    expect(rows(after({ kind: 'set-row-length', row: 'w1', length: '5-1/2' }))[0]).toBe('w1 5-1/2 right 90');
    expect(rows(after({ kind: 'set-row-length', row: 'w1', length: ' 44 f' }))[0]).toBe('w1 44 f right 90');
    expect(rows(after({ kind: 'set-row-turn', row: 'w1', turn: 'L' }))[0]).toBe('w1 44ft left 90');
    expect(rows(after({ kind: 'set-row-turn', row: 'w1', turn: 'lef' }))[0]).toBe('w1 44ft lef');
  });

  it('mean the same after the units have been switched', () => {
    const plan = after(
      { kind: 'set-row-length', row: 'w1', length: '44' },
      { kind: 'set-units', units: 'metric' },
    );
    expect(rows(plan)[0]).toBe('w1 44ft right 90');
    expect(rows(applyEdit(plan, { kind: 'set-row-length', row: 'w1', length: '44' }))[0]).toBe(
      'w1 44mm right 90',
    );
  });

  it('add, place and remove rows', () => {
    const row = { id: 'new', length: '1ft', turn: 'right 90' };
    expect(rows(after({ kind: 'add-rows', loop: 'loop', rows: [row] })).at(-1)).toBe('new 1ft right 90');
    expect(rows(after({ kind: 'add-rows', loop: 'loop', rows: [row], before: 'w2' }))[1]).toBe(
      'new 1ft right 90',
    );
    expect(rows(after({ kind: 'add-rows', loop: 'loop', rows: [row], before: 'gone' })).at(-1)).toBe(
      'new 1ft right 90',
    );
    expect(rows(after({ kind: 'remove-row', row: 'w2' })).length).toBe(5);
  });

  it('leave the plan alone where their place is gone', () => {
    expect(after({ kind: 'set-row-length', row: 'gone', length: '9' })).toEqual(planOf(HATCHERY));
    expect(after({ kind: 'remove-row', row: 'gone' })).toEqual(planOf(HATCHERY));
    expect(after({ kind: 'turn-walk-round', loop: 'gone' })).toEqual(planOf(HATCHERY));
  });

  it('set the job’s own matters', () => {
    const plan = after(
      { kind: 'rename', name: 'Barn' },
      { kind: 'set-measured-to', measuredTo: 'centre' },
      { kind: 'set-family', family: 'long-96' },
      { kind: 'set-core', core: '6in' },
      { kind: 'set-courses', courses: 9 },
    );
    expect(plan).toMatchObject({ name: 'Barn', measuredTo: 'centre', family: 'long-96', core: '6in' });
    expect(courseCount(plan)).toBe(9);
  });

  it('move the top of the last pour only', () => {
    const staged: Plan = {
      ...emptyPlan('Staged'),
      pours: [
        { id: 'a', toCourse: 4, top: 'half' },
        { id: 'b', toCourse: 7, top: 'full' },
      ],
    };
    expect(applyEdit(staged, { kind: 'set-courses', courses: 8 }).pours.map((pour) => pour.toCourse)).toEqual(
      [4, 8],
    );
  });

  it('set and clear house rules', () => {
    const ruled = after({ kind: 'set-rule', rule: 'courses.ear.longest', value: '5in' });
    expect(ruled.rules).toEqual({ 'courses.ear.longest': '5in' });
    expect(applyEdit(ruled, { kind: 'set-rule', rule: 'courses.ear.longest', value: null }).rules).toEqual(
      {},
    );
  });

  it('go together', () => {
    const plan = after({
      kind: 'all',
      edits: [
        { kind: 'remove-row', row: 'w1' },
        { kind: 'rename', name: 'Both' },
      ],
    });
    expect([plan.name, rows(plan).length]).toEqual(['Both', 5]);
  });
});
