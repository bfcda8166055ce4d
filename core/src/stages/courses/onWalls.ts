import { type Length, ZERO, add, subtract } from '../../kernel/measure';
import type { Piece } from './piece';

/** What of a wall a piece takes: a block, or one leg of a corner. All are stations of that wall. */
interface OnWall {
  readonly wall: string;
  readonly from: Length;
  readonly to: Length;
  /** Middles of its whole webs. */
  readonly webs: readonly Length[];
}

/**
 * A piece as its walls have it, along their outside faces from their first corners: a block on its own wall, a corner with a leg on
 * each of two.
 *
 * @param lengthOf length of the wall with this id, on its outside face
 */
export function onWalls(piece: Piece, lengthOf: (wall: string) => Length): readonly OnWall[] {
  if (piece.kind !== 'corner') {
    const { wall, start, length, webs } = piece;
    return [{ wall, from: start, to: add(start, length), webs: webs.map((web) => add(start, web)) }];
  }
  // The leg on the wall that ends at the corner is measured back from it.
  const end = lengthOf(piece.wallBefore);
  return [
    {
      wall: piece.wallBefore,
      from: subtract(end, piece.legBefore),
      to: end,
      webs: piece.websBefore.map((web) => subtract(end, web)),
    },
    { wall: piece.wallAfter, from: ZERO, to: piece.legAfter, webs: piece.websAfter },
  ];
}
