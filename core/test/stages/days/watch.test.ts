import { describe, expect, it } from 'vitest';
import type { Plan } from '../../../src/kernel/plan';
import { recordOf } from '../../../src/kernel/record';
import { rulesOf } from '../../../src/rules';
import {
  type DayWeather,
  type GoLine,
  dayNumber,
  dayOf,
  dayText,
  emptyNights,
  goOrNot,
  piecesOf,
  watchWeather,
} from '../../../src/stages/days';
import { work } from '../../../src/work';
import { entryOf, workOn } from '../../support/entries';
import { type Side, planOf, withCourses } from '../../support/plans';

const SIDES: readonly Side[] = [
  [480, 90],
  [360, 90],
  [480, 90],
  [360, 90],
];
const START = '2027-03-01';
/** Slow enough that courses and braces lie days apart: one hand for four hours a day. */
const slow = (change: Partial<Plan> = {}): Plan =>
  planOf(SIDES, {
    ...withCourses(6),
    days: { start: START },
    rules: { 'days.people': 1, 'days.hours': 4 },
    ...change,
  });

const dateOn = (day: number): string => dayText((dayNumber(START) ?? 0) + day);
const MILD = { low: 50, high: 66, gust: 8, rain: 0, lightning: false, dark: '19:00' };
/** Mild weather every day, but for some. */
const weatherOf = (
  odd: Readonly<Record<number, Partial<DayWeather>>> = {},
): ReadonlyMap<string, DayWeather> =>
  new Map(
    Array.from({ length: 80 }, (_, index) => {
      const day = index - 5;
      return [dateOn(day), { date: dateOn(day), ...MILD, ...odd[day] }] as const;
    }),
  );

describe('nights in which a wall stands empty', () => {
  it('are those from its first course to its pour, braced from the evening on which the braces are up', () => {
    const { days } = work(slow());
    const at = (id: string) => days.items.find((item) => item.id === id);
    const nights = emptyNights(days);
    expect(nights[0]?.day).toBe(dayOf(at('course:1')?.end ?? 0));
    expect(nights.at(-1)?.day).toBe(dayOf(at('pour:pour-1')?.start ?? 0) - 1);
    const firstBraced = nights.find(({ braced }) => braced);
    expect(firstBraced?.day).toBe(dayOf(at('braces:pour-1')?.end ?? 0));
    // Every night between counts, days off too.
    nights.forEach((night, index) => {
      expect(night.day).toBe((nights[0]?.day ?? 0) + index);
    });
  });

  it('are counted by the pour whose courses stand, until that one is poured', () => {
    const { days } = work(
      slow({
        pours: [
          { id: 'low', name: 'Low', toCourse: 3, top: 'full' },
          { id: 'high', name: 'High', toCourse: 6, top: 'full' },
        ],
      }),
    );
    const at = (id: string) => days.items.find((item) => item.id === id);
    const nights = emptyNights(days);
    for (const [pour, first, courses] of [
      ['low', 'course:1', 3],
      ['high', 'course:4', 3],
    ] as const) {
      const own = nights.filter((night) => night.pour === pour);
      expect(own[0]?.day).toBe(dayOf(at(first)?.end ?? 0));
      expect(own.at(-1)?.day).toBe(dayOf(at(`pour:${pour}`)?.start ?? 0) - 1);
      // The courses of the other pour are concrete by then, or not laid yet.
      expect(Math.max(...own.map((night) => night.courses))).toBe(courses);
    }
  });
});

