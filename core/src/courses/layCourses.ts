import type { FlatWallFamily } from '../forms';
import { type Length, add, subtract, times } from '../measure';
import type { Stage } from '../plan';
import type { HouseRules } from '../rules';
import { type BuiltLoop, type Corner, type Shell, type Wall, isSquare } from '../shell';
import { cornerPiece, legOnFace, longLegOn } from './corners';
import { type RowJoint, judgeJoints, staggerOf } from './joints';
import type { CornerPiece, CourseFinding, Piece, StrapReason, WallPiece, WeakJoint } from './piece';
import { type CutRules, type RunCuts, cutRulesOf, cutRun } from './rest';
import { type RowPiece, blocksBesideCuts, layRow } from './row';

/** How one wall is filled between its corner legs; the same in every course. */
export interface WallFill extends RunCuts {
  readonly wall: string;
  /** Clear run between the legs. */
  readonly run: Length;
  /** Legs at the wall's start and end, in odd and in even courses. */
  readonly legs: { readonly odd: LegPair; readonly even: LegPair };
}

export interface LegPair {
  readonly start: Length;
  readonly end: Length;
}

/** Every piece of every course, or why there is none. */
export interface Courses {
  /** Number of courses laid; zero where the plan's own number cannot be. */
  readonly count: number;
  readonly courseHeight: Length;
  /** Height of all courses together. */
  readonly height: Length;
  readonly pieces: readonly Piece[];
  readonly weakJoints: readonly WeakJoint[];
  readonly fills: readonly WallFill[];
  readonly findings: readonly CourseFinding[];
}

type Parity = 'odd' | 'even';
const parityOf = (course: number): Parity => (course % 2 === 1 ? 'odd' : 'even');

/** A wall's row in odd or in even courses, with its joints judged. */
interface LaidRow {
  readonly legStart: Length;
  readonly pieces: readonly RowPiece[];
  readonly joints: readonly RowJoint[];
}

interface LaidWall {
  readonly wall: Wall;
  readonly fill: WallFill;
  readonly rows: Readonly<Record<Parity, LaidRow>>;
}

interface Laying {
  readonly family: FlatWallFamily;
  readonly rules: HouseRules;
  readonly cutRules: CutRules;
}

/** What keeps a loop's courses from being laid. */
function obstacles(built: BuiltLoop, laying: Laying): readonly CourseFinding[] {
  const wallById = new Map(built.walls.map((wall) => [wall.id, wall]));
  const atCorners = built.corners.flatMap((corner): CourseFinding[] => {
    if (!isSquare(corner.turn))
      return [{ kind: 'corner-not-laid', corner: corner.letter, loop: corner.loop }];
    const differ = wallById.get(corner.wallBefore)?.core !== wallById.get(corner.wallAfter)?.core;
    return differ ? [{ kind: 'cores-differ', corner: corner.letter, loop: corner.loop }] : [];
  });
  if (atCorners.length > 0) return atCorners;
  return built.walls.flatMap((wall, index): CourseFinding[] => {
    const legs = legsOf(built, index, 1, laying);
    const needs = add(legs.start, legs.end);
    return needs > wall.length
      ? [{ kind: 'too-short-for-corners', wall: wall.id, needs, has: wall.length }]
      : [];
  });
}

const cornerAt = (built: BuiltLoop, index: number): Corner =>
  built.corners[index % built.corners.length] as Corner;
const wallAt = (built: BuiltLoop, index: number): Wall =>
  built.walls[(index + built.walls.length) % built.walls.length] as Wall;

/** The two legs on a wall in a course: at its start the corner's leg on the wall after, at its end the leg before. */
function legsOf(built: BuiltLoop, wall: number, course: number, laying: Laying): LegPair {
  const long = longLegOn(course, laying.rules.choice('courses.corner.lead'));
  return {
    start: legOnFace(
      laying.family,
      cornerAt(built, wall),
      long === 'after',
      wallAt(built, wall - 1).thickness,
    ),
    end: legOnFace(
      laying.family,
      cornerAt(built, wall + 1),
      long === 'before',
      wallAt(built, wall + 1).thickness,
    ),
  };
}

