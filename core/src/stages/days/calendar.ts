/** Minutes from midnight before the first day of the job. */
export type Clock = number;

/** Minutes of a day. */
export const DAY = 24 * 60;

/** When work is done: hours of the day, and people day by day. */
export interface Calendar {
  /** Minutes after midnight at which work begins and ends. */
  readonly begin: number;
  readonly end: number;
  /** People on a day, counted from the first one; nobody on a day off. */
  readonly people: (day: number) => number;
  /** Days after which nothing is planned any more. */
  readonly most: number;
}

/** What something takes of the time. */
export type Effort =
  /** Work in the hours of the crew, by the people of each day; it goes on the next morning. */
  | { readonly kind: 'work'; readonly manMinutes: number }
  /** Minutes on site within one day, whoever is there: an inspection. */
  | { readonly kind: 'visit'; readonly minutes: number }
  /** From a time of the day on, past the end of the hours where it must: a pour. */
  | { readonly kind: 'from'; readonly at: number; readonly minutes: number }
  /** Work straight after what comes before, past the end of the hours where it must: what cannot wait for the morning. */
  | { readonly kind: 'at-once'; readonly manMinutes: number };

/** From when to when something is done. */
export interface Spell {
  readonly start: Clock;
  readonly end: Clock;
}

/**
 * Day of a time, counted from the first one.
 *
 * @example dayOf(1500) // 1
 */
export const dayOf = (clock: Clock): number => Math.floor(clock / DAY);
const opens = (calendar: Calendar, day: number): Clock => day * DAY + calendar.begin;
const closes = (calendar: Calendar, day: number): Clock => day * DAY + calendar.end;

/** The first day from one on, in a direction, for which something is found; null where there is none within the calendar. */
function firstDay<Found>(
  calendar: Calendar,
  from: number,
  direction: 1 | -1,
  found: (day: number) => Found | null,
): Found | null {
  for (let day = from; Math.abs(day) <= calendar.most; day += direction) {
    const here = calendar.people(day) > 0 ? found(day) : null;
    if (here !== null) return here;
  }
  return null;
}

/** Times as near to each other as this, in minutes, are the same: a chain of sums comes back to one within what floats round. */
const SAME = 1e-6;

/** The first moment at or after a time at which somebody is at work. */
const workFrom = (calendar: Calendar, clock: Clock): Clock | null =>
  firstDay(calendar, dayOf(clock), 1, (day) => {
    const at = Math.max(clock, opens(calendar, day));
    return at < closes(calendar, day) - SAME ? at : null;
  });

/** The last moment at or before a time at which somebody has been at work, also before the first day: what does not fit is told. */
const workUntil = (calendar: Calendar, clock: Clock): Clock | null =>
  firstDay(calendar, dayOf(clock), -1, (day) => {
    const at = Math.min(clock, closes(calendar, day));
    return at > opens(calendar, day) + SAME ? at : null;
  });

/** When work that begins at a moment is done. */
function worked(calendar: Calendar, from: Clock, manMinutes: number): Clock | null {
  let left = manMinutes;
  let at: Clock | null = from;
  while (at !== null && left > 0) {
    const day = dayOf(at);
    const people = calendar.people(day);
    const can = (closes(calendar, day) - at) * people;
    if (can >= left - SAME) return at + left / people;
    left -= can;
    at = workFrom(calendar, (day + 1) * DAY);
  }
  return at;
}

/** When work must begin to be done by a time. */
function workedBack(calendar: Calendar, until: Clock, manMinutes: number): Clock | null {
  let left = manMinutes;
  let at = workUntil(calendar, until);
  while (at !== null && left > 0) {
    // Midnight belongs to the day that it ends.
    const day = Math.ceil(at / DAY) - 1;
    const people = calendar.people(day);
    const can = (at - opens(calendar, day)) * people;
    if (can >= left - SAME) return at - left / people;
    left -= can;
    at = workUntil(calendar, day * DAY);
  }
  return at;
}

/** Minutes of what is done at once, by those who are there on its day. */
const atOnce = (calendar: Calendar, day: number, manMinutes: number): number =>
  manMinutes / Math.max(1, calendar.people(day));

/** Whether a visit fits between two times of a day; one that is longer than the hours takes the day from its beginning. */
const fits = (calendar: Calendar, minutes: number, start: Clock, day: number): boolean =>
  start + minutes <= closes(calendar, day) + SAME ||
  (start === opens(calendar, day) && minutes > calendar.end - calendar.begin);

/**
 * The first time at or after a moment at which an effort can be done; null where the calendar ends before.
 *
 * @example earliest({ begin: 420, end: 900, people: () => 4, most: 99 }, 0, { kind: 'work', manMinutes: 960 }) // { start: 420, end: 660 }
 */
export function earliest(calendar: Calendar, ready: Clock, effort: Effort): Spell | null {
  switch (effort.kind) {
    case 'work': {
      const start = workFrom(calendar, ready);
      const end = start === null ? null : worked(calendar, start, effort.manMinutes);
      return start === null || end === null ? null : { start, end };
    }
    case 'visit':
      return firstDay(calendar, dayOf(ready), 1, (day) => {
        const start = Math.max(ready, opens(calendar, day));
        return fits(calendar, effort.minutes, start, day) ? { start, end: start + effort.minutes } : null;
      });
    case 'from':
      return firstDay(calendar, dayOf(ready), 1, (day) => {
        const start = day * DAY + effort.at;
        return start >= ready - SAME ? { start, end: start + effort.minutes } : null;
      });
    case 'at-once':
      return { start: ready, end: ready + atOnce(calendar, dayOf(ready), effort.manMinutes) };
  }
}

/**
 * The last time at which an effort may begin to be done by a moment, also before the first day; null where nobody works.
 *
 * @example latest({ begin: 420, end: 900, people: () => 4, most: 99 }, 660, { kind: 'work', manMinutes: 960 }) // 420
 */
export function latest(calendar: Calendar, until: Clock, effort: Effort): Clock | null {
  switch (effort.kind) {
    case 'work':
      return workedBack(calendar, until, effort.manMinutes);
    case 'visit':
      return firstDay(calendar, dayOf(until), -1, (day) => {
        const start = Math.min(until, closes(calendar, day)) - effort.minutes;
        const from = opens(calendar, day);
        if (start >= from) return start;
        return fits(calendar, effort.minutes, from, day) && from + effort.minutes <= until + SAME
          ? from
          : null;
      });
    case 'from':
      return firstDay(calendar, dayOf(until), -1, (day) => {
        const start = day * DAY + effort.at;
        return start + effort.minutes <= until + SAME ? start : null;
      });
    case 'at-once':
      return until - atOnce(calendar, dayOf(until), effort.manMinutes);
  }
}

/**
 * Working minutes between two times; negative where the second comes first.
 *
 * @example workBetween({ begin: 420, end: 900, people: () => 4, most: 99 }, 420, 1860) // 480
 */
export function workBetween(calendar: Calendar, from: Clock, to: Clock): number {
  if (to < from) return -workBetween(calendar, to, from);
  let sum = 0;
  for (let day = dayOf(from); day <= Math.min(dayOf(to), calendar.most); day += 1) {
    if (calendar.people(day) <= 0) continue;
    const [a, b] = [Math.max(from, opens(calendar, day)), Math.min(to, closes(calendar, day))];
    sum += Math.max(0, b - a);
  }
  return sum;
}