describe('the weather', () => {
  const watched = (weather: ReadonlyMap<string, DayWeather>, plan = slow()) =>
    watchWeather(work(plan).days, weather, rulesOf(plan));

  it('asks for braces before the first night that the wall is too high to stand alone', () => {
    const { days } = work(slow());
    const four = days.items.find(({ id }) => id === 'course:4');
    // The job braces at course 4, and the braces take longer than the rest of that day.
    expect(watched(new Map())).toEqual([
      { kind: 'brace-by', day: dayOf(four?.end ?? 0), courses: 4, gust: null },
    ]);
  });

  it('asks for them sooner where wind comes on fewer courses', () => {
    const [first] = emptyNights(work(slow()).days);
    const day = (first?.day ?? 0) + 1;
    const found = watched(weatherOf({ [day]: { gust: 40 } })).find(({ kind }) => kind === 'brace-by');
    expect(found).toMatchObject({ day, gust: 40 });
  });

  it('takes a gust at the rule for too strong, one under it not, and asks for nothing where braces are up', () => {
    const [first] = emptyNights(work(slow()).days);
    const day = first?.day ?? 0;
    expect(first?.braced).toBe(false);
    const asked = (gust: number) =>
      watched(weatherOf({ [day]: { gust } })).filter(({ kind }) => kind === 'brace-by');
    expect(asked(25)).toEqual([{ kind: 'brace-by', day, courses: first?.courses, gust: 25 }]);
    expect(asked(24)).toEqual([{ kind: 'brace-by', day: expect.any(Number), courses: 4, gust: null }]);
    // On the fourth night, too high by itself and in wind as well.
    const fourth = emptyNights(work(slow()).days).find(({ courses }) => courses === 4)?.day ?? 0;
    expect(watched(weatherOf({ [fourth]: { gust: 31 } }))[0]).toEqual({
      kind: 'brace-by',
      day: fourth,
      courses: 4,
      gust: 31,
    });
    // A crowd has four courses and the braces up in one day.
    const quick = slow({ rules: { 'days.people': 60, 'days.hours': 12, 'days.rate.brace': 1 } });
    expect(emptyNights(work(quick).days).every(({ braced }) => braced)).toBe(true);
    expect(watched(weatherOf(), quick)).toEqual([]);
  });

  it('tells wind on what stands braced, cold at the pour, rain and lightning where work minds them', () => {
    const { days } = work(slow());
    const pour = dayOf(days.items.find(({ kind }) => kind === 'pour')?.start ?? 0);
    const night = emptyNights(days).find(({ braced }) => braced)?.day ?? 0;
    const found = watched(
      weatherOf({ [night]: { gust: 30 }, [pour]: { low: 31, rain: 12, lightning: true } }),
    );
    expect(found).toContainEqual({ kind: 'wind', day: night, pour: 'pour-1', gust: 30 });
    expect(found).toContainEqual({ kind: 'cold-pour', day: pour, low: 31 });
    expect(found).toContainEqual({ kind: 'rain', day: pour, rain: 12, item: 'Pour' });
    expect(found).toContainEqual({ kind: 'lightning', day: pour, item: 'Pour' });
    // Sealing takes two days of the crew over a day off: what rains on the second is told, what rains between is not.
    const seal = days.items.find(({ kind }) => kind === 'seal');
    const [one, two] = [dayOf(seal?.start ?? 0), dayOf(seal?.end ?? 0)];
    expect(two).toBeGreaterThan(one);
    const off = { ...slow(), days: { start: START, off: [dateOn(one + 1)] } };
    const rainy = watched(weatherOf({ [one + 1]: { rain: 12 }, [one + 2]: { rain: 12 } }), off);
    expect(rainy.filter(({ kind }) => kind === 'rain')).toEqual([
      { kind: 'rain', day: one + 2, rain: 12, item: seal?.name },
    ]);
    // At the limits: forty degrees is not below forty, a gust under the rule is not told.
    const just = watched(weatherOf({ [night]: { gust: 24 }, [pour]: { low: 40, rain: 7 } }));
    expect(just.map(({ kind }) => kind)).toEqual(['brace-by']);
  });
});

