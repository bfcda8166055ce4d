import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Calendar, type Effort, earliest, latest, workBetween } from '../../../src/stages/days/calendar';
import { type Task, schedule } from '../../../src/stages/days/schedule';

/** Seven to three, five days of a week that begins on a Monday, four people. */
const WEEK: Calendar = {
  begin: 7 * 60,
  end: 15 * 60,
  people: (day) => (((day % 7) + 7) % 7 < 5 ? 4 : 0),
  most: 400,
};
/** No nights, no weekends, one person. */
const ALWAYS: Calendar = { begin: 0, end: 1440, people: () => 1, most: 100_000 };
const at = (day: number, hour: number): number => day * 1440 + hour * 60;
const crew = (hours: number): Effort => ({ kind: 'work', manMinutes: hours * 60 });
const visit = (hours: number): Effort => ({ kind: 'visit', minutes: hours * 60 });
const poured = (hours: number): Effort => ({ kind: 'from', at: 7.5 * 60, minutes: hours * 60 });
const spell = (ready: number, effort: Effort, calendar = WEEK) => {
  const found = earliest(calendar, ready, effort);
  return found && [found.start, found.end];
};

describe('the hours of a crew', () => {
  it('begin in the morning, go on the next morning, and pass over the weekend', () => {
    // Sixteen man-hours by four are four hours.
    expect(spell(0, crew(16))).toEqual([at(0, 7), at(0, 11)]);
    expect(spell(at(0, 13), crew(16))).toEqual([at(0, 13), at(1, 9)]);
    expect(spell(at(0, 15), crew(16))).toEqual([at(1, 7), at(1, 11)]);
    expect(spell(at(4, 13), crew(16))).toEqual([at(4, 13), at(7, 9)]);
  });

  it('are worked by as many as there are on each day', () => {
    const fewer: Calendar = { ...WEEK, people: (day) => (day === 1 ? 2 : WEEK.people(day)) };
    // Eight hours of four, then what is left, eight man-hours, by two.
    expect(spell(0, crew(40), fewer)).toEqual([at(0, 7), at(1, 11)]);
  });

  it('leave no visit over night', () => {
    expect(spell(at(0, 13), visit(2))).toEqual([at(0, 13), at(0, 15)]);
    expect(spell(at(0, 14), visit(2))).toEqual([at(1, 7), at(1, 9)]);
    expect(spell(at(4, 14), visit(2))).toEqual([at(7, 7), at(7, 9)]);
    // Longer than any day: it takes one from its beginning.
    expect(spell(at(0, 8), visit(9))).toEqual([at(1, 7), at(1, 16)]);
  });

  it('have a pour begin at its time of a day, and end when it ends', () => {
    expect(spell(at(0, 7), poured(3))).toEqual([at(0, 7.5), at(0, 10.5)]);
    expect(spell(at(0, 8), poured(3))).toEqual([at(1, 7.5), at(1, 10.5)]);
    expect(spell(at(0, 7), poured(10))).toEqual([at(0, 7.5), at(0, 17.5)]);
    expect(spell(at(4, 9), poured(3))).toEqual([at(7, 7.5), at(7, 10.5)]);
  });

  it('do at once what cannot wait for the morning', () => {
    expect(spell(at(0, 14.5), { kind: 'at-once', manMinutes: 4 * 60 })).toEqual([at(0, 14.5), at(0, 15.5)]);
  });

  it('run backward as they run forward', () => {
    const efforts = fc.oneof(
      fc.integer({ min: 1, max: 200 }).map(crew),
      fc.integer({ min: 1, max: 8 }).map(visit),
      fc.integer({ min: 1, max: 12 }).map(poured),
    );
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 40 }),
        fc.integer({ min: 0, max: 23 }),
        efforts,
        (day, hour, effort) => {
          const found = earliest(WEEK, at(day, hour), effort);
          if (!found) throw new Error('no end');
          const back = latest(WEEK, found.end, effort) ?? NaN;
          expect(back).toBeCloseTo(found.start, 6);
          // No minute sooner would it be done.
          const sooner = latest(WEEK, found.end - 1, effort) ?? NaN;
          expect(sooner).toBeLessThan(found.start);
          if (effort.kind === 'work')
            expect(workBetween(WEEK, found.start, found.end)).toBeCloseTo(effort.manMinutes / 4, 6);
        },
      ),
    );
  });

  it('end with the calendar', () => {
    const nobody: Calendar = { ...WEEK, people: () => 0 };
    for (const effort of [crew(1), visit(1), poured(1)]) expect(earliest(nobody, 0, effort)).toBeNull();
    expect(earliest({ ...WEEK, most: 3 }, at(0, 7), crew(1000))).toBeNull();
    expect(schedule([{ id: 'a', after: [], effort: crew(1) }], nobody)).toBeNull();
  });
});

