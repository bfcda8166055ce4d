import { type Days, DAY, dayOf, dayText } from '@ombra/core/stages/days';
import { type DateArray, type EventAttributes, createEvents } from 'ics';
import { bookingText } from '../stages/days/dayWords';

/** A moment as a calendar file tells it, in the time of the place. */
function momentOf(clock: number, first: number): DateArray {
  const minutes = Math.round(clock);
  const day = dayOf(minutes);
  const rest = minutes - day * DAY;
  return [...dateOf(first + day), Math.floor(rest / 60), rest % 60];
}

/** A day as a calendar file tells it. */
const dateOf = (day: number): [number, number, number] =>
  dayText(day).split('-').map(Number) as [number, number, number];

/** What signing takes in a calendar. [ours] */
const HOLD_MINUTES = 15;

/**
 * The days as a calendar file (iCalendar, RFC 5545), in local time: every item, what is still to be signed and to be booked, and gear hire. Null where the job has no first day.
 *
 * @param job its id, which makes the events’ own ids last
 */
export function daysFile(
  { first, items, holds, hires, bookings }: Days,
  job: string,
  name: string,
): string | null {
  if (first === null) return null;
  const common = { productId: 'ombra', startInputType: 'local', startOutputType: 'local' } as const;
  const work = items.map((item): EventAttributes => {
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
  const starts = new Map(items.map((item) => [item.id, item.start]));
  const ends = new Map(items.map((item) => [item.id, item.end]));
  // Looked at before what waits for it begins; where nothing does, after what it looks at.
  const signed = holds.flatMap((hold): EventAttributes[] => {
    const at = starts.get(hold.before ?? '') ?? ends.get(hold.after ?? '');
    if (at === undefined || hold.state === 'signed') return [];
    return [
      {
        ...common,
        uid: `hold.${hold.id}.${job}@ombra`,
        title: `Sign: ${hold.name} · ${name}`,
        start: momentOf(at, first),
        duration: { minutes: HOLD_MINUTES },
        description: hold.lines.map(({ what }) => what).join('\n'),
        busyStatus: 'FREE',
      },
    ];
  });
  // All-day events: the day after the last one ends them. [RFC 5545]
  const hired = hires.flatMap((hire): EventAttributes[] => [
    {
      productId: 'ombra',
      uid: `hire.${hire.pour}.${job}@ombra`,
      title: `${String(hire.frames)} brace frames hired · ${name}`,
      start: dateOf(first + hire.from),
      end: dateOf(first + hire.until + 1),
      description: `${hire.name}: from the day they go up to the day they are down`,
      busyStatus: 'FREE',
    },
  ]);
  const booked = bookings.map((booking): EventAttributes => ({
    productId: 'ombra',
    uid: `book.${booking.item}.${job}@ombra`,
    title: `Book: ${bookingText(booking)} · ${name}`,
    start: dateOf(first + booking.by),
    end: dateOf(first + booking.by + 1),
    description: `For ${dayText(first + booking.day)}`,
    busyStatus: 'FREE',
  }));
  const { error, value } = createEvents([...work, ...signed, ...booked, ...hired]);
  if (error || value === undefined) throw error ?? new Error('The calendar file came out empty.');
  return value;
}
