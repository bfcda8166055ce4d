import { type Length, add, subtract } from '../../kernel/measure';
import type { PlacedOpening } from '../openings';
import type { Levels } from '../outline';
import type { Piece } from './piece';

/** Joints of blocks that the saw has not made, along a wall: where an opening's edge needs no cut in some course. */
export function jointsOf(pieces: readonly Piece[], wall: string): readonly Length[] {
  const found = new Set<Length>();
  for (const piece of pieces) {
    if (piece.kind === 'corner') {
      if (piece.wallAfter === wall) found.add(piece.legAfter);
      continue;
    }
    if (piece.wall !== wall) continue;
    if (!piece.cutEnds.start) found.add(piece.start);
    if (!piece.cutEnds.end) found.add(add(piece.start, piece.length));
  }
  return [...found].sort((a, b) => a - b);
}

/** How far something would have to move so that one of its edges comes to the nearest mark; null where none is in reach. */
function toNearest(edges: readonly Length[], marks: readonly Length[], reach: Length): Length | null {
  let best: Length | null = null;
  for (const edge of edges) {
    for (const mark of marks) {
      const by = subtract(mark, edge);
      if (Math.abs(by) <= reach && (best === null || Math.abs(by) < Math.abs(best))) best = by;
    }
  }
  return best;
}

/** A move of an opening along its wall and up. */
interface OpeningMove {
  readonly along: Length;
  readonly up: Length;
  /** Whether an edge came to a joint, and whether foot or head came to a course line or another head. */
  readonly toJoint: boolean;
  readonly toLine: boolean;
}

/** What `snapOpening` goes by. */
interface SnapOpeningInput {
  readonly opening: PlacedOpening;
  readonly wanted: { readonly along: Length; readonly up: Length };
  /** Of its wall, as `jointsOf` tells them. */
  readonly joints: readonly Length[];
  readonly levels: Pick<Levels, 'tops'>;
  readonly heads: readonly Length[];
  /** How near an edge must come. */
  readonly reach: Length;
}

/**
 * A wanted move of an opening, drawn to what is near: the edges of its hole to joints between blocks, its foot and head to
 * course lines, its head to other heads. Only offered: without reach it stays as wanted.
 */
export function snapOpening({
  opening,
  wanted,
  joints,
  levels,
  heads,
  reach,
}: SnapOpeningInput): OpeningMove {
  const { hole, finished } = opening;
  const edges = [add(hole.from, wanted.along), add(hole.to, wanted.along)];
  const along = toNearest(edges, joints, reach);
  const lines = [
    toNearest([add(hole.bottom, wanted.up), add(hole.top, wanted.up)], levels.tops, reach),
    toNearest([add(finished.top, wanted.up)], heads, reach),
  ].filter((by) => by !== null);
  const up = lines.reduce<Length | null>(
    (best, by) => (best === null || Math.abs(by) < Math.abs(best) ? by : best),
    null,
  );
  return {
    along: along === null ? wanted.along : add(wanted.along, along),
    up: up === null ? wanted.up : add(wanted.up, up),
    toJoint: along !== null,
    toLine: up !== null,
  };
}
