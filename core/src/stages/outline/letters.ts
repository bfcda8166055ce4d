import type { Loop } from './plan';
import { type Angle, FULL_TURN } from '../../kernel/measure';
import type { RowName } from './shell';
import type { Leg } from './walk';

/** A, B, … Z, AA, AB … */
export function cornerLetter(index: number): string {
  const letter = String.fromCharCode(65 + (index % 26));
  return index < 26 ? letter : cornerLetter(Math.floor(index / 26) - 1) + letter;
}

/**
 * Names of a loop's rows, `A–B` in clockwise order. Rows that cannot be read yet are named by their place in the walk,
 * so that a name does not jump while its row is typed.
 */
export function nameRows(
  loop: Loop,
  legs: readonly Leg[],
  turned: Angle,
  firstLetter: number,
): readonly RowName[] {
  const letter = (index: number): string => cornerLetter(firstLetter + index);
  const home = Math.abs(turned) === FULL_TURN ? legs.length : -1;
  const nameAt = (index: number): string => `${letter(index)}–${letter(index + 1 === home ? 0 : index + 1)}`;
  const places = new Map(legs.map((leg, index) => [leg.row, index]));
  return loop.walk.map((row, index) => ({ row: row.id, name: nameAt(places.get(row.id) ?? index) }));
}
