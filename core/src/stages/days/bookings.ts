import type { CountRuleId, HouseRules } from '../../kernel/rules';
import type { DayItem } from './buildDays';
import { dayOf } from './calendar';

/** Somebody from outside who is asked ahead. */
export interface Booking {
  readonly item: string;
  readonly name: string;
  /** Who is to come: the inspector; or the plant, with the operator of what is hired to place with. */
  readonly needs: DayItem['needs'];
  /** Days counted from the first one: when it is wanted, and by when to ask; below zero before the job begins. */
  readonly day: number;
  readonly by: number;
}

/** How far ahead those are asked whom some work wants. */
const AHEAD: Readonly<Partial<Record<DayItem['kind'], CountRuleId>>> = {
  inspection: 'days.ahead.inspection',
  pour: 'days.ahead.pump',
};

/** The working day so many working days before another. */
function workingDaysBefore(day: number, count: number, works: (day: number) => boolean): number {
  let at = day;
  for (let left = count; left > 0;) {
    at -= 1;
    if (works(at)) left -= 1;
  }
  return at;
}

/**
 * Inspections and pours, with the day by which each is booked.
 *
 * @param works whether offices are open on a day; at least one day of seven
 * @example bookingsOf([], () => true, rules) // []
 */
export const bookingsOf = (
  items: readonly Pick<DayItem, 'id' | 'kind' | 'name' | 'needs' | 'start' | 'done'>[],
  works: (day: number) => boolean,
  rules: HouseRules,
): readonly Booking[] =>
  items.flatMap(({ id, kind, name, needs, start, done }): Booking[] => {
    const ahead = AHEAD[kind];
    if (!ahead || done >= 1) return [];
    const day = dayOf(start);
    return [{ item: id, name, needs, day, by: workingDaysBefore(day, rules.count(ahead), works) }];
  });
