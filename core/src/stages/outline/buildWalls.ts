import type { Loop, MeasuredTo } from './plan';
import { skinOf, wallThickness } from '../../kernel/forms';
import { type Angle, type Length, add, nanometres, ZERO, min, max } from '../../kernel/measure';
import { type Line, offsetCorners, runPastCorner } from '../../kernel/geometry/offset';
import { type Point, distance, step } from '../../kernel/geometry/point';
import { arcPoints, arcWall, radiusAt, segmentArea } from './arc';
import { firstCrossing, polygonArea } from '../../kernel/geometry/polygon';
import type { Setup } from './setup';
import type { ArcWall, BuiltLoop, Corner, Faces, LoopProblem, Tee, Wall } from './shell';
import { type Leg, radiansOf } from './walk';

/** How far inside the form's outside face the drawing's line runs. */
function insetOf(measuredTo: MeasuredTo, skin: Length, thickness: Length): Length {
  if (measuredTo === 'form') return ZERO;
  return measuredTo === 'concrete' ? skin : nanometres(thickness / 2);
}

/** The first wall whose side has turned back on itself after offsetting: no room for its thickness. */
function collapsedSide(before: readonly Point[], after: readonly Point[], sides: number): number {
  for (let index = 0; index < sides; index++) {
    const next = (index + 1) % before.length;
    const [from, to] = [before[index] as Point, before[next] as Point];
    const [movedFrom, movedTo] = [after[index] as Point, after[next] as Point];
    if ((to.x - from.x) * (movedTo.x - movedFrom.x) + (to.y - from.y) * (movedTo.y - movedFrom.y) <= 0) {
      return index;
    }
  }
  return -1;
}

interface Built {
  readonly built: BuiltLoop | null;
  readonly problems: readonly LoopProblem[];
}

/** A layer of every wall, told by its depth inside the form's outside face. */
type Depth = (wall: number) => number;

/** The lines of a walk with what the forms make of them, closed or open. */
interface Lines {
  readonly loop: Loop;
  readonly legs: readonly Leg[];
  readonly letters: readonly string[];
  readonly cores: readonly Length[];
  readonly skins: readonly Length[];
  readonly thicknesses: readonly Length[];
  readonly insets: readonly Length[];
}

/** What `readLines` goes by. */
interface ReadLinesInput {
  readonly loop: Loop;
  readonly legs: readonly Leg[];
  readonly letters: readonly string[];
  readonly setup: Setup;
  readonly measuredTo: MeasuredTo;
}

function readLines({ loop, legs, letters, setup, measuredTo }: ReadLinesInput): Lines {
  const cores = legs.map((leg) => setup.coreByRow.get(leg.row) ?? setup.core);
  const skins = cores.map((core) => skinOf(setup.family, core));
  const thicknesses = cores.map((core) => wallThickness(setup.family, core));
  const insets = thicknesses.map((thickness, index) =>
    insetOf(measuredTo, skins[index] as Length, thickness),
  );
  return { loop, legs, letters, cores, skins, thicknesses, insets };
}

const wrap = <Item>(list: readonly Item[], index: number): Item =>
  list[(index + list.length) % list.length] as Item;

/** The turn between two walls that follow each other; null at the ends of an open walk. */
function turnBefore(lines: Lines, index: number): Angle | null {
  if (!lines.loop.closed && (index === 0 || index === lines.legs.length)) return null;
  return wrap(lines.legs, index - 1).turn;
}

/** A wall's arc, where it is one. */
function curveOf(lines: Lines, index: number): ArcWall | null {
  const curve = lines.legs[index]?.curve;
  if (!curve) return null;
  const inset = wrap(lines.insets, index);
  return arcWall(
    radiusAt(curve.radius, curve.sweep, -inset),
    radiusAt(curve.radius, curve.sweep, wrap(lines.thicknesses, index) - inset),
    curve.sweep,
  );
}

/** The first curve that is bent tighter than its forms allow. */
function tightCurve(lines: Lines, least: Length): LoopProblem | null {
  for (const [index, leg] of lines.legs.entries()) {
    const curve = curveOf(lines, index);
    if (!curve) continue;
    const radius = min(curve.outside, curve.inside);
    if (radius < least) return { kind: 'curve-too-tight', wall: leg.row, radius, least };
  }
  return null;
}

