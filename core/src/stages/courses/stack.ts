import { type Length, add, subtract, ZERO, min, max } from '../../kernel/measure';
import type { PlacedOpening } from '../openings';
import type { BuiltLoop, Levels, Wall } from '../outline';
import { type Parity, type WallEnd, parityOf } from './corners';
import { type RowEnd, type RowJoint, judgeJoints } from './joints';
import type { WallPiece } from './piece';
import { type ShapedPiece, atHeights, keptOf, reaches, shapePieces, stretchesOf } from './holes';
import { type RowPiece, fillEnd, mendFlimsy } from './row';
import { type Segment, type Stretch, segmentsOf } from './segments';
import { type LaidWall, rowEnd } from './walls';

/** One wall's row in one course: its stretches, its pieces and its joints. */
export interface LaidRow {
  readonly standing: Standing;
  /** Where the wall stands in the course, whatever openings take of it. */
  readonly segments: readonly Segment[];
  /** The same without what openings take away altogether. */
  readonly stretches: readonly Stretch[];
  readonly whole: boolean;
  /** Whether an opening reaches into the course. */
  readonly opened: boolean;
  readonly pieces: readonly ShapedPiece[];
  readonly joints: readonly RowJoint[];
}

/** Which of a wall's two corners stand in a course: both of their walls must. */
export interface Standing {
  readonly start: boolean;
  readonly end: boolean;
}

/** The pattern of a full row cut to one stretch of it, and how that stretch ends. */
function rowOfSegment(laid: LaidWall, parity: Parity, segment: Stretch, standing: Standing) {
  const { wall, judge } = laid;
  const full = laid.rows[parity];
  const rules = judge.cuts;
  const atStart = segment.start === 'wall-end';
  const atEnd = segment.end === 'wall-end';
  const cornerAtStart = atStart && standing.start;
  const cornerAtEnd = atEnd && standing.end;
  const from = full.startEnd.take;
  const to = subtract(wall.length, full.endEnd.take);
  // Where no corner stands, or an opening parts it from the wall, the wall's own blocks take the place of its leg.
  const base = [
    ...(!cornerAtStart && segment.from < from && full.startEnd.stub === null
      ? fillEnd(ZERO, from, rules, 'start')
      : []),
    ...full.pieces,
    ...(!cornerAtEnd && segment.to > to && full.endEnd.stub === null
      ? fillEnd(to, wall.length, rules, 'end')
      : []),
  ];
  const low = cornerAtStart ? min(from, ZERO) : segment.from;
  const high = cornerAtEnd ? max(to, wall.length) : segment.to;
  const corners = { start: cornerAtStart, end: cornerAtEnd };
  let pieces: readonly RowPiece[] = base.flatMap(
    (piece) => keptOf({ piece, low, high, corners, rules }) ?? [],
  );
  if (!cornerAtStart) pieces = mendFlimsy(pieces, true, rules);
  if (!cornerAtEnd) pieces = mendFlimsy(pieces, false, rules);
  const endKind = (side: 'start' | 'end', corner: boolean): RowEnd => {
    if (corner) return rowEnd(side === 'start' ? full.startEnd : full.endEnd, wall, side === 'start');
    const kind = segment[side];
    const end = side === 'start' ? full.startEnd : full.endEnd;
    if (kind === 'rake') return { kind: 'free', webs: [] };
    return { kind: kind !== 'wall-end' ? kind : end.make === 'tee' ? 'tee' : 'free', webs: [] };
  };
  return {
    pieces,
    joints: judgeJoints(
      {
        from: cornerAtStart ? from : segment.from,
        pieces,
        start: endKind('start', cornerAtStart),
        end: endKind('end', cornerAtEnd),
      },
      judge,
    ),
  };
}

/** Lays a stretch of a wall in odd or in even courses. */
type LayStretch = (parity: Parity, stretch: Stretch, standing: Standing) => ReturnType<typeof rowOfSegment>;

/** The stretches of one wall, each laid once: under a window one course after the other keeps the same. */
function stretchesLaid(laid: LaidWall): LayStretch {
  const known = new Map<string, ReturnType<typeof rowOfSegment>>();
  return (parity, stretch, standing) => {
    const { from, to, start, end } = stretch;
    const name = [parity, from, to, start, end, standing.start, standing.end].join(' ');
    const row = known.get(name) ?? rowOfSegment(laid, parity, stretch, standing);
    known.set(name, row);
    return row;
  };
}

/** What `layRowOfCourse` goes by. */
interface LayRowOfCourseInput {
  readonly laid: LaidWall;
  readonly layStretch: LayStretch;
  readonly course: number;
  readonly levels: Levels;
  readonly standing: Standing;
  readonly openings: readonly PlacedOpening[];
}