function layWall(
  built: BuiltLoop,
  index: number,
  laying: Laying,
  corners: Record<Parity, readonly CornerPiece[]>,
): LaidWall {
  const { cutRules, rules } = laying;
  const wall = wallAt(built, index);
  const legs = { odd: legsOf(built, index, 1, laying), even: legsOf(built, index, 2, laying) };
  const run = subtract(wall.length, add(legs.odd.start, legs.odd.end));
  const cuts = cutRun(run, cutRules);
  const pieces = layRow(cuts, cutRules);
  const row = (parity: Parity): LaidRow => {
    const { start } = legs[parity];
    const startCorner = corners[parity][index] as CornerPiece;
    const endCorner = corners[parity][(index + 1) % built.corners.length] as CornerPiece;
    const legWebs = [
      ...startCorner.websAfter,
      ...endCorner.websBefore.map((web) => subtract(wall.length, web)),
    ];
    const joints = judgeJoints(
      { legAtStart: start, legWebs, pieces },
      cutRules,
      rules.length('courses.webToWeb.longest'),
    );
    return { legStart: start, pieces, joints };
  };
  return { wall, fill: { wall: wall.id, run, legs, ...cuts }, rows: { odd: row('odd'), even: row('even') } };
}

function piecesOfRow(laid: LaidWall, course: number, block: Length): readonly WallPiece[] {
  const { wall, rows } = laid;
  const row = rows[parityOf(course)];
  return row.pieces.map((piece, index): WallPiece => {
    const start = add(row.legStart, piece.start);
    return {
      kind: piece.kind,
      id: `${String(course)}:${wall.id}:${String(index)}`,
      course,
      wall: wall.id,
      start,
      station: add(wall.station, start),
      length: piece.length,
      webs: piece.webs,
      cutEnds: piece.cutEnds,
      ...(piece.kind === 'cut'
        ? { cutFrom: { article: 'straight', offcut: subtract(block, piece.length) } }
        : {}),
    };
  });
}

interface JudgedWall {
  readonly weak: readonly WeakJoint[];
  readonly findings: readonly CourseFinding[];
}

/** Straps and stagger of one wall over all courses. */
function judgeWall(laid: LaidWall, count: number, laying: Laying): JudgedWall {
  const { wall, fill, rows } = laid;
  const least = laying.rules.length('courses.stagger.least');
  const places = {
    odd: rows.odd.joints.map((joint) => joint.at),
    even: rows.even.joints.map((joint) => joint.at),
  };
  const staggers = { odd: staggerOf(places.odd, places.even), even: staggerOf(places.even, places.odd) };
  const weak: WeakJoint[] = [];
  let closest = least;
  for (let course = 1; course <= count; course++) {
    const parity = parityOf(course);
    rows[parity].joints.forEach((joint, index) => {
      const stagger = course === 1 ? least : (staggers[parity][index] as Length);
      const reasons: readonly StrapReason[] = stagger < least ? [...joint.reasons, 'stagger'] : joint.reasons;
      if (stagger < closest) closest = stagger;
      if (reasons.length > 0) {
        weak.push({ course, wall: wall.id, at: joint.at, station: add(wall.station, joint.at), reasons });
      }
    });
  }
  const findings: CourseFinding[] = [];
  const strapped = weak.filter((joint) => joint.reasons.some((reason) => reason !== 'stagger'));
  if (strapped.length > 0) {
    const reasons = [...new Set(strapped.flatMap((joint) => joint.reasons))].filter(
      (reason) => reason !== 'stagger',
    );
    findings.push({ kind: 'straps', wall: wall.id, joints: strapped.length, reasons, cuts: fill.cuts });
  }
  const close = weak.filter((joint) => joint.reasons.includes('stagger')).length;
  if (close > 0) findings.push({ kind: 'stagger', wall: wall.id, joints: close, closest });
  if (blocksBesideCuts(fill) < laying.rules.count('courses.filler.blocksFromCorner')) {
    findings.push({ kind: 'filler-near-corner', wall: wall.id });
  }
  if (fill.rest % laying.family.interlock !== 0) {
    findings.push({ kind: 'off-pitch', wall: wall.id, rest: fill.rest, pitch: laying.family.interlock });
  }
  return { weak, findings };
}