/** A face with its arcs in short sides. */
function withArcs(lines: Lines, corners: readonly Point[], depth: Depth): readonly Point[] {
  return corners.flatMap((corner, index) => {
    const curve = lines.legs[index]?.curve;
    if (!curve) return [corner];
    const radius = radiusAt(curve.radius, curve.sweep, depth(index) - wrap(lines.insets, index));
    const heading = (lines.legs[index] as Leg).heading;
    return [corner, ...arcPoints(corner, heading, radius, curve.sweep).slice(0, -1)];
  });
}

/** What the arcs add to the area within a face. */
const arcsArea = (lines: Lines, depth: Depth): number =>
  lines.legs.reduce((sum, leg, index) => {
    if (!leg.curve) return sum;
    const radius = radiusAt(leg.curve.radius, leg.curve.sweep, depth(index) - wrap(lines.insets, index));
    return sum + segmentArea(radius, leg.curve.sweep);
  }, 0);

/** Length along a layer: straight sides and arcs. */
const layerLength = (lines: Lines, corners: readonly Point[], depth: Depth): Length =>
  add(
    ...lines.legs.map((leg, index) => {
      if (!leg.curve)
        return distance(corners[index] as Point, corners[(index + 1) % corners.length] as Point);
      const radius = radiusAt(leg.curve.radius, leg.curve.sweep, depth(index) - wrap(lines.insets, index));
      return nanometres(radius * radiansOf(leg.curve.sweep));
    }),
  );

function standWalls(lines: Lines): readonly Wall[] {
  const { legs, letters, insets, skins, cores, thicknesses, loop } = lines;
  const middle: Depth = (index) => wrap(skins, index) + wrap(cores, index) / 2;
  const past = (turn: Angle | null, own: number, other: number): Length =>
    turn === null ? ZERO : nanometres(runPastCorner(turn, own, other));
  let station = ZERO;
  return legs.map((leg, index): Wall => {
    const before = turnBefore(lines, index);
    const after = turnBefore(lines, index + 1);
    const start = past(before, wrap(insets, index), wrap(insets, index - 1));
    const end = past(after, wrap(insets, index), wrap(insets, index + 1));
    const curve = curveOf(lines, index);
    const length = curve ? max(curve.outsideLength, curve.insideLength) : add(leg.length, start, end);
    const wall: Wall = {
      id: leg.row,
      loop: loop.id,
      name: `${wrap(letters, index)}–${wrap(letters, index + 1)}`,
      from: wrap(letters, index),
      to: wrap(letters, index + 1),
      length,
      measured: leg.length,
      beyondStart: start,
      beyondEnd: end,
      core: cores[index] as Length,
      thickness: thicknesses[index] as Length,
      skin: skins[index] as Length,
      coreInset: {
        start: past(before, middle(index), middle(index - 1)),
        end: past(after, middle(index), middle(index + 1)),
      },
      station,
      heading: leg.heading,
      curve,
    };
    station = add(station, length);
    return wall;
  });
}

function cornersOf(lines: Lines, walls: readonly Wall[]): readonly Corner[] {
  return walls.flatMap((wall, index): Corner[] => {
    const turn = turnBefore(lines, index);
    if (turn === null) return [];
    return [
      {
        letter: wall.from,
        loop: lines.loop.id,
        turn,
        kind: turn > 0 ? 'outside' : 'inside',
        wallBefore: wrap(lines.legs, index - 1).row,
        wallAfter: wall.id,
        station: wall.station,
      },
    ];
  });
}

const crossing = (lines: Lines, sides: readonly [number, number]): LoopProblem => ({
  kind: 'crossing',
  walls: [wrap(lines.legs, sides[0]).row, wrap(lines.legs, sides[1]).row],
});

const noRoom = (lines: Lines, index: number): LoopProblem => ({
  kind: 'no-room',
  wall: wrap(lines.legs, index).row,
});

/** Moves every line of the walk inward by a depth of its own, and joins them again. */
function faceAt(lines: Lines, depth: Depth): readonly Point[] {
  const { legs, insets } = lines;
  const inward = legs.map((_, index) => nanometres(depth(index) - wrap(insets, index)));
  const joined = offsetCorners(
    legs.map((leg, index): Line => ({
      from: leg.from,
      heading: leg.heading,
      turnIn: wrap(legs, index - 1).turn,
    })),
    inward,
  );
  if (lines.loop.closed) return joined;
  const [first, last] = [legs[0] as Leg, legs.at(-1) as Leg];
  return [
    step(first.from, first.heading, 0, inward[0]),
    ...joined.slice(1),
    step(last.to, last.heading, 0, inward.at(-1)),
  ];
}

const NO_TEES: BuiltLoop['tees'] = { start: null, end: null };

