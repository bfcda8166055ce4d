import { type Booking, DAY, dayOf, dayText } from '@ombra/core/stages/days';
import { format, parseISO } from 'date-fns';

/** `Mon Dec 1`, or `day 1` where no first day is said. */
export const dayName = (day: number, first: number | null): string =>
  first === null ? `day ${String(day + 1)}` : format(parseISO(dayText(first + day)), 'EEE MMM d');

/** `Mon Dec 1, 07:30`. */
export function timeName(clock: number, first: number | null): string {
  const minutes = Math.round(clock);
  const day = dayOf(minutes);
  const rest = minutes - day * DAY;
  const time = `${String(Math.floor(rest / 60)).padStart(2, '0')}:${String(rest % 60).padStart(2, '0')}`;
  return `${dayName(day, first)}, ${time}`;
}

/** `11.2 h`, `40 min`. */
export const hoursName = (minutes: number): string =>
  minutes < 90 ? `${String(Math.round(minutes))} min` : `${(minutes / 60).toFixed(1)} h`;

/** What is booked: `Pump and concrete, Pour 1`, `Concrete` where trucks place by themselves, `Inspection`. */
export function bookingText({ name, needs }: Pick<Booking, 'name' | 'needs'>): string {
  if (!needs.includes('plant')) return name;
  const what = needs.includes('pump operator')
    ? 'Pump and concrete'
    : needs.includes('conveyor operator')
      ? 'Conveyor and concrete'
      : 'Concrete';
  return name === 'Pour' ? what : `${what}, ${name}`;
}
