import { type Figure, figureOf } from '../../kernel/figures/figure';
import { type How, given } from '../../kernel/figures/how';
import { type SiteRecord, weightedQuantile } from '../../kernel/record';
import { type Calendar, type Clock, DAY } from './calendar';
import type { WorkItem } from './items';
import { type Task, schedule } from './schedule';

/** How much of an item is done, by the log. */
export interface Progress {
  /** 0 to 1. */
  readonly done: number;
  /** Man-minutes that it took so far; null where nobody counted. */
  readonly took: number | null;
}

/** When the job will be done, going by what it has taken so far. */
export interface Forecast {
  /** The day from which it looks ahead, counted from the first one. */
  readonly from: number;
  /** What work takes against its rates: in the middle, and the quarters below and above. */
  readonly pace: {
    readonly middle: number;
    readonly low: number;
    readonly high: number;
    readonly days: number;
  };
  /** Man-minutes that are left at the rates of the job; the time of pours and inspections is not among them. */
  readonly left: Figure;
  /** When the last item is done: at the middle pace, at the quick one, at the slow one. */
  readonly finish: Clock;
  readonly soonest: Clock;
  readonly latest: Clock;
}

/** So near to all of it that the rest is what floats add: shares of walls, or ten times a tenth. */
const NEARLY_ALL = 1 - 1e-9;

/** What is done of every item, shares of several days together. */
export function progressOf({
  work,
  poured,
}: Pick<SiteRecord, 'work' | 'poured'>): ReadonlyMap<string, Progress> {
  const progress = new Map<string, Progress>();
  for (const { item, share, manMinutes } of work) {
    const before = progress.get(item) ?? { done: 0, took: null };
    const done = before.done + share;
    progress.set(item, {
      done: done >= NEARLY_ALL ? 1 : done,
      took: manMinutes === null ? before.took : (before.took ?? 0) + manMinutes,
    });
  }
  for (const pour of poured) {
    const item = `pour:${pour}`;
    progress.set(item, { done: 1, took: progress.get(item)?.took ?? null });
  }
  return progress;
}

/** What work has taken against its rates: the rates themselves count as some days of average work, so that two odd days do not rule. */
function paceOf({ work }: Pick<SiteRecord, 'work'>, houseDays: number): Forecast['pace'] {
  const seen = work.flatMap(({ manMinutes, planned }) =>
    manMinutes !== null && manMinutes > 0 && planned > 0
      ? [{ value: manMinutes / planned, weight: planned }]
      : [],
  );
  const average = seen.reduce((sum, { weight }) => sum + weight, 0) / Math.max(1, seen.length);
  const all = [...seen, { value: 1, weight: Math.max(1, houseDays * average) }];
  return {
    middle: weightedQuantile(all, 0.5),
    low: weightedQuantile(all, 0.25),
    high: weightedQuantile(all, 0.75),
    days: seen.length,
  };
}

/** What `forecastOf` goes by. */
interface ForecastInput {
  readonly items: readonly WorkItem[];
  readonly tasks: readonly Task[];
  readonly calendar: Calendar;
  readonly record: SiteRecord;
  /** Days of average work that the rates count as. */
  readonly houseDays: number;
  /** The day after the last one that the log knows. */
  readonly from: number;
}

/** A task with a share of its work left, at a pace; nothing of it before a time. */
function left(task: Task, done: number, pace: number, from: Clock): Task {
  const { effort } = task;
  if (done >= 1) return { ...task, effort: { kind: 'at-once', manMinutes: 0 } };
  const notBefore = Math.max(task.notBefore ?? 0, from);
  const rest = 1 - done;
  switch (effort.kind) {
    case 'work':
    case 'at-once':
      return { ...task, notBefore, effort: { ...effort, manMinutes: effort.manMinutes * rest * pace } };
    case 'visit':
    case 'from':
      return { ...task, notBefore };
  }
}

/**
 * Looks ahead from the last day of the log: what is done is done, what is left takes what its like has taken. Null where nothing is
 * recorded, or the calendar ends before.
 */
export function forecastOf({
  items,
  tasks,
  calendar,
  record,
  houseDays,
  from,
}: ForecastInput): Forecast | null {
  const progress = progressOf(record);
  if (progress.size === 0) return null;
  const pace = paceOf(record, houseDays);
  const start = from * DAY;
  const doneOf = (id: string): number => progress.get(id)?.done ?? 0;
  const finishAt = (factor: number): Clock | null => {
    const placed = schedule(
      tasks.map((task) => left(task, doneOf(task.id), factor, start)),
      calendar,
    );
    return placed ? Math.max(0, ...placed.map(({ end }) => end)) : null;
  };
  const [finish, soonest, latest] = [finishAt(pace.middle), finishAt(pace.low), finishAt(pace.high)];
  if (finish === null || soonest === null || latest === null) return null;
  return {
    from,
    pace,
    left: figureOf({
      id: 'days.left',
      title: 'Work that is left',
      how: {
        op: 'sum',
        name: 'items',
        unit: 'duration',
        of: items
          .filter(({ id, effort }) => 'manMinutes' in effort && doneOf(id) < 1)
          .map(({ id, name, work }): How => ({
            op: 'product',
            name,
            unit: 'duration',
            of: [work, given('share that is left', 'ratio', 1 - doneOf(id))],
          })),
      },
      rules: [],
      pieces: {},
    }),
    finish,
    soonest,
    latest,
  };
}
