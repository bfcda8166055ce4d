import { type Length, add, subtract, min, max } from '../../kernel/measure';
import { type PlacedOpening, type Rect, halfWidthAt, overlap, takenBetween } from '../openings';
import type { Notch } from './piece';
import type { CutRules, RunCuts } from './rest';
import { type RowPiece, clipPiece } from './row';
import type { Segment, Stretch } from './segments';

/** A stretch of a course, or a piece in it: where it lies, and its heights. */
interface PieceHeight {
  readonly bottom: Length;
  readonly top: Length;
}

/** A piece of a row with its heights and what openings take out of it. */
export interface ShapedPiece extends RowPiece, PieceHeight {
  /** Ripped lower under a sill or over a head: the opening that it lies at. */
  readonly ripped?: string;
  readonly notches?: readonly Notch[];
}

/**
 * A piece of a row at the heights of a stretch. Written out: a job has thousands of them, and each copied by spreading took as long as ten
 * written out.
 */
export function atHeights(
  { kind, start, length, webs, cutEnds, mitred }: RowPiece,
  { bottom, top }: PieceHeight,
): RowPiece & PieceHeight {
  return mitred
    ? { kind, start, length, webs, cutEnds, mitred, bottom, top }
    : { kind, start, length, webs, cutEnds, bottom, top };
}

/** Whether an opening takes anything of a stretch. */
export const reaches = (hole: PlacedOpening, rect: Rect): boolean => overlap(hole.hole, rect);

/** Stretches without what openings take of them from the bottom of the course to its top. */
export function stretchesOf(
  segments: readonly Segment[],
  holes: readonly PlacedOpening[],
): readonly Stretch[] {
  return segments.flatMap((segment): Stretch[] => {
    const gaps = holes.flatMap((hole) => {
      const taken = takenBetween(hole.hole, segment.bottom, segment.top);
      return taken && taken.to > segment.from && taken.from < segment.to ? [taken] : [];
    });
    if (gaps.length === 0) return [segment];
    const left: Stretch[] = [];
    let { from } = segment;
    let start: Stretch['start'] = segment.start;
    for (const gap of [...gaps].sort((a, b) => a.from - b.from)) {
      if (gap.from > from) left.push({ ...segment, from, to: gap.from, start, end: 'opening' });
      if (gap.to > from) {
        from = gap.to;
        start = 'opening';
      }
    }
    if (segment.to > from) left.push({ ...segment, from, start });
    return left;
  });
}

/** Stretches of a wall that a common seam may hide in. */
export const seamHoles = (
  openings: readonly PlacedOpening[] | undefined,
): readonly { readonly from: Length; readonly to: Length }[] =>
  (openings ?? []).map(({ hole }) => ({ from: hole.from, to: hole.to }));

/** What openings take out of a rectangle of foam that they do not take away altogether. */
export function notchesIn(rect: Rect, wall: string, holes: readonly PlacedOpening[]): readonly Notch[] {
  return holes.flatMap(({ id, hole }): Notch[] => {
    if (!overlap(hole, rect)) return [];
    const top = min(hole.top, rect.top);
    return [
      {
        wall,
        opening: id,
        from: max(hole.from, rect.from),
        to: min(hole.to, rect.to),
        bottom: max(hole.bottom, rect.bottom),
        top,
        arched: hole.rise > 0 && top > hole.top - hole.rise,
      },
    ];
  });
}

/** A piece wholly under a sill or over a flat head is ripped lower; every other one that an opening reaches is notched. */
function shaped(piece: RowPiece & PieceHeight, wall: string, holes: readonly PlacedOpening[]): ShapedPiece {
  const rect: Rect = {
    from: piece.start,
    to: add(piece.start, piece.length),
    bottom: piece.bottom,
    top: piece.top,
  };
  let left = rect;
  let ripped: string | undefined;
  for (const { id, hole } of holes) {
    if (!overlap(hole, left) || hole.from > left.from || hole.to < left.to) continue;
    const underSill = hole.bottom > left.bottom && hole.top >= left.top;
    const overHead = hole.bottom <= left.bottom && hole.top < left.top && hole.rise === 0;
    const centre = (hole.from + hole.to) / 2;
    const reach = Math.max(centre - left.from, left.to - centre);
    if (underSill && halfWidthAt(hole, left.top) >= reach) {
      left = { ...left, top: hole.bottom };
      ripped = id;
    } else if (overHead) {
      left = { ...left, bottom: hole.top };
      ripped = id;
    }
  }
  const notches = notchesIn(left, wall, holes);
  return {
    ...piece,
    bottom: left.bottom,
    top: left.top,
    ...(ripped === undefined ? {} : { ripped }),
    ...(notches.length === 0 ? {} : { notches }),
  };
}

