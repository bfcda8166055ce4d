import type { Courses, Piece } from '../courses';
import { type Length, add, subtract, ZERO } from '../../kernel/measure';
import type { Wall } from '../outline';

/** A joint between two blocks, as a station of the wall, and the course that it is in. */
interface JointBehind {
  readonly at: Length;
  readonly course: number;
}

/** What of a wall stands behind something on its face. */
interface Behind {
  readonly joints: readonly JointBehind[];
  /** Middles of webs, as stations of the wall. */
  readonly webs: readonly Length[];
}

/** A piece as one wall has it: a block, or the leg of a corner. */
interface OnWall {
  readonly from: Length;
  readonly to: Length;
  readonly webs: readonly Length[];
}

/** What a piece is on a wall; a corner's leg is told back from its corner. */
function onWall(piece: Piece, wall: Pick<Wall, 'id' | 'length'>): readonly OnWall[] {
  if (piece.kind !== 'corner') {
    const { start, length, webs } = piece;
    const own = { from: start, to: add(start, length), webs: webs.map((web) => add(start, web)) };
    return piece.wall === wall.id ? [own] : [];
  }
  const { wallBefore, legBefore, websBefore, wallAfter, legAfter, websAfter } = piece;
  return [
    ...(wallAfter === wall.id ? [{ from: ZERO, to: legAfter, webs: websAfter }] : []),
    ...(wallBefore === wall.id
      ? [
          {
            from: subtract(wall.length, legBefore),
            to: wall.length,
            webs: websBefore.map((web) => subtract(wall.length, web)),
          },
        ]
      : []),
  ];
}

/**
 * Joints and webs of a wall between two heights: of its blocks and of the legs of its corners. Edges at openings are among the joints; the
 * wall's own ends are not.
 */
export function behind(
  { pieces }: Pick<Courses, 'pieces'>,
  wall: Pick<Wall, 'id' | 'length'>,
  { bottom, top }: { readonly bottom: Length; readonly top: Length },
): Behind {
  const own = pieces
    .filter((piece) => piece.bottom < top && piece.top > bottom)
    .flatMap((piece) => onWall(piece, wall).map((part) => ({ ...part, course: piece.course })));
  return {
    joints: own.flatMap(({ from, to, course }) =>
      [from, to].flatMap((at) => (at > 0 && at < wall.length ? [{ at, course }] : [])),
    ),
    webs: own.flatMap(({ webs }) => webs),
  };
}
