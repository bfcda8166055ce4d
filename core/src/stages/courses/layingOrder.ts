import type { Wall } from '../outline';
import type { CornerPiece, Piece, WallPiece } from './piece';

/** How a crew goes about a course: once round from a corner; all corners, then towards the middles; or leads at the corners, then fill. */
export type LayingManner = 'round' | 'corners-first' | 'leads';

/** Blocks that a lead has on either side of its corner. */
const LEAD_BLOCKS = 2;

/** From both ends towards the middle, in turns. */
function towardsMiddle<Item>(list: readonly Item[]): readonly Item[] {
  return list.map((_, index) =>
    index % 2 === 0 ? (list[index / 2] as Item) : (list[list.length - 1 - (index - 1) / 2] as Item),
  );
}

/** What of a row belongs to the lead at its start, to the one at its end, and to neither. */
function leadsOf(row: readonly WallPiece[]) {
  const size = Math.min(LEAD_BLOCKS, Math.floor(row.length / 2));
  return {
    start: row.slice(0, size),
    middle: row.slice(size, row.length - size),
    end: row.slice(row.length - size).reverse(),
  };
}

/** What `layingOrder` goes by. */
interface LayingOrderInput {
  readonly pieces: readonly Piece[];
  readonly course: number;
  /** In walking order, loop by loop. */
  readonly walls: readonly Wall[];
  readonly manner?: LayingManner;
  /** Id of the wall that starts at the corner where the crew begins; the first one where left out. */
  readonly from?: string | undefined;
}

/** The pieces of one course in the order in which they are laid. */
export function layingOrder({
  pieces,
  course,
  walls,
  manner = 'round',
  from,
}: LayingOrderInput): readonly Piece[] {
  const corners = new Map<string, CornerPiece>();
  const rows = new Map<string, WallPiece[]>();
  for (const piece of pieces) {
    if (piece.course !== course) continue;
    if (piece.kind === 'corner') corners.set(piece.wallAfter, piece);
    else rows.set(piece.wall, [...(rows.get(piece.wall) ?? []), piece]);
  }
  for (const row of rows.values()) row.sort((a, b) => a.start - b.start);
  const start = Math.max(
    0,
    walls.findIndex((wall) => wall.id === from),
  );
  const loop = walls[start]?.loop;
  const own = walls.filter((wall) => wall.loop === loop);
  const at = own.findIndex((wall) => wall.id === walls[start]?.id);
  const ordered = [
    ...own.slice(at),
    ...own.slice(0, Math.max(at, 0)),
    ...walls.filter((wall) => wall.loop !== loop),
  ];
  const corner = (wall: Wall): readonly Piece[] => {
    const found = corners.get(wall.id);
    return found ? [found] : [];
  };
  const row = (wall: Wall): readonly WallPiece[] => rows.get(wall.id) ?? [];
  switch (manner) {
    case 'round':
      return ordered.flatMap((wall) => [...corner(wall), ...row(wall)]);
    case 'corners-first':
      return [...ordered.flatMap(corner), ...ordered.flatMap((wall) => towardsMiddle(row(wall)))];
    case 'leads': {
      const leads = ordered.flatMap((wall, index) => {
        const before = ordered.findLast(
          (other, place) => other.loop === wall.loop && place !== index && (place < index || index === 0),
        );
        return [
          ...corner(wall),
          ...(before && corner(wall).length > 0 ? leadsOf(row(before)).end : []),
          ...leadsOf(row(wall)).start,
        ];
      });
      const laid = new Set(leads.map((piece) => piece.id));
      return [...leads, ...ordered.flatMap((wall) => row(wall).filter((piece) => !laid.has(piece.id)))];
    }
  }
}
