import { type Figure, figureOf } from '../../kernel/figures/figure';
import type { Plan } from '../../kernel/plan/plan';
import type { HouseRules } from '../../kernel/rules';
import { type Calendar, type Clock, DAY, dayOf } from './calendar';
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
  | { readonly kind: 'too-few-days' };

/** The days of a job. */
export interface Days {
  /** First day as days since 1970-01-01; null where none is said: days are then counted from 1. */
  readonly first: number | null;
  readonly items: readonly DayItem[];
  /** People by day of the job, as far as it goes. */
  readonly people: readonly number[];
  readonly manMinutes: Figure | null;
  readonly problems: readonly DaysProblem[];
}

const DAY_MS = 86_400_000;
/** 1970-01-05: where no first day is given, the job begins on a Monday. */
const SOME_MONDAY = 4;
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
  const date = new Date(time);
  return date.getUTCMonth() === month - 1 && date.getUTCDate() === day ? time / DAY_MS : null;
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

/**
 * The days of a job: every item of it in its time, as early as what comes before allows, with how far it may slide. Without a first
 * day the job begins on a Monday that is not named.
 *
 * @example buildDays(work(plan), {}, rules).first // null
 */
export function buildDays(ground: ItemGround, { days }: Pick<Plan, 'days'>, rules: HouseRules): Days {
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
  const special = new Map<number, number>();
  for (const [text, count] of Object.entries(days?.people ?? {})) {
    const day = dayNumber(text);
    if (day === null) problems.push({ kind: 'day-unreadable', text });
    else special.set(day, count);
  }
  const works = WORKS[rules.choice('days.week')] ?? (() => true);
  const usual = rules.count('days.people');
  const begin = 60 * rules.count('days.begin');
  const calendar: Calendar = {
    begin,
    end: Math.min(DAY, begin + 60 * rules.count('days.hours')),
    people: (day) => {
      const date = from + day;
      const said = first === null ? undefined : special.get(date);
      if (said !== undefined) return said;
      return off.has(date) || !works(weekday(date)) ? 0 : usual;
    },
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
  const placed = schedule(
    items.map(({ id, after, effort }) => {
      const at = booked.get(id);
      return { id, after, effort, ...(at === undefined ? {} : { notBefore: at }) };
    }),
    calendar,
  );
  if (!placed) {
    if (items.length > 0) problems.push({ kind: 'too-few-days' });
    return { first, items: [], people: [], manMinutes: null, problems };
  }
  const times = new Map(placed.map((each) => [each.id, each]));
  const shown = items.flatMap(({ work, rules: own, ...item }): DayItem[] => {
    const time = times.get(item.id);
    if (!time) return [];
    const { start, end, lateEnd, free } = time;
    const pieces = item.course === undefined ? {} : { course: item.course };
    const figure = figureOf({ id: `days.${item.id}`, title: item.name, how: work, rules: own, pieces });
    return [{ ...item, work: figure, start, end, lateEnd, free }];
  });
  for (const { id, pour, name, date, start } of shown) {
    const at = booked.get(id);
    if (at === undefined || pour === null || date === null) continue;
    const late = dayOf(start) - dayOf(at);
    if (late > 0) problems.push({ kind: 'pour-too-soon', pour, name, date, short: late });
  }
  const last = Math.max(0, ...shown.map(({ end }) => end));
  return {
    first,
    items: shown,
    people: Array.from({ length: dayOf(last) + 1 }, (_, day) => calendar.people(day)),
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
