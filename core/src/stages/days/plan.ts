import { said } from '../../kernel/plan/said';

/** What a job says of its days. */
export interface DaysPlan {
  /** First working day, `2026-12-01`. */
  readonly start?: string;
  /** People on a day that differs from the usual, by its date. */
  readonly people?: Readonly<Record<string, number>>;
  /** Days on which nobody works, beside those of the week. */
  readonly off?: readonly string[];
}

/** What may be set of the days; null takes it off. */
export interface DaysChange {
  readonly start?: string | null;
  readonly off?: readonly string[] | null;
}

/** The days with a change on them; what is emptied goes. */
export function changeDays(days: DaysPlan | undefined, change: DaysChange): DaysPlan {
  const next = { ...days, ...change };
  return said({
    ...next,
    start: next.start?.trim() || null,
    off: next.off && next.off.length > 0 ? next.off : null,
  }) as DaysPlan;
}

/** The days with so many people on one of them; null goes back to the usual number. */
export function changePeople(days: DaysPlan | undefined, day: string, people: number | null): DaysPlan {
  const others = Object.entries(days?.people ?? {}).filter(([each]) => each !== day);
  const all = people === null ? others : [...others, [day, people] as const];
  return said({ ...days, people: all.length === 0 ? null : Object.fromEntries(all) }) as DaysPlan;
}

declare module '../../kernel/plan/plan' {
  interface Plan {
    readonly days?: DaysPlan;
  }
  interface PlanEdits {
    readonly 'set-days': { readonly kind: 'set-days'; readonly change: DaysChange };
    /** People on one day; null goes back to the house rule. */
    readonly 'set-people': {
      readonly kind: 'set-people';
      readonly day: string;
      readonly people: number | null;
    };
  }
}
