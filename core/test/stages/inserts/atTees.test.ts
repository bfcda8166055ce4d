import { describe, expect, it } from 'vitest';
import type { Insert } from '../../../src/stages/inserts/plan';
import type { Notice } from '../../../src/kernel/notices';
import type { Plan } from '../../../src/kernel/plan';
import { applyEdit } from '../../../src/plan';
import { work } from '../../../src/work';
import { insertOf } from '../../support/openings';
import { HALL, planOf, withCourses, withInside } from '../../support/plans';
import { valuesIn } from '../../support/values';

/** A hall whose inside wall, 13 in thick and set out from 200 in, takes 187 to 200 in of the first wall's inside face. */
const parted = (insert: Partial<Insert>, top?: string): Plan =>
  withInside(planOf(HALL, { ...withCourses(7), inserts: [insertOf({ up: '40in', ...insert })] }), {
    ...(top === undefined ? {} : { top }),
  });

const told = (plan: Plan): Notice | undefined =>
  work(plan).notices.find(({ id }) => id.startsWith('insert-at-tee'));

describe('an insert where an inside wall meets its wall', () => {
  it('is told, with either way out of it', () => {
    const plan = parted({ at: '195in', size: '4in' });
    const notice = told(plan);
    expect(notice?.severity).toBe('check');
    // 193 to 197 in: 7 in on, or 10 in back.
    expect(notice?.fixes.map(({ label }) => label)).toEqual([
      'Move it 7″ farther in',
      'Move it 10″ nearer to its corner',
    ]);
    for (const { edit } of notice?.fixes ?? []) expect(told(applyEdit(plan, edit))).toBeUndefined();
    // From the other corner the same ways are named by that one.
    const other = told(parted({ at: '285in', from: 'end', size: '4in' }));
    expect(other?.fixes.map(({ label }) => label)).toEqual([
      'Move it 7″ nearer to its corner',
      'Move it 10″ farther in',
    ]);
  });

  it('is nothing to tell on the other face, above that wall, or beside it', () => {
    const pocket = { kind: 'pocket', at: '195in', size: '6in', height: '6in', depth: '3in' } as const;
    expect(told(parted({ ...pocket, face: 'inside' }))).toBeDefined();
    expect(told(parted({ ...pocket, face: 'outside' }))).toBeUndefined();
    // A sleeve goes through, whatever face is said.
    expect(told(parted({ at: '195in', face: 'outside' }))).toBeDefined();
    expect(told(parted({ at: '195in', size: '4in' }, '2 courses'))).toBeUndefined();
    // Two courses are 32 in: a sleeve of 4 in begins there where its middle is at 34 in.
    expect(told(parted({ at: '195in', size: '4in', up: '34in' }, '2 courses'))).toBeUndefined();
    expect(told(parted({ at: '195in', size: '4in', up: '33in' }, '2 courses'))).toBeDefined();
    expect(told(parted({ at: '185in', size: '4in' }))).toBeUndefined();
    expect(told(parted({ at: '202in', size: '4in' }))).toBeUndefined();
  });

  it('is to end on either side of that wall where it runs along', () => {
    const ledger = { kind: 'ledger', at: '100in', length: '200in', up: '80in', face: 'inside' } as const;
    const notice = told(parted(ledger));
    expect(valuesIn(notice?.what)).toEqual(expect.arrayContaining(['15′ 7″', '16′ 8″']));
    expect(notice?.fixes).toEqual([]);
    expect(told(parted({ ...ledger, length: '80in' }))).toBeUndefined();
  });
});
