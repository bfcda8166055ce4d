import { areaQuantity, lengthQuantity } from '../../kernel/figures/quantity';
import type { Length, UnitSystem } from '../../kernel/measure';
import { type Days, dayText } from './buildDays';
import { DAY, dayOf } from './calendar';
import type { ItemQuantity } from './items';

/** A time as it is exported: `2026-12-01T07:00`, or `day 1 07:00` where no first day is said. */
function timeText(clock: number, first: number | null): string {
  const minutes = Math.round(clock);
  const day = dayOf(minutes);
  const rest = minutes - day * DAY;
  const time = `${String(Math.floor(rest / 60)).padStart(2, '0')}:${String(rest % 60).padStart(2, '0')}`;
  return first === null ? `day ${String(day + 1)} ${time}` : `${dayText(first + day)}T${time}`;
}

/** How much there is to do, with its unit. */
function quantityOf({ of, value }: ItemQuantity, units: UnitSystem) {
  if (of === 'length') return lengthQuantity(value as Length, units);
  return of === 'area' ? areaQuantity(value, units) : { value, unit: 'count' as const };
}

/** The days as they are exported. */
export const daysReport = ({ first, items, holds }: Days, units: UnitSystem) => ({
  holdPoints: holds.map(({ id, name, pour, after, before, lines, tolerance, who, state }) => ({
    id,
    name,
    pour,
    after,
    before,
    lines: lines.map(({ what }) => what),
    tolerance,
    who,
    state,
  })),
  items: items.map((item) => ({
    id: item.id,
    kind: item.kind,
    name: item.name,
    pour: item.pour,
    quantity: quantityOf(item.quantity, units),
    manHours: { value: item.work.value / 60, unit: 'man-hours' },
    start: timeText(item.start, first),
    end: timeText(item.end, first),
    free: { value: item.free / 60, unit: 'h' },
    after: item.after.map(({ id }) => id),
    needs: item.needs,
    stops: item.stops,
  })),
});
