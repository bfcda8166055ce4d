import type { FormSystem } from '../../kernel/forms';
import { type Length, add, subtract, ZERO } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { type BuiltLoop, type Corner, type Shell, type Wall, isSquare } from '../outline';
import type { Courses } from './layCourses';
import { atRowEnds, mustBeFresh, reuseRulesOf } from './offcuts';
import { type CutDemand, blocksForCuts } from './pairing';
import { takenOf, turnsAlike } from './sawn';
import { type CutRules, type RunCuts, cutRulesOf, cutRun } from './rest';
import { blocksBeforeCuts } from './row';
import type { WallFill } from './walls';

/** A wall whose length changes when a face of the outline moves. */
export interface LengthChange {
  readonly wall: string;
  readonly name: string;
  /** Longer positive, shorter negative. */
  readonly by: Length;
  /** Its new length as drawn, to the face the job measures to. */
  readonly measured: Length;
}

/** A length at which a wall needs no cut, how to come to it, and what that saves over all courses. */
export interface LuckyLength {
  readonly wall: string;
  /** The wall at one end of it that moves, out or in; the outline stays closed. */
  readonly moved: string;
  readonly movedName: string;
  /** Both walls that end at the moved one: the lucky one first. */
  readonly changes: readonly [LengthChange, LengthChange];
  /** Over all courses, of both walls; never less than one cut. */
  readonly cutsSaved: number;
  /** Blocks bought less; negative where fewer cuts cost more blocks. */
  readonly blocksSaved: number;
}

/** What one wall adds to the job in blocks and cuts over all courses. */
interface WallNeed {
  readonly whole: number;
  readonly cuts: readonly CutDemand[];
}

interface Job {
  readonly loop: BuiltLoop;
  readonly fills: ReadonlyMap<string, WallFill>;
  readonly needs: ReadonlyMap<string, WallNeed>;
  /** Walls whose openings cut their rows: what a move does to them is not known from the runs alone. */
  readonly opened: ReadonlySet<string>;
  readonly cutRules: CutRules;
  readonly needOf: (odd: RunCuts, even: RunCuts) => WallNeed;
  /** What all walls need together, and the blocks that they take. */
  readonly total: WallNeed;
  readonly blocks: number;
  readonly blocksOf: (need: WallNeed) => number;
}

const at = <Item>(list: readonly Item[], index: number): Item =>
  list[((index % list.length) + list.length) % list.length] as Item;

const cutsIn = (need: WallNeed): number =>
  need.cuts.reduce((sum, each) => sum + each.fresh + each.reusable, 0);

/**
 * What one move does: wall `index` grows by `change` because the wall at its end (or start) moves, and the wall on the
 * other side of that one grows or shrinks with it. Moving a wall outward lengthens its neighbours at outside corners and
 * shortens them at inside ones.
 */
function move(job: Job, index: number, atEnd: boolean, change: Length): LuckyLength | null {
  const { loop, fills, cutRules, needs, opened } = job;
  const wall = at(loop.walls, index);
  const moved = at(loop.walls, index + (atEnd ? 1 : -1));
  const other = at(loop.walls, index + (atEnd ? 2 : -2));
  const ownCorner: Corner = at(loop.corners, atEnd ? index + 1 : index);
  const otherCorner: Corner = at(loop.corners, atEnd ? index + 2 : index - 1);
  const otherChange = (ownCorner.kind === otherCorner.kind ? change : -change) as Length;
  if (other.id === wall.id) return null;
  const gone: WallNeed[] = [];
  const come: WallNeed[] = [];
  for (const [each, by] of [
    [wall, change],
    [other, otherChange],
  ] as const) {
    const fill = fills.get(each.id);
    const need = needs.get(each.id);
    if (!fill || !need || opened.has(each.id) || fill.odd.run + by < 0 || fill.even.run + by < 0) return null;
    gone.push(need);
    come.push(job.needOf(cutRun(add(fill.odd.run, by), cutRules), cutRun(add(fill.even.run, by), cutRules)));
  }
  const after = combined(
    [job.total, 1],
    ...gone.map((need) => [need, -1] as const),
    ...come.map((need) => [need, 1] as const),
  );
  const cutsSaved = cutsIn(job.total) - cutsIn(after);
  if (cutsSaved < 1) return null;
  const changed = (each: Wall, by: Length): LengthChange => ({
    wall: each.id,
    name: each.name,
    by,
    measured: add(each.measured, by),
  });
  return {
    wall: wall.id,
    moved: moved.id,
    movedName: moved.name,
    changes: [changed(wall, change), changed(other, otherChange)],
    cutsSaved,
    blocksSaved: job.blocks - job.blocksOf(after),
  };
}

/** Cuts by length, those that must be fresh apart from those that may be offcuts. */
function demandsOf(
  cuts: readonly { readonly length: Length; readonly fresh: boolean }[],
): readonly CutDemand[] {
  const found = new Map<Length, { fresh: number; reusable: number }>();
  for (const { length, fresh } of cuts) {
    const demand = found.get(length) ?? { fresh: 0, reusable: 0 };
    found.set(length, demand);
    demand[fresh ? 'fresh' : 'reusable'] += 1;
  }
  return [...found].map(([length, demand]) => ({ length, ...demand }));
}

