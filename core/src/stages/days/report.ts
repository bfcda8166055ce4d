import { type Days, dayText } from './buildDays';

const DAY = 1440;

/** A time as it is exported: `2026-12-01T07:00`, or `day 1 07:00` where no first day is said. */
function timeText(clock: number, first: number | null): string {
  const minutes = Math.round(clock);
  const day = Math.floor(minutes / DAY);
  const rest = minutes - day * DAY;
  const time = `${String(Math.floor(rest / 60)).padStart(2, '0')}:${String(rest % 60).padStart(2, '0')}`;
  return first === null ? `day ${String(day + 1)} ${time}` : `${dayText(first + day)}T${time}`;
}

/** The days as they are exported. */
export const daysReport = ({ first, items }: Days) => ({
  items: items.map((item) => ({
    id: item.id,
    kind: item.kind,
    name: item.name,
    pour: item.pour,
    manHours: { value: item.work.value / 60, unit: 'man-hours' },
    start: timeText(item.start, first),
    end: timeText(item.end, first),
    free: { value: item.free / 60, unit: 'h' },
    after: item.after.map(({ id }) => id),
  })),
});
