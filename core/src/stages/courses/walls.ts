import type { WalkRow, WallBond } from '../outline/plan';
import type { FormSystem } from '../../kernel/forms';
import { type Length, type UnitSystem, add, readLength, subtract, max, min } from '../../kernel/measure';
import type { Laid } from '../../kernel/record';
import type { HouseRules } from '../../kernel/rules';
import type { PlacedOpening } from '../openings';
import type { BuiltLoop, Corner, Levels, Wall } from '../outline';
import {
  type LongLegOn,
  type Parity,
  type WallEnd,
  firstLongLeg,
  freeEnd,
  longLegIn,
  wallEnd,
} from './corners';
import { type FillerCourse, hidingPlaces } from './holes';
import { type JudgeRules, type RowEnd, type RowJoint, judgeJoints, staggerOf } from './joints';
import type { CourseFinding } from './piece';
import { type CutRules, type RunCuts, cutRun, fillWith } from './rest';
import { type RowPiece, cutPiece, layRow, laySeam } from './row';

/** What laying a job's courses needs besides its walls. */
export interface Laying {
  readonly system: FormSystem;
  readonly rules: HouseRules;
  readonly cutRules: CutRules;
  readonly units: UnitSystem;
  /** What the plan sets for a wall, by its id. */
  readonly rows: ReadonlyMap<string, WalkRow>;
  readonly levels: Levels;
  /** Openings that are worked, by wall, in the order of their stations. */
  readonly holes: ReadonlyMap<string, readonly PlacedOpening[]>;
  /** What stands on site already. */
  readonly laid: Laid;
}

/** The openings of a wall. */
export const holesOf = (laying: Laying, wall: string): readonly PlacedOpening[] =>
  laying.holes.get(wall) ?? [];

/** How one wall's row is filled in odd or in even courses. */
export interface RowFill extends RunCuts {
  /** Clear run between the two ends. */
  readonly run: Length;
  /** What the ends take of the outside face. */
  readonly start: Length;
  readonly end: Length;
  /** The joint that may be trimmed to take up growth: beside the cut, or in the middle of a row without one. */
  readonly trimAt: Length;
}

/** How one wall is filled between its ends. */
export interface WallFill {
  readonly wall: string;
  /** The common seam, from the wall's first corner; null in running bond. */
  readonly seam: Length | null;
  readonly odd: RowFill;
  readonly even: RowFill;
}

/** A wall's row in odd or in even courses, with its joints judged, as long as the whole wall stands in that course. */
export interface FullRow {
  readonly fill: RowFill;
  readonly startEnd: WallEnd;
  readonly endEnd: WallEnd;
  readonly pieces: readonly RowPiece[];
  readonly joints: readonly RowJoint[];
}

export interface LaidWall {
  readonly wall: Wall;
  readonly fill: WallFill;
  readonly rows: Readonly<Record<Parity, FullRow>>;
  readonly judge: JudgeRules;
}

const PARITIES: readonly Parity[] = ['odd', 'even'];

/** Corner at the start of the wall at a place in its loop; null at a free end. */
export const cornerAtStart = (built: BuiltLoop, index: number): Corner | null =>
  built.corners.find((corner) => corner.wallAfter === built.walls[index]?.id) ?? null;
export const cornerAtEnd = (built: BuiltLoop, index: number): Corner | null =>
  built.corners.find((corner) => corner.wallBefore === built.walls[index]?.id) ?? null;

/** The wall with the long leg in the first course, corner by corner. */
export function leadsOf(built: BuiltLoop, laying: Laying): ReadonlyMap<string, LongLegOn> {
  const lead = laying.rules.choice('courses.corner.lead');
  return new Map(
    built.corners.map((corner, place) => [
      corner.letter,
      firstLongLeg(laying.rows.get(corner.wallAfter)?.lead ?? lead, place),
    ]),
  );
}

/** What `endsOf` goes by. */
interface EndsOfInput {
  readonly built: BuiltLoop;
  readonly index: number;
  readonly parity: Parity;
  readonly leads: ReadonlyMap<string, LongLegOn>;
  readonly laying: Laying;
}