describe('go or not', () => {
  const stateOf = (of: GoLine['of'], change: Partial<Plan> = {}, weather = weatherOf(), logged = true) => {
    const { days, pour } = work(slow(change));
    const [own] = pour.pours;
    const go = goOrNot({
      days,
      pour: { pour: 'pour-1', crew: own?.crew ?? 0, loads: 2 },
      weather,
      logged,
      rules: rulesOf(slow(change)),
    });
    return { line: go?.lines.find((line) => line.of === of), go };
  };

  const crowd = { rules: { 'days.people': 20, 'days.hours': 4 } };

  it('stops at unsigned hold points and too few people', () => {
    const { line, go } = stateOf('holds');
    expect(line?.state).toBe('stop');
    expect(go?.verdict).toBe('stop');
    expect(stateOf('people').line).toMatchObject({ state: 'stop', there: 1 });
    expect(stateOf('people', crowd).line?.state).toBe('go');
    expect(stateOf('people', { rules: { ...crowd.rules, 'days.newcomers': 18 } }).line?.state).toBe('look');
  });

  it('goes when everything before it is done and signed, the weather mild; trucks are still confirmed', () => {
    const plan = slow(crowd);
    const { days, pour } = work(plan);
    const at = days.items.findIndex(({ kind }) => kind === 'pour');
    const log = [
      ...days.items.slice(0, at).map(({ id }) => workOn(id)),
      ...days.holds.map((hold) =>
        entryOf('hold', {
          point: hold.id,
          name: hold.name,
          lines: hold.lines.map(({ what }) => what),
          by: 'Ida',
          word: '',
        }),
      ),
    ];
    const done = work({ ...plan, ...recordOf(log) }).days;
    const go = goOrNot({
      days: done,
      pour: { pour: 'pour-1', crew: pour.pours[0]?.crew ?? 0, loads: 2 },
      weather: weatherOf(),
      logged: true,
      rules: rulesOf(plan),
    });
    expect(go?.lines.map(({ of, state }) => `${of} ${state}`)).toEqual([
      'work go',
      'holds go',
      'people go',
      'weather go',
      'access go',
      'trucks look',
      'dark go',
    ]);
    expect(go?.verdict).toBe('look');
  });

  it('minds the weather of the day and the rain of the three days before', () => {
    const state = (odd: Partial<DayWeather>, on = 0) =>
      stateOf('weather', crowd, weatherOf({ [pourDayOf(crowd) + on]: odd })).line?.state;
    expect(state({ lightning: true })).toBe('stop');
    expect([state({ low: 39 }), state({ high: 91 }), state({ rain: 8 }), state({ gust: 25 })]).toEqual([
      'look',
      'look',
      'look',
      'look',
    ]);
    expect(state({ low: 40, high: 90, rain: 7, gust: 24 })).toBe('go');
    const access = (odd: Readonly<Record<number, Partial<DayWeather>>>) =>
      stateOf('access', crowd, weatherOf(odd)).line;
    const day = pourDayOf(crowd);
    expect(access({ [day - 1]: { rain: 4 }, [day - 3]: { rain: 4 } })).toMatchObject({
      state: 'look',
      rain: 8,
    });
    expect(access({ [day - 4]: { rain: 40 } })).toMatchObject({ state: 'go', rain: 0 });
    expect(stateOf('access', crowd, new Map()).line?.state).toBe('unknown');
    // One day of the three is known: its rain counts.
    const only = [...weatherOf({ [day - 2]: { rain: 9 } })].filter(([date]) => date === dateOn(day - 2));
    expect(stateOf('access', crowd, new Map(only)).line).toMatchObject({ state: 'look', rain: 9 });
    expect(stateOf('dark', crowd, weatherOf({ [day]: { dark: '08:00' } })).line?.state).toBe('stop');
  });

  it('does not pretend to know what nobody recorded', () => {
    expect(stateOf('work', {}, weatherOf(), false).line?.state).toBe('unknown');
    expect(stateOf('work').line?.state).toBe('look');
  });

  const pourDayOf = (change: Partial<Plan>): number =>
    dayOf(work(slow(change)).days.items.find(({ kind }) => kind === 'pour')?.start ?? 0);
});

describe('pieces of a day', () => {
  it('are those of the tally, course by course, and every brace once', () => {
    const worked = work(slow());
    for (const row of worked.tally.courses) {
      const pieces = piecesOf(worked, { kind: 'course', course: row.course, pour: 'pour-1' });
      expect([pieces.straight, pieces.cut, pieces.left, pieces.right]).toEqual([
        row.straight.value,
        row.cut.value,
        row.cornerLH.value,
        row.cornerRH.value,
      ]);
    }
    const braces = piecesOf(worked, { kind: 'braces', pour: 'pour-1' });
    expect(braces.braces).toBe(worked.bracing.walls.reduce((sum, wall) => sum + wall.braces.length, 0));
  });
});
