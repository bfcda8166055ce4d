import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Calendar, workBack, workBetween, workFrom, workOn } from '../../../src/stages/days/calendar';
import { type Task, schedule } from '../../../src/stages/days/schedule';

/** Seven to three, five days of a week that begins on a Monday, four people. */
const WEEK: Calendar = {
  begin: 7 * 60,
  end: 15 * 60,
  people: (day) => (day % 7 < 5 ? 4 : 0),
  most: 400,
};
/** No nights, no weekends, one person. */
const ALWAYS: Calendar = { begin: 0, end: 1440, people: () => 1, most: 100_000 };
const at = (day: number, hour: number): number => day * 1440 + hour * 60;
const crew = (hours: number): { readonly manMinutes: number; readonly minutes: null } => ({
  manMinutes: hours * 60,
  minutes: null,
});

describe('the hours of a crew', () => {
  it('begin in the morning, go on the next morning, and pass over the weekend', () => {
    expect(workFrom(WEEK, 0)).toBe(at(0, 7));
    expect(workFrom(WEEK, at(0, 15))).toBe(at(1, 7));
    expect(workFrom(WEEK, at(4, 15))).toBe(at(7, 7));
    // Sixteen man-hours by four are four hours.
    expect(workOn(WEEK, at(0, 7), crew(16))).toBe(at(0, 11));
    expect(workOn(WEEK, at(0, 13), crew(16))).toBe(at(1, 9));
    expect(workOn(WEEK, at(4, 13), crew(16))).toBe(at(7, 9));
    // Three hours on site are three, whoever is there.
    expect(workOn(WEEK, at(0, 7), { manMinutes: 0, minutes: 180 })).toBe(at(0, 10));
  });

  it('are worked by as many as there are on each day', () => {
    const fewer: Calendar = { ...WEEK, people: (day) => (day === 1 ? 2 : day % 7 < 5 ? 4 : 0) };
    // Eight hours of four, then what is left, eight man-hours, by two.
    expect(workOn(fewer, at(0, 7), crew(40))).toBe(at(1, 11));
  });

  it('run backward as they run forward', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 7, max: 14 }),
        fc.integer({ min: 1, max: 200 }),
        (day, hour, hours) => {
          const from = workFrom(WEEK, at(day, hour)) ?? 0;
          const end = workOn(WEEK, from, crew(hours));
          if (end === null) throw new Error('no end');
          expect(workBack(WEEK, end, crew(hours))).toBeCloseTo(from, 6);
          expect(workBetween(WEEK, from, end)).toBeCloseTo((hours * 60) / 4, 6);
        },
      ),
    );
  });

  it('end with the calendar', () => {
    expect(workFrom({ ...WEEK, people: () => 0 }, 0)).toBeNull();
    expect(workOn({ ...WEEK, most: 3 }, at(0, 7), crew(1000))).toBeNull();
    expect(schedule([{ id: 'a', after: [], ...crew(1) }], { ...WEEK, people: () => 0 })).toBeNull();
  });
});

describe('the schedule', () => {
  it('keeps waits by the clock on the wall, nights and weekends with it', () => {
    const [straight, pour] =
      schedule(
        [
          { id: 'straighten', after: [], ...crew(16) },
          { id: 'pour', after: [{ id: 'straighten', wait: 24 * 60 }], manMinutes: 0, minutes: 120 },
        ],
        WEEK,
      ) ?? [];
    expect(straight?.end).toBe(at(0, 11));
    expect([pour?.start, pour?.end]).toEqual([at(1, 11), at(1, 13)]);
  });

  it('says how far a thing may slide, and by how much it does not fit before a booked day', () => {
    const tasks = (day: number): readonly Task[] => [
      { id: 'wall', after: [], ...crew(64) },
      { id: 'order', after: [], manMinutes: 0, minutes: 60 },
      {
        id: 'pour',
        after: [
          { id: 'wall', wait: 0 },
          { id: 'order', wait: 0 },
        ],
        manMinutes: 0,
        minutes: 120,
        notBefore: at(day, 7),
      },
    ];
    // Two days of work, poured on the fifth: the wall may slide two days, the order a day and seven hours more.
    const late = schedule(tasks(4), WEEK) ?? [];
    expect(late.map(({ free }) => free)).toEqual([2 * 480, 4 * 480 - 60, 0]);
    // Booked for the second day: a day short.
    const soon = schedule(tasks(1), WEEK) ?? [];
    expect(soon[2]?.start).toBe(at(2, 7));
    expect(soon[0]?.free).toBe(-480);
  });

  it('is the longest path through what waits for what, and the slack that it leaves', () => {
    // Worked another way: by relaxing every edge until nothing moves (Bellman–Ford), forward and backward.
    const tasks = fc
      .array(
        fc.record({
          minutes: fc.integer({ min: 1, max: 500 }),
          after: fc.array(
            fc.record({ by: fc.integer({ min: 1, max: 6 }), wait: fc.integer({ min: 0, max: 300 }) }),
            {
              maxLength: 3,
            },
          ),
        }),
        { minLength: 1, maxLength: 14 },
      )
      .map((list) =>
        list.map(({ minutes, after }, index): Task => ({
          id: String(index),
          manMinutes: 0,
          minutes,
          after: after.flatMap(({ by, wait }) => (index - by < 0 ? [] : [{ id: String(index - by), wait }])),
        })),
      );
    fc.assert(
      fc.property(tasks, (list) => {
        const duration = list.map(({ minutes }) => minutes ?? 0);
        const edges = list.flatMap(({ after }, to) =>
          after.map(({ id, wait }) => ({ from: Number(id), to, wait })),
        );
        const start = list.map(() => 0);
        for (let round = 0; round < list.length; round += 1) {
          for (const { from, to, wait } of edges) {
            start[to] = Math.max(start[to] ?? 0, (start[from] ?? 0) + (duration[from] ?? 0) + wait);
          }
        }
        const finish = Math.max(...start.map((each, index) => each + (duration[index] ?? 0)));
        const latest = list.map((_, index) => finish - (duration[index] ?? 0));
        for (let round = 0; round < list.length; round += 1) {
          for (const { from, to, wait } of edges) {
            latest[from] = Math.min(latest[from] ?? 0, (latest[to] ?? 0) - wait - (duration[from] ?? 0));
          }
        }
        const found = schedule(list, ALWAYS) ?? [];
        expect(found.map((each) => each.start)).toEqual(start);
        expect(found.map((each) => Math.round(each.free))).toEqual(
          latest.map((each, index) => each - (start[index] ?? 0)),
        );
      }),
      { numRuns: 300 },
    );
  });
});