/** What takes up the two ends of a wall in odd or in even courses. */
function endsOf({ built, index, parity, leads, laying }: EndsOfInput): readonly [WallEnd, WallEnd] {
  const wall = built.walls[index] as Wall;
  const wallById = (id: string): Wall => built.walls.find((each) => each.id === id) as Wall;
  const end = (corner: Corner | null, atStart: boolean): WallEnd => {
    if (!corner) {
      const tee = atStart ? built.tees.start : built.tees.end;
      return freeEnd(laying.system, parity, tee ? 'tee' : 'free');
    }
    const other = wallById(atStart ? corner.wallBefore : corner.wallAfter);
    const long = longLegIn(parity, leads.get(corner.letter) ?? 'after') === (atStart ? 'after' : 'before');
    return wallEnd({ system: laying.system, corner, own: wall, other, long, webs: laying.cutRules.webs });
  };
  return [end(cornerAtStart(built, index), true), end(cornerAtEnd(built, index), false)];
}

/** How a row ends, as its joints are judged. */
export function rowEnd(end: WallEnd, wall: Wall, atStart: boolean): RowEnd {
  const kind = (): RowEnd['kind'] => {
    if (end.make === 'lapped') return end.take > 0 || end.butts ? 'butt' : 'through';
    if (end.make === 'moulded') return 'leg';
    if (end.make === 'mitred') return 'mitre';
    return end.make === 'joined' ? 'join' : end.make;
  };
  return { kind: kind(), webs: atStart ? end.webs : end.webs.map((web) => subtract(wall.length, web)) };
}

/** The sawn piece at a wall's mitred or free end. */
function stubPiece(end: WallEnd, wall: Wall, atStart: boolean, rules: CutRules): readonly RowPiece[] {
  if (end.stub === null) return [];
  const start = atStart ? subtract(end.take, end.stub) : subtract(wall.length, end.take);
  const piece = cutPiece(start, end.stub, rules, atStart ? 'start' : 'end');
  return [end.make === 'mitred' ? { ...piece, mitred: { start: atStart, end: !atStart } } : piece];
}

/** Where a row may be trimmed to take up growth: at its last sawn end, otherwise at the joint nearest its middle. */
function trimOf(pieces: readonly RowPiece[], from: Length, to: Length): Length {
  const filler = pieces.find((piece) => piece.kind === 'cut' && piece.mitred === undefined);
  if (filler) return filler.cutEnds.start ? filler.start : add(filler.start, filler.length);
  const middle = (from + to) / 2;
  return pieces
    .map((piece) => add(piece.start, piece.length))
    .reduce((best, at) => (Math.abs(at - middle) < Math.abs(best - middle) ? at : best), from);
}

interface Bonding {
  readonly seam: Length | null;
  readonly cuts: Readonly<Record<Parity, readonly Length[]>> | null;
  readonly before: number | null;
  readonly finding: CourseFinding | null;
}

const readAll = (texts: readonly string[], units: UnitSystem): readonly Length[] =>
  texts.flatMap((text) => {
    const reading = readLength(text, units);
    return reading.ok ? [reading.length] : [];
  });

/** What `bondingOf` goes by. */
interface BondingOfInput {
  readonly bond: WallBond | undefined;
  readonly wall: Wall;
  readonly from: Length;
  readonly to: Length;
  readonly units: UnitSystem;
}

/** What the plan asks of a wall's bond. A seam must lie inside the clear run of both kinds of course. */
function bondingOf({ bond, wall, from, to, units }: BondingOfInput): Bonding {
  if (bond?.kind !== 'seam') {
    const cuts = bond?.cuts;
    return {
      seam: null,
      before: bond?.before ?? null,
      cuts: cuts ? { odd: readAll(cuts.odd, units), even: readAll(cuts.even, units) } : null,
      finding: null,
    };
  }
  const reading = readLength(bond.at, units);
  if (reading.ok && reading.length > from && reading.length < to) {
    return { seam: reading.length, cuts: null, before: null, finding: null };
  }
  return {
    seam: null,
    cuts: null,
    before: null,
    finding: { kind: 'seam-off-wall', wall: wall.id, text: bond.at },
  };
}

/** The ends of a wall in odd and in even courses. */
export type WallEnds = Readonly<Record<Parity, readonly [WallEnd, WallEnd]>>;

