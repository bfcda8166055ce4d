import { type UnitSystem, readLength, readTurn, storeLength, storeTurn } from '../measure';

/**
 * Readable lengths are kept in the stored form, so that a bare number means the same whatever the job's units become.
 *
 * @example storedLengthText('44ft', 'imperial') // '44ft'
 */
export function storedLengthText(text: string, units: UnitSystem): string {
  const reading = readLength(text, units);
  return reading.ok ? storeLength(reading.length, units) : text.trim();
}

/**
 * The stored form of a turn; unreadable text is kept as typed.
 *
 * @example storedTurnText('right 90') // 'right 90'
 */
export function storedTurnText(text: string): string {
  const reading = readTurn(text);
  return reading.ok ? storeTurn(reading.turn) : text.trim();
}
