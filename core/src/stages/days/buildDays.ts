import { type Figure, figureOf } from '../../kernel/figures/figure';
import { evaluate } from '../../kernel/figures/how';
import type { Plan } from '../../kernel/plan/plan';
import type { HouseRules } from '../../kernel/rules';
import type { Calendar, Clock } from './calendar';
import { type ItemGround, type WorkItem, itemsOf } from './items';
import { schedule } from './schedule';

/** An item with its time. */
export interface DayItem extends Omit<WorkItem, 'work'> {
  /** Man-minutes. */
  readonly work: Figure;
  /** Minutes from midnight before the first day. */
  readonly start: Clock;
  readonly end: Clock;
  /** Working minutes that it may slide; negative where it does not fit before a booked day. */
  readonly free: number;
}

export type DaysProblem =
  | { readonly kind: 'start-unreadable'; readonly text: string }
  | { readonly kind: 'day-unreadable'; readonly text: string }
  /** A pour that is booked before its work can be done: short by so many working minutes. */
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
  | { readonly kind: 'nobody-works' };

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
/** Farther ahead nobody plans. [ours] */
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
  /** A Monday, where nobody says. */
  const from = first ?? 4;
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
    end: Math.min(24 * 60, begin + 60 * rules.count('days.hours')),
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
    const date = item.date === null || first === null ? null : dayNumber(item.date);
    if (date === null || item.date === null || item.pour === null) continue;
    if (date < from)
      problems.push({ kind: 'pour-before-start', pour: item.pour, name: item.name, date: item.date });
    else booked.set(item.id, (date - from) * 24 * 60 + begin);
  }
  const placed = schedule(
    items.map(({ id, after, work, minutes }) => {
      const at = booked.get(id);
      return {
        id,
        after,
        manMinutes: evaluate(work),
        minutes,
        ...(at === undefined ? {} : { notBefore: at }),
      };
    }),
    calendar,
  );
  if (!placed) {
    if (items.length > 0) problems.push({ kind: 'nobody-works' });
    return { first, items: [], people: [], manMinutes: null, problems };
  }
  const shown = items.map((item, index): DayItem => {
    const time = placed[index] ?? { start: 0, end: 0, free: 0 };
    return {
      ...item,
      work: figureOf({ id: `days.${item.id}`, title: item.name, how: item.work, rules: [], pieces: {} }),
      start: time.start,
      end: time.end,
      free: time.free,
    };
  });
  for (const { id, pour, name, date, start } of shown) {
    const at = booked.get(id);
    if (at === undefined || pour === null || date === null) continue;
    const late = Math.floor(start / 1440) - Math.floor(at / 1440);
    if (late > 0) problems.push({ kind: 'pour-too-soon', pour, name, date, short: late });
  }
  const last = Math.max(0, ...shown.map(({ end }) => end));
  return {
    first,
    items: shown,
    people: Array.from({ length: Math.floor(last / 1440) + 1 }, (_, day) => calendar.people(day)),
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
