import {
  type Length,
  add,
  inches,
  max,
  nanometres,
  NANOMETRES_PER_METRE,
  readLength,
  subtract,
  ZERO,
} from '../../kernel/measure';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import { type How, given, givenLength } from '../../kernel/figures/how';
import { distance, type Point } from '../../kernel/geometry/point';
import { polygonArea } from '../../kernel/geometry/polygon';
import type { Plan } from '../../kernel/plan/plan';
import type { Worked } from '../../kernel/engine/stage';
import type { HouseRules } from '../../kernel/rules';
import type { PlacedOpening } from '../openings';
import { type BuiltLoop, type Wall, type Faces, type HeightSpan, endsIn, wallFace } from '../outline';
import { stockFor } from '../footing/cutToLength';
import { type EdgeOver, edgeOf } from './plan';

/** Concrete above the foam along the top of one wall. */
export interface WallEdge {
  readonly wall: string;
  readonly name: string;
  readonly height: Length;
  readonly over: EdgeOver;
  /** Highest top of the wall’s forms, above the lowest footing. */
  readonly top: Length;
  /** From one board to the other. */
  readonly width: Length;
  readonly volume: Figure;
  /** Lengths of board along its outside and inside. */
  readonly boards: readonly Length[];
}

export type EdgeProblem =
  | { readonly kind: 'edge-unreadable'; readonly wall: string | null; readonly text: string }
  | { readonly kind: 'edge-high'; readonly wall: string; readonly height: Length; readonly most: Length };

/** Exposed edges of the job. */
export interface Edges {
  readonly walls: readonly WallEdge[];
  /** Boards by what they are cut of: `2×6`. */
  readonly boards: readonly { readonly board: string; readonly count: Figure }[];
  readonly problems: readonly EdgeProblem[];
}

/** What boards of two inches really measure. [American Softwood Lumber Standard PS 20; from memory] */
const BOARDS: readonly (readonly [name: string, width: Length])[] = [
  ['2×4', inches(3.5)],
  ['2×6', inches(5.5)],
  ['2×8', inches(7.25)],
  ['2×10', inches(9.25)],
  ['2×12', inches(11.25)],
];

/** What is ripped where no board is wide enough. */
const PLYWOOD = 'Plywood strips';

/** The narrowest board that covers an edge and laps the form; a strip of plywood where none does. */
const boardFor = (height: Length, lap: Length): string =>
  BOARDS.find(([, width]) => width >= height + lap)?.[0] ?? PLYWOOD;

/** A layer of a wall, and how far in from the form’s outside face it lies. */
interface Layer {
  readonly face: keyof Faces;
  readonly depth: Length;
}

/** The layers between which an edge stands. */
function layersOf(wall: Wall, over: EdgeOver): readonly [outer: Layer, inner: Layer] {
  const overOutside = over === 'outside' || over === 'both';
  const overInside = over === 'inside' || over === 'both';
  return [
    overOutside ? { face: 'formOutside', depth: ZERO } : { face: 'concreteOutside', depth: wall.skin },
    overInside
      ? { face: 'formInside', depth: wall.thickness }
      : { face: 'concreteInside', depth: add(wall.skin, wall.core) },
  ];
}

type Side = readonly [Point, Point];

/** Length of a wall along its layer at a depth: the side of a face, or an arc. */
function alongAt(wall: Wall, side: Side, depth: Length): Length {
  if (!wall.curve) return distance(...side);
  const { outsideLength, insideLength } = wall.curve;
  // Lengths of an arc’s layers grow evenly with their radius.
  return (outsideLength + ((insideLength - outsideLength) * depth) / wall.thickness) as Length;
}

/** How much of a wall’s top openings take: those that reach through it where they stand. */
const gapsOf = (wall: Wall, spans: readonly HeightSpan[], openings: readonly PlacedOpening[]): Length =>
  openings
    .filter((each) => each.worked && each.wall === wall.id)
    .flatMap(({ concrete }) =>
      spans
        .filter((span) => concrete.top >= span.top)
        .map((span) => Math.max(0, Math.min(concrete.to, span.to) - Math.max(concrete.from, span.from))),
    )
    .reduce((sum, each) => sum + each, 0) as Length;

/** How much longer a wall’s top is along its slopes than in plan. */
const alongSlopes = (spans: readonly HeightSpan[]): Length =>
  spans.reduce((sum, { from, to, cut }) => {
    if (!cut) return sum;
    const run = subtract(to, from);
    return add(sum, nanometres(Math.hypot(run, subtract(cut.slope[1], cut.slope[0])) - run));
  }, ZERO);

/** What `edgeOn` goes by. */
interface EdgeOnInput {
  readonly built: BuiltLoop;
  readonly wall: Wall;
  readonly height: Length;
  readonly over: EdgeOver;
  readonly spans: readonly HeightSpan[];
  readonly openings: readonly PlacedOpening[];
}

