import { dequal } from 'dequal';
import { type Length, add } from '../../kernel/measure';
import type { Laid, LaidRow as RowOnSite } from '../../kernel/record';
import { type BuiltLoop, type Corner, type Wall, wallIn } from '../outline';
import { type LongLegOn, handOf, longLegIn, parityOf } from './corners';
import type { ShapedPiece } from './holes';
import { judgeJoints } from './joints';
import type { CornerPiece, Piece, WallPiece } from './piece';
import type { LaidRow } from './stack';
import { type LaidWall, cornerAtEnd, cornerAtStart, rowEnd } from './walls';

/** A corner of a course as it stands on site. */
type CornerOnSite = RowOnSite['corners'][number];

/** What stands of one loop. */
export interface Frozen {
  readonly row: (wall: string, course: number) => RowOnSite | undefined;
  readonly corner: (corner: Corner, course: number) => CornerOnSite | undefined;
  readonly any: boolean;
}

const cornerKey = (before: string, after: string, course: number): string =>
  `${before}|${after}|${String(course)}`;

/** What stands of a loop, found by wall and course. */
export function frozenIn(built: BuiltLoop, { rows }: Laid): Frozen {
  const walls = new Set(built.walls.map(({ id }) => id));
  const own = rows.filter(({ wall }) => walls.has(wall));
  const byRow = new Map(own.map((row) => [`${row.wall}|${String(row.course)}`, row]));
  const byCorner = new Map(
    own.flatMap((row) =>
      row.corners.map((each) => [cornerKey(each.wallBefore, each.wallAfter, row.course), each] as const),
    ),
  );
  return {
    any: own.length > 0,
    row: (wall, course) => byRow.get(`${wall}|${String(course)}`),
    corner: ({ wallBefore, wallAfter }, course) => byCorner.get(cornerKey(wallBefore, wallAfter, course)),
  };
}

/** Which wall has the long leg, from the hand that stands. */
const longOf = (corner: Corner, { hand }: CornerOnSite): LongLegOn =>
  handOf(corner, 'after') === hand ? 'after' : 'before';

/** The wall that leads in course 1, from the one that has the long leg in a course. */
const leadFrom = (course: number, long: LongLegOn): LongLegOn =>
  longLegIn(parityOf(course), 'after') === long ? 'after' : 'before';

/**
 * Which wall leads at each corner, course by course: as planned up to the first corner that stands; then as that stands, and above it
 * in turn with it. A hand laid wrong turns every corner over it.
 */
export function leadsByCourse(
  built: BuiltLoop,
  planned: ReadonlyMap<string, LongLegOn>,
  frozen: Frozen,
  courses: number,
): readonly ReadonlyMap<string, LongLegOn>[] {
  if (!frozen.any) return Array.from({ length: courses }, () => planned);
  const leads = new Map(planned);
  return Array.from({ length: courses }, (_, index) => {
    for (const corner of built.corners) {
      const stands = frozen.corner(corner, index + 1);
      if (stands) leads.set(corner.letter, leadFrom(index + 1, longOf(corner, stands)));
    }
    return new Map(leads);
  });
}

/** Whether what stands belongs to this wall as it is planned now: the same length, thickness, and heights. */
export const fitsWall = (wall: Wall, row: LaidRow | undefined, stands: RowOnSite): boolean =>
  row !== undefined &&
  stands.length === wall.length &&
  stands.thickness === wall.thickness &&
  dequal(
    stands.stands,
    row.segments.map(({ from, to, bottom, top }) => ({ from, to, bottom, top })),
  );

/** Whole blocks before the first cut of a row; null where it has no cut of its own. */
export function blocksBefore(pieces: readonly Pick<ShapedPiece, 'kind' | 'mitred'>[]): number | null {
  const first = pieces.findIndex(({ kind, mitred }) => kind === 'cut' && !mitred);
  return first < 0 ? null : pieces.slice(0, first).filter(({ kind }) => kind === 'straight').length;
}

const asBlock = (block: RowOnSite['blocks'][number]): ShapedPiece => block as unknown as ShapedPiece;

/** Pieces that stand side by side; an opening lies between two groups. */
function groupsOf(pieces: readonly ShapedPiece[]): readonly (readonly ShapedPiece[])[] {
  const groups: ShapedPiece[][] = [];
  let at: Length | null = null;
  for (const piece of pieces) {
    const last = groups.at(-1);
    if (last && piece.start === at) last.push(piece);
    else groups.push([piece]);
    at = add(piece.start, piece.length);
  }
  return groups;
}

