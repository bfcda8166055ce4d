import { wallThickness } from '../forms';
import { type Length, ZERO, add, nanometres } from '../measure';
import type { Loop, MeasuredTo } from '../plan';
import { type Line, offsetCorners, runPastCorner } from './offset';
import { type Point, distance } from './point';
import { firstCrossing, polygonArea } from './polygon';
import type { Setup } from './setup';
import type { BuiltLoop, Corner, Faces, LoopProblem, Wall } from './shell';
import type { Leg } from './walk';

/** How far inside the form's outside face the drawing's line runs. */
function insetOf(measuredTo: MeasuredTo, panel: Length, thickness: Length): Length {
  if (measuredTo === 'form') return ZERO;
  return measuredTo === 'concrete' ? panel : nanometres(thickness / 2);
}

const ringLength = (corners: readonly Point[]): Length =>
  add(...corners.map((corner, index) => distance(corner, corners[(index + 1) % corners.length] as Point)));

/** The first wall whose side has turned back on itself after offsetting: no room for its thickness. */
function collapsedSide(before: readonly Point[], after: readonly Point[]): number {
  return before.findIndex((from, index) => {
    const next = (index + 1) % before.length;
    const to = before[next] as Point;
    const [movedFrom, movedTo] = [after[index] as Point, after[next] as Point];
    return (to.x - from.x) * (movedTo.x - movedFrom.x) + (to.y - from.y) * (movedTo.y - movedFrom.y) <= 0;
  });
}

interface Built {
  readonly built: BuiltLoop | null;
  readonly problems: readonly LoopProblem[];
}

/** Stands a closed clockwise walk up as walls: faces, corners, stations and the core's plan area. */
export function buildWalls(
  loop: Loop,
  legs: readonly Leg[],
  letters: readonly string[],
  setup: Setup,
  measuredTo: MeasuredTo,
): Built {
  const count = legs.length;
  const legAt = (index: number): Leg => legs[(index + count) % count] as Leg;
  const letterAt = (index: number): string => letters[(index + count) % count] as string;
  const { panel } = setup.family;
  const cores = legs.map((leg) => setup.coreByRow.get(leg.row) ?? setup.core);
  const thicknesses = cores.map((core) => wallThickness(setup.family, core));
  const insets = thicknesses.map((thickness) => insetOf(measuredTo, panel, thickness));
  const inset = (index: number): Length => insets[(index + count) % count] as Length;
  const lines: readonly Line[] = legs.map((leg, index) => ({
    from: leg.from,
    heading: leg.heading,
    turnIn: legAt(index - 1).turn,
  }));
  const face = (depth: (index: number) => number): readonly Point[] =>
    offsetCorners(
      lines,
      legs.map((_, index) => nanometres(depth(index) - inset(index))),
    );
  const faces: Faces = {
    formOutside: face(() => 0),
    concreteOutside: face(() => panel),
    concreteInside: face((index) => panel + (cores[index] ?? 0)),
    formInside: face((index) => thicknesses[index] ?? 0),
  };

  const pair = (sides: readonly [number, number]): LoopProblem => ({
    kind: 'crossing',
    walls: [legAt(sides[0]).row, legAt(sides[1]).row],
  });
  const walkCrossing = firstCrossing(legs.map((leg) => leg.from));
  if (walkCrossing) return { built: null, problems: [pair(walkCrossing)] };
  const collapsed = Math.max(
    collapsedSide(faces.formOutside, faces.formInside),
    collapsedSide(
      legs.map((leg) => leg.from),
      faces.formOutside,
    ),
  );
  if (collapsed >= 0) return { built: null, problems: [{ kind: 'no-room', wall: legAt(collapsed).row }] };
  const faceCrossing = firstCrossing(faces.formOutside) ?? firstCrossing(faces.formInside);
  if (faceCrossing) return { built: null, problems: [pair(faceCrossing)] };

  let station = ZERO;
  const walls = legs.map((leg, index): Wall => {
    const start = runPastCorner(legAt(index - 1).turn, inset(index), inset(index - 1));
    const end = runPastCorner(leg.turn, inset(index), inset(index + 1));
    const length = nanometres(leg.length + start + end);
    const wall: Wall = {
      id: leg.row,
      loop: loop.id,
      name: `${letterAt(index)}–${letterAt(index + 1)}`,
      from: letterAt(index),
      to: letterAt(index + 1),
      length,
      measured: leg.length,
      core: cores[index] as Length,
      thickness: thicknesses[index] as Length,
      station,
      heading: leg.heading,
    };
    station = add(station, length);
    return wall;
  });
  const corners = walls.map((wall, index): Corner => {
    const { turn } = legAt(index - 1);
    return {
      letter: wall.from,
      loop: loop.id,
      turn,
      kind: turn > 0 ? 'outside' : 'inside',
      wallBefore: legAt(index - 1).row,
      wallAfter: wall.id,
      station: wall.station,
    };
  });
  return {
    built: {
      walls,
      corners,
      faces,
      perimeter: station,
      centreLine: ringLength(face((index) => panel + (cores[index] ?? 0) / 2)),
      coreArea: polygonArea(faces.concreteOutside) - polygonArea(faces.concreteInside),
    },
    problems: [],
  };
}
