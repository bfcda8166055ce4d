import {
  type Calendar,
  type Clock,
  type Effort,
  type Spell,
  earliest,
  latest,
  workBetween,
} from './calendar';

/** Something to be done, with what comes before it. Listed in an order in which everything comes after what it waits for. */
export interface Task {
  readonly id: string;
  readonly effort: Effort;
  /** What must be done before, and the least elapsed minutes from its end to this one's start. */
  readonly after: readonly { readonly id: string; readonly wait: number }[];
  /** Not before this time: a day that is booked. */
  readonly notBefore?: Clock;
}

/** When a task is done, and how far it may slide without moving the last one or a day that is booked. */
export interface Scheduled extends Spell {
  readonly id: string;
  /** When it would be done at the latest; before `end` where it does not fit before a booked day. */
  readonly lateEnd: Clock;
  /** Working minutes that it may slide; negative where it does not fit. */
  readonly free: number;
}

/**
 * The forward and backward pass of the critical-path method over a calendar: every task as early as what comes before it allows,
 * and how late it might be. A task that is booked for a day pulls what comes before it to that day. [critical-path method, Kelley
 * and Walker 1959; from memory]
 *
 * @returns null where the calendar ends before the last task
 * @example schedule([], { begin: 420, end: 900, people: () => 4, most: 99 }) // []
 */
export function schedule(tasks: readonly Task[], calendar: Calendar): readonly Scheduled[] | null {
  const early = new Map<string, Spell>();
  for (const { id, after, effort, notBefore = 0 } of tasks) {
    const ready = Math.max(notBefore, ...after.map((each) => (early.get(each.id)?.end ?? 0) + each.wait));
    const spell = earliest(calendar, ready, effort);
    if (!spell) return null;
    early.set(id, spell);
  }
  const last = Math.max(0, ...[...early.values()].map(({ end }) => end));
  const until = new Map<string, Clock>();
  const late = new Map<string, Clock>();
  for (const { id, after, effort, notBefore } of [...tasks].reverse()) {
    const free = latest(calendar, until.get(id) ?? last, effort) ?? 0;
    // A booked task starts on its day, or what comes before it does not fit.
    const booked = notBefore === undefined ? null : earliest(calendar, notBefore, effort);
    const start = booked ? Math.min(free, booked.start) : free;
    late.set(id, start);
    for (const each of after) until.set(each.id, Math.min(until.get(each.id) ?? last, start - each.wait));
  }
  return tasks.map(({ id, effort }): Scheduled => {
    const { start, end } = early.get(id) ?? { start: 0, end: 0 };
    const lateStart = late.get(id) ?? start;
    const lateEnd = effort.kind === 'work' ? earliest(calendar, lateStart, effort)?.end : undefined;
    return {
      id,
      start,
      end,
      lateEnd: lateEnd ?? lateStart + (end - start),
      free: workBetween(calendar, start, lateStart),
    };
  });
}
