import { type Days, DAY, dayOf, dayText } from '@ombra/core/stages/days';
import { type DateArray, type EventAttributes, createEvents } from 'ics';

/** A moment as a calendar file tells it, in the time of the place. */
function momentOf(clock: number, first: number): DateArray {
  const minutes = Math.round(clock);
  const day = dayOf(minutes);
  const rest = minutes - day * DAY;
  const [year, month, date] = dayText(first + day)
    .split('-')
    .map(Number) as [number, number, number];
  return [year, month, date, Math.floor(rest / 60), rest % 60];
}

/**
 * Every item of the days as an event of a calendar file (iCalendar, RFC 5545), in local time. Null where the job has no first day.
 *
 * @param job its id, which makes the events’ own ids last
 */
export function daysFile({ first, items }: Days, job: string, name: string): string | null {
  if (first === null) return null;
  const events = items.map((item): EventAttributes => {
    const hours = item.work.value / 60;
    return {
      uid: `${item.id}.${job}@ombra`,
      title: `${item.name} · ${name}`,
      start: momentOf(item.start, first),
      startInputType: 'local',
      startOutputType: 'local',
      end: momentOf(item.end, first),
      endInputType: 'local',
      endOutputType: 'local',
      description: hours > 0 ? `${hours.toFixed(1)} man-hours` : 'Booked',
      productId: 'ombra',
      busyStatus: 'BUSY',
    };
  });
  const { error, value } = createEvents(events);
  if (error || value === undefined) throw error ?? new Error('The calendar file came out empty.');
  return value;
}
