import { describe, expect, it } from 'vitest';
import { type NoticeTable, noticesOf } from '../../src/kernel/notices';
import { work } from '../../src/work';
import { insertOf, openingOf } from '../support/openings';
import { HATCHERY, planOf, withCourses } from '../support/plans';

type Problem =
  | { readonly kind: 'leans'; readonly wall: string; readonly loop: string }
  | { readonly kind: 'cracked'; readonly wall: string; readonly course: number }
  | { readonly kind: 'fine' };

const table: NoticeTable<Problem, 'where'> = {
  leans: ({ wall, loop }) => ({ severity: 'stop', place: { wall, loop }, what: 'It leans.' }),
  cracked: ({ wall, course }) => ({
    severity: 'check',
    where: `course ${String(course)}`,
    key: course,
    place: { wall },
    what: 'It is cracked.',
  }),
  fine: () => null,
};
const told = (problems: readonly Problem[]) =>
  noticesOf<Problem, 'where'>('shed-', problems, table, () => ({ where: 'Shed', place: { stage: 'steel' } }));

describe('a table of notices', () => {
  it('names each by kind, place and key, and says nothing of what is fine', () => {
    expect(
      told([
        { kind: 'fine' },
        { kind: 'leans', wall: 'w1', loop: 'a' },
        { kind: 'cracked', wall: 'w1', course: 3 },
        { kind: 'cracked', wall: 'w1', course: 4 },
      ]).map(({ id }) => id),
    ).toEqual(['shed-leans:w1', 'shed-cracked:w1:3', 'shed-cracked:w1:4']);
  });

  it('numbers what is told twice of one place', () => {
    const twice: Problem = { kind: 'leans', wall: 'w1', loop: 'a' };
    expect(told([twice, twice]).map(({ id }) => id)).toEqual(['shed-leans:w1', 'shed-leans:w1:2']);
  });

  it('gives what holds for all of them, where a kind does not say otherwise', () => {
    const [leans, cracked] = told([
      { kind: 'leans', wall: 'w1', loop: 'a' },
      { kind: 'cracked', wall: 'w1', course: 3 },
    ]);
    expect(leans).toEqual({
      id: 'shed-leans:w1',
      severity: 'stop',
      where: 'Shed',
      place: { stage: 'steel', wall: 'w1', loop: 'a' },
      what: 'It leans.',
      fixes: [],
    });
    expect(cracked?.where).toBe('course 3');
  });
});

describe('notices of a job', () => {
  const plan = planOf(HATCHERY, {
    ...withCourses(7),
    openings: [
      openingOf({ id: 'o1', at: '10ft', width: '3ft', height: '3ft', sill: '2ft' }),
      openingOf({ id: 'o2', at: '14ft', width: '3ft', height: '3ft', sill: '2ft 3in' }),
    ],
    inserts: [insertOf({ id: 'i1', at: '11ft', up: '3ft' }), insertOf({ id: 'i2', at: '6in', up: '1ft' })],
  });

  it('have ids of their own', () => {
    const ids = work(plan).notices.map(({ id }) => id);
    expect(ids.length).toBeGreaterThan(5);
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('keep them while something else comes before them', () => {
    const before = work(plan).notices.map(({ id }) => id);
    const wrong = openingOf({ id: 'o0', width: 'wide' });
    const after = work({ ...plan, openings: [wrong, ...(plan.openings ?? [])] }).notices.map(({ id }) => id);
    expect(after).toEqual(expect.arrayContaining(before));
    expect(after.length).toBeGreaterThan(before.length);
  });
});
