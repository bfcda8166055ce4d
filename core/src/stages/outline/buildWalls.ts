import type { Flush, Loop, MeasuredTo } from './plan';
import { skinOf, wallThickness } from '../../kernel/forms';
import { type Angle, type Length, add, nanometres, ZERO, min, max } from '../../kernel/measure';
import { type Line, offsetCorners, runPastCorner } from '../../kernel/geometry/offset';
import { type Point, distance, footOn, step } from '../../kernel/geometry/point';
import { arcPoints, arcWall, radiusAt, segmentArea } from './arc';
import { firstCrossing, polygonArea } from '../../kernel/geometry/polygon';
import type { Setup } from './setup';
import type { ArcWall, BuiltLoop, Corner, Faces, LoopProblem, OpenCore, Tee, Wall } from './shell';
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

/** How much of what it is thicker a wall's outside face lies farther out than that of the wall before it, by what is flush. */
const SHARE: Readonly<Record<Flush, number>> = { outside: 0, middle: 0.5, inside: 1 };

const wrap = <Item>(list: readonly Item[], index: number): Item =>
  list[((index % list.length) + list.length) % list.length] as Item;

function readLines({ loop, legs, letters, setup, measuredTo }: ReadLinesInput): Lines {
  const cores = legs.map((leg) => setup.coreByRow.get(leg.row) ?? setup.core);
  const skins = cores.map((core) => skinOf(setup.family, core));
  const thicknesses = cores.map((core) => wallThickness(setup.family, core));
  const flush = new Map(loop.walk.map((row) => [row.id, row.flush]));
  const inset = (index: number, left: number): Length => {
    const thickness = wrap(thicknesses, index);
    const straight = (index > 0 || loop.closed) && wrap(legs, index - 1).turn === 0;
    const shared = flush.get(wrap(legs, index).row);
    if (!straight || shared === undefined || left === 0)
      return insetOf(measuredTo, wrap(skins, index), thickness);
    return nanometres(
      inset(index - 1, left - 1) + SHARE[shared] * (thickness - wrap(thicknesses, index - 1)),
    );
  };
  return {
    loop,
    legs,
    letters,
    cores,
    skins,
    thicknesses,
    insets: legs.map((_, index) => inset(index, legs.length)),
  };
}

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

/** Where a wall ends on a layer: at the next corner, or, where the next one goes straight on at another depth, beside it. */
function endOn(lines: Lines, corners: readonly Point[], depth: Depth, index: number): Point {
  const leg = lines.legs[index] as Leg;
  const [from, next] = [corners[index] as Point, corners[(index + 1) % corners.length] as Point];
  if (turnBefore(lines, index + 1) !== 0) return next;
  if (leg.curve) {
    const radius = radiusAt(leg.curve.radius, leg.curve.sweep, depth(index) - wrap(lines.insets, index));
    return arcPoints(from, leg.heading, radius, leg.curve.sweep).at(-1) as Point;
  }
  return footOn({ from, heading: leg.heading }, next);
}

/** A layer's corners in order, both of them where the walls before and after lie at different depths. */
const ringOn = (lines: Lines, corners: readonly Point[], depth: Depth): readonly Point[] => [
  ...lines.legs.flatMap((_, index) =>
    turnBefore(lines, index + 1) === 0
      ? [corners[index] as Point, endOn(lines, corners, depth, index)]
      : [corners[index] as Point],
  ),
  ...corners.slice(lines.legs.length),
];

/** A face with its arcs in short sides. */
function withArcs(lines: Lines, corners: readonly Point[], depth: Depth): readonly Point[] {
  const last = corners.slice(lines.legs.length);
  return [
    ...lines.legs.flatMap((leg, index) => {
      const corner = corners[index] as Point;
      const end = turnBefore(lines, index + 1) === 0 ? [endOn(lines, corners, depth, index)] : [];
      if (!leg.curve) return [corner, ...end];
      const radius = radiusAt(leg.curve.radius, leg.curve.sweep, depth(index) - wrap(lines.insets, index));
      const arc = arcPoints(corner, leg.heading, radius, leg.curve.sweep).slice(0, -1);
      return [corner, ...arc, ...end];
    }),
    ...last,
  ];
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
      if (!leg.curve) return distance(corners[index] as Point, endOn(lines, corners, depth, index));
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
        kind: turn === 0 ? 'straight' : turn > 0 ? 'outside' : 'inside',
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

/** What neither form closes of a wall's core at the joint where the next one has another: beyond the other's panels on either face. */
function openCores(lines: Lines, index: number): readonly OpenCore[] {
  const [before, after] = [index - 1, index].map((each) => {
    const outside = 0 - wrap(lines.insets, each);
    const thickness = wrap(lines.thicknesses, each);
    const skin = wrap(lines.skins, each);
    return {
      wall: wrap(lines.legs, each).row,
      form: [outside, outside + thickness],
      core: [outside + skin, outside + thickness - skin],
    } as const;
  }) as [OpenForm, OpenForm];
  const left = (own: OpenForm, other: OpenForm): readonly OpenCore[] =>
    (
      [
        ['outside', other.form[0] - own.core[0]],
        ['inside', own.core[1] - other.form[1]],
      ] as const
    ).flatMap(([side, width]) => (width > 0 ? [{ wall: own.wall, width: nanometres(width), side }] : []));
  return [...left(before, after), ...left(after, before)];
}

/** A wall's form and core across the line that both walls share, from outside to inside. */
interface OpenForm {
  readonly wall: string;
  readonly form: readonly [number, number];
  readonly core: readonly [number, number];
}

/** What is to be known where straight walls go on in one line: another core, or nothing that differs. */
function inOneLine(lines: Lines, walls: readonly Wall[]): readonly LoopProblem[] {
  return walls.flatMap((wall, index): LoopProblem[] => {
    if (turnBefore(lines, index) !== 0) return [];
    const before = wrap(walls, index - 1);
    if (before.curve || wall.curve) return [];
    if (before.core === wall.core) return [{ kind: 'no-turn', row: before.id }];
    const cores = [before.core, wall.core] as const;
    const open = openCores(lines, index);
    return [{ kind: 'core-change', wall: wall.id, before: before.id, corner: wall.from, cores, open }];
  });
}

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
          polygonArea(ringOn(lines, sides.concreteOutside, skin)) +
          arcsArea(lines, skin) -
          polygonArea(ringOn(lines, sides.concreteInside, inner)) -
          arcsArea(lines, inner),
      },
      problems: inOneLine(lines, walls),
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
        polygonArea(
          ring(ringOn(lines, sides.concreteOutside, skin), ringOn(lines, sides.concreteInside, inner)),
        ) +
        arcsArea(lines, skin) -
        arcsArea(lines, inner) -
        endArea,
    },
    problems: inOneLine(lines, walls),
  };
}