/** What `buildWalls` goes by. */
interface BuildWallsInput {
  readonly loop: Loop;
  readonly legs: readonly Leg[];
  readonly letters: readonly string[];
  readonly setup: Setup;
  readonly measuredTo: MeasuredTo;
  readonly tightest: Length;
  readonly tees?: BuiltLoop['tees'] | undefined;
}

/** Stands a walk up as walls: faces, corners, stations and the core's plan area. An open walk has free ends. */
export function buildWalls({
  loop,
  legs,
  letters,
  setup,
  measuredTo,
  tightest,
  tees = NO_TEES,
}: BuildWallsInput): Built {
  const lines = readLines({ loop, legs, letters, setup, measuredTo });
  const { skins, cores, thicknesses } = lines;
  const face = (depth: Depth): readonly Point[] => faceAt(lines, depth);
  const skin: Depth = (index) => wrap(skins, index);
  const sides: Faces = {
    formOutside: face(() => 0),
    concreteOutside: face(skin),
    concreteInside: face((index) => skin(index) + wrap(cores, index)),
    formInside: face((index) => wrap(thicknesses, index)),
  };
  const drawn = loop.closed
    ? legs.map((leg) => leg.from)
    : [...legs.map((leg) => leg.from), (legs.at(-1) as Leg).to];
  const tight = tightCurve(lines, tightest);
  if (tight) return { built: null, problems: [tight] };
  const walkCrossing = firstCrossing(drawn, loop.closed);
  if (walkCrossing) return { built: null, problems: [crossing(lines, walkCrossing)] };
  const collapsed = Math.max(
    collapsedSide(sides.formOutside, sides.formInside, legs.length),
    collapsedSide(drawn, sides.formOutside, legs.length),
  );
  if (collapsed >= 0) return { built: null, problems: [noRoom(lines, collapsed)] };
  const faceCrossing =
    firstCrossing(sides.formOutside, loop.closed) ?? firstCrossing(sides.formInside, loop.closed);
  const inner: Depth = (index) => skin(index) + wrap(cores, index);
  const outline: Faces = {
    formOutside: withArcs(lines, sides.formOutside, () => 0),
    concreteOutside: withArcs(lines, sides.concreteOutside, skin),
    concreteInside: withArcs(lines, sides.concreteInside, inner),
    formInside: withArcs(lines, sides.formInside, (index) => wrap(thicknesses, index)),
  };
  if (faceCrossing) return { built: null, problems: [crossing(lines, faceCrossing)] };

  const walls = standWalls(lines);
  const middleDepth: Depth = (index) => skin(index) + wrap(cores, index) / 2;
  const middle = face(middleDepth);
  const common = {
    walls,
    corners: cornersOf(lines, walls),
    perimeter: add(...walls.map((wall) => wall.length)),
  };
  if (loop.closed) {
    return {
      built: {
        open: false,
        tees: NO_TEES,
        ...common,
        faces: sides,
        outline,
        centreLine: layerLength(lines, middle, middleDepth),
        coreArea:
          polygonArea(sides.concreteOutside) +
          arcsArea(lines, skin) -
          polygonArea(sides.concreteInside) -
          arcsArea(lines, inner),
      },
      problems: [],
    };
  }
  // An open walk's faces are one ring each: out along the outside, back along the inside, closed by the bulkheads.
  // A free end loses the thickness of its bulkhead; at another wall the core runs on through that wall's foam.
  const endsLoss = (tee: Tee | null, own: number): number => (tee ? -tee.skin : own);
  const lossAtStart = endsLoss(tees.start, skin(0));
  const lossAtEnd = endsLoss(tees.end, skin(legs.length - 1));
  const centreLine = (layerLength(lines, middle, middleDepth) - lossAtStart - lossAtEnd) as Length;
  const ring = (one: readonly Point[], other: readonly Point[]): readonly Point[] => [
    ...one,
    ...[...other].reverse(),
  ];
  const ringed = (each: Faces): Faces => ({
    formOutside: ring(each.formOutside, each.formInside),
    concreteOutside: ring(each.concreteOutside, each.concreteInside),
    concreteInside: [],
    formInside: [],
  });
  const endArea = (lossAtStart * wrap(cores, 0) + lossAtEnd * wrap(cores, -1)) / 1e18;
  return {
    built: {
      open: true,
      tees,
      ...common,
      faces: ringed(sides),
      outline: ringed(outline),
      centreLine,
      coreArea:
        polygonArea(ring(sides.concreteOutside, sides.concreteInside)) +
        arcsArea(lines, skin) -
        arcsArea(lines, inner) -
        endArea,
    },
    problems: [],
  };
}
