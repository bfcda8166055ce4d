import type { Courses, Piece, WallPiece } from '../courses';
import { type Length, add, subtract, max, min, ZERO } from '../../kernel/measure';
import { type Levels, type Shell, meetingsOf, wallsOf } from '../outline';

/** A mark to make on the footing along a wall's outer chalk line. */
export interface TapeMark {
  readonly wall: string;
  /** From the wall's first corner, and from the outline's, along the form's outside face. */
  readonly at: Length;
  readonly station: Length;
  readonly what: 'corner' | 'end' | 'leg' | 'cut' | 'step' | 'wall-meets';
  /** A corner's letter, the cut's length, or the name of the wall that meets here. */
  readonly letter: string | null;
  readonly length: Length | null;
}

/** A stretch of a wall that a piece stands on, on the footing or the rock. */
interface Stand {
  readonly from: Length;
  readonly to: Length;
}

/** Where a block stands on the footing: all along, or as far as a step lets it. */
export function standsOf(piece: WallPiece, levels: Levels): readonly Stand[] {
  const end = add(piece.start, piece.length);
  const found: Stand[] = [];
  for (const span of levels.walls[piece.wall] ?? []) {
    const from = max(span.from, piece.start);
    const to = min(span.to, end);
    if (span.bottom !== piece.bottom || to <= from) continue;
    const last = found.at(-1);
    // Where only the top steps, the footing runs on.
    if (last?.to === from) found[found.length - 1] = { from: last.from, to };
    else found.push({ from, to });
  }
  return found;
}

/** Pieces that stand on the footing or the rock, in whole or in part. */
export function standingPieces(courses: Courses, levels: Levels): readonly Piece[] {
  return courses.pieces.filter((piece) =>
    piece.kind === 'corner'
      ? levels.walls[piece.wallAfter]?.[0]?.bottom === piece.bottom
      : standsOf(piece, levels).length > 0,
  );
}

/** The tape sheet of an outline: every mark from its first corner on, in walking order. */
export function tapeMarks(shell: Shell, levels: Levels, courses: Courses): readonly TapeMark[] {
  const first = standingPieces(courses, levels);
  const meetings = meetingsOf(shell);
  const names = new Map(wallsOf(shell).map(({ id, name }) => [id, name]));
  return shell.loops.flatMap(({ built }): TapeMark[] => {
    if (!built) return [];
    const walls = new Map(built.walls.map((wall) => [wall.id, wall]));
    const mark = (
      wall: string,
      at: Length,
      what: TapeMark['what'],
      { letter = null, length = null }: Partial<Pick<TapeMark, 'letter' | 'length'>> = {},
    ): TapeMark => ({
      wall,
      at,
      station: add(walls.get(wall)?.station ?? ZERO, at),
      what,
      letter,
      length,
    });
    const corners = built.walls.map((wall) => mark(wall.id, ZERO, 'corner', { letter: wall.from }));
    const last = built.walls.at(-1);
    const end = built.open && last ? [mark(last.id, last.length, 'end', { letter: last.to })] : [];
    const own = first.flatMap((piece): TapeMark[] => {
      if (piece.kind === 'corner') {
        const before = walls.get(piece.wallBefore);
        const after = walls.get(piece.wallAfter);
        return [
          ...(before && piece.legBefore > 0
            ? [mark(before.id, subtract(before.length, piece.legBefore), 'leg', { letter: piece.corner })]
            : []),
          ...(after && piece.legAfter > 0
            ? [mark(after.id, piece.legAfter, 'leg', { letter: piece.corner })]
            : []),
        ];
      }
      if (piece.kind !== 'cut' || !walls.has(piece.wall)) return [];
      return [mark(piece.wall, piece.start, 'cut', { length: piece.length })];
    });
    const steps = built.walls.flatMap((wall) => {
      const spans = levels.walls[wall.id] ?? [];
      return spans.flatMap((span, index) =>
        index > 0 && spans[index - 1]?.bottom !== span.bottom ? [mark(wall.id, span.from, 'step')] : [],
      );
    });
    const tees = meetings
      .filter(({ through }) => walls.has(through))
      .map(({ through, wall, at }) => mark(through, at, 'wall-meets', { letter: names.get(wall) ?? null }));
    return [...corners, ...own, ...steps, ...tees, ...end].sort((a, b) => a.station - b.station);
  });
}
