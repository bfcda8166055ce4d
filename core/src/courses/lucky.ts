import { type Length, add, subtract } from '../measure';
import type { HouseRules } from '../rules';
import type { BuiltLoop, Corner, Shell, Wall } from '../shell';
import type { Courses, WallFill } from './layCourses';
import { type CutRules, type RunCuts, cutRulesOf, cutRun } from './rest';

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

interface Job {
  readonly loop: BuiltLoop;
  readonly fills: ReadonlyMap<string, WallFill>;
  readonly cutRules: CutRules;
  readonly courses: number;
}

const at = <Item>(list: readonly Item[], index: number): Item =>
  list[((index % list.length) + list.length) % list.length] as Item;

const bought = (cuts: RunCuts): number => cuts.whole + cuts.cuts.length;

/**
 * What one move does: wall `index` grows by `change` because the wall at its end (or start) moves, and the wall on the
 * other side of that one grows or shrinks with it. Moving a wall outward lengthens its neighbours at outside corners and
 * shortens them at inside ones.
 */
function move(job: Job, index: number, atEnd: boolean, change: Length): LuckyLength | null {
  const { loop, fills, cutRules, courses } = job;
  const wall = at(loop.walls, index);
  const moved = at(loop.walls, index + (atEnd ? 1 : -1));
  const other = at(loop.walls, index + (atEnd ? 2 : -2));
  const ownCorner: Corner = at(loop.corners, atEnd ? index + 1 : index);
  const otherCorner: Corner = at(loop.corners, atEnd ? index + 2 : index - 1);
  const otherChange = (ownCorner.kind === otherCorner.kind ? change : -change) as Length;
  if (other.id === wall.id) return null;
  let cutsSaved = 0;
  let blocksSaved = 0;
  for (const [each, by] of [
    [wall, change],
    [other, otherChange],
  ] as const) {
    const fill = fills.get(each.id);
    if (!fill || fill.run + by < 0) return null;
    const after = cutRun(add(fill.run, by), cutRules);
    cutsSaved += fill.cuts.length - after.cuts.length;
    blocksSaved += bought(fill) - bought(after);
  }
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
    cutsSaved: cutsSaved * courses,
    blocksSaved: blocksSaved * courses,
  };
}

/**
 * Lucky lengths: for every wall with a cut, the nearest lengths both ways at which its clear run is a whole number of
 * blocks. Walls do not change alone: a face moves, and two walls with it, so each offer names both and counts what both
 * save together. Of the two faces that could move the one that saves more cuts is offered, then the one that saves more blocks.
 * Offers that save no cut are left out. [common practice: designing round the block]
 *
 * @returns the most cuts saved first, then the shortest way there
 */
export function luckyLengths(shell: Shell, courses: Courses, rules: HouseRules): readonly LuckyLength[] {
  const { family } = shell;
  if (family === null || courses.count === 0) return [];
  const fills = new Map(courses.fills.map((fill) => [fill.wall, fill]));
  const cutRules = cutRulesOf(family, rules);
  const way = (lucky: LuckyLength): number => Math.abs(lucky.changes[0].by);
  const better = (a: LuckyLength, b: LuckyLength): number =>
    b.cutsSaved - a.cutsSaved || way(a) - way(b) || b.blocksSaved - a.blocksSaved;
  const offers = shell.loops
    .flatMap(({ built: loop }) => {
      if (loop?.walls.every((wall) => fills.has(wall.id)) !== true) return [];
      const job: Job = { loop, fills, cutRules, courses: courses.count };
      return loop.walls.flatMap((wall, index) => {
        const rest = fills.get(wall.id)?.rest ?? (0 as Length);
        if (rest === 0) return [];
        return [subtract(family.straightLength, rest), (0 - rest) as Length].flatMap((change) => {
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