/** Needs added to each other or, with a minus, taken off. */
function combined(...parts: readonly (readonly [WallNeed, 1 | -1])[]): WallNeed {
  const found = new Map<Length, { fresh: number; reusable: number }>();
  let whole = 0;
  for (const [need, sign] of parts) {
    whole += sign * need.whole;
    for (const { length, fresh, reusable } of need.cuts) {
      const demand = found.get(length) ?? { fresh: 0, reusable: 0 };
      found.set(length, {
        fresh: demand.fresh + sign * fresh,
        reusable: demand.reusable + sign * reusable,
      });
    }
  }
  return { whole, cuts: [...found].map(([length, demand]) => ({ length, ...demand })) };
}

/**
 * Lucky lengths: for every wall with a cut, the nearest lengths both ways at which its clear run is a whole number of
 * blocks. Walls do not change alone: a face moves, and two walls with it, so each offer names both and counts what both
 * save together. Of the two faces that could move the one that saves more cuts is offered, then the one that saves more
 * blocks. Offers that save no cut are left out; so are loops with steps, angles, seams or cuts chosen by hand, where a
 * face does not move alone. [common practice: designing round the block]
 *
 * @returns the most cuts saved first, then the shortest way there
 */
export function luckyLengths(
  shell: Shell,
  system: FormSystem | null,
  courses: Courses,
  rules: HouseRules,
): readonly LuckyLength[] {
  if (system === null || courses.count === 0 || courses.rest !== null) return [];
  const fills = new Map(courses.fills.map((fill) => [fill.wall, fill]));
  const cutRules = cutRulesOf(system, rules);
  const reuse = reuseRulesOf(rules);
  const ends = atRowEnds(courses.pieces);
  const stepped = new Set(courses.rows.filter((row) => !row.whole).map((row) => row.wall));
  const opened = new Set(courses.rows.filter((row) => row.opened).map((row) => row.wall));
  const needs = new Map(
    courses.fills.map((fill) => [fill.wall, { whole: 0, cuts: [] as { length: Length; fresh: boolean }[] }]),
  );
  for (const piece of courses.pieces) {
    if (piece.kind === 'corner') continue;
    const need = needs.get(piece.wall);
    if (!need) continue;
    if (piece.kind === 'straight') need.whole += 1;
    else need.cuts.push({ length: takenOf(piece, cutRules), fresh: mustBeFresh(piece, ends, reuse) });
  }
  const allNeeds = new Map(
    [...needs].map(([wall, need]) => [wall, { whole: need.whole, cuts: demandsOf(need.cuts) }]),
  );
  const needOf = (odd: RunCuts, even: RunCuts): WallNeed => {
    const cuts: { length: Length; fresh: boolean }[] = [];
    let whole = 0;
    for (let course = 1; course <= courses.count; course++) {
      const fill = course % 2 === 1 ? odd : even;
      whole += fill.whole;
      const before = blocksBeforeCuts(fill);
      const last = fill.cuts.length - 1;
      fill.cuts.forEach((length, index) => {
        const besideEnd = (index === 0 && before === 0) || (index === last && fill.whole === before);
        // A filler keeps one end of its block, and where both ends of it differ another fits none of what is left.
        const taken = turnsAlike(system.block, cutRules.webs) ? length : system.block;
        cuts.push({
          length: taken,
          fresh: course < reuse.fromCourse || besideEnd || length < reuse.shortest,
        });
      });
    }
    return { whole, cuts: demandsOf(cuts) };
  };
  const blocksOf = (need: WallNeed): number =>
    need.whole + blocksForCuts(need.cuts, system.block, reuse.perBlock);
  const total = combined(...[...allNeeds.values()].map((need) => [need, 1] as const));
  const blocks = blocksOf(total);
  const way = (lucky: LuckyLength): number => Math.abs(lucky.changes[0].by);
  const better = (a: LuckyLength, b: LuckyLength): number =>
    b.cutsSaved - a.cutsSaved || way(a) - way(b) || b.blocksSaved - a.blocksSaved;
  const offers = shell.loops
    .flatMap(({ built: loop }) => {
      if (!loop || loop.open) return [];
      const movable = (wall: Wall): boolean => {
        const fill = fills.get(wall.id);
        return fill?.seam === null && fill.odd.step !== 0 && fill.even.step !== 0 && !stepped.has(wall.id);
      };
      if (!loop.walls.every(movable) || loop.corners.some((corner) => !isSquare(corner.turn))) return [];
      const job: Job = { loop, fills, opened, needs: allNeeds, cutRules, needOf, total, blocks, blocksOf };
      return loop.walls.flatMap((wall, index) => {
        const rest = fills.get(wall.id)?.odd.rest ?? ZERO;
        if (rest === 0) return [];
        return [subtract(system.block, rest), subtract(ZERO, rest)].flatMap((change) => {
          const ways = [true, false].flatMap((atEnd) => move(job, index, atEnd, change) ?? []).sort(better);
          return ways.slice(0, 1);
        });
      });
    })
    .sort(better);
  // A move that is lucky for both of its walls is one offer, not two.
  const seen = new Set<string>();
  const moveOf = ({ moved, changes }: LuckyLength): string =>
    [moved, ...changes.map(({ wall, by }) => `${wall}${String(by)}`).sort()].join('|');
  return offers.filter((offer) => seen.size < seen.add(moveOf(offer)).size);
}
