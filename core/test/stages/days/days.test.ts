import { describe, expect, it } from 'vitest';
import { evaluate } from '../../../src/kernel/figures/how';
import { inches } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { applyEdit, writePlan } from '../../../src/plan';
import { readPlan } from '../../../src/planFile';
import { report } from '../../../src/report';
import { faceOfCourse, dayNumber, dayText, weekday } from '../../../src/stages/days';
import { work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import { type Side, HALL, planOf, roundedHall, withCourses, withInside, withTop } from '../../support/plans';

/** 560 ft round: 180 by 100 ft. */
const LONG: readonly Side[] = [
  [2160, 90],
  [1200, 90],
  [2160, 90],
  [1200, 90],
];
const long = (change: Partial<Plan> = {}): Plan => planOf(LONG, { ...withCourses(4), ...change });
const daysOf = (plan: Plan) => work(plan).days;
const item = (plan: Plan, id: string) => {
  const found = daysOf(plan).items.find((each) => each.id === id);
  if (!found)
    throw new Error(
      `no ${id}: ${daysOf(plan)
        .items.map((each) => each.id)
        .join(' ')}`,
    );
  return found;
};

describe('what a wall takes', () => {
  it('is 105 man-hours for 560 ft of four courses at 0.035 a square foot [common practice]', () => {
    const worked = work(long());
    const area = [1, 2, 3, 4].reduce((sum, course) => sum + faceOfCourse(worked, course), 0);
    const feet = area / 0.3048 ** 2;
    expect(feet).toBeCloseTo(560 * (64 / 12), 6);
    expect(Math.round(feet * 0.035)).toBe(105);
    const flat = { 'days.rate.corner': 0, 'days.rate.opening': 0 };
    const further = [2, 3, 4].reduce(
      (sum, course) => sum + item(long({ rules: flat }), `course:${String(course)}`).work.value,
      0,
    );
    expect(further / 60).toBeCloseTo((105 * 3) / 4, 0);
  });

  it('is half an hour by eight for the first course of 560 ft [common practice]', () => {
    const plan = long({ rules: { 'days.people': 8, 'days.rate.corner': 0 } });
    const first = item(plan, 'course:1');
    expect((first.end - first.start) / 30).toBeCloseTo(1, 2);
  });

  it('is more where openings and corners are many', () => {
    const holed = long({ openings: [openingOf({ sill: '20in', height: '30in' })] });
    // The hole, 48 in wide with its buck, cuts courses 2, 3 and 4.
    expect(item(holed, 'course:3').work.value - item(long(), 'course:3').work.value).toBeCloseTo(15, 9);
    expect(item(holed, 'course:1').work.value).toBeCloseTo(item(long(), 'course:1').work.value, 9);
    expect(item(holed, 'bucks:pour-1').work.value).toBe(75);
  });

  it('is more at every corner of a course, moulded, lapped or mitred; a wall that goes straight on has none', () => {
    const atCorners = (plan: Plan, course: number) => {
      const without = { ...plan, rules: { ...plan.rules, 'days.rate.corner': 0 } };
      const id = `course:${String(course)}`;
      return (item(plan, id).work.value - item(without, id).work.value) / 4;
    };
    expect(atCorners(long(), 2)).toBe(4);
    // Corners of 60 degrees are sawn to a mitre: no piece counts them.
    const six = planOf(
      Array.from({ length: 6 }, (): Side => [240, 60]),
      withCourses(4),
    );
    expect(work(six).courses.pieces.filter(({ kind }) => kind === 'corner')).toEqual([]);
    expect([atCorners(six, 1), atCorners(six, 4)]).toEqual([6, 6]);
    expect(atCorners(long({ family: 'cell-24', core: '6in' }), 2)).toBe(4);
    const rounded = roundedHall(300, withCourses(4));
    expect(atCorners(rounded, 2)).toBe(3);
    // Over a low wall its corners go on with the walls beside it.
    const low = withTop(long(), 'w1', '2 courses');
    const pieces = work(low).courses.pieces.filter((piece) => piece.kind === 'corner' && piece.course === 4);
    expect(atCorners(low, 4)).toBe(pieces.length);
  });
});

describe('the items of a job', () => {
  it('come in the order of the trade, each after what it waits for', () => {
    const { items } = daysOf(long(withCourses(6)));
    const ids = items.map(({ id }) => id);
    expect(ids).toEqual([
      'strip',
      'chalk',
      'survey',
      'course:1',
      'course:2',
      'course:3',
      'course:4',
      'braces:pour-1',
      'course:5',
      'course:6',
      'verticals:pour-1',
      'straighten:pour-1',
      'inspection:pour-1',
      'list:pour-1',
      'pour:pour-1',
      'top:pour-1',
      'sight:pour-1',
      'unbrace:pour-1',
      'plates:pour-1',
      'seal:pour-1',
      'floor:pour-1',
      'backfill:pour-1',
    ]);
    for (const each of items) {
      expect(each.work.value).toBeCloseTo(evaluate(each.work.how), 9);
      for (const { id, wait } of each.after) {
        const before = items.find((other) => other.id === id);
        expect(each.start).toBeGreaterThanOrEqual((before?.end ?? Infinity) + wait);
      }
    }
  });

  it('has every pour with its own braces, list and waits', () => {
    const two = long({
      pours: [
        { id: 'p1', toCourse: 3, top: 'full' },
        { id: 'p2', toCourse: 7, top: 'full' },
      ],
    });
    const { items } = daysOf(two);
    expect(items.filter(({ kind }) => kind === 'course').map(({ pour }) => pour)).toEqual([
      'p1',
      'p1',
      'p1',
      'p2',
      'p2',
      'p2',
      'p2',
    ]);
    const at = (id: string) => item(two, id);
    // A day straight before concrete, a day of braces after it.
    expect(at('pour:p1').start - at('straighten:p1').end).toBeGreaterThanOrEqual(24 * 60);
    expect(at('unbrace:p1').start - at('pour:p1').end).toBeGreaterThanOrEqual(24 * 60);
    expect(at('course:4').start).toBeGreaterThanOrEqual(at('pour:p1').end);
    expect(at('backfill:p2').start - at('pour:p2').end).toBeGreaterThanOrEqual(7 * 24 * 60);
  });

  it('keep a pour in one day, with its top and its strings straight after it', () => {
    const { items } = daysOf(long(withCourses(6)));
    const [pour, top, sight] = ['pour', 'top', 'sight'].map((kind) =>
      items.find((each) => each.kind === kind),
    );
    expect((pour?.start ?? 0) % 1440).toBe(7 * 60 + 30);
    expect(top?.start).toBe(pour?.end);
    expect(sight?.start).toBe(top?.end);
    const visit = items.find(({ kind }) => kind === 'inspection');
    expect(Math.floor((visit?.start ?? 0) / 1440)).toBe(Math.floor(((visit?.end ?? 0) - 1) / 1440));
  });

  it('backfill after each pour that the plan fills, and before one that is filled around empty', () => {
    const pours = (ground?: object) => [
      { id: 'p1', toCourse: 4, top: 'full' as const, ...(ground ? { ground } : {}) },
      { id: 'p2', toCourse: 8, top: 'full' as const },
    ];
    const order = (ground?: object) =>
      daysOf(long({ pours: pours(ground) }))
        .items.map(({ id }) => id)
        .filter((id) => /^(backfill|seal|pour|course:5)/.test(id));
    const outside = { to: '3ft', with: 'fill' };
    expect(order()).toEqual(['pour:p1', 'course:5', 'pour:p2', 'seal:p2', 'backfill:p2']);
    expect(order({ outside, inside: outside })).toEqual([
      'pour:p1',
      'seal:p1',
      'backfill:p1',
      'course:5',
      'pour:p2',
      'seal:p2',
      'backfill:p2',
    ]);
    expect(order({ outside, inside: outside, before: true })[0]).toBe('backfill:p1');
  });

  it('seals and fills no inside wall, and does the rest along it as along others', () => {
    const hours = (plan: Plan, kind: string): number =>
      daysOf(plan).items.find((each) => each.kind === kind)?.work.value ?? 0;
    const parted = withInside(planOf(HALL, withCourses(4)));
    const inside = work(parted).shell.loops[1]?.built?.walls[0]?.length ?? 0;
    const plain = planOf(HALL, withCourses(4));
    for (const kind of ['seal', 'backfill']) expect(hours(parted, kind)).toBe(hours(plain, kind));
    // [by hand] 136 ft round, and the wall inside: as many times more.
    for (const kind of ['strip', 'chalk', 'straighten', 'sight'])
      expect(hours(parted, kind) / hours(plain, kind)).toBeCloseTo((inches(1632) + inside) / inches(1632), 9);
    expect(hours(plain, 'seal')).toBeGreaterThan(0);
  });

  it('straightens, strikes off and sights in each pour what is filled in it', () => {
    const pours = [
      { id: 'p1', toCourse: 4, top: 'full' as const },
      { id: 'p2', toCourse: 7, top: 'full' as const },
    ];
    // Four courses of 16 in: the second wall, 28 ft of 136, ends with the first pour; so do 10 ft of the third.
    const low = withTop(planOf(HALL, { pours }), 'w2', '64in');
    const stepped: Plan = {
      ...low,
      loops: low.loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row) =>
          row.id === 'w3' ? { ...row, topSteps: [{ id: 't', at: '30ft', top: '64in' }] } : row,
        ),
      })),
    };
    const feetOf = (plan: Plan, kind: string): readonly number[] =>
      daysOf(plan).items.flatMap((each) => (each.kind === kind ? [each.quantity.value / inches(12)] : []));
    for (const kind of ['straighten', 'top', 'sight']) {
      expect(feetOf(low, kind)).toEqual([136, 108]);
      expect(feetOf(stepped, kind)).toEqual([136, 98]);
    }
    // Four minutes of one for 10 ft struck off, shared by the crew that pours.
    const after = (plan: Plan, pour: number): number => work(plan).pour.pours[pour]?.day.after ?? 0;
    const unstruck = { 'pour.after.strike': 0 };
    const crew = work(low).pour.pours[1]?.crew ?? 0;
    expect(after(stepped, 1) - after({ ...stepped, rules: unstruck }, 1)).toBeCloseTo((98 / 10) * (4 / crew));
  });

  it('say why: every figure names its rules, and a metric job is worked in metres', () => {
    const { items } = daysOf(long({ units: 'metric' }));
    for (const { work, kind } of items) expect([kind, work.rules.length > 0]).toEqual([kind, true]);
    // 560 ft are 170.688 m, at 4 man-minutes a metre.
    expect(item(long({ units: 'metric' }), 'strip').work.value).toBeCloseTo(170.688 * 4, 9);
  });

  it('are exported with their names', () => {
    const exported = report(work(long({ days: { start: '2027-03-01' } }))).days.items;
    expect(exported[0]).toMatchObject({
      id: 'strip',
      kind: 'strip',
      start: '2027-03-01T07:00',
      after: [],
      // 560 ft at 1.2 man-minutes.
      manHours: { value: expect.closeTo(11.2, 9) as number, unit: 'man-hours' },
      quantity: { value: 6720, unit: 'in' },
    });
    expect(report(work(long())).days.items[0]?.start).toBe('day 1 07:00');
  });
});

