import { describe, expect, it } from 'vitest';
import type { Plan } from '../../../src/kernel/plan';
import { type Entry, recordOf } from '../../../src/kernel/record';
import { rowOnSite } from '../../../src/stages/courses';
import { dayOf } from '../../../src/stages/days';
import { work } from '../../../src/work';
import { entryOf, workOn } from '../../support/entries';
import { type Side, planOf, withCourses } from '../../support/plans';

const SIDES: readonly Side[] = [
  [480, 90],
  [360, 90],
  [480, 90],
  [360, 90],
];
/** 2027-03-01 is a Monday. */
const job = (change: Partial<Plan> = {}): Plan =>
  planOf(SIDES, { ...withCourses(6), days: { start: '2027-03-01' }, ...change });
const daysOf = (log: readonly Entry[], change: Partial<Plan> = {}) =>
  work({ ...job(change), ...recordOf(log) }).days;

/** Entries for these items, each all of it on a day, having taken so much of what was planned. */
const doneBy = (items: readonly string[], day: string, pace: number): readonly Entry[] =>
  items.map((id) => {
    const planned = work(job()).days.items.find((item) => item.id === id)?.work.value ?? 0;
    return workOn(id, { day, planned, manMinutes: planned * pace });
  });

const EARLY = ['strip', 'chalk', 'survey', 'course:1', 'course:2'];

describe('the forecast', () => {
  it('says nothing while the log says nothing of work', () => {
    expect(daysOf([]).forecast).toBeNull();
  });

  it('is the plan itself where all went as planned', () => {
    const { items, forecast } = daysOf([]);
    expect(forecast).toBeNull();
    const firstDay = items.filter(({ end }) => dayOf(end) < 1).map(({ id }) => id);
    const { forecast: after, items: now } = daysOf(doneBy(firstDay, '2027-03-01', 1));
    expect(after?.pace).toMatchObject({ middle: 1, low: 1, high: 1 });
    // What was begun at the end of the first day and not told is done on the second.
    expect(dayOf(after?.finish ?? 0)).toBeLessThanOrEqual(
      dayOf(Math.max(...items.map(({ end }) => end))) + 1,
    );
    expect(now.filter(({ done }) => done === 1).map(({ id }) => id)).toEqual(firstDay);
  });

  it('goes on from the day after the log, with what is left at the pace of the days so far', () => {
    const { forecast, items } = daysOf(doneBy(EARLY, '2027-03-09', 2));
    expect(forecast?.from).toBe(9);
    const left = items
      .filter(({ id }) => !EARLY.includes(id))
      .reduce((sum, item) => {
        return sum + ('manMinutes' in item.effort ? item.effort.manMinutes : 0);
      }, 0);
    expect(forecast?.left.value).toBeCloseTo(left, 6);
    // Five days at twice the time against the rates' three: twice is the middle, the rates are the low quarter.
    expect(forecast?.pace.middle).toBe(2);
    expect(forecast?.pace.low).toBe(1);
    expect(forecast?.soonest).toBeLessThan(forecast?.finish ?? 0);
    expect(forecast?.finish).toBeLessThanOrEqual(forecast?.latest ?? 0);
  });

  it('takes shares of several days together, and never more than all of an item', () => {
    const half = workOn('course:2', { day: '2027-03-03', share: 0.5, manMinutes: 60 });
    const { items } = daysOf([half, { ...half, id: 'b', body: { ...half.body, share: 0.4 } }]);
    expect(items.find(({ id }) => id === 'course:2')).toMatchObject({ done: 0.9, took: 120 });
    const twice = daysOf([half, { ...half, id: 'b' }, { ...half, id: 'c' }]);
    expect(twice.items.find(({ id }) => id === 'course:2')?.done).toBe(1);
  });

  it('takes what is done share by share for done, whatever floats add: ten times a tenth, or every wall', () => {
    const shares = (of: readonly number[]) =>
      daysOf(
        of.map((share, index) =>
          workOn('course:1', { share, day: '2027-03-01' }, { id: `e${String(index)}` }),
        ),
      ).items.find(({ id }) => id === 'course:1')?.done;
    const tenth = Array<number>(10).fill(0.1);
    expect(tenth.reduce((sum, each) => sum + each, 0)).toBeLessThan(1);
    expect(shares(tenth)).toBe(1);
    expect(shares(tenth.slice(1))).toBeCloseTo(0.9, 9);
    // Faces of six walls of 44, 20, 16, 12, 28 and 32 ft, each of the whole.
    expect(shares([44, 20, 16, 12, 28, 32].map((long) => long / 152))).toBe(1);
  });

  it('tells work before the first day, and on what the plan has no more, and keeps both', () => {
    const kinds = daysOf([
      workOn('course:1', { day: '2027-02-26' }),
      workOn('course:9', { day: '2027-03-02' }),
    ]).problems.map(({ kind }) => kind);
    expect(kinds).toContain('before-start');
    expect(kinds).toContain('unknown-item');
  });
});

describe('people new to the work', () => {
  it('count as part of a hand on their day: two of four at half do as three', () => {
    const rules = { 'days.rate.corner': 0 };
    const strip = (days: Plan['days']) =>
      daysOf([], { rules, days: { start: '2027-03-01', ...days } }).items.find(({ id }) => id === 'strip');
    const minutes = (days: Plan['days']): number => (strip(days)?.end ?? 0) - (strip(days)?.start ?? 0);
    expect(minutes({ newcomers: { '2027-03-01': 2 } })).toBeCloseTo((minutes({}) * 4) / 3, 9);
    // No more of them than there are people.
    expect(minutes({ people: { '2027-03-01': 2 }, newcomers: { '2027-03-01': 9 } })).toBeCloseTo(
      minutes({}) * 4,
      9,
    );
  });
});

