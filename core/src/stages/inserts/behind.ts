import type { Courses } from '../courses';
import { type Length, add } from '../../kernel/measure';

/** What of a wall stands behind a run along it. */
interface Behind {
  /** Joints between blocks, and middles of webs, as stations of the wall. */
  readonly joints: readonly Length[];
  readonly webs: readonly Length[];
}

/** Joints and webs of the courses of a wall between two heights. */
export function behind(
  { pieces }: Pick<Courses, 'pieces'>,
  wall: string,
  { bottom, top }: { readonly bottom: Length; readonly top: Length },
): Behind {
  const own = pieces.flatMap((piece) =>
    piece.bottom < top && piece.top > bottom && piece.kind !== 'corner' && piece.wall === wall ? [piece] : [],
  );
  return {
    joints: own.map(({ start }) => start).filter((at) => at > 0),
    webs: own.flatMap((piece) => piece.webs.map((web) => add(piece.start, web))),
  };
}