/** How the joints of a wall are judged. */
export const judgeRulesOf = (laying: Laying, wall: Wall, seam: Length | null): JudgeRules => ({
  curved: wall.curve !== null,
  cuts: laying.cutRules,
  longestWebToWeb: max(laying.rules.length('courses.webToWeb.longest'), laying.system.webSpacing),
  blocksFromCorner: laying.rules.count('courses.filler.blocksFromCorner'),
  seam,
});

/** Clear run of a wall between two ends. */
export const runOf = (wall: Wall, [start, end]: WallEnds[Parity]): Length =>
  subtract(wall.length, add(start.take, end.take));

/** What `fullRow` goes by. */
interface FullRowInput {
  readonly wall: Wall;
  readonly of: WallEnds[Parity];
  readonly fill: RunCuts;
  readonly inner: readonly RowPiece[];
  readonly judge: JudgeRules;
}

/** A row whose inner pieces are known, with the sawn pieces at its ends and its joints judged. */
function fullRow({ wall, of: [startEnd, endEnd], fill, inner, judge }: FullRowInput): FullRow {
  const from = startEnd.take;
  const to = subtract(wall.length, endEnd.take);
  const pieces = [
    ...stubPiece(startEnd, wall, true, judge.cuts),
    ...inner,
    ...stubPiece(endEnd, wall, false, judge.cuts),
  ];
  return {
    fill: {
      ...fill,
      run: subtract(to, from),
      start: from,
      end: endEnd.take,
      trimAt: judge.seam ?? trimOf(pieces, from, to),
    },
    startEnd,
    endEnd,
    pieces,
    joints: judgeJoints(
      { from, pieces, start: rowEnd(startEnd, wall, true), end: rowEnd(endEnd, wall, false) },
      judge,
    ),
  };
}

/** A row in running bond with given cuts. */
export const runningRow = (wall: Wall, ends: WallEnds[Parity], cuts: RunCuts, judge: JudgeRules): FullRow =>
  fullRow({ wall, of: ends, fill: cuts, inner: layRow(cuts, judge.cuts, ends[0].take), judge });

/** A row with a common seam, from its pieces. */
export function seamRow(
  wall: Wall,
  ends: WallEnds[Parity],
  inner: readonly RowPiece[],
  judge: JudgeRules,
): FullRow {
  const cuts = inner.filter((piece) => piece.kind === 'cut').map((piece) => piece.length);
  const { rest, held } = cutRun(runOf(wall, ends), judge.cuts);
  return fullRow({
    wall,
    of: ends,
    fill: { step: 0, rest, held, whole: inner.length - cuts.length, cuts },
    inner,
    judge,
  });
}

/** Both rows of a wall with a common seam, the shared cuts of each keeping clear of the other's joints. */
export function seamPieces(
  wall: Wall,
  ends: WallEnds,
  seam: Length,
  laying: Laying,
): Readonly<Record<Parity, readonly RowPiece[]>> {
  const lay = (parity: Parity, below: readonly RowPiece[]): readonly RowPiece[] =>
    laySeam({
      from: ends[parity][0].take,
      to: subtract(wall.length, ends[parity][1].take),
      seam,
      rules: laying.cutRules,
      neighbours: {
        joints: below.map((piece) => piece.start).filter((at) => at !== seam),
        stagger: laying.rules.length('courses.stagger.least'),
      },
    });
  const odd = lay('odd', lay('even', []));
  return { odd, even: lay('even', odd) };
}

/** Places of a wall's cuts that its openings hide, the best first. */
export function hidingPlacesOf(
  wall: Wall,
  ends: WallEnds,
  cuts: Readonly<Record<Parity, RunCuts>>,
  laying: Laying,
): readonly number[] {
  const holes = holesOf(laying, wall.id);
  if (holes.length === 0) return [];
  const { tops } = laying.levels;
  const courses = tops.slice(1).map((top, index): FillerCourse => ({
    parity: index % 2 === 0 ? 'odd' : 'even',
    bottom: tops[index] as Length,
    top,
  }));
  const from = { odd: ends.odd[0].take, even: ends.even[0].take };
  const beside = laying.rules.count('courses.filler.blocksFromCorner');
  return hidingPlaces({ from, cuts, block: laying.cutRules.block, courses, holes, beside });
}

const isOpenEnd = ({ make }: WallEnd): boolean => make === 'free' || make === 'tee';

