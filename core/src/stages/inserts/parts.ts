import type { Courses, Piece } from '../courses';
import { type Length, add, subtract, ZERO } from '../../kernel/measure';
import type { Wall } from '../outline';
import type { PlacedInsert } from './placeInserts';

/** What the crew needs for inserts, added up. */
interface InsertParts {
  /** Pipe for sleeves and conduits by their bore, end to end: each runs through the whole wall. */
  readonly pipes: readonly { readonly size: Length; readonly count: number; readonly length: Length }[];
  /** Two caps for each, tight; and a wood plate over each, so that the pour does not push it. */
  readonly caps: number;
  readonly plates: number;
  /** Boards of ledgers as they are laid out, by their height. */
  readonly ledgers: readonly { readonly height: Length; readonly boards: readonly Length[] }[];
  readonly castAnchors: number;
  readonly drilledAnchors: number;
  readonly hangerPlates: number;
  readonly holdDowns: number;
}

/** Parts of a job's inserts. [common practice] */
export function partsOf(inserts: readonly PlacedInsert[], walls: ReadonlyMap<string, Wall>): InsertParts {
  const pipes = new Map<Length, { count: number; length: Length }>();
  for (const insert of inserts) {
    if (!insert.round) continue;
    const size = subtract(insert.rect.to, insert.rect.from);
    const known = pipes.get(size) ?? { count: 0, length: ZERO };
    const through = walls.get(insert.wall)?.thickness ?? ZERO;
    pipes.set(size, { count: known.count + 1, length: add(known.length, through) });
  }
  const round = inserts.filter((insert) => insert.round).length;
  const ledgers = inserts.filter((insert) => insert.kind === 'ledger');
  const boards = new Map<Length, Length[]>();
  for (const { rect, ledger } of ledgers) {
    const height = subtract(rect.top, rect.bottom);
    const own = (ledger?.boards ?? []).map(({ from, to }) => subtract(to, from));
    boards.set(height, [...(boards.get(height) ?? []), ...own]);
  }
  const fixings = (list: readonly PlacedInsert[]): number =>
    list.reduce((sum, insert) => sum + insert.fixings.length, 0);
  return {
    pipes: [...pipes].map(([size, each]) => ({ size, ...each })).sort((a, b) => a.size - b.size),
    caps: 2 * round,
    plates: 2 * round,
    ledgers: [...boards]
      .map(([height, each]) => ({ height, boards: each }))
      .sort((a, b) => a.height - b.height),
    castAnchors: fixings(ledgers.filter((insert) => insert.cast)),
    drilledAnchors: fixings(ledgers.filter((insert) => !insert.cast)),
    hangerPlates: fixings(inserts.filter((insert) => insert.kind === 'hangers')),
    holdDowns: inserts.filter((insert) => insert.kind === 'hold-down').length,
  };
}

/** Pieces that carry a brick ledge: those of the course under its top that reach into it. */
export function ledgePieces(
  insert: PlacedInsert,
  courses: Courses,
  walls: ReadonlyMap<string, Wall>,
): readonly Piece[] {
  if (insert.kind !== 'brick-ledge') return [];
  const { from, to, bottom, top } = insert.rect;
  const length = walls.get(insert.wall)?.length ?? ZERO;
  return courses.pieces.filter((piece) => {
    if (piece.top > top || piece.top <= bottom) return false;
    if (piece.kind !== 'corner') {
      return piece.wall === insert.wall && piece.start < to && piece.start + piece.length > from;
    }
    return (
      (piece.wallAfter === insert.wall && piece.legAfter > from) ||
      (piece.wallBefore === insert.wall && length - piece.legBefore < to)
    );
  });
}
