import type { FormSystem } from '../forms';
import { type Length, ZERO, add, subtract } from '../measure';
import type { Plan } from '../plan';
import type { HouseRules } from '../rules';
import type { BuiltLoop, Corner, HeightRest, Levels, Shell, Wall } from '../shell';
import {
  type LongLegOn,
  type Parity,
  type WallEnd,
  handOf,
  isTooSharp,
  longLegIn,
  makeOf,
  parityOf,
} from './corners';
import { type RowEnd, type RowJoint, judgeJoints, staggerOf } from './joints';
import { type OffcutPlan, planOffcuts } from './offcuts';
import type { CornerPiece, CourseFinding, Piece, StrapReason, WallPiece, WeakJoint } from './piece';
import { cutRulesOf } from './rest';
import { type RowPiece, blocksBesideCuts, clipPiece, fillEnd, mendFlimsy } from './row';
import { snapSeam } from './seam';
import { type Segment, type SegmentEnd, segmentsOf } from './segments';
import { type LaidWall, type Laying, type WallFill, layWall, leadsOf, rowEnd } from './walls';

/** What a stretch of a wall ends at in one course. */
export type RowLimit = 'corner' | 'tee' | Exclude<SegmentEnd, 'wall-end'>;

/** A stretch of one wall in one course. */
export interface CourseRow extends Omit<Segment, 'start' | 'end'> {
  readonly course: number;
  readonly wall: string;
  readonly start: RowLimit;
  readonly end: RowLimit;
  /** The whole wall at the full height of the course, between both of its ends. */
  readonly whole: boolean;
}

/** Every piece of every course, or why there is none. */
export interface Courses {
  /** Number of courses laid; zero where the plan's own number cannot be. */
  readonly count: number;
  readonly courseHeight: Length;
  /** Height of all courses together. */
  readonly height: Length;
  /** Bottom of course 1, then the top of every course, above the lowest footing. */
  readonly tops: readonly Length[];
  readonly rest: HeightRest | null;
  readonly pieces: readonly Piece[];
  readonly rows: readonly CourseRow[];
  readonly weakJoints: readonly WeakJoint[];
  readonly fills: readonly WallFill[];
  readonly offcuts: OffcutPlan;
  readonly findings: readonly CourseFinding[];
}

/** What keeps a loop's courses from being laid, or should be known of its corners. */
function cornerFindings(built: BuiltLoop, laying: Laying): readonly CourseFinding[] {
  const wallById = new Map(built.walls.map((wall) => [wall.id, wall]));
  return built.corners.flatMap((corner): CourseFinding[] => {
    const before = wallById.get(corner.wallBefore);
    const after = wallById.get(corner.wallAfter);
    if (!before || !after) return [];
    const make = makeOf(laying.system, corner, before, after);
    const at = { corner: corner.letter, loop: corner.loop };
    if (make === 'mitred') {
      const sharp =
        isTooSharp(laying.system, corner, before, after) || isTooSharp(laying.system, corner, after, before);
      return [{ kind: sharp ? 'turn-too-sharp' : 'corner-mitred', ...at }];
    }
    // A family without moulded corners laps all of them: nothing to remark on.
    return make === 'lapped' && laying.system.corner90 ? [{ kind: 'corner-lapped', ...at }] : [];
  });
}

/** One wall's row in one course: its stretches, its pieces and its joints. */
interface LaidRow {
  readonly standing: Standing;
  readonly segments: readonly Segment[];
  readonly whole: boolean;
  readonly pieces: readonly (RowPiece & { readonly bottom: Length; readonly top: Length })[];
  readonly joints: readonly RowJoint[];
}

/** Which of a wall's two corners stand in a course: both of their walls must. */
interface Standing {
  readonly start: boolean;
  readonly end: boolean;
}