describe('the calendar', () => {
  it('knows its days', () => {
    expect(dayText(dayNumber('2028-02-29') ?? 0)).toBe('2028-02-29');
    expect(dayNumber('1970-01-01')).toBe(0);
    for (const none of [
      '2027-02-29',
      '2027-04-31',
      '2027-04-00',
      '2027-13-01',
      '2027-00-05',
      '0050-01-01',
      '1.3.2027',
      '',
    ])
      expect(dayNumber(none), none).toBeNull();
    // 2026-11-30 is a Monday.
    expect(weekday(dayNumber('2026-11-30') ?? 0)).toBe(0);
  });

  it('works on the days of its week, less those that are off, with the people of each', () => {
    // 2027-03-05 is a Friday.
    const plan = long({ days: { start: '2027-03-05', off: ['2027-03-08'], people: { '2027-03-06': 2 } } });
    expect(daysOf(plan).people.slice(0, 6)).toEqual([4, 2, 0, 0, 4, 4]);
    const weekends = long({ days: { start: '2027-03-05' }, rules: { 'days.week': 'sat-sun' } });
    expect(daysOf(weekends).people.slice(0, 4)).toEqual([0, 4, 4, 0]);
    const always = daysOf(long({ days: { start: '2027-03-05' }, rules: { 'days.week': 'every' } }));
    expect(new Set(always.people)).toEqual(new Set([4]));
    // From the first day to the one on which the last work ends.
    const last = Math.max(...always.items.map(({ end }) => end));
    expect(always.people).toHaveLength(Math.floor(last / (24 * 60)) + 1);
    expect(always.newcomers).toHaveLength(always.people.length);
  });

  it('pours on the day that is booked, and says where the work before does not fit', () => {
    const booked = (date: string): Plan =>
      long({ days: { start: '2027-03-01' }, pour: { pours: { 'pour-1': { date } } } });
    expect(report(work(booked('2027-04-01'))).days.items.find(({ id }) => id === 'pour:pour-1')?.start).toBe(
      // At the first truck of the plan.
      '2027-04-01T07:30',
    );
    expect(daysOf(booked('2027-04-01')).problems).toEqual([]);
    expect(daysOf(booked('2027-03-03')).problems.map(({ kind }) => kind)).toEqual(['pour-too-soon']);
    expect(daysOf(booked('2027-02-01')).problems.map(({ kind }) => kind)).toEqual(['pour-before-start']);
    const told = work(booked('2027-03-03')).notices.find(({ id }) => id.startsWith('days:pour-too-soon'));
    expect(told?.what).toContain('2027-03-03');
  });

  it('says plainly what it cannot use, and plans on', () => {
    const odd = long({ days: { start: 'soon', off: ['never'], people: { '2027-99-01': 3 } } });
    expect(daysOf(odd).problems.map(({ kind }) => kind)).toEqual([
      'start-unreadable',
      'day-unreadable',
      'day-unreadable',
    ]);
    expect(daysOf(odd).items.length).toBeGreaterThan(0);
    expect(daysOf(planOf([])).items).toEqual([]);
    const few = long({
      ...withCourses(6),
      days: { start: '2027-03-01' },
      rules: { 'days.people': 1, 'days.rate.wall': '200 man-min/ft2' },
    });
    expect(daysOf(few).problems.map(({ kind }) => kind)).toEqual(['too-few-days']);
  });

  it('is set, kept and taken off again', () => {
    const set = applyEdit(long(), { kind: 'set-days', change: { start: '2027-03-01', off: ['2027-03-02'] } });
    const some = applyEdit(set, { kind: 'set-people', day: '2027-03-03', people: 9 });
    expect(some.days).toEqual({ start: '2027-03-01', off: ['2027-03-02'], people: { '2027-03-03': 9 } });
    const back = readPlan(JSON.parse(JSON.stringify(writePlan(some))));
    expect(back.ok && back.plan).toEqual(some);
    // One day is set without the others, and set again in place of what it was.
    const more = [4, 5, 6].reduce(
      (plan, people) => applyEdit(plan, { kind: 'set-people', day: '2027-03-04', people }),
      some,
    );
    expect(more.days?.people).toEqual({ '2027-03-03': 9, '2027-03-04': 6 });
    const fresh = applyEdit(more, { kind: 'set-people', day: '2027-03-04', people: 2, of: 'newcomers' });
    expect([fresh.days?.people, fresh.days?.newcomers]).toEqual([more.days?.people, { '2027-03-04': 2 }]);
    const one = applyEdit(more, { kind: 'set-people', day: '2027-03-04', people: null });
    expect(one.days?.people).toEqual({ '2027-03-03': 9 });
    const less = applyEdit(some, { kind: 'set-people', day: '2027-03-03', people: null });
    expect(applyEdit(less, { kind: 'set-days', change: { off: [] } }).days).toEqual({ start: '2027-03-01' });
  });
});
