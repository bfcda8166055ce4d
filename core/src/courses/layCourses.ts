import { type FormSystem, barCourses } from '../forms';
import { type Length, ZERO, add, nanometres } from '../measure';
import type { Plan } from '../plan';
import type { HouseRules } from '../rules';
import type { BuiltLoop, Corner, HeightRest, Levels, Shell, Wall } from '../shell';
import { type LongLegOn, type WallEnd, handOf, isTooSharp, longLegIn, makeOf, parityOf } from './corners';
import { asLaidFindings } from './growth';
import { judgeWall } from './judgeWall';
import { type OffcutPlan, planOffcuts } from './offcuts';
import type { CornerPiece, CourseFinding, Piece, WeakJoint } from './piece';
import { cutRulesOf } from './rest';
import type { Segment, SegmentEnd } from './segments';
import { type LaidRow, piecesOfRow, rowsOfWall, standsAtEnd } from './stack';
import { type LaidWall, type Laying, type WallFill, layWall, leadsOf } from './walls';

/** How a curved wall is bent: relief cuts between the webs of its shorter face, each a wedge wide. [common practice] */
function curveFindings(wall: Wall, laying: Laying): readonly CourseFinding[] {
  if (!wall.curve) return [];
  const { outsideLength, insideLength } = wall.curve;
  const every = laying.rules.count('courses.curve.webs') * laying.system.webSpacing;
  const cutsACourse = Math.max(1, Math.floor(wall.length / every));
  return [
    {
      kind: 'curved',
      wall: wall.id,
      outside: outsideLength,
      inside: insideLength,
      cutsABlock: Math.floor(laying.system.block / every),
      cutsACourse,
      wedge: nanometres(Math.abs(outsideLength - insideLength) / cutsACourse),
    },
  ];
}

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
    if (make === 'joined') return [];
    if (make === 'mitred') {
      const sharp =
        isTooSharp(laying.system, corner, before, after) || isTooSharp(laying.system, corner, after, before);
      return [{ kind: sharp ? 'turn-too-sharp' : 'corner-mitred', ...at }];
    }
    // A family without moulded corners laps all of them: nothing to remark on.
    return make === 'lapped' && laying.system.corner90 ? [{ kind: 'corner-lapped', ...at }] : [];
  });
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
  const rows = walls.map((laid) => rowsOfWall(built, laid, levels));
  const rowsOf = new Map(walls.map((laid, index) => [laid, rows[index]]));
  const judged = walls.map((laid, index) => judgeWall(laid, rows[index] ?? [], laying));
  const heightsAt = (place: (typeof corners)[number], course: number) => {
    const atEnd = rowsOf.get(place.before)?.[course - 1]?.segments.at(-1);
    const atStart = rowsOf.get(place.after)?.[course - 1]?.segments[0];
    return {
      bottom: Math.min(atEnd?.bottom ?? Infinity, atStart?.bottom ?? Infinity) as Length,
      top: Math.max(atEnd?.top ?? ZERO, atStart?.top ?? ZERO) as Length,
    };
  };
  return {
    fills: walls.map((laid) => laid.fill),
    pieces: numbers.map((course) => [
      ...corners.flatMap((place) =>
        standsAtEnd(levels, place.before.wall, false, course) &&
        standsAtEnd(levels, place.after.wall, true, course)
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
    findings: [
      ...atCorners,
      ...wallFindings,
      ...walls.flatMap((laid) => curveFindings(laid.wall, laying)),
      ...judged.flatMap((wall) => wall.findings),
      ...walls.flatMap((laid) => asLaidFindings(laid, levels.courses, laying)),
    ],
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

/** The laying rules of a job. */
export const layingOf = (system: FormSystem, plan: CoursesInput, rules: HouseRules): Laying => ({
  system,
  rules,
  cutRules: cutRulesOf(system, rules),
  units: plan.units,
  rows: new Map(plan.loops.flatMap((loop) => loop.walk.map((row) => [row.id, row]))),
});

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
    offcuts: { blocks: [], opened: 0, ripped: 0, halfPieces: 0, byCore: [], sources: {} },
    findings: [],
  };
  if (system === null || levels.courses === 0) return none;
  const laying = layingOf(system, plan, rules);
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
    findings: [
      ...loops.flatMap((loop) => loop.findings),
      ...(shell.family?.kind === 'cell' && pieces.length > 0
        ? [{ kind: 'cell-bars' as const, courses: barCourses(shell.family, levels.courses) }]
        : []),
    ],
  };
}
