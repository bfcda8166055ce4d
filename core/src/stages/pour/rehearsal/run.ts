import type { Day, DayEvent } from './day';
import { type Scratch, scratchFor } from './layers';
import type { Happened, PlayedRun, Run } from './played';
import { Playing } from './playing';
import type { Underway } from './underway';

/**
 * Plays the day once and gives its figures only; fast, for many days. Loads are batched one after another, drive, wait for the one
 * before them, back in and are tested, and are placed stop by stop at the crew's pace; a truck that is empty washes out, drives
 * back and is loaded again. The last load of the plan is a balance, sized when it is batched; one that is sent back is called for
 * again at once.
 *
 * @param seed gives the same day again
 * @param from where a day that is under way is taken up; it is played from its first minute where that is null
 */
export const runDay = (
  day: Day,
  seed: number,
  scratch: Scratch = scratchFor(day),
  from: Underway | null = null,
): Run => new Playing(day, seed, { events: [], scratch, happened: null, from }).run();

/**
 * Plays the day once and keeps everything that happened.
 *
 * @param events thrown in, each with its minute and its answer
 * @param from where a day that is under way is taken up
 * @example playDay({ ...day, travelScatter: 0, rateScatter: 0 }, 1).trips[0]?.arrived // 0
 */
export function playDay(
  day: Day,
  seed: number,
  events: readonly DayEvent[] = [],
  from: Underway | null = null,
): PlayedRun {
  const happened: Happened = { trips: [], placed: [], idle: [], events: [] };
  const inOrder = [...events].sort((a, b) => a.at - b.at);
  return {
    ...new Playing(day, seed, { events: inOrder, scratch: scratchFor(day), happened, from }).run(),
    ...happened,
  };
}