/** The pieces of a stretch with what openings take out of them. */
export const shapePieces = (
  pieces: readonly (RowPiece & PieceHeight)[],
  wall: string,
  holes: readonly PlacedOpening[],
): readonly ShapedPiece[] =>
  holes.length === 0 ? pieces : pieces.map((piece) => shaped(piece, wall, holes));

/** A corner's leg as far as an opening leaves it, with the webs that the saw leaves whole. */
export function cutLeg(
  leg: Length,
  webs: readonly Length[],
  room: Length,
  rules: CutRules,
): { readonly leg: Length; readonly webs: readonly Length[] } {
  if (room >= leg) return { leg, webs };
  return { leg: room, webs: webs.filter((web) => subtract(room, web) >= rules.webs.clearOfCut) };
}

/** A course of one wall as its fillers are placed in it: which kind of row it has, and its heights. */
export interface FillerCourse extends PieceHeight {
  readonly parity: 'odd' | 'even';
}

/** Worth of a filler that disappears in an opening, and of one that lies over or under it. [ours] */
const DISAPPEARS = 2;
const BESIDE = 1;

/** What `hidden` goes by. */
interface HiddenInput {
  readonly before: number;
  readonly from: Readonly<Record<'odd' | 'even', Length>>;
  readonly cuts: Readonly<Record<'odd' | 'even', RunCuts>>;
  readonly block: Length;
  readonly courses: readonly FillerCourse[];
  readonly holes: readonly PlacedOpening[];
}

/** How well cuts are hidden by openings when so many whole blocks stand before them, over all courses. */
function hidden({ before, from, cuts, block, courses, holes }: HiddenInput): number {
  return courses.reduce((sum, course) => {
    const own = cuts[course.parity];
    if (own.cuts.length === 0) return sum;
    const start = from[course.parity] + before * block;
    const end = start + own.cuts.reduce((total, cut) => total + cut, 0);
    const over = holes.filter(({ hole }) => hole.from <= start && end <= hole.to);
    if (over.length === 0) return sum;
    const gone = over.some(({ hole }) => {
      const taken = takenBetween(hole, course.bottom, course.top);
      return taken !== null && taken.from <= start && end <= taken.to;
    });
    return sum + (gone ? DISAPPEARS : BESIDE);
  }, 0);
}

/** What `hidingPlaces` goes by. */
interface HidingPlacesInput {
  readonly from: Readonly<Record<'odd' | 'even', Length>>;
  readonly cuts: Readonly<Record<'odd' | 'even', RunCuts>>;
  readonly block: Length;
  readonly courses: readonly FillerCourse[];
  readonly holes: readonly PlacedOpening[];
  /** Whole blocks wanted between a corner and the cuts. */
  readonly beside: number;
}

/**
 * Whole blocks to lay before the cuts so that openings hide them, the best first; empty where no place does. The same
 * number in odd and in even courses, so that all joints shift together. [common practice]
 */
export function hidingPlaces({
  from,
  cuts,
  block,
  courses,
  holes,
  beside,
}: HidingPlacesInput): readonly number[] {
  const whole = Math.min(cuts.odd.whole, cuts.even.whole);
  const middle = whole / 2;
  const found: { readonly before: number; readonly worth: number }[] = [];
  for (let before = beside; before <= whole - beside; before++) {
    const worth = hidden({ before, from, cuts, block, courses, holes });
    if (worth > 0) found.push({ before, worth });
  }
  return found
    .sort((a, b) => b.worth - a.worth || Math.abs(a.before - middle) - Math.abs(b.before - middle))
    .map((each) => each.before);
}

/** What `keptOf` goes by. */
interface KeptOfInput {
  readonly piece: RowPiece;
  readonly low: Length;
  readonly high: Length;
  readonly corners: { readonly start: boolean; readonly end: boolean };
  readonly rules: CutRules;
}

/** The part of a whole row that a stretch keeps; nothing of it reaches past the stretch but a mitre at a corner. */
export function keptOf({ piece, low, high, corners, rules }: KeptOfInput): RowPiece | null {
  // Mitred pieces reach past the outside face of an inside corner; they are not clipped there.
  const freeStart = piece.mitred?.start === true && corners.start;
  const freeEnd = piece.mitred?.end === true && corners.end;
  return clipPiece(
    piece,
    freeStart ? piece.start : low,
    freeEnd ? add(piece.start, piece.length) : high,
    rules,
  );
}
