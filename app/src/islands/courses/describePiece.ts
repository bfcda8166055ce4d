import type { Piece } from '@ombra/core/courses';
import { type Length, type UnitSystem, showLength, subtract } from '@ombra/core/measure';
import type { Wall } from '@ombra/core/shell/shell';

/** A piece in words, as one would call it out: what, where, and its pull from the nearest corner. */
export function describePiece(piece: Piece, walls: readonly Wall[], units: UnitSystem): string {
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  if (piece.kind === 'corner') {
    const nameOf = (id: string): string => walls.find((wall) => wall.id === id)?.name ?? '';
    return `Course ${String(piece.course)}, corner ${piece.corner}: ${piece.hand === 'LH' ? 'left-hand' : 'right-hand'} corner, legs ${inInches(piece.legBefore)} on ${nameOf(piece.wallBefore)} and ${inInches(piece.legAfter)} on ${nameOf(piece.wallAfter)}`;
  }
  const wall = walls.find((each) => each.id === piece.wall);
  const fromEnd = wall ? subtract(wall.length, (piece.start + piece.length) as Length) : piece.start;
  const pull =
    wall && fromEnd < piece.start
      ? `${showLength(fromEnd, units)} from ${wall.to}`
      : `${showLength(piece.start, units)} from ${wall?.from ?? ''}`;
  const what =
    piece.kind === 'straight'
      ? `whole block ${inInches(piece.length)}`
      : `cut ${inInches(piece.length)} from a whole block, ${inInches(piece.cutFrom?.offcut ?? (0 as Length))} left over`;
  return `Course ${String(piece.course)}, ${wall?.name ?? ''}: ${what}, ${pull}, station ${showLength(piece.station, units)}, ${String(piece.webs.length)} webs`;
}
