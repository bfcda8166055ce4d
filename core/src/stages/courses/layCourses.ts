import { dequal } from 'dequal';
import { type Memory, NO_MEMORY } from '../../kernel/engine/memory';
import type { Worked } from '../../kernel/engine/stage';
import { type FormSystem, barCourses } from '../../kernel/forms';
import { type Length, add, nanometres, subtract, ZERO, max } from '../../kernel/measure';
import { type Openings, holesByWall } from '../openings';
import type { Plan } from '../../kernel/plan';
import type { Laid } from '../../kernel/record';
import type { HouseRules } from '../../kernel/rules';
import {
  type BuiltLoop,
  type Corner,
  type HeightRest,
  type Levels,
  type Shell,
  type Wall,
  meetingsOf,
} from '../outline';
import { type LongLegOn, type WallEnd, handOf, isTooSharp, longLegIn, makeOf, parityOf } from './corners';
import { openingBoards } from './boards';
import {
  type Frozen,
  blocksBefore,
  fitsWall,
  frozenCorner,
  frozenIn,
  frozenRow,
  leadsByCourse,
} from './frozen';
import { asLaidFindings } from './growth';
import { cutLeg, notchesIn } from './holes';
import { judgeWall } from './judgeWall';
import { type OffcutPlan, planOffcuts } from './offcuts';
import type { CornerPiece, CourseFinding, Piece, WeakJoint } from './piece';
import { cutRulesOf } from './rest';
import type { Segment, SegmentEnd } from './segments';
import { type LaidRow, meetsBySegment, piecesOfRow, rowsOfWall, standsAtEnd } from './stack';
import {
  type LaidWall,
  type Laying,
  type WallFill,
  cornerAtEnd,
  cornerAtStart,
  holesOf,
  layWall,
  leadsOf,
} from './walls';

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

