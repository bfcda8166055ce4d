import { type Courses, onWalls } from '../courses';
import type { Length } from '../../kernel/measure';
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
    .flatMap((piece) =>
      onWalls(piece, () => wall.length)
        .filter((part) => part.wall === wall.id)
        .map((part) => ({ ...part, course: piece.course })),
    );
  return {
    joints: own.flatMap(({ from, to, course }) =>
      [from, to].flatMap((at) => (at > 0 && at < wall.length ? [{ at, course }] : [])),
    ),
    webs: own.flatMap(({ webs }) => webs),
  };
}