describe('hire of braces', () => {
  it('is in whole weeks from the day they go up to the day they are down, and a day later costs crew and frames', () => {
    const { hires, items } = daysOf([]);
    const [hire] = hires;
    const at = (kind: string) => items.find((item) => item.kind === kind);
    expect(hire?.from).toBe(dayOf(at('braces')?.start ?? 0));
    expect(hire?.until).toBe(dayOf((at('unbrace')?.end ?? 0) - 1));
    const weeks = Math.ceil(((hire?.until ?? 0) - (hire?.from ?? 0) + 1) / 7);
    expect(hire?.money.value).toBe((hire?.frames ?? 0) * weeks * 12);
    // Four people of eight hours at 40, and a seventh of a week's frames at 12.
    expect(hire?.slip.value).toBeCloseTo(4 * 8 * 40 + ((hire?.frames ?? 0) * 12) / 7, 9);
  });
});

describe('bookings', () => {
  it('are asked for so many working days ahead, whenever the crew works', () => {
    // 2027-03-05 is a Friday; the crew works on weekends only.
    const { bookings, items } = daysOf([], {
      days: { start: '2027-03-05' },
      rules: { 'days.week': 'sat-sun', 'days.people': 12 },
    });
    const start = Date.UTC(2027, 2, 5);
    for (const { item, needs, day, by } of bookings) {
      expect(day).toBe(dayOf(items.find(({ id }) => id === item)?.start ?? 0));
      const between = Array.from({ length: day - by }, (_, index) =>
        new Date(start + (by + index) * 86_400_000).getUTCDay(),
      );
      expect(between.filter((weekday) => weekday !== 0 && weekday !== 6)).toHaveLength(
        needs.includes('plant') ? 5 : 2,
      );
      expect([0, 6]).not.toContain(between[0]);
    }
    expect(bookings.map(({ needs }) => needs)).toEqual([['inspector'], ['plant', 'pump operator']]);
  });

  it('ask for what concrete is placed with, and for nothing where trucks place by themselves', () => {
    const asked = (method: string) =>
      daysOf([], { rules: { 'pour.method': method } }).bookings.flatMap(({ needs }) =>
        needs.includes('plant') ? [needs] : [],
      );
    expect(asked('chute')).toEqual([['plant']]);
    expect(asked('conveyor')).toEqual([['plant', 'conveyor operator']]);
    // Holes in cell blocks are filled by a pump’s hose.
    expect(asked('holes')).toEqual([['plant', 'pump operator']]);
  });

  it('are over when the work is done, and a pour whose day has passed is told', () => {
    const booked = { pour: { pours: { 'pour-1': { date: '2027-03-20' } } } };
    const late = daysOf([workOn('unbrace:pour-1', { day: '2027-03-25' })], booked);
    expect(late.problems.map(({ kind }) => kind)).toContain('pour-passed');
    const done = daysOf([workOn('pour:pour-1', { day: '2027-03-20' }), workOn('inspection:pour-1')], booked);
    expect(done.problems.map(({ kind }) => kind)).not.toContain('pour-passed');
    expect(done.bookings).toEqual([]);
  });
});

describe('what is done', () => {
  const doneOf = (log: readonly Entry[], id: string) => {
    const item = daysOf(log).items.find((each) => each.id === id);
    return { done: item?.done, took: item?.took };
  };

  it('is a pour that is recorded as such', () => {
    const pour = entryOf('pour', {
      day: '2027-03-20',
      pour: 'pour-1',
      placedM3: 20,
      rule: 'pour.rate.pump',
      minutes: 100,
      trucks: 3,
      word: '',
    });
    expect(doneOf([pour], 'pour:pour-1').done).toBe(1);
    const booked = { pour: { pours: { 'pour-1': { date: '2027-03-20' } } } };
    const later = workOn('unbrace:pour-1', { day: '2027-03-25' });
    expect(daysOf([pour, later], booked).problems.map(({ kind }) => kind)).not.toContain('pour-passed');
  });

  it('is not what was taken down again; what it took stays told', () => {
    const worked = work(job());
    const rows = ['w1', 'w2', 'w3', 'w4'].flatMap((wall) => rowOnSite(worked, wall, 2) ?? []);
    const laid = workOn('course:2', { manMinutes: 400, rows }, { at: '2027-03-02T08:00:00Z' });
    const down = (...walls: readonly string[]) =>
      entryOf(
        'relaid',
        { rows: walls.map((wall) => ({ course: 2, wall })), why: '' },
        { at: '2027-03-02T09:00:00Z' },
      );
    expect(doneOf([laid], 'course:2')).toEqual({ done: 1, took: 400 });
    expect(doneOf([laid, down('w1', 'w2', 'w3', 'w4')], 'course:2')).toEqual({ done: 0, took: 400 });
    // 480 of 1680 in are taken down.
    expect(doneOf([laid, down('w1')], 'course:2').done).toBeCloseTo(1200 / 1680, 9);
    // Laid again, it is done once.
    const again = workOn(
      'course:2',
      { rows: rows.slice(0, 1), share: 480 / 1680 },
      { at: '2027-03-03T08:00:00Z' },
    );
    expect(doneOf([laid, down('w1'), again], 'course:2').done).toBeCloseTo(1, 9);
  });
});
