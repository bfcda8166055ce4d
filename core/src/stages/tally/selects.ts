import type { PieceSelector } from '../../kernel/figures/how';
import type { Piece } from '../courses/piece';

function isShapedBy(piece: Piece, opening: string): boolean {
  const found = [
    ...(piece.kind !== 'corner' && piece.ripped !== undefined ? [piece.ripped] : []),
    ...(piece.notches ?? []).map((notch) => notch.opening),
  ];
  return opening === '*' ? found.length > 0 : found.includes(opening);
}

/** Whether a figure's selector takes in a piece. */
export function selects(selector: PieceSelector, piece: Piece): boolean {
  if (selector.course !== undefined && selector.course !== piece.course) return false;
  if (selector.fromCourse !== undefined && piece.course < selector.fromCourse) return false;
  if (selector.toCourse !== undefined && piece.course > selector.toCourse) return false;
  if (selector.kind !== undefined && selector.kind !== piece.kind) return false;
  if (selector.opening !== undefined && !isShapedBy(piece, selector.opening)) return false;
  if (piece.kind === 'corner') {
    if (selector.hand !== undefined && (selector.hand !== piece.hand || piece.make !== 'moulded'))
      return false;
    if (selector.corner !== undefined && selector.corner !== piece.corner) return false;
    return (
      selector.wall === undefined || selector.wall === piece.wallBefore || selector.wall === piece.wallAfter
    );
  }
  if (selector.hand !== undefined || selector.corner !== undefined) return false;
  return selector.wall === undefined || selector.wall === piece.wall;
}