/** A stretch of one wall in one course, whatever openings take of it. */
export interface CourseRow extends Omit<Segment, 'start' | 'end'> {
  readonly course: number;
  readonly wall: string;
  readonly start: RowLimit;
  readonly end: RowLimit;
  /** The whole wall at the full height of the course, between both of its ends. */
  readonly whole: boolean;
  /** Whether an opening reaches into the wall in this course. */
  readonly opened: boolean;
  /** Where two of its blocks meet, or one of them a block of another wall, from the wall's first corner. */
  readonly joints: readonly Length[];
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
  /** How many of them no choice of bond or hand changes: where walls meet, over wide heads, up short piers. */
  readonly fixedJoints: number;
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

/** The wall that ends at a corner and the one that starts there, and how much of each an opening leaves at it in a course. */
interface CornerPlace {
  readonly corner: Corner;
  readonly before: LaidWall;
  readonly after: LaidWall;
  readonly roomBefore: Length;
  readonly roomAfter: Length;
}

/** What `cornerPiece` goes by. */
interface CornerPieceInput {
  readonly of: CornerPlace;
  readonly course: number;
  readonly long: LongLegOn;
  readonly heights: { readonly bottom: Length; readonly top: Length };
  readonly laying: Laying;
}

/** The corner piece of one course; mitred corners have none. */
function cornerPiece({
  of: { corner, before, after, roomBefore, roomAfter },
  course,
  long,
  heights,
  laying,
}: CornerPieceInput): readonly CornerPiece[] {
  const endBefore = before.rows[parityOf(course)].endEnd;
  const endAfter = after.rows[parityOf(course)].startEnd;
  if (endAfter.make !== 'moulded' && endAfter.make !== 'lapped') return [];
  const take = (end: WallEnd): Length => max(end.take, ZERO);
  const legBefore = cutLeg(take(endBefore), endBefore.webs, roomBefore, laying.cutRules);
  const legAfter = cutLeg(take(endAfter), endAfter.webs, roomAfter, laying.cutRules);
  const from = subtract(before.wall.length, legBefore.leg);
  const notches = [
    ...notchesIn(
      { from, to: before.wall.length, ...heights },
      before.wall.id,
      holesOf(laying, before.wall.id),
    ),
    ...notchesIn({ from: ZERO, to: legAfter.leg, ...heights }, after.wall.id, holesOf(laying, after.wall.id)),
  ];
  return [
    {
      kind: 'corner',
      make: endAfter.make,
      id: `${String(course)}:${corner.letter}`,
      course,
      corner: corner.letter,
      hand: handOf(corner, long),
      wallBefore: before.wall.id,
      legBefore: legBefore.leg,
      websBefore: legBefore.webs,
      wallAfter: after.wall.id,
      legAfter: legAfter.leg,
      websAfter: legAfter.webs,
      station: corner.station,
      ...heights,
      ...(notches.length === 0 ? {} : { notches }),
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

/** One wall in every course. */
interface LaidInCourses {
  /** As it is laid in its top course; null where it is too short for its corners. */
  readonly laid: LaidWall | null;
  /** As it is laid in each course: what stands on site may turn its corners part-way up. */
  readonly laidIn: readonly LaidWall[];
  readonly stack: readonly LaidRow[];
  readonly rows: readonly CourseRow[];
  readonly pieces: readonly (readonly Piece[])[];
  readonly weak: readonly WeakJoint[];
  /** What keeps it from being laid, or should be known of how it is filled; then of its courses. */
  readonly findings: readonly CourseFinding[];
  readonly judged: readonly CourseFinding[];
}

/** What `layInCourses` goes by. */
interface LayInCoursesInput {
  readonly built: BuiltLoop;
  readonly index: number;
  readonly leads: ReadonlyMap<string, LongLegOn>;
  /** The same by course, as far as what stands turns them. */
  readonly leadsIn: readonly ReadonlyMap<string, LongLegOn>[];
  readonly frozen: Frozen;
  readonly laying: Laying;
}

/** The laying with the cuts of a wall after so many whole blocks. */
function withCutsAfter(laying: Laying, wall: string, before: number): Laying {
  const row = laying.rows.get(wall);
  if (!row || row.bond?.kind === 'seam') return laying;
  const bond = { kind: 'running' as const, ...row.bond, before };
  return { ...laying, rows: new Map(laying.rows).set(wall, { ...row, bond }) };
}

/** Rows of a wall by course, where part of it stands: each way that it is laid once, and what stands in its place. */
function rowsOnSite(
  { built, index, leads, leadsIn, frozen, laying }: LayInCoursesInput,
  planned: readonly LaidRow[],
  own: LaidWall,
) {
  const { wall } = own;
  const ways = new Map<string, { readonly laid: LaidWall; readonly stack: readonly LaidRow[] }>();
  const ends = [cornerAtStart(built, index), cornerAtEnd(built, index)].flatMap((each) => each?.letter ?? []);
  let before: number | null = null;
  const way = (course: number) => {
    const inCourse = leadsIn[course - 1] ?? leads;
    const name = [...ends.map((each) => inCourse.get(each) ?? ''), String(before)].join(' ');
    const known = ways.get(name);
    if (known) return known;
    const asAsked = before === null ? laying : withCutsAfter(laying, wall.id, before);
    const laid = layWall(built, index, inCourse, asAsked).laid ?? own;
    const stack = rowsOfWall(built, laid, laying.levels, holesOf(laying, wall.id));
    ways.set(name, { laid, stack });
    return { laid, stack };
  };
  const findings: CourseFinding[] = [];
  const rows = planned.map((row, place) => {
    const course = place + 1;
    const here = way(course);
    const stands = frozen.row(wall.id, course);
    const now = here.stack[place] ?? row;
    if (!stands) return { laid: here.laid, row: now };
    const told = { wall: wall.id, course, day: stands.day };
    if (!fitsWall(wall, now, stands)) {
      findings.push({ kind: 'laid-elsewhere', ...told });
      return { laid: here.laid, row: now };
    }
    const asLaid = frozenRow(here.laid, now, course, stands);
    // Compared with the plan's own row, whatever stands under it.
    if (!dequal(asLaid.pieces, row.pieces)) findings.push({ kind: 'laid-otherwise', ...told });
    // Cuts that were moved are moved in all courses above, so that joints keep their stagger.
    const moved = asLaid === now || now.opened ? null : blocksBefore(asLaid.pieces);
    if (moved !== null && moved !== blocksBefore(now.pieces)) before = moved;
    return { laid: here.laid, row: asLaid };
  });
  return { rows, findings };
}

/** Lays one wall of a loop in every course, and judges it. */
function layInCourses(input: LayInCoursesInput): LaidInCourses {
  const { built, index, leads, frozen, laying } = input;
  const { laid: own, findings } = layWall(built, index, leads, laying);
  if (!own) return { laid: own, laidIn: [], findings, stack: [], rows: [], pieces: [], weak: [], judged: [] };
  const planned = rowsOfWall(built, own, laying.levels, holesOf(laying, own.wall.id));
  const onSite = frozen.any ? rowsOnSite(input, planned, own) : null;
  const stack = onSite?.rows.map(({ row }) => row) ?? planned;
  const laidIn = onSite?.rows.map(({ laid }) => laid) ?? planned.map(() => own);
  const laid = laidIn.at(-1) ?? own;
  const judged = judgeWall(laid, stack, laying);
  const { odd } = laid.rows;
  return {
    laid,
    laidIn,
    findings: [...findings, ...(onSite?.findings ?? [])],
    stack,
    rows: stack.flatMap((row, place) => {
      const joints = meetsBySegment(row);
      return row.segments.map((segment, index): CourseRow => ({
        ...segment,
        course: place + 1,
        wall: laid.wall.id,
        joints: joints[index] ?? [],
        opened: row.opened,
        start: limitOf(segment.start, row.standing.start, odd.startEnd.make),
        end: limitOf(segment.end, row.standing.end, odd.endEnd.make),
        whole: row.whole,
      }));
    }),
    pieces: stack.map((row, place) => piecesOfRow(row, laid.wall, place + 1)),
    weak: judged.weak,
    judged: judged.findings,
  };
}

function layLoop(built: BuiltLoop, levels: Levels, laying: Laying, memory: Memory): LaidLoop {
  const none: LaidLoop = { fills: [], pieces: [], rows: [], weak: [], findings: [] };
  const atCorners = cornerFindings(built, laying);
  if (atCorners.some((finding) => finding.kind === 'turn-too-sharp')) return { ...none, findings: atCorners };
  const leads = leadsOf(built, laying);
  const { system, cutRules, units } = laying;
  const frozen = frozenIn(built, laying.laid);
  const leadsIn = leadsByCourse(built, leads, frozen, levels.courses);
  const common = [built, [...leads], levels, system, cutRules, units];
  const tried = built.walls.map(({ id }, index) =>
    memory.part(
      `courses of ${id}`,
      [
        index,
        laying.rows.get(id),
        holesOf(laying, id),
        common,
        frozen.any && leadsIn.map((each) => [...each]),
        laying.laid.rows.filter((row) => row.wall === id),
        laying.laid.pulled.filter((each) => each.wall === id),
      ],
      () => layInCourses({ built, index, leads, leadsIn, frozen, laying }),
    ),
  );
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
  const laidIn = new Map(tried.flatMap((each) => (each.laid ? [[each.laid.wall.id, each.laidIn]] : [])));
  const inCourse = (laid: LaidWall, course: number): LaidWall =>
    laidIn.get(laid.wall.id)?.[course - 1] ?? laid;
  const numbers = Array.from({ length: levels.courses }, (_, index) => index + 1);
  const rowsOf = new Map(tried.map(({ laid, stack }) => [laid, stack]));
  const roomAt = (place: (typeof corners)[number], course: number): CornerPlace => {
    const last = rowsOf.get(place.before)?.[course - 1]?.stretches.at(-1);
    const first = rowsOf.get(place.after)?.[course - 1]?.stretches[0];
    return {
      ...place,
      before: inCourse(place.before, course),
      after: inCourse(place.after, course),
      // An opening that reaches the corner itself leaves it no leg: what is left before it is the wall's own.
      roomBefore: last?.end === 'wall-end' ? subtract(place.before.wall.length, last.from) : ZERO,
      roomAfter: first?.start === 'wall-end' ? first.to : ZERO,
    };
  };
  const heightsAt = (place: (typeof corners)[number], course: number) => {
    const atEnd = rowsOf.get(place.before)?.[course - 1]?.segments.at(-1);
    const atStart = rowsOf.get(place.after)?.[course - 1]?.segments[0];
    return {
      bottom: Math.min(atEnd?.bottom ?? Infinity, atStart?.bottom ?? Infinity) as Length,
      top: max(atEnd?.top ?? ZERO, atStart?.top ?? ZERO),
    };
  };
  /** The corner as it stands, where both of its walls are still those that it was laid for. */
  const standsAt = ({ corner, before, after }: (typeof corners)[number], course: number) => {
    const fits = [before, after].every(({ wall }) => {
      const row = frozen.row(wall.id, course);
      return !row || fitsWall(wall, rowsOf.get(wallById.get(wall.id) ?? null)?.[course - 1], row);
    });
    return fits ? frozen.corner(corner, course) : undefined;
  };
  return {
    fills: walls.map((laid) => laid.fill),
    pieces: numbers.map((course) => [
      ...corners.flatMap((place) =>
        standsAtEnd(levels, place.before.wall, false, course) &&
        standsAtEnd(levels, place.after.wall, true, course)
          ? cornerPiece({
              of: roomAt(place, course),
              course,
              long: longLegIn(
                parityOf(course),
                leadsIn[course - 1]?.get(place.corner.letter) ?? leads.get(place.corner.letter) ?? 'after',
              ),
              heights: heightsAt(place, course),
              laying,
            }).map((piece) => frozenCorner(piece, standsAt(place, course)))
          : [],
      ),
      ...tried.flatMap(({ pieces }) => pieces[course - 1] ?? []),
    ]),
    rows: tried.flatMap(({ rows }) => rows),
    weak: tried.flatMap(({ weak }) => weak),
    findings: [
      ...atCorners,
      ...wallFindings,
      ...walls.flatMap((laid) => curveFindings(laid.wall, laying)),
      ...tried.flatMap(({ judged }) => judged),
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
  return meetingsOf(shell).flatMap(({ through, wall, atStart, at }): WeakJoint[] => {
    const main = walls.get(through);
    const length = walls.get(wall)?.length;
    if (!main) return [];
    return rows
      .filter((row) => row.wall === wall && (atStart ? row.from === ZERO : row.to === length))
      .filter(({ course }) =>
        rows.some((row) => row.wall === main.id && row.course === course && row.from <= at && at <= row.to),
      )
      .map(({ course }) => ({ course, wall: main.id, at, station: add(main.station, at), reasons: ['tee'] }));
  });
}

/** What `layCourses` reads of a plan besides shell and levels. */
type CoursesInput = Pick<Plan, 'loops' | 'units' | 'laid'>;

const NOTHING_LAID: Laid = { rows: [], pulled: [] };

/** What `layingOf` goes by. */
interface LayingOfInput {
  readonly system: FormSystem;
  readonly plan: CoursesInput;
  readonly rules: HouseRules;
  readonly levels: Levels;
  readonly openings: Openings;
}

/** The laying rules of a job. */
export const layingOf = ({ system, plan, rules, levels, openings }: LayingOfInput): Laying => ({
  system,
  levels,
  holes: holesByWall(openings),
  rules,
  cutRules: cutRulesOf(system, rules),
  units: plan.units,
  rows: new Map(plan.loops.flatMap((loop) => loop.walk.map((row) => [row.id, row]))),
  laid: plan.laid ?? NOTHING_LAID,
});

/**
 * Lays the courses of every loop that stands: corners that swap their long leg from course to course, whole blocks
 * between, and the rest of each run by the six-step rule, by chosen cuts, or at the wall's common seam. Footing steps,
 * tops and openings cut the rows short; what is left keeps the pattern of the whole row, so that joints and webs stay in
 * line. Blocks inside an opening are not laid, those at its edges are cut, those across its sill or head ripped or notched.
 */
export function layCourses(
  { shell, system, levels, openings }: Pick<Worked, 'shell' | 'system' | 'levels' | 'openings'>,
  plan: CoursesInput,
  rules: HouseRules,
  memory: Memory = NO_MEMORY,
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
    fixedJoints: 0,
    fills: [],
    offcuts: { blocks: [], opened: 0, ripped: 0, halfPieces: 0, byCore: [], sources: {} },
    findings: [],
  };
  if (system === null || levels.courses === 0) return none;
  const laying = layingOf({ system, plan, rules, levels, openings });
  const loops = shell.loops.flatMap((loop) =>
    loop.built ? [layLoop(loop.built, levels, laying, memory)] : [],
  );
  const pieces = Array.from({ length: levels.courses }, (_, index) =>
    loops.flatMap((loop) => loop.pieces[index] ?? []),
  ).flat();
  const walls = shell.loops.flatMap((loop) => loop.built?.walls ?? []);
  const fixed = [
    ...teeJoints(shell, loops),
    ...openingBoards(openings, new Map(walls.map((wall) => [wall.id, wall])), levels, rules),
  ];
  const offcuts = planOffcuts({ pieces, walls, system, rest: levels.rest, rules });
  return {
    count: levels.courses,
    courseHeight: system.courseHeight,
    height: levels.tops.at(-1) ?? ZERO,
    tops: levels.tops,
    rest: levels.rest,
    pieces: pieces.map((piece) => {
      const cutFrom = piece.kind === 'cut' ? offcuts.sources[piece.id] : undefined;
      return piece.kind === 'cut' && cutFrom ? { ...piece, cutFrom } : piece;
    }),
    rows: loops.flatMap((loop) => loop.rows),
    weakJoints: [...loops.flatMap((loop) => loop.weak), ...fixed],
    fixedJoints: fixed.length,
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