describe('the schedule', () => {
  it('keeps waits by the clock on the wall, nights and weekends with it', () => {
    const [straight, pour] =
      schedule(
        [
          { id: 'straighten', after: [], effort: crew(16) },
          { id: 'visit', after: [{ id: 'straighten', wait: 24 * 60 }], effort: visit(2) },
        ],
        WEEK,
      ) ?? [];
    expect(straight?.end).toBe(at(0, 11));
    expect([pour?.start, pour?.end]).toEqual([at(1, 11), at(1, 13)]);
  });

  it('lets nothing be late where no day is booked, whatever fractions of a minute work takes', () => {
    const efforts = fc.oneof(
      fc
        .double({ min: 1, max: 5000, noNaN: true })
        .map((manMinutes): Effort => ({ kind: 'work', manMinutes })),
      fc.double({ min: 1, max: 300, noNaN: true }).map((minutes): Effort => ({ kind: 'visit', minutes })),
      fc
        .double({ min: 10, max: 400, noNaN: true })
        .map((minutes): Effort => ({ kind: 'from', at: 450, minutes })),
    );
    const steps = fc.array(
      fc.record({
        effort: efforts,
        back: fc.integer({ min: 1, max: 3 }),
        wait: fc.constantFrom(0, 0, 1440, 10_080),
      }),
      { minLength: 2, maxLength: 12 },
    );
    fc.assert(
      fc.property(steps, (of) => {
        // Each after the one before it, and besides after one further back, by a wait.
        const tasks = of.map(({ effort, back, wait }, index): Task => ({
          id: String(index),
          effort,
          after: [
            ...(index > 0 ? [{ id: String(index - 1), wait: 0 }] : []),
            ...(index >= back && back > 1 ? [{ id: String(index - back), wait }] : []),
          ],
        }));
        const placed = schedule(tasks, WEEK) ?? [];
        for (const { id, free } of placed) expect([id, free >= -1e-6]).toEqual([id, true]);
        expect(placed.at(-1)?.free).toBeCloseTo(0, 6);
      }),
    );
  });

  it('says how far a thing may slide, and by how much it does not fit before a booked day', () => {
    const tasks = (day: number): readonly Task[] => [
      { id: 'wall', after: [], effort: crew(64) },
      { id: 'order', after: [], effort: visit(1) },
      {
        id: 'pour',
        after: [
          { id: 'wall', wait: 0 },
          { id: 'order', wait: 0 },
        ],
        effort: { kind: 'from', at: 7 * 60, minutes: 120 },
        notBefore: at(day, 0),
      },
    ];
    // Two days of work, poured on the fifth: the wall may slide two days, the order a day and seven hours more.
    const late = schedule(tasks(4), WEEK) ?? [];
    expect(late.map(({ free }) => free)).toEqual([2 * 480, 4 * 480 - 60, 0]);
    // A visit that slides as far as it may ends as long after its start as ever: at seven before the pour.
    expect(late[1]?.lateEnd).toBe(at(3, 15));
    expect(late[0]?.lateEnd).toBe(at(3, 15));
    expect(late[2]?.lateEnd).toBe(late[2]?.end);
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
          effort: { kind: 'work', manMinutes: minutes },
          after: after.flatMap(({ by, wait }) => (index - by < 0 ? [] : [{ id: String(index - by), wait }])),
        })),
      );
    fc.assert(
      fc.property(tasks, (list) => {
        const duration = list.map(({ effort }) => (effort.kind === 'work' ? effort.manMinutes : NaN));
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
