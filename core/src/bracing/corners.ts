import type { Length } from '../measure';
import type { BuiltLoop } from '../shell';
import type { WallBraces } from './brace';
import type { BracingProblem } from './problem';

/** Walls whose brackets are dropped, so that at every corner planks pass over each other; the last of an odd round goes two down. */
export function dropped(walls: readonly WallBraces[]): readonly WallBraces[] {
  const planked = walls.filter((wall) => wall.planks.length > 0);
  const order = new Map(planked.map((wall, index) => [wall.wall, index]));
  return walls.map((wall) => {
    const index = order.get(wall.wall);
    if (index === undefined) return wall;
    const last = index === planked.length - 1 && planked.length % 2 === 1 && planked.length > 1;
    return { ...wall, dropped: last ? 2 : index % 2 };
  });
}

/** Corners where the walkway breaks. */
export function walkwayGaps(
  walls: readonly WallBraces[],
  built: BuiltLoop,
  width: Length,
): readonly BracingProblem[] {
  const byId = new Map(walls.map((wall) => [wall.wall, wall]));
  return built.corners.flatMap((corner): BracingProblem[] => {
    const [before, after] = [byId.get(corner.wallBefore), byId.get(corner.wallAfter)];
    const [last, first] = [before?.planks.at(-1), after?.planks[0]];
    if (!before || !after || !last || !first) return [];
    if (before.side !== after.side)
      return [{ kind: 'walkway-gap', corner: corner.letter, why: 'sides-differ' }];
    if (before.ends[1].how === 'outward') {
      const past = Math.min(last.to - before.ends[1].at, after.ends[0].at - first.from);
      return past >= width ? [] : [{ kind: 'walkway-gap', corner: corner.letter, why: 'outward-turn' }];
    }
    const short = Math.max(before.ends[1].at - last.to, first.from - after.ends[0].at);
    return short <= width ? [] : [{ kind: 'walkway-gap', corner: corner.letter, why: 'ends-short' }];
  });
}
