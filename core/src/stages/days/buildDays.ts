import { type Figure, figureOf } from '../../kernel/figures/figure';
import type { Plan } from '../../kernel/plan/plan';
import type { SiteRecord } from '../../kernel/record';
import type { HouseRules } from '../../kernel/rules';
import { type Booking, bookingsOf } from './bookings';
import { type Calendar, type Clock, DAY, dayOf } from './calendar';
import { type Forecast, forecastOf, progressOf } from './forecast';
import { type Hire, hireOf } from './hire';
import { type HoldGround, type HoldState, holdPointsOf, holdStates } from './holdPoints';
import { type ItemGround, type WorkItem, itemsOf } from './items';
import { schedule } from './schedule';

/** An item with its time. */
export interface DayItem extends Omit<WorkItem, 'work' | 'rules'> {
  /** Man-minutes. */
  readonly work: Figure;
  /** Minutes from midnight before the first day. */
  readonly start: Clock;
  readonly end: Clock;
  /** When it would be done at the latest. */
  readonly lateEnd: Clock;
  /** Working minutes that it may slide; negative where it does not fit before a booked day. */
  readonly free: number;
  /** How much of it is done, by the log: 0 to 1. */
  readonly done: number;
  /** Man-minutes that it took so far; null where nobody counted. */
  readonly took: number | null;
}

export type DaysProblem =
  | { readonly kind: 'start-unreadable'; readonly text: string }
  | { readonly kind: 'day-unreadable'; readonly text: string }
  /** A pour that is booked before its work can be done, by so many days. */
  | {
      readonly kind: 'pour-too-soon';
      readonly pour: string;
      readonly name: string;
      readonly date: string;
      readonly short: number;
    }
  | {
      readonly kind: 'pour-before-start';
      readonly pour: string;
      readonly name: string;
      readonly date: string;
    }
  | { readonly kind: 'too-few-days' }
  /** Work that was done though a hold point before it was not signed. */
  | {
      readonly kind: 'gone-on';
      readonly item: string;
      readonly name: string;
      readonly points: readonly string[];
    }
  /** A hold point that was signed for a job that has changed since. */
  | { readonly kind: 'fallen'; readonly point: string; readonly name: string; readonly lines: number }
  /** Work on something that the plan does not have any more. */
  | { readonly kind: 'unknown-item'; readonly item: string; readonly name: string }
  /** A pour whose booked day has passed by the log, and that is not recorded. */
  | { readonly kind: 'pour-passed'; readonly pour: string; readonly name: string; readonly date: string }
  /** Work on a day before the first one. */
  | { readonly kind: 'before-start'; readonly day: string };

/** The days of a job. */
export interface Days {
  /** First day as days since 1970-01-01; null where none is said: days are then counted from 1. */
  readonly first: number | null;
  readonly items: readonly DayItem[];
  /** People by day of the job, as far as it goes. */
  readonly people: readonly number[];
  /** How many of them are new to this work. */
  readonly newcomers: readonly number[];
  readonly manMinutes: Figure | null;
  /** Where work stops until somebody has signed, in the order of the work. */
  readonly holds: readonly HoldState[];
  readonly hires: readonly Hire[];
  /** Who is to be booked, and by when. */
  readonly bookings: readonly Booking[];
  /** When it will be done, going by the log; null while that says nothing of work. */
  readonly forecast: Forecast | null;
  readonly problems: readonly DaysProblem[];
}

const DAY_MS = 86_400_000;
/** 1970-01-05: where no first day is given, the job begins on a Monday. */
const SOME_MONDAY = 4;
/** The first day of the weekend, Monday being 0. */
const SATURDAY = 5;
/** How far ahead the days are planned: some four years. [ours] */
const MOST_DAYS = 1500;

/**
 * A date of the calendar as days since 1970-01-01; null where there is no such day.
 *
 * @example dayNumber('1970-02-01') // 31
 */
export function dayNumber(text: string): number | null {
  const found = /^(\d{4})-(\d{2})-(\d{2})$/.exec(text.trim());
  if (!found) return null;
  const [year, month, day] = found.slice(1).map(Number) as [number, number, number];
  const time = Date.UTC(year, month - 1, day);
  // A day that no month has, such as 31 April, reads back as another one.
  return dayText(time / DAY_MS) === text.trim() ? time / DAY_MS : null;
}

/** The text of a day: `2026-12-01`. */
export const dayText = (day: number): string => new Date(day * DAY_MS).toISOString().slice(0, 10);

