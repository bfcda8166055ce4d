import { create } from 'zustand';
import { device } from '../remembered';

/** Clocks that differ by less, in milliseconds, count as equal: the answer itself may take that long. [ours] */
const TOLERANCE = 120_000;

const KEPT = 'ombra.clock';

function kept(): number {
  const value = Number(device.get(KEPT) ?? 0);
  return Number.isFinite(value) ? value : 0;
}

/** Milliseconds that the server's clock is ahead of this device's; 0 if they agree. */
const useAhead = create(kept);

/**
 * How far the device's clock is off, in milliseconds, by the `Date` header of an answer; 0 within the tolerance, null without one.
 *
 * @param date the header `Date` of the answer
 * @example clockAhead('Tue, 01 Dec 2026 12:00:00 GMT', at, at) // 0 where that is now
 */
export function clockAhead(date: string | null, asked: number, answered: number): number | null {
  const server = Date.parse(date ?? '');
  if (Number.isNaN(server)) return null;
  const off = server - (asked + answered) / 2;
  return Math.abs(off) < TOLERANCE ? 0 : Math.round(off);
}

/** Takes the server's clock from an answer that no cache has held. */
export function heedClock(response: Response, asked: number): void {
  const next = clockAhead(response.headers.get('date'), asked, Date.now());
  if (next === null || Math.abs(next - useAhead.getState()) < TOLERANCE) return;
  device.set(KEPT, String(next));
  useAhead.setState(next, true);
}

/** Now, by the server's clock where this device's is far off. */
export const siteNow = (): Date => new Date(Date.now() + useAhead.getState());

/** Milliseconds that this device's clock is off; 0 if it is right. */
export const useClockOff = (): number => useAhead();
