import { describe, expect, it } from 'vitest';
import {
  type Notice,
  type NoticeTable,
  asSeen,
  noticeGroups,
  noticesOf,
  placesOf,
  withoutAside,
} from '../../src/kernel/notices';
import { applyEdit, writePlan } from '../../src/plan';
import { readPlan } from '../../src/planFile';
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
  noticesOf<Problem, 'where'>(problems, {
    before: 'shed-',
    stage: 'steel',
    about: { leans: 'Leaning sheds', cracked: 'Cracks', fine: '' },
    table,
    given: () => ({ where: 'Shed' }),
  });

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
      kind: 'shed-leans',
      about: 'Leaning sheds',
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

describe('notices by their cause', () => {
  const problems: readonly Problem[] = [
    { kind: 'cracked', wall: 'w1', course: 3 },
    { kind: 'leans', wall: 'w1', loop: 'a' },
    { kind: 'cracked', wall: 'w2', course: 3 },
    { kind: 'cracked', wall: 'w2', course: 4 },
  ];

  it('are a line each, the worst first, with every place once', () => {
    const groups = noticeGroups(told(problems));
    expect(groups.map(({ severity, about, notices }) => [severity, about, notices.length])).toEqual([
      ['stop', 'Leaning sheds', 1],
      ['check', 'Cracks', 3],
    ]);
    expect(groups.map(placesOf)).toEqual(['Shed', 'course 3, course 4']);
  });

  it('lose none and tell none twice, on a real job', () => {
    const { notices } = work(planOf(HATCHERY, withCourses(7)));
    const grouped = noticeGroups(notices).flatMap((group) => group.notices);
    expect(grouped.length).toBe(notices.length);
    expect(new Set(grouped)).toEqual(new Set(notices));
  });

  it('of a kind that is a stop here and a check there are two lines', () => {
    const [first, second] = told(problems.filter(({ kind }) => kind === 'cracked'));
    if (!first || !second) throw new Error('none told');
    expect(noticeGroups([first, { ...second, severity: 'stop' }])).toHaveLength(2);
  });
});

describe('a notice that was set aside', () => {
  const plan = planOf(HATCHERY, withCourses(7));
  const notices = work(plan).notices;
  const first = notices.find(({ severity }) => severity === 'check');
  if (!first) throw new Error('nothing to check');
  const asideOf = (notice: Notice) =>
    applyEdit(plan, {
      kind: 'set-aside',
      notices: [{ notice: notice.id, what: notice.what }],
      word: 'Seen on site',
    });

  it('is off the list and counted, with its word; bringing it back leaves the plan as it was', () => {
    const aside = asideOf(first);
    const split = withoutAside(work(aside).notices, aside.setAside);
    expect(split.aside.map(({ notice, word }) => [notice.id, word])).toEqual([[first.id, 'Seen on site']]);
    expect(split.open).toHaveLength(notices.length - 1);
    expect(applyEdit(aside, { kind: 'bring-back', notices: [first.id] })).toEqual(plan);
  });

  it('keeps one word, the last', () => {
    const twice = applyEdit(asideOf(first), {
      kind: 'set-aside',
      notices: [{ notice: first.id, what: first.what }],
      word: 'And again',
    });
    expect(twice.setAside?.map(({ word }) => word)).toEqual(['And again']);
  });

  it('comes back when it says anything else, or becomes a stop', () => {
    const { setAside } = asideOf(first);
    expect(withoutAside([{ ...first, what: 'Worse.' }], setAside).open).toHaveLength(1);
    expect(withoutAside([{ ...first, severity: 'stop' }], setAside).open).toHaveLength(1);
  });

  it('is kept however much it says, and never makes a plan that cannot be saved', () => {
    const long: Notice = { ...first, id: 'x'.repeat(900), what: 'A–B, '.repeat(4_000) };
    const aside = applyEdit(plan, { kind: 'set-aside', notices: [asSeen(long)], word: '' });
    expect(readPlan(JSON.parse(JSON.stringify(writePlan(aside))))).toMatchObject({ ok: true });
    expect(withoutAside([long], aside.setAside).aside).toHaveLength(1);
    const many = Array.from({ length: 6_000 }, (_, index) => asSeen({ ...first, id: String(index) }));
    const full = applyEdit(plan, { kind: 'set-aside', notices: many, word: '' });
    expect(readPlan(JSON.parse(JSON.stringify(writePlan(full))))).toMatchObject({ ok: true });
    expect(full.setAside?.at(-1)?.notice).toBe('5999');
  });

  it('is kept in the plan file', () => {
    const aside = asideOf(first);
    const reading = readPlan(JSON.parse(JSON.stringify(writePlan(aside))));
    expect(reading).toMatchObject({ ok: true, plan: { setAside: aside.setAside } });
    expect(writePlan(plan)).not.toHaveProperty('setAside');
  });
});