interface LaidLoop {
  readonly fills: readonly WallFill[];
  readonly pieces: readonly (readonly Piece[])[];
  readonly weak: readonly WeakJoint[];
  readonly findings: readonly CourseFinding[];
}

function layLoop(built: BuiltLoop, count: number, laying: Laying): LaidLoop {
  const blocked = obstacles(built, laying);
  if (blocked.length > 0) return { fills: [], pieces: [], weak: [], findings: blocked };
  const lead = laying.rules.choice('courses.corner.lead');
  const cornersOf = (course: number): readonly CornerPiece[] =>
    built.corners.map((corner, index) =>
      cornerPiece(
        laying.family,
        corner,
        wallAt(built, index - 1),
        wallAt(built, index),
        course,
        longLegOn(course, lead),
        laying.cutRules.webs,
      ),
    );
  const patterns = { odd: cornersOf(1), even: cornersOf(2) };
  const walls = built.walls.map((_, index) => layWall(built, index, laying, patterns));
  const judged = walls.map((wall) => judgeWall(wall, count, laying));
  return {
    fills: walls.map((wall) => wall.fill),
    pieces: Array.from({ length: count }, (_, index) => {
      const course = index + 1;
      return [
        ...patterns[parityOf(course)].map((corner) => ({
          ...corner,
          course,
          id: `${String(course)}:${corner.corner}`,
        })),
        ...walls.flatMap((wall) => piecesOfRow(wall, course, laying.cutRules.block)),
      ];
    }),
    weak: judged.flatMap((wall) => wall.weak),
    findings: judged.flatMap((wall) => wall.findings),
  };
}

function countFindings(stages: readonly Stage[], most: number): readonly CourseFinding[] {
  const outOfOrder = stages.find(
    (stage, index) => index > 0 && stage.toCourse <= (stages[index - 1]?.toCourse ?? 0),
  );
  const odd = stages.find(
    (stage) => !Number.isInteger(stage.toCourse) || stage.toCourse < 1 || stage.toCourse > most,
  );
  return [
    ...(odd ? [{ kind: 'courses-out-of-range' as const, courses: odd.toCourse, most }] : []),
    ...(outOfOrder
      ? [{ kind: 'stages-out-of-order' as const, stage: outOfOrder.name ?? outOfOrder.id }]
      : []),
  ];
}

/**
 * Lays running bond round every loop that stands: moulded corners that swap their long leg from course to course, whole
 * blocks between, and the rest of each run by the six-step rule, at the same place in the row in every course.
 *
 * @param stages the plan's stages; the last one's course is the top of the wall
 */
export function layCourses(shell: Shell, stages: readonly Stage[], rules: HouseRules): Courses {
  const { family } = shell;
  const none: Courses = {
    count: 0,
    courseHeight: 0 as Length,
    height: 0 as Length,
    pieces: [],
    weakJoints: [],
    fills: [],
    findings: [],
  };
  if (family === null) return none;
  const wrongCount = countFindings(stages, rules.count('courses.most'));
  if (wrongCount.length > 0) return { ...none, courseHeight: family.courseHeight, findings: wrongCount };
  const count = stages.at(-1)?.toCourse ?? 0;
  const laying: Laying = {
    family,
    rules,
    cutRules: cutRulesOf(family, rules),
  };
  const loops = shell.loops.flatMap((loop) => (loop.built ? [layLoop(loop.built, count, laying)] : []));
  return {
    count,
    courseHeight: family.courseHeight,
    height: times(family.courseHeight, count),
    pieces: Array.from({ length: count }, (_, index) =>
      loops.flatMap((loop) => loop.pieces[index] ?? []),
    ).flat(),
    weakJoints: loops.flatMap((loop) => loop.weak),
    fills: loops.flatMap((loop) => loop.fills),
    findings: loops.flatMap((loop) => loop.findings),
  };
}
