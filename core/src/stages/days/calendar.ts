/** Minutes from midnight before the first day of the job. */
export type Clock = number;

const DAY = 24 * 60;

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

/** What an item takes: work of people, or a length of time on site that no number of people changes. */
export interface Effort {
  readonly manMinutes: number;
  /** Working minutes where the time is given: a pour, an inspection. */
  readonly minutes: number | null;
}

const dayOf = (clock: Clock): number => Math.floor(clock / DAY);
const opens = (calendar: Calendar, day: number): Clock => day * DAY + calendar.begin;
const closes = (calendar: Calendar, day: number): Clock => day * DAY + calendar.end;

/**
 * The first moment at or after a time at which somebody is at work; null where the calendar ends before.
 *
 * @example workFrom({ begin: 420, end: 900, people: () => 4, most: 99 }, 0) // 420
 */
export function workFrom(calendar: Calendar, clock: Clock): Clock | null {
  for (let day = dayOf(clock); day <= calendar.most; day += 1) {
    if (calendar.people(day) <= 0) continue;
    const at = Math.max(clock, opens(calendar, day));
    if (at < closes(calendar, day)) return at;
  }
  return null;
}

/** The last moment at or before a time at which somebody has been at work, also before the first day: what does not fit is told. */
function workUntil(calendar: Calendar, clock: Clock): Clock | null {
  for (let day = Math.min(dayOf(clock), calendar.most); day >= -calendar.most; day -= 1) {
    if (calendar.people(day) <= 0) continue;
    const at = Math.min(clock, closes(calendar, day));
    if (at > opens(calendar, day)) return at;
  }
  return null;
}

/** How fast an effort is worked off on a day, a minute. */
const paceOn = (effort: Effort, people: number): number => (effort.minutes === null ? people : 1);
const amountOf = ({ manMinutes, minutes }: Effort): number => minutes ?? manMinutes;

/**
 * When an effort that begins at a moment of work is done: man-minutes by the people of each day, or working minutes. Null where the
 * calendar ends before.
 *
 * @example workOn({ begin: 420, end: 900, people: () => 4, most: 99 }, 420, { manMinutes: 960, minutes: null }) // 660
 */
export function workOn(calendar: Calendar, from: Clock, effort: Effort): Clock | null {
  let left = amountOf(effort);
  let at: Clock | null = from;
  while (at !== null && left > 0) {
    const day = dayOf(at);
    const pace = paceOn(effort, calendar.people(day));
    const can = (closes(calendar, day) - at) * pace;
    if (can >= left - 1e-9) return at + left / pace;
    left -= can;
    at = workFrom(calendar, (day + 1) * DAY);
  }
  return at;
}

/** When an effort must begin to be done by a time, also before the first day; null where nobody works. */
export function workBack(calendar: Calendar, until: Clock, effort: Effort): Clock | null {
  let left = amountOf(effort);
  let at = workUntil(calendar, until);
  while (at !== null && left > 0) {
    // The end of a day belongs to it.
    const day = dayOf(at - 1e-6);
    const pace = paceOn(effort, calendar.people(day));
    const can = (at - opens(calendar, day)) * pace;
    if (can >= left - 1e-9) return at - left / pace;
    left -= can;
    at = workUntil(calendar, day * DAY);
  }
  return at;
}

/** Working minutes between two times; negative where the second comes first. */
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