/** The pattern of a full row cut to one stretch of it, and how that stretch ends. */
function rowOfSegment(laid: LaidWall, parity: Parity, segment: Segment, standing: Standing) {
  const { wall, judge } = laid;
  const full = laid.rows[parity];
  const rules = judge.cuts;
  const atStart = segment.start === 'wall-end';
  const atEnd = segment.end === 'wall-end';
  const cornerAtStart = atStart && standing.start;
  const cornerAtEnd = atEnd && standing.end;
  const from = full.startEnd.take;
  const to = subtract(wall.length, full.endEnd.take);
  // Where no corner stands the wall's own blocks take the place of its leg.
  const base = [
    ...(!standing.start && segment.from < from && full.startEnd.stub === null
      ? fillEnd(ZERO, from, rules, 'start')
      : []),
    ...full.pieces,
    ...(!standing.end && segment.to > to && full.endEnd.stub === null
      ? fillEnd(to, wall.length, rules, 'end')
      : []),
  ];
  const low = cornerAtStart ? (Math.min(from, ZERO) as Length) : segment.from;
  const high = cornerAtEnd ? (Math.max(to, wall.length) as Length) : segment.to;
  let pieces: readonly RowPiece[] = base.flatMap((piece) => {
    // Mitred pieces reach past the outside face of an inside corner; they are not clipped there.
    if (piece.mitred && ((piece.mitred.start && cornerAtStart) || (piece.mitred.end && cornerAtEnd)))
      return [piece];
    return clipPiece(piece, low, high, rules) ?? [];
  });
  if (!cornerAtStart) pieces = mendFlimsy(pieces, true, rules);
  if (!cornerAtEnd) pieces = mendFlimsy(pieces, false, rules);
  const endKind = (side: 'start' | 'end', corner: boolean): RowEnd => {
    if (corner) return rowEnd(side === 'start' ? full.startEnd : full.endEnd, wall, side === 'start');
    const kind = segment[side];
    const end = side === 'start' ? full.startEnd : full.endEnd;
    return { kind: kind !== 'wall-end' ? kind : end.make === 'tee' ? 'tee' : 'free', webs: [] };
  };
  return {
    pieces,
    joints: judgeJoints(
      { pieces, start: endKind('start', cornerAtStart), end: endKind('end', cornerAtEnd) },
      judge,
    ),
  };
}

/** One wall's row in one course; the full pattern of odd or even courses where nothing cuts it short. */
function layRowOfCourse(laid: LaidWall, course: number, levels: Levels, standing: Standing): LaidRow {
  const { wall, rows } = laid;
  const bottom = levels.tops[course - 1] as Length;
  const top = levels.tops[course] as Length;
  const segments = segmentsOf(levels.walls[wall.id] ?? [], bottom, top, wall.length);
  const [only] = segments;
  const full = rows[parityOf(course)];
  const heights = { bottom, top };
  const uncut = segments.length === 1 && only?.from === ZERO && only.to === wall.length;
  const endless = (end: WallEnd): boolean => end.make === 'free' || end.make === 'tee';
  if (uncut && (endless(full.startEnd) || standing.start) && (endless(full.endEnd) || standing.end)) {
    return {
      standing,
      segments,
      whole: only.bottom === bottom && only.top === top,
      pieces: full.pieces.map((piece) => ({ ...piece, bottom: only.bottom, top: only.top })),
      joints: full.joints,
    };
  }
  const laidSegments = segments.map((segment) => ({
    segment,
    ...rowOfSegment(laid, parityOf(course), segment, standing),
  }));
  return {
    standing,
    segments,
    whole: false,
    pieces: laidSegments.flatMap(({ pieces, segment }) =>
      pieces.map((piece) => ({ ...piece, ...heights, bottom: segment.bottom, top: segment.top })),
    ),
    joints: laidSegments.flatMap(({ joints }) => joints),
  };
}

function piecesOfRow(row: LaidRow, wall: Wall, course: number): readonly WallPiece[] {
  return row.pieces.map((piece, index): WallPiece => ({
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
    ...(piece.mitred ? { mitred: piece.mitred } : {}),
  }));
}