/** One wall's row in one course; the full pattern of odd or even courses where nothing cuts it short. */
function layRowOfCourse({
  laid,
  layStretch,
  course,
  levels,
  standing,
  openings,
}: LayRowOfCourseInput): LaidRow {
  const { wall, rows } = laid;
  const bottom = levels.tops[course - 1] as Length;
  const top = levels.tops[course] as Length;
  const segments = segmentsOf(levels.walls[wall.id] ?? [], bottom, top, wall.length);
  const holes = openings.filter((hole) => segments.some((segment) => reaches(hole, segment)));
  const stretches: readonly Stretch[] = holes.length === 0 ? segments : stretchesOf(segments, holes);
  const opened = holes.length > 0;
  const [only] = stretches;
  const full = rows[parityOf(course)];
  const uncut = stretches.length === 1 && only?.from === ZERO && only.to === wall.length;
  const endless = (end: WallEnd): boolean => end.make === 'free' || end.make === 'tee';
  if (uncut && (endless(full.startEnd) || standing.start) && (endless(full.endEnd) || standing.end)) {
    return {
      standing,
      segments,
      stretches,
      opened,
      whole: only.bottom === bottom && only.top === top,
      pieces: shapePieces(
        full.pieces.map((piece) => atHeights(piece, only)),
        wall.id,
        holes,
      ),
      joints: full.joints,
    };
  }
  const [whole] = segments;
  const laidSegments = stretches.map((segment) => ({
    segment,
    ...layStretch(parityOf(course), segment, standing),
  }));
  return {
    standing,
    segments,
    stretches,
    opened,
    // An opening leaves the wall round it standing from end to end and at the full height of the course.
    whole:
      opened &&
      segments.length === 1 &&
      whole?.from === ZERO &&
      whole.to === wall.length &&
      whole.bottom === bottom &&
      whole.top === top &&
      (endless(full.startEnd) || standing.start) &&
      (endless(full.endEnd) || standing.end),
    pieces: shapePieces(
      laidSegments.flatMap(({ pieces, segment }) => pieces.map((piece) => atHeights(piece, segment))),
      wall.id,
      holes,
    ),
    joints: laidSegments.flatMap(({ joints }) => joints),
  };
}

/** Where blocks of a row meet, by the stretches that it stands in; what lies between two of them belongs to the first. */
export function meetsBySegment({ segments, joints }: LaidRow): readonly (readonly Length[])[] {
  const met = joints.filter(({ meets }) => meets).map(({ at }) => at);
  if (segments.length < 2) return segments.map(() => met);
  const owner = (at: Length): number => {
    const place = segments.findIndex(({ to }) => at <= to);
    return place === -1 ? segments.length - 1 : place;
  };
  return segments.map((_, index) => met.filter((at) => owner(at) === index));
}

/** Whether a wall stands at one of its ends in a course. */
export function standsAtEnd(
  levels: Levels,
  wall: Wall | undefined,
  atStart: boolean,
  course: number,
): boolean {
  const spans = (wall && levels.walls[wall.id]) ?? [];
  const span = atStart
    ? spans.find((each) => each.from === ZERO)
    : spans.find((each) => each.to === wall?.length);
  if (!span) return false;
  return (
    Math.min(span.top, levels.tops[course] as Length) >
    Math.max(span.bottom, levels.tops[course - 1] as Length)
  );
}

/** A wall's rows in every course of the job, from the bottom. A corner stands in a course where both of its walls do. */
export function rowsOfWall(
  built: BuiltLoop,
  laid: LaidWall,
  levels: Levels,
  openings: readonly PlacedOpening[],
): readonly LaidRow[] {
  const { wall } = laid;
  const wallOf = (id: string | undefined): Wall | undefined => built.walls.find((each) => each.id === id);
  const before = wallOf(built.corners.find((corner) => corner.wallAfter === wall.id)?.wallBefore);
  const after = wallOf(built.corners.find((corner) => corner.wallBefore === wall.id)?.wallAfter);
  const layStretch = stretchesLaid(laid);
  return Array.from({ length: levels.courses }, (_, index) => {
    const course = index + 1;
    const standing = {
      start: standsAtEnd(levels, before, false, course) && standsAtEnd(levels, wall, true, course),
      end: standsAtEnd(levels, wall, false, course) && standsAtEnd(levels, after, true, course),
    };
    return layRowOfCourse({ laid, layStretch, course, levels, standing, openings });
  });
}

/** A row as pieces of its course. */
export function piecesOfRow(row: LaidRow, wall: Wall, course: number): readonly WallPiece[] {
  return row.pieces.map((piece, index): WallPiece => {
    const { mitred, ripped, notches } = piece;
    const plain: WallPiece = {
      kind: piece.kind,
      id: `${String(course)}:${wall.id}:${String(index)}`,
      course,
      wall: wall.id,
      start: piece.start,
      station: add(wall.station, piece.start),
      length: piece.length,
      bottom: piece.bottom,
      top: piece.top,
      webs: piece.webs,
      cutEnds: piece.cutEnds,
    };
    if (!mitred && ripped === undefined && !notches) return plain;
    return {
      ...plain,
      ...(mitred && { mitred }),
      ...(ripped !== undefined && { ripped }),
      ...(notches && { notches }),
    };
  });
}