/**
 * A row as it stands in place of the one that is planned; its joints are judged as they are. One that stands as planned is the
 * planned one.
 */
export function frozenRow(laid: LaidWall, row: LaidRow, course: number, stands: RowOnSite): LaidRow {
  const pieces = stands.blocks.map(asBlock);
  if (dequal(pieces, row.pieces)) return row;
  const full = laid.rows[parityOf(course)];
  const groups = groupsOf(pieces);
  const joints = groups.flatMap((group, place) => {
    const first = place === 0;
    const last = place === groups.length - 1;
    return judgeJoints(
      {
        from: group[0]?.start ?? full.startEnd.take,
        pieces: group,
        start: first ? rowEnd(full.startEnd, laid.wall, true) : { kind: 'opening', webs: [] },
        end: last ? rowEnd(full.endEnd, laid.wall, false) : { kind: 'opening', webs: [] },
      },
      laid.judge,
    );
  });
  return { ...row, pieces, joints };
}

/** A corner as it stands in place of the one that is planned. */
export const frozenCorner = (planned: CornerPiece, stands: CornerOnSite | undefined): CornerPiece => {
  if (!stands) return planned;
  const { kind, id, course, corner, station } = planned;
  return {
    kind,
    id,
    course,
    corner,
    station,
    ...(stands as unknown as Omit<CornerPiece, 'kind' | 'id' | 'course' | 'corner' | 'station'>),
  };
};

/** Which corners stand at the ends of a wall. */
const endsOf = (built: BuiltLoop, wall: string): readonly Corner[] => {
  const index = built.walls.findIndex(({ id }) => id === wall);
  return [cornerAtStart(built, index), cornerAtEnd(built, index)].flatMap((corner) => corner ?? []);
};

/** What `rowOnSite` reads of a worked plan. */
interface OnSiteInput {
  readonly shell: { readonly loops: readonly { readonly built: BuiltLoop | null }[] };
  readonly courses: {
    readonly pieces: readonly Piece[];
    readonly rows: readonly {
      readonly course: number;
      readonly wall: string;
      readonly from: Length;
      readonly to: Length;
      readonly bottom: Length;
      readonly top: Length;
    }[];
  };
}

/** What an entry of the log says of a wall in a course: the blocks and corners of the plan as it is worked now. */
export function rowOnSite(
  { shell, courses }: OnSiteInput,
  wall: string,
  course: number,
): Omit<RowOnSite, 'entry' | 'day'> | null {
  const found = wallIn(shell.loops, wall);
  const rows = courses.rows.filter((row) => row.wall === wall && row.course === course);
  if (!found || rows.length === 0) return null;
  const { built, wall: own } = found;
  const here = courses.pieces.filter((piece) => piece.course === course);
  const ends = endsOf(built, wall);
  return {
    course,
    wall,
    length: own.length,
    thickness: own.thickness,
    stands: rows.map(({ from, to, bottom, top }) => ({ from, to, bottom, top })),
    blocks: here
      .filter((piece): piece is WallPiece => piece.kind !== 'corner' && piece.wall === wall)
      .map(({ kind, start, length, bottom, top, webs, cutEnds, mitred, ripped, notches }) => ({
        kind,
        start,
        length,
        bottom,
        top,
        webs: [...webs],
        cutEnds,
        ...(mitred ? { mitred } : {}),
        ...(ripped === undefined ? {} : { ripped }),
        ...(notches ? { notches: [...notches] } : {}),
      })),
    corners: here
      .filter((piece): piece is CornerPiece => piece.kind === 'corner')
      .filter(({ wallBefore, wallAfter }) =>
        ends.some((end) => end.wallBefore === wallBefore && end.wallAfter === wallAfter),
      )
      .map(({ make, hand, wallBefore, legBefore, websBefore, wallAfter, legAfter, websAfter, ...rest }) => ({
        make,
        hand,
        wallBefore,
        legBefore,
        websBefore: [...websBefore],
        wallAfter,
        legAfter,
        websAfter: [...websAfter],
        bottom: rest.bottom,
        top: rest.top,
        ...(rest.notches ? { notches: [...rest.notches] } : {}),
      })),
  };
}