/** Monday 0 to Sunday 6. 1970-01-01 was a Thursday. */
export const weekday = (day: number): number => (((day + 3) % 7) + 7) % 7;

const WORKS: Readonly<Record<string, (weekday: number) => boolean>> = {
  'mon-fri': (day) => day < 5,
  'mon-sat': (day) => day < 6,
  'sat-sun': (day) => day >= 5,
  every: () => true,
};

/** What `buildDays` reads of a plan. */
type DaysInput = Pick<Plan, 'days' | 'units' | 'record' | 'footing' | 'pour'>;

/** The braces of every pour that has some, from the day they go up to the day they are down. */
function hiresOf(
  { bracing }: Pick<ItemGround, 'bracing'>,
  items: readonly DayItem[],
  people: number,
  rules: HouseRules,
): readonly Hire[] {
  return bracing.pours.flatMap(({ pour, name, gear }): Hire[] => {
    const frames = gear.find((line) => line.part === 'turnbuckle')?.wanted.value ?? 0;
    const of = (kind: DayItem['kind']) => items.find((item) => item.pour === pour && item.kind === kind);
    const [up, down] = [of('braces'), of('unbrace')];
    if (frames === 0 || !up || !down) return [];
    return [hireOf({ pour, name, frames, up: up.start, down: down.end, people, rules })];
  });
}

/** What the log says that does not go with the plan: for the crew to look at, never in the way. */
function recordProblems(
  record: SiteRecord,
  items: readonly DayItem[],
  holds: readonly HoldState[],
  first: number | null,
): readonly DaysProblem[] {
  const known = new Map(items.map((item) => [item.id, item]));
  const begun = items.filter(({ done }) => done > 0);
  const unknown = new Map(
    record.work.filter(({ item }) => !known.has(item)).map(({ item, name }) => [item, name]),
  );
  const early = record.work
    .map(({ day }) => day)
    .filter((day) => first !== null && (dayNumber(day) ?? first) < first)
    .sort()[0];
  return [
    ...begun.flatMap(({ id, name }): DaysProblem[] => {
      const own = holds.filter(({ before, state }) => before === id && state !== 'signed');
      return own.length === 0
        ? []
        : [{ kind: 'gone-on', item: id, name, points: own.map((each) => each.name) }];
    }),
    ...holds.flatMap(({ id, name, state, fell }): DaysProblem[] =>
      state === 'fallen' ? [{ kind: 'fallen', point: id, name, lines: fell.length }] : [],
    ),
    ...[...unknown].map(([item, name]): DaysProblem => ({ kind: 'unknown-item', item, name })),
    ...items.flatMap(({ kind, name, pour, date, done }): DaysProblem[] =>
      kind === 'pour' && pour !== null && date !== null && done === 0 && (record.until ?? '') > date
        ? [{ kind: 'pour-passed', pour, name, date }]
        : [],
    ),
    ...(early === undefined ? [] : [{ kind: 'before-start' as const, day: early }]),
  ];
}

/**
 * The days of a job: every item of it in its time, as early as what comes before allows, with how far it may slide. Without a first
 * day the job begins on a Monday that is not named.
 *
 * @example buildDays(work(plan), {}, rules).first // null
 */
