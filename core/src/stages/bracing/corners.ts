import type { Length } from '../../kernel/measure';
import type { PlacedOpening } from '../openings';
import type { HouseRules } from '../../kernel/rules';
import type { BuiltLoop, Crossing } from '../outline';
import type { WallBraces } from './brace';
import type { BracingProblem } from './problem';

/** Walls of one outline whose brackets are dropped, so that at every corner planks pass over each other; the last of an odd round goes two down. */
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

/** Corners where the walkway breaks; where an inside wall stands in its way it goes round that, and no corner is to blame. */
export function walkwayGaps(
  walls: readonly WallBraces[],
  built: BuiltLoop,
  width: Length,
  crossings: readonly Crossing[],
): readonly BracingProblem[] {
  const byId = new Map(walls.map((wall) => [wall.wall, wall]));
  return built.corners.flatMap((corner): BracingProblem[] => {
    const [before, after] = [byId.get(corner.wallBefore), byId.get(corner.wallAfter)];
    const [last, first] = [before?.planks.at(-1), after?.planks[0]];
    if (!before || !after || !last || !first) return [];
    const parted = crossings.some(
      ({ through, side, from, to }) =>
        (through === before.wall && side === before.side && from >= last.to) ||
        (through === after.wall && side === after.side && to <= first.from),
    );
    if (parted) return [];
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

/** Legs that stand in front of a doorway round an inward corner: they reach out along the doorway's own wall. */
export function legsInDoorways(
  walls: readonly WallBraces[],
  built: BuiltLoop,
  openings: readonly PlacedOpening[],
  rules: HouseRules,
): readonly BracingProblem[] {
  const byId = new Map(walls.map((wall) => [wall.wall, wall]));
  const clear = rules.length('bracing.door.clear');
  const out = rules.length('bracing.leg.out');
  const doors = openings.filter((each) => each.worked && each.openBottom);
  return built.corners.flatMap((corner): BracingProblem[] => {
    const [before, after] = [byId.get(corner.wallBefore), byId.get(corner.wallAfter)];
    if (!before || !after || before.side !== after.side || before.ends[1].how !== 'inward') return [];
    const [end, start] = [before.ends[1].at, after.ends[0].at];
    /** How far a station of either wall lies from the corner, on the braced face. */
    const away = (wall: WallBraces, at: Length): number => (wall === before ? end - at : at - start);
    return [
      [before, after],
      [after, before],
    ].flatMap(([own, other]) => {
      if (!own || !other) return [];
      const near = doors.find(
        ({ wall, hole }) =>
          wall === other.wall && Math.min(away(other, hole.from), away(other, hole.to)) < out,
      );
      const leg = near && own.braces.find((brace) => away(own, brace.at) < clear);
      if (!near || !leg) return [];
      return [
        {
          kind: 'leg-in-doorway' as const,
          wall: own.wall,
          brace: leg.id,
          at: leg.at,
          opening: near.id,
          clear,
        },
      ];
    });
  });
}