/** Joints of a wall in running bond that come nearer to one of the course below than the rule. */
function stackedJoints(wall: Wall, ends: WallEnds, laying: Laying): number {
  const judge = judgeRulesOf(laying, wall, null);
  const least = laying.rules.length('courses.stagger.least');
  const [odd, even] = PARITIES.map((parity) => {
    const run = runOf(wall, ends[parity]);
    if (run < 0) return null;
    const { joints } = runningRow(wall, ends[parity], cutRun(run, laying.cutRules), judge);
    return joints.filter(({ bonds }) => bonds).map(({ at }) => at);
  });
  if (!odd || !even) return Infinity;
  return staggerOf(odd, even).filter((each) => each < least).length;
}

/**
 * What takes up the two ends of a wall in odd and in even courses. At a free end, or one against another wall, a whole block and half of
 * one take turns; which of them comes first at the last such end is chosen so that the fewest joints stand over joints.
 */
export function endsOfWall({ built, index, leads, laying }: Omit<EndsOfInput, 'parity'>): WallEnds {
  const ends = (parity: Parity): WallEnds[Parity] => endsOf({ built, index, parity, leads, laying });
  const plain = { odd: ends('odd'), even: ends('even') };
  const [start, end] = plain.odd;
  if (!isOpenEnd(start) && !isOpenEnd(end)) return plain;
  const turned = (own: WallEnds[Parity], other: WallEnds[Parity]): WallEnds[Parity] =>
    isOpenEnd(end) ? [own[0], other[1]] : [other[0], own[1]];
  const swapped = { odd: turned(plain.odd, plain.even), even: turned(plain.even, plain.odd) };
  const wall = built.walls[index] as Wall;
  return stackedJoints(wall, swapped, laying) < stackedJoints(wall, plain, laying) ? swapped : plain;
}

/** Lays one wall's rows for odd and even courses, or says why it cannot. */
export function layWall(
  built: BuiltLoop,
  index: number,
  leads: ReadonlyMap<string, LongLegOn>,
  laying: Laying,
): { readonly laid: LaidWall | null; readonly findings: readonly CourseFinding[] } {
  const { cutRules, units } = laying;
  const wall = built.walls[index] as Wall;
  const ends = endsOfWall({ built, index, leads, laying });
  const taken = PARITIES.map((parity) => add(ends[parity][0].take, ends[parity][1].take));
  const needs = max(...taken);
  if (needs > wall.length) {
    return {
      laid: null,
      findings: [{ kind: 'too-short-for-corners', wall: wall.id, needs, has: wall.length }],
    };
  }
  const froms = PARITIES.map((parity) => ends[parity][0].take);
  const tos = PARITIES.map((parity) => subtract(wall.length, ends[parity][1].take));
  const bonding = bondingOf({
    bond: laying.rows.get(wall.id)?.bond,
    wall,
    from: max(...froms),
    to: min(...tos),
    units,
  });
  const findings: CourseFinding[] = bonding.finding ? [bonding.finding] : [];
  const judge = judgeRulesOf(laying, wall, bonding.seam);
  const seamRows = bonding.seam === null ? null : seamPieces(wall, ends, bonding.seam, laying);
  const cutsOf = (parity: Parity): RunCuts => {
    const run = runOf(wall, ends[parity]);
    const chosen = bonding.cuts && fillWith(run, bonding.cuts[parity], cutRules);
    if (bonding.cuts && !chosen && !findings.some((each) => each.kind === 'cuts-do-not-fit')) {
      findings.push({ kind: 'cuts-do-not-fit', wall: wall.id });
    }
    return chosen ?? cutRun(run, cutRules);
  };
  const cuts = { odd: cutsOf('odd'), even: cutsOf('even') };
  const hides =
    laying.rules.choice('courses.filler.place') === 'openings'
      ? hidingPlacesOf(wall, ends, cuts, laying)[0]
      : undefined;
  const before = bonding.before ?? hides;
  const row = (parity: Parity): FullRow =>
    seamRows
      ? seamRow(wall, ends[parity], seamRows[parity], judge)
      : runningRow(
          wall,
          ends[parity],
          before === undefined ? cuts[parity] : { ...cuts[parity], before },
          judge,
        );
  const rows = { odd: row('odd'), even: row('even') };
  return {
    laid: {
      wall,
      fill: { wall: wall.id, seam: bonding.seam, odd: rows.odd.fill, even: rows.even.fill },
      rows,
      judge,
    },
    findings,
  };
}