export function buildDays(
  ground: ItemGround & HoldGround,
  { days, units, record, footing, pour: pouring }: DaysInput,
  rules: HouseRules,
): Days {
  const problems: DaysProblem[] = [];
  const first = days?.start === undefined ? null : dayNumber(days.start);
  if (days?.start !== undefined && first === null)
    problems.push({ kind: 'start-unreadable', text: days.start });
  const from = first ?? SOME_MONDAY;
  const off = new Set<number>();
  for (const text of days?.off ?? []) {
    const day = dayNumber(text);
    if (day === null) problems.push({ kind: 'day-unreadable', text });
    else off.add(day);
  }
  const byDay = (said: Readonly<Record<string, number>> | undefined): ReadonlyMap<number, number> => {
    const found = new Map<number, number>();
    for (const [text, count] of Object.entries(said ?? {})) {
      const day = dayNumber(text);
      if (day === null) problems.push({ kind: 'day-unreadable', text });
      else found.set(day, count);
    }
    return found;
  };
  const special = byDay(days?.people);
  const newcomers = byDay(days?.newcomers);
  const works = WORKS[rules.choice('days.week')] ?? (() => true);
  const usual = rules.count('days.people');
  const begin = 60 * rules.count('days.begin');
  const peopleOn = (day: number): number => {
    const date = from + day;
    const said = first === null ? undefined : special.get(date);
    if (said !== undefined) return said;
    return off.has(date) || !works(weekday(date)) ? 0 : usual;
  };
  const newOn = (day: number): number =>
    Math.min(
      peopleOn(day),
      (first === null ? undefined : newcomers.get(from + day)) ?? rules.count('days.newcomers'),
    );
  // Somebody new to it counts as part of a hand.
  const handsOf = (people: number, beginners: number): number =>
    people - beginners * (1 - rules.count('days.first.timers') / 100);
  const calendar: Calendar = {
    begin,
    end: Math.min(DAY, begin + 60 * rules.count('days.hours')),
    people: (day) => handsOf(peopleOn(day), newOn(day)),
    most: MOST_DAYS,
  };
  const items = itemsOf(ground, rules);
  const booked = new Map<string, number>();
  for (const item of items) {
    if (item.date === null || item.pour === null || first === null) continue;
    const date = dayNumber(item.date);
    if (date === null) problems.push({ kind: 'day-unreadable', text: item.date });
    else if (date < from)
      problems.push({ kind: 'pour-before-start', pour: item.pour, name: item.name, date: item.date });
    else booked.set(item.id, (date - from) * DAY);
  }
  const tasks = items.map(({ id, after, effort }) => {
    const at = booked.get(id);
    return { id, after, effort, ...(at === undefined ? {} : { notBefore: at }) };
  });
  const placed = schedule(tasks, calendar);
  if (!placed) {
    if (items.length > 0) problems.push({ kind: 'too-few-days' });
    return {
      first,
      items: [],
      people: [],
      newcomers: [],
      manMinutes: null,
      holds: [],
      hires: [],
      bookings: [],
      forecast: null,
      problems,
    };
  }
  const progress = record ? progressOf(record) : new Map<string, never>();
  const times = new Map(placed.map((each) => [each.id, each]));
  const shown = items.flatMap(({ work, rules: own, ...item }): DayItem[] => {
    const time = times.get(item.id);
    if (!time) return [];
    const { start, end, lateEnd, free } = time;
    const pieces = item.course === undefined ? {} : { course: item.course };
    const figure = figureOf({ id: `days.${item.id}`, title: item.name, how: work, rules: own, pieces });
    const { done = 0, took = null } = progress.get(item.id) ?? {};
    return [{ ...item, work: figure, start, end, lateEnd, free, done, took }];
  });
  for (const { id, pour, name, date, start } of shown) {
    const at = booked.get(id);
    if (at === undefined || pour === null || date === null) continue;
    const late = dayOf(start) - dayOf(at);
    if (late > 0) problems.push({ kind: 'pour-too-soon', pour, name, date, short: late });
  }
  const last = Math.max(0, ...shown.map(({ end }) => end));
  // Lines that were ticked in the plan, before there was a log.
  const ticked = (point: HoldState | { readonly pour: string | null }): readonly string[] =>
    (point.pour === null ? footing?.ready : pouring?.pours?.[point.pour]?.ready) ?? [];
  const holds = holdStates(holdPointsOf({ ground, items: shown, units, rules }), record, ticked);
  if (record) problems.push(...recordProblems(record, shown, holds, first));
  const until = dayNumber(record?.until ?? '');
  return {
    first,
    holds,
    hires: hiresOf(ground, shown, usual, rules),
    // Offices keep the days of the week, whenever the crew works.
    bookings: bookingsOf(shown, (day) => weekday(from + day) < SATURDAY, rules),
    forecast:
      record && until !== null && first !== null
        ? forecastOf({
            items,
            tasks,
            calendar,
            record,
            houseDays: rules.count('days.learned.house'),
            from: Math.max(0, until + 1 - first),
          })
        : null,
    items: shown,
    people: Array.from({ length: dayOf(last) + 1 }, (_, day) => peopleOn(day)),
    newcomers: Array.from({ length: dayOf(last) + 1 }, (_, day) => newOn(day)),
    manMinutes:
      shown.length === 0
        ? null
        : figureOf({
            id: 'days.all',
            title: 'Work of the job',
            how: { op: 'sum', name: 'items', unit: 'duration', of: shown.map(({ work }) => work.how) },
            rules: [],
            pieces: {},
          }),
    problems,
  };
}
