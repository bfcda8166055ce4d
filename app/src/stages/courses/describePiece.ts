import { type Length, type UnitSystem, showLength, subtract } from '@ombra/core/kernel/measure';
import type { Piece, WallPiece } from '@ombra/core/stages/courses';
import type { Wall } from '@ombra/core/stages/outline';

/** Where a piece of a row stands, as it is written on an offcut: `C–D, course 5`. */
export function placeOfPiece(id: string, walls: readonly Wall[]): string {
  const [course = '', wall = ''] = id.split(':');
  return `${walls.find((each) => each.id === wall)?.name ?? ''}, course ${course}`;
}

/** Which block a cut comes out of, and where the other piece of that block goes. */
function sourceText(piece: WallPiece, walls: readonly Wall[], inInches: (length: Length) => string): string {
  const { cutFrom } = piece;
  if (!cutFrom) return 'from a block';
  const left = cutFrom.offcut > 0 ? `, ${inInches(cutFrom.offcut)} left over` : '';
  if (cutFrom.partner === null) return `from block ${String(cutFrom.block)}${left}`;
  const partner = placeOfPiece(cutFrom.partner, walls);
  return cutFrom.part === 'first'
    ? `from block ${String(cutFrom.block)}, its offcut goes to ${partner}${left}`
    : `offcut of block ${String(cutFrom.block)}, opened for ${partner}${left}`;
}

/** A piece in words, as one would call it out: what, where, and its pull from the nearest corner. */
export function describePiece(piece: Piece, walls: readonly Wall[], units: UnitSystem): string {
  const inInches = (length: Length): string => showLength(length, units, { style: 'inches' });
  if (piece.kind === 'corner') {
    const nameOf = (id: string): string => walls.find((wall) => wall.id === id)?.name ?? '';
    if (piece.make === 'lapped') {
      const through = nameOf(piece.legAfter === 0 ? piece.wallAfter : piece.wallBefore);
      return `Course ${String(piece.course)}, corner ${piece.corner}: lapped, ${through} runs through and the other wall butts into it`;
    }
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
      : `cut ${inInches(piece.length)}${piece.mitred ? ', mitered for the corner,' : ''} ${sourceText(piece, walls, inInches)}`;
  return `Course ${String(piece.course)}, ${wall?.name ?? ''}: ${what}, ${pull}, station ${showLength(piece.station, units)}, ${String(piece.webs.length)} webs`;
}