/** The corner piece of one course, between the wall that ends there and the wall that starts there; mitred corners have none. */
function cornerPiece(
  corner: Corner,
  before: LaidWall,
  after: LaidWall,
  course: number,
  long: LongLegOn,
  heights: { readonly bottom: Length; readonly top: Length },
): readonly CornerPiece[] {
  const endBefore = before.rows[parityOf(course)].endEnd;
  const endAfter = after.rows[parityOf(course)].startEnd;
  if (endAfter.make !== 'moulded' && endAfter.make !== 'lapped') return [];
  return [
    {
      kind: 'corner',
      make: endAfter.make,
      id: `${String(course)}:${corner.letter}`,
      course,
      corner: corner.letter,
      hand: handOf(corner, long),
      wallBefore: before.wall.id,
      legBefore: Math.max(endBefore.take, ZERO) as Length,
      websBefore: endBefore.webs,
      wallAfter: after.wall.id,
      legAfter: Math.max(endAfter.take, ZERO) as Length,
      websAfter: endAfter.webs,
      station: corner.station,
      ...heights,
    },
  ];
}

const EVIDENT: ReadonlySet<StrapReason> = new Set([
  'stagger',
  'beside-corner',
  'seam',
  'lapped-corner',
  'mitred-corner',
  'step-end',
  'free-end',
  'tee',
]);

/** Straps and stagger of one wall over all courses, and what should be said of it. */
function judgeWall(laid: LaidWall, rows: readonly LaidRow[], laying: Laying) {
  const { wall, fill } = laid;
  const least = laying.rules.length('courses.stagger.least');
  const weak: WeakJoint[] = [];
  let closest = least;
  const bonding = (row: LaidRow | undefined): readonly Length[] =>
    row?.joints.filter((joint) => joint.bonds).map((joint) => joint.at) ?? [];
  // Full rows repeat every second course, so their staggers are worked once.
  const known = new Map<readonly RowJoint[], Map<readonly RowJoint[] | undefined, readonly Length[]>>();
  const staggersOf = (row: LaidRow, below: LaidRow | undefined): readonly Length[] => {
    const under = known.get(row.joints) ?? new Map<readonly RowJoint[] | undefined, readonly Length[]>();
    const found = under.get(below?.joints) ?? staggerOf(bonding(row), bonding(below));
    known.set(row.joints, under.set(below?.joints, found));
    return found;
  };
  rows.forEach((row, index) => {
    const staggers = staggersOf(row, rows[index - 1]);
    let next = 0;
    for (const joint of row.joints) {
      const stagger = joint.bonds ? (staggers[next++] as Length) : least;
      const reasons: readonly StrapReason[] = stagger < least ? [...joint.reasons, 'stagger'] : joint.reasons;
      if (stagger < closest) closest = stagger;
      if (reasons.length > 0) {
        weak.push({
          course: index + 1,
          wall: wall.id,
          at: joint.at,
          station: add(wall.station, joint.at),
          reasons,
        });
      }
    }
  });
  const findings: CourseFinding[] = [];
  const strapped = weak.filter((joint) => joint.reasons.some((reason) => !EVIDENT.has(reason)));
  if (strapped.length > 0) {
    const reasons = [...new Set(strapped.flatMap((joint) => joint.reasons))].filter(
      (reason) => !EVIDENT.has(reason),
    );
    const cuts = [...new Set([...fill.odd.cuts, ...fill.even.cuts])];
    findings.push({ kind: 'straps', wall: wall.id, joints: strapped.length, reasons, cuts });
  }
  const close = weak.filter((joint) => joint.reasons.includes('stagger')).length;
  if (close > 0) findings.push({ kind: 'stagger', wall: wall.id, joints: close, closest });
  if (fill.seam === null) {
    const beside = Math.min(blocksBesideCuts(fill.odd), blocksBesideCuts(fill.even));
    if (beside < laying.rules.count('courses.filler.blocksFromCorner')) {
      findings.push({ kind: 'filler-near-corner', wall: wall.id });
    }
    const pitch = laying.system.interlock;
    if (pitch > 0 && fill.odd.rest % pitch !== 0) {
      const seam = snapSeam(fill, wall.length, (wall.length / 2) as Length, laying.cutRules);
      findings.push({ kind: 'off-pitch', wall: wall.id, rest: fill.odd.rest, pitch, seam });
    }
  }
  const low = rows.findIndex((row) =>
    row.pieces.some((piece) => piece.top - piece.bottom < laying.rules.length('courses.rip.least')),
  );
  const lowPiece = rows[low]?.pieces.reduce((a, b) => (a.top - a.bottom <= b.top - b.bottom ? a : b));
  if (lowPiece) {
    const height = subtract(lowPiece.top, lowPiece.bottom);
    findings.push({ kind: 'rip-too-low', wall: wall.id, course: low + 1, height });
  }
  return { weak, findings };
}

