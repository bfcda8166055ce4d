import { type Angle, degrees, toDegrees } from './angle';
import { LONGEST_TEXT } from './readLength';

/** A turn as understood (right positive, left negative), or why it was not. */
type TurnReading =
  { readonly ok: true; readonly turn: Angle } | { readonly ok: false; readonly message: string };

const STRAIGHT_ON = /^straight(?:\s+on)?$/i;
const SIDE_FIRST = /^(right|left|r|l)\.?\s*(\d+(?:[.,]\d+)?)?\s*(?:°|deg|degrees)?$/i;
const SIDE_LAST = /^(\d+(?:[.,]\d+)?)\s*(?:°|deg|degrees)?\s*(right|left|r|l)$/i;

/**
 * Reads a turn at the far end of a wall: `right 90`, `left 45`, `R`, `45 left`. Without degrees a square corner is meant.
 * `straight on` is no turn at all, where a curve runs into a straight wall. Right is positive: the inside of a clockwise walk lies to the right.
 *
 * @example readTurn('left 45') // { ok: true, turn: degrees(-45) }
 */
export function readTurn(text: string): TurnReading {
  const clean = text.length > LONGEST_TEXT ? '' : text.trim();
  if (STRAIGHT_ON.test(clean)) return { ok: true, turn: degrees(0) };
  const first = SIDE_FIRST.exec(clean);
  const last = SIDE_LAST.exec(clean);
  const side = first?.[1] ?? last?.[2];
  if (side === undefined) {
    return { ok: false, message: 'Write a turn as “right 90” or “left 45”.' };
  }
  const size = Number((first ? (first[2] ?? '90') : (last?.[1] ?? '90')).replace(',', '.'));
  if (!(size > 0 && size < 180)) {
    return { ok: false, message: 'A turn is more than 0° and less than 180°.' };
  }
  return { ok: true, turn: degrees(side.toLowerCase().startsWith('r') ? size : -size) };
}

/**
 * The stored form of a turn, which `readTurn` reads back exactly: `right 90`.
 *
 * @example storeTurn(degrees(-90)) // 'left 90'
 */
export const storeTurn = (turn: Angle): string =>
  turn === 0 ? 'straight on' : `${turn < 0 ? 'left' : 'right'} ${String(Math.abs(toDegrees(turn)))}`;
