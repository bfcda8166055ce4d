import { useSyncExternalStore } from 'react';

/** Milliseconds that a clock may be off before it is told: what is off by less may be the way of the answer. */
const TOLD_FROM = 120_000;

const KEPT = 'ombra.clock';

/** Milliseconds that the server's clock is ahead of this device's; 0 where they agree as far as can be told. */
let ahead: number | null = null;
const listeners = new Set<() => void>();

const known = (): number => {
  if (ahead === null) {
    const kept = Number(localStorage.getItem(KEPT) ?? 0);
    ahead = Number.isFinite(kept) ? kept : 0;
  }
  return ahead;
};

/**
 * How far a clock is off, going by an answer that was asked for and came at these moments; 0 where that is within what is told.
 *
 * @param date the header `Date` of the answer
 * @example clockAhead('Tue, 01 Dec 2026 12:00:00 GMT', at, at) // 0 where that is now
 */
export function clockAhead(date: string | null, asked: number, answered: number): number | null {
  const server = Date.parse(date ?? '');
  if (Number.isNaN(server)) return null;
  const off = server - (asked + answered) / 2;
  return Math.abs(off) < TOLD_FROM ? 0 : Math.round(off);
}

/** Takes the server's clock from an answer that was not kept anywhere on the way. */
export function heedClock(response: Response, asked: number): void {
  const next = clockAhead(response.headers.get('date'), asked, Date.now());
  if (next === null || Math.abs(next - known()) < TOLD_FROM) return;
  ahead = next;
  localStorage.setItem(KEPT, String(next));
  for (const tell of listeners) tell();
}

/** Now, by the server's clock where this device's is far off. */
export const siteNow = (): Date => new Date(Date.now() + known());

/** Milliseconds that this device's clock is off; 0 where it is right. */
export const useClockOff = (): number =>
  useSyncExternalStore((heard) => {
    listeners.add(heard);
    return () => {
      listeners.delete(heard);
    };
  }, known);
