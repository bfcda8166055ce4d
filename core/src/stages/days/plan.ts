import { said } from '../../kernel/plan/said';

/** What a job says of its days. */
export interface DaysPlan {
  /** First working day, `2026-12-01`. */
  readonly start?: string;
  /** People on a day that differs from the usual, by its date. */
  readonly people?: Readonly<Record<string, number>>;
  /** How many of them are new to this work, by date, where that differs from the usual. */
  readonly newcomers?: Readonly<Record<string, number>>;
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

/** What a plan says of the people of a day. */
export type PeopleField = 'people' | 'newcomers';

/** The days with so many people, or people new to the work, on one of them; null goes back to the usual number. */
export function changePeople(
  days: DaysPlan | undefined,
  field: PeopleField,
  day: string,
  count: number | null,
): DaysPlan {
  const others = Object.entries(days?.[field] ?? {}).filter(([each]) => each !== day);
  const all = count === null ? others : [...others, [day, count] as const];
  return said<Record<string, unknown>>({
    ...days,
    [field]: all.length === 0 ? null : Object.fromEntries(all),
  });
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
      /** Sets how many of them are new to the work instead. */
      readonly of?: PeopleField;
    };
  }
}
