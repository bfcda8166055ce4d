import { type Calendar, type Clock, type Effort, workBack, workBetween, workFrom, workOn } from './calendar';

/** Something to be done, with what comes before it. Listed in an order in which everything comes after what it waits for. */
export interface Task extends Effort {
  readonly id: string;
  /** What must be done before, and the least elapsed minutes from its end to this one's start. */
  readonly after: readonly { readonly id: string; readonly wait: number }[];
  /** Not before this time: a day that is booked. */
  readonly notBefore?: Clock;
}

/** When a task is done, and how far it may slide without moving the last one or a day that is booked. */
export interface Scheduled {
  readonly id: string;
  readonly start: Clock;
  readonly end: Clock;
  /** Working minutes that it may slide; negative where it does not fit before a booked day. */
  readonly free: number;
}

/**
 * The forward and backward pass of the critical-path method over a calendar: every task as early as what comes before it allows,
 * and how late it might be. A task that is booked for a day pulls what comes before it to that day. [common practice: the
 * critical-path method, Kelley and Walker 1959]
 *
 * @returns null where the calendar ends before the last task
 * @example schedule([], { begin: 420, end: 900, people: () => 4, most: 99 }) // []
 */
export function schedule(tasks: readonly Task[], calendar: Calendar): readonly Scheduled[] | null {
  const early = new Map<string, { readonly start: Clock; readonly end: Clock }>();
  for (const task of tasks) {
    const ready = Math.max(0, ...task.after.map(({ id, wait }) => (early.get(id)?.end ?? 0) + wait));
    const start = workFrom(calendar, Math.max(ready, task.notBefore ?? 0));
    const end = start === null ? null : workOn(calendar, start, task);
    if (start === null || end === null) return null;
    early.set(task.id, { start, end });
  }
  const last = Math.max(0, ...[...early.values()].map(({ end }) => end));
  const late = new Map<string, Clock>();
  const latest = new Map<string, Clock>(tasks.map(({ id }) => [id, last]));
  for (const task of [...tasks].reverse()) {
    const until = latest.get(task.id) ?? last;
    const worked = workBack(calendar, until, task) ?? 0;
    // A booked task is not late by what follows: it starts on its day, or what comes before it does not fit.
    const start =
      task.notBefore === undefined
        ? worked
        : Math.min(worked, workFrom(calendar, task.notBefore) ?? task.notBefore);
    late.set(task.id, start);
    for (const { id, wait } of task.after) {
      latest.set(id, Math.min(latest.get(id) ?? last, start - wait));
    }
  }
  return tasks.map(({ id }): Scheduled => {
    const { start, end } = early.get(id) ?? { start: 0, end: 0 };
    return { id, start, end, free: workBetween(calendar, start, late.get(id) ?? start) };
  });
}