function limitOf(end: SegmentEnd, corner: boolean, make: WallEnd['make']): RowLimit {
  if (end !== 'wall-end') return end;
  if (corner) return 'corner';
  return make === 'tee' ? 'tee' : 'free';
}

interface LaidLoop {
  readonly fills: readonly WallFill[];
  readonly pieces: readonly (readonly Piece[])[];
  readonly rows: readonly CourseRow[];
  readonly weak: readonly WeakJoint[];
  readonly findings: readonly CourseFinding[];
}

/** Whether a wall stands at one of its ends in a course. */
function standsAtEnd(levels: Levels, wall: Wall | undefined, atStart: boolean, course: number): boolean {
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

function layLoop(built: BuiltLoop, levels: Levels, laying: Laying): LaidLoop {
  const none: LaidLoop = { fills: [], pieces: [], rows: [], weak: [], findings: [] };
  const atCorners = cornerFindings(built, laying);
  if (atCorners.some((finding) => finding.kind === 'turn-too-sharp')) return { ...none, findings: atCorners };
  const leads = leadsOf(built, laying);
  const tried = built.walls.map((_, index) => layWall(built, index, leads, laying));
  const walls = tried.flatMap(({ laid }) => laid ?? []);
  const wallFindings = tried.flatMap(({ findings }) => findings);
  if (walls.length < built.walls.length) {
    return { ...none, findings: wallFindings.filter((finding) => finding.kind === 'too-short-for-corners') };
  }
  const wallById = new Map(walls.map((laid) => [laid.wall.id, laid]));
  const corners = built.corners.flatMap((corner) => {
    const before = wallById.get(corner.wallBefore);
    const after = wallById.get(corner.wallAfter);
    return before && after ? [{ corner, before, after }] : [];
  });
  const numbers = Array.from({ length: levels.courses }, (_, index) => index + 1);
  const stands = (corner: (typeof corners)[number] | undefined, course: number): boolean =>
    corner !== undefined &&
    standsAtEnd(levels, corner.before.wall, false, course) &&
    standsAtEnd(levels, corner.after.wall, true, course);
  const rows = walls.map((laid) => {
    const start = corners.find(({ after }) => after === laid);
    const end = corners.find(({ before }) => before === laid);
    return numbers.map((course) =>
      layRowOfCourse(laid, course, levels, { start: stands(start, course), end: stands(end, course) }),
    );
  });
  const judged = walls.map((laid, index) => judgeWall(laid, rows[index] ?? [], laying));
  const heightsAt = (place: (typeof corners)[number], course: number) => {
    const atEnd = rows[walls.indexOf(place.before)]?.[course - 1]?.segments.at(-1);
    const atStart = rows[walls.indexOf(place.after)]?.[course - 1]?.segments[0];
    return {
      bottom: Math.min(atEnd?.bottom ?? Infinity, atStart?.bottom ?? Infinity) as Length,
      top: Math.max(atEnd?.top ?? ZERO, atStart?.top ?? ZERO) as Length,
    };
  };
  return {
    fills: walls.map((laid) => laid.fill),
    pieces: numbers.map((course) => [
      ...corners.flatMap((place) =>
        stands(place, course)
          ? cornerPiece(
              place.corner,
              place.before,
              place.after,
              course,
              longLegIn(parityOf(course), leads.get(place.corner.letter) ?? 'after'),
              heightsAt(place, course),
            )
          : [],
      ),
      ...walls.flatMap((laid, index) => piecesOfRow(rows[index]?.[course - 1] as LaidRow, laid.wall, course)),
    ]),
    rows: walls.flatMap((laid, index) =>
      (rows[index] ?? []).flatMap((row, place) =>
        row.segments.map((segment): CourseRow => ({
          ...segment,
          course: place + 1,
          wall: laid.wall.id,
          start: limitOf(segment.start, row.standing.start, laid.rows.odd.startEnd.make),
          end: limitOf(segment.end, row.standing.end, laid.rows.odd.endEnd.make),
          whole: row.whole,
        })),
      ),
    ),
    weak: judged.flatMap((wall) => wall.weak),
    findings: [...atCorners, ...wallFindings, ...judged.flatMap((wall) => wall.findings)],
  };
}

/** Where inside walls meet a wall: its foam is cut out there, in every course in which both stand. */
function teeJoints(shell: Shell, loops: readonly LaidLoop[]): readonly WeakJoint[] {
  const walls = new Map(
    shell.loops.flatMap((loop) => loop.built?.walls ?? []).map((wall) => [wall.id, wall]),
  );
  const rows = loops.flatMap((loop) => loop.rows);
  return shell.loops.flatMap(({ built }): WeakJoint[] => {
    const tee = built?.tees.start;
    const branch = built?.walls[0];
    const main = walls.get(tee?.wall ?? '');
    if (!branch || !main || !tee || tee.at === null) return [];
    const { at } = tee;
    return rows
      .filter((row) => row.wall === branch.id && row.from === ZERO)
      .filter(({ course }) =>
        rows.some((row) => row.wall === main.id && row.course === course && row.from <= at && at <= row.to),
      )
      .map(({ course }) => ({ course, wall: main.id, at, station: add(main.station, at), reasons: ['tee'] }));
  });
}

/** What `layCourses` reads of a plan besides shell and levels. */
export type CoursesInput = Pick<Plan, 'loops' | 'units'>;

/**
 * Lays the courses of every loop that stands: corners that swap their long leg from course to course, whole blocks
 * between, and the rest of each run by the six-step rule, by chosen cuts, or at the wall's common seam. Footing steps and
 * tops cut the rows short; what is cut off keeps the pattern of the whole row, so that joints and webs stay in line.
 */
export function layCourses(
  shell: Shell,
  system: FormSystem | null,
  levels: Levels,
  plan: CoursesInput,
  rules: HouseRules,
): Courses {
  const none: Courses = {
    count: 0,
    courseHeight: system?.courseHeight ?? ZERO,
    height: ZERO,
    tops: [ZERO],
    rest: null,
    pieces: [],
    rows: [],
    weakJoints: [],
    fills: [],
    offcuts: { blocks: [], opened: 0, ripped: 0, halfPieces: 0, sources: {} },
    findings: [],
  };
  if (system === null || levels.courses === 0) return none;
  const laying: Laying = {
    system,
    rules,
    cutRules: cutRulesOf(system, rules),
    units: plan.units,
    rows: new Map(plan.loops.flatMap((loop) => loop.walk.map((row) => [row.id, row]))),
  };
  const loops = shell.loops.flatMap((loop) => (loop.built ? [layLoop(loop.built, levels, laying)] : []));
  const pieces = Array.from({ length: levels.courses }, (_, index) =>
    loops.flatMap((loop) => loop.pieces[index] ?? []),
  ).flat();
  const walls = shell.loops.flatMap((loop) => loop.built?.walls ?? []);
  const offcuts = planOffcuts(pieces, walls, system, levels.rest, rules);
  return {
    count: levels.courses,
    courseHeight: system.courseHeight,
    height: levels.tops.at(-1) ?? ZERO,
    tops: levels.tops,
    rest: levels.rest,
    pieces: pieces.map((piece) => {
      const cutFrom = offcuts.sources[piece.id];
      return piece.kind === 'cut' && cutFrom ? { ...piece, cutFrom } : piece;
    }),
    rows: loops.flatMap((loop) => loop.rows),
    weakJoints: [...loops.flatMap((loop) => loop.weak), ...teeJoints(shell, loops)],
    fills: loops.flatMap((loop) => loop.fills),
    offcuts,
    findings: loops.flatMap((loop) => loop.findings),
  };
}