/** The edge of one wall, to the middle of its corners: as wide as it covers, as long as its layers are there and along its slopes, less what openings take. */
function edgeOn({ built, wall, height, over, spans, openings }: EdgeOnInput): WallEdge {
  const layers = layersOf(wall, over);
  const [outer, inner] = layers.map(({ face }) => wallFace(built, wall, face)) as [Side, Side];
  const [outerLength, innerLength] = [
    alongAt(wall, outer, layers[0].depth),
    alongAt(wall, inner, layers[1].depth),
  ];
  const width = subtract(layers[1].depth, layers[0].depth);
  const gaps = gapsOf(wall, spans, openings);
  const area = wall.curve
    ? (((outerLength + innerLength) / 2) * width) / NANOMETRES_PER_METRE ** 2
    : polygonArea([outer[0], outer[1], inner[1], inner[0]]);
  const flat: How = given('plan of the edge, corner to corner', 'area', area);
  const longer = alongSlopes(spans);
  // Its height is that of the board, which lies along the slope.
  const plan: How =
    longer === 0
      ? flat
      : {
          op: 'sum',
          name: 'plan of the edge and what its slope adds',
          unit: 'area',
          of: [
            flat,
            {
              op: 'product',
              name: 'along the slope',
              unit: 'area',
              of: [givenLength('longer than in plan', longer), givenLength('width of the edge', width)],
            },
          ],
        };
  const covered: How =
    gaps === 0
      ? plan
      : {
          op: 'difference',
          name: 'plan of the edge',
          unit: 'area',
          of: [
            plan,
            {
              op: 'product',
              name: 'openings through the top',
              unit: 'area',
              of: [givenLength('openings', gaps), givenLength('width of the edge', width)],
            },
          ],
        };
  return {
    wall: wall.id,
    name: wall.name,
    height,
    over,
    top: max(...spans.map((span) => span.top)),
    width,
    volume: figureOf({
      id: `edges.${wall.id}`,
      title: `Exposed edge of ${wall.name}`,
      how: {
        op: 'product',
        name: 'concrete above the foam',
        unit: 'volume',
        of: [covered, givenLength('height of the edge', height)],
      },
      rules: [],
      pieces: { wall: wall.id },
    }),
    boards: [outerLength, innerLength].map((length) => subtract(add(length, longer), gaps)),
  };
}

/**
 * Concrete above the foam in board forms: how high and how wide on each wall, its volume, and the boards along both of its faces.
 *
 * @example buildEdges(work(plan), plan, rules).walls.length // 0
 */
export function buildEdges(
  { shell, levels, openings }: Pick<Worked, 'shell' | 'levels' | 'openings'>,
  { units, edges }: Pick<Plan, 'units' | 'edges'>,
  rules: HouseRules,
): Edges {
  const problems: EdgeProblem[] = [];
  const most = rules.length('edges.height.most');
  const unreadable = new Set<string>();
  const walls = shell.loops.flatMap(({ built }) =>
    (built?.walls ?? []).flatMap((wall): WallEdge[] => {
      const said = edgeOf(edges, wall.id);
      const spans = levels.walls[wall.id] ?? [];
      if (!said || !built || spans.length === 0) return [];
      const reading = readLength(said.height, units);
      if (!reading.ok || reading.length <= 0) {
        const own = edges?.walls?.[wall.id] === undefined ? null : wall.id;
        if (!unreadable.has(own ?? '')) {
          unreadable.add(own ?? '');
          problems.push({ kind: 'edge-unreadable', wall: own, text: said.height });
        }
        return [];
      }
      if (reading.length > most) {
        problems.push({ kind: 'edge-high', wall: wall.id, height: reading.length, most });
      }
      return [
        edgeOn({ built, wall, height: reading.length, over: said.over, spans, openings: openings.placed }),
      ];
    }),
  );
  return { walls, boards: boardsOf(walls, rules), problems };
}

/**
 * The edges of walls whose forms end between two heights, those of one pour, with their own boards.
 *
 * @example edgesBetween({ walls: [], boards: [], problems: [] }, { bottom: ZERO, top: feet(9) }, rules).walls // []
 */
export function edgesBetween(
  edges: Edges,
  between: { readonly bottom: Length; readonly top: Length },
  rules: HouseRules,
): Edges {
  const walls = edges.walls.filter(({ top }) => endsIn(between)(top));
  return { walls, boards: boardsOf(walls, rules), problems: [] };
}

/** Boards along edges by what they are cut of, the narrowest first. */
function boardsOf(walls: readonly WallEdge[], rules: HouseRules): Edges['boards'] {
  const lap = rules.length('edges.board.lap');
  const byBoard = new Map<string, Length[]>();
  for (const { height, boards } of walls) {
    const board = boardFor(height, lap);
    byBoard.set(board, [...(byBoard.get(board) ?? []), ...boards]);
  }
  const names = [...BOARDS.map(([name]) => name), PLYWOOD];
  const sorted = [...byBoard].sort(([a], [b]) => names.indexOf(a) - names.indexOf(b));
  return sorted.map(([board, runs]) => ({
    board,
    count: figureOf({
      id: `edges.boards.${board}`,
      title: `Edge boards, ${board}`,
      how: stockFor('boards', runs, rules.length('order.board.length')),
      rules: ['edges.board.lap', 'order.board.length'],
      pieces: {},
    }),
  }));
}
