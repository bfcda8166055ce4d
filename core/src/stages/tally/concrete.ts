import type { CourseRow, Courses, Piece, RowLimit } from '../courses';
import type { Family } from '../../kernel/forms';
import { type Length, add, subtract, ZERO, nanometres, max, min } from '../../kernel/measure';
import { areaOf, areaWithin } from '../openings';
import { polygonArea } from '../../kernel/geometry/polygon';
import { type BuiltLoop, type Shell, type Tee, type Wall, faceRing, isSquare, wallFace } from '../outline';
import { type Displacing, areaOverRake, bentBy, displacedIn } from './displaced';
import { type Given, type How, type WorkedHow, givenCount, givenLength } from '../../kernel/figures/how';

/** What the end of a stretch takes off the middle line of its core. A free end loses the thickness of its bulkhead; at another wall the core runs on through that wall's foam. */
function insetAt(limit: RowLimit, inset: Length, wall: Wall, tee: Tee | null): number {
  switch (limit) {
    case 'corner':
      return inset;
    case 'free':
      return wall.skin;
    case 'tee':
      return tee ? -tee.skin : 0;
    case 'joint':
    case 'footing':
    case 'rake':
      return 0;
  }
}

/** What `middleLine` goes by. */
interface MiddleLineInput {
  readonly wall: Wall;
  readonly from: Length;
  readonly to: Length;
  readonly limits: Pick<CourseRow, 'start' | 'end'>;
  readonly tees: BuiltLoop['tees'];
}

/** Middle line of a wall's core along a stretch of it. */
function middleLine({ wall, from, to, limits, tees }: MiddleLineInput): Length {
  const before = insetAt(limits.start, wall.coreInset.start, wall, tees.start);
  const after = insetAt(limits.end, wall.coreInset.end, wall, tees.end);
  const clear = subtract(to, from) - before - after;
  return max(ZERO, nanometres(clear * bentBy(wall)));
}

/**
 * Plan area of one loop's core. With one core and square corners it is core × centre line, shown so that a calculator
 * can follow it; otherwise the difference of the two concrete faces' polygons; an open loop's, wall by wall.
 */
export function coreAreaOf(loop: BuiltLoop): How {
  const [first] = loop.walls;
  const cores = new Set(loop.walls.map((wall) => wall.core));
  const name = 'plan area of the core';
  if (loop.open) {
    const last = loop.walls.length - 1;
    return {
      op: 'sum',
      name,
      unit: 'area',
      of: loop.walls.map((wall, index): How => {
        const limits = {
          start: index > 0 ? 'corner' : loop.tees.start ? 'tee' : 'free',
          end: index < last ? 'corner' : loop.tees.end ? 'tee' : 'free',
        } as const;
        return {
          op: 'product',
          name: wall.name,
          unit: 'area',
          of: [
            givenLength('core', wall.core),
            givenLength(
              'middle of the core',
              middleLine({ wall, from: ZERO, to: wall.length, limits, tees: loop.tees }),
            ),
          ],
        };
      }),
    };
  }
  if (
    first === undefined ||
    cores.size !== 1 ||
    !loop.corners.every((corner) => isSquare(corner.turn)) ||
    loop.walls.some((wall) => wall.curve)
  ) {
    // Arcs are in the loop's own area; what its corners leave out is told on the outer face.
    const inner = polygonArea(faceRing(loop, 'concreteInside'));
    const within = (face: string, value: number): Given => ({ op: 'given', name: face, unit: 'area', value });
    return {
      op: 'difference',
      name,
      unit: 'area',
      of: [
        within('within the concrete’s outer face', loop.coreArea + inner),
        within('within its inner face', inner),
      ],
    };
  }
  const centreLine: WorkedHow = {
    op: 'difference',
    name: 'centre line',
    unit: 'length',
    of: [
      {
        op: 'sum',
        name: 'form faces',
        unit: 'length',
        of: loop.walls.map((wall) => givenLength(wall.name, wall.length)),
      },
      {
        op: 'product',
        name: 'what square corners take',
        unit: 'length',
        of: [
          givenCount(
            'outside corners less inside corners',
            loop.corners.reduce((sum, corner) => sum + (corner.kind === 'outside' ? 1 : -1), 0),
          ),
          givenLength('wall thickness', first.thickness),
        ],
      },
    ],
  };
  return { op: 'product', name, unit: 'area', of: [givenLength('core', first.core), centreLine] };
}

/** Where the middle of the core begins and ends along a row. */
function middleEnds(row: CourseRow, core: Core): readonly [from: number, to: number] {
  const found = core.walls.get(row.wall);
  if (!found) return [row.from, row.to];
  const { wall, loop } = found;
  return [
    row.from + insetAt(row.start, wall.coreInset.start, wall, loop.tees.start),
    row.to - insetAt(row.end, wall.coreInset.end, wall, loop.tees.end),
  ];
}

/** Concrete in one stretch of a wall: core × middle line × height. */
const concreteOfRow = (row: CourseRow, wall: Wall, tees: BuiltLoop['tees']): How => ({
  op: 'product',
  name: wall.name,
  unit: 'volume',
  of: [
    givenLength('core', wall.core),
    givenLength('middle of the core', middleLine({ wall, from: row.from, to: row.to, limits: row, tees })),
    givenLength('height', subtract(row.top, row.bottom)),
  ],
});

/** Part of a course: between two heights, in one wall, or both. By default the whole course. */
interface CoursePart {
  readonly bottom?: Length;
  readonly top?: Length;
  readonly wall?: string;
}

const clipped = <Lying extends { readonly bottom: Length; readonly top: Length }>(
  lying: Lying,
  { bottom, top }: CoursePart,
): Lying => ({
  ...lying,
  bottom: max(lying.bottom, bottom ?? lying.bottom),
  top: min(lying.top, top ?? lying.top),
});

/** Concrete in a course of blocks whose maker states what fills one: whole blocks, and others by what is left of their face. */
function concreteOfBlocks(
  pieces: readonly Piece[],
  family: Extract<Family, { kind: 'cell' }>,
  { openings, rakes }: Displacing,
  part: CoursePart,
): How {
  const faces = pieces.reduce((sum, piece) => {
    if (piece.kind === 'corner') return sum;
    if (part.wall !== undefined && part.wall !== piece.wall) return sum;
    const { start: from, length } = piece;
    const rect = clipped({ from, to: add(from, length), bottom: piece.bottom, top: piece.top }, part);
    if (rect.top <= rect.bottom) return sum;
    const holes = openings.placed.filter((each) => each.worked && each.wall === piece.wall);
    const over = areaOverRake(rakes.get(piece.wall) ?? [], rect);
    return holes.reduce((left, { hole }) => left - areaWithin(hole, rect), sum + areaOf(rect) - over);
  }, 0);
  const block = { from: ZERO, to: family.blockLength, bottom: ZERO, top: family.courseHeight };
  return {
    op: 'product',
    name: 'concrete in the cells',
    unit: 'volume',
    of: [
      {
        op: 'quotient',
        name: 'blocks, cut ones by their face',
        unit: 'ratio',
        of: [
          { op: 'given', name: 'faces of the blocks', unit: 'area', value: faces },
          { op: 'given', name: 'face of a block', unit: 'area', value: areaOf(block) },
        ],
      },
      {
        op: 'given',
        name: 'concrete in a block, as its maker states it',
        unit: 'volume',
        value: family.volumePerBlock,
      },
    ],
  };
}

/** What the concrete of a job is worked out from, found once: its walls, and what lies in every course. */
export interface Core {
  readonly family: Family | null;
  readonly tops: readonly Length[];
  readonly loops: readonly BuiltLoop[];
  readonly walls: ReadonlyMap<string, { readonly wall: Wall; readonly loop: BuiltLoop }>;
  readonly rows: ReadonlyMap<number, readonly CourseRow[]>;
  readonly pieces: ReadonlyMap<number, readonly Piece[]>;
  /** Courses in which every wall stands whole, end to end. */
  readonly whole: ReadonlySet<number>;
}

const byCourse = <Lying extends { readonly course: number }>(
  lying: readonly Lying[],
): ReadonlyMap<number, readonly Lying[]> => {
  const found = new Map<number, Lying[]>();
  for (const each of lying) {
    const own = found.get(each.course);
    if (own) own.push(each);
    else found.set(each.course, [each]);
  }
  return found;
};

/** The core of a job's walls, course by course. */
export function coreOf(shell: Shell, courses: Courses): Core {
  const laid = new Set(courses.fills.map((fill) => fill.wall));
  const loops = shell.loops.flatMap((loop) =>
    loop.built?.walls.every((wall) => laid.has(wall.id)) === true ? [loop.built] : [],
  );
  const walls = new Map(
    loops.flatMap((loop) => loop.walls.map((wall) => [wall.id, { wall, loop }] as const)),
  );
  const rows = byCourse(courses.rows);
  return {
    family: shell.family,
    tops: courses.tops,
    loops,
    walls,
    rows,
    pieces: shell.family?.kind === 'cell' ? byCourse(courses.pieces) : new Map<number, never>(),
    whole: new Set(
      [...rows].flatMap(([course, own]) =>
        own.length === walls.size && own.every((row) => row.whole) ? [course] : [],
      ),
    ),
  };
}

/**
 * Concrete in one course, or in part of it: the core's plan area by its height where every wall stands whole, otherwise wall by
 * wall; less what openings and inserts keep out. What the walls hold of a course adds up to the course.
 */
export function concreteOfCourse(
  core: Core,
  course: number,
  displacing: Displacing,
  part: CoursePart = {},
): How {
  if (core.family?.kind === 'cell') {
    return concreteOfBlocks(core.pieces.get(course) ?? [], core.family, displacing, part);
  }
  const rows = (core.rows.get(course) ?? [])
    .filter((row) => part.wall === undefined || row.wall === part.wall)
    .map((row) => clipped(row, part))
    .filter((row) => row.top > row.bottom && core.walls.has(row.wall));
  const span = clipped({ bottom: core.tops[course - 1] ?? ZERO, top: core.tops[course] ?? ZERO }, part);
  const wall = (id: string): Wall | undefined =>
    part.wall === undefined || part.wall === id ? core.walls.get(id)?.wall : undefined;
  const whole = core.whole.has(course);
  const gross =
    part.wall === undefined && whole ? grossAllRound(core.loops, span) : grossOfRows(rows, core, whole);
  const { out, added } = displacedIn(
    rows,
    { wallOf: wall, middleOf: (row) => middleEnds(row, core) },
    span,
    displacing,
  );
  const poured: How =
    added.length === 0
      ? gross
      : {
          op: 'sum',
          name: 'walls and what is added',
          unit: 'volume',
          of: [{ ...gross, name: 'walls' }, ...added],
        };
  if (out.length === 0) return poured;
  return {
    op: 'difference',
    name: 'concrete in the core',
    unit: 'volume',
    of: [
      added.length === 0 ? { ...gross, name: 'walls without openings' } : poured,
      { op: 'sum', name: 'kept out by openings and inserts', unit: 'volume', of: out },
    ],
  };
}

/**
 * A wall's share of the core's plan where its neighbours' cores differ from its own: from the line through both faces' corners at
 * its start to that at its end. Null where core × middle line says the same.
 */
function areaBetweenCorners(loop: BuiltLoop, wall: Wall): How | null {
  const count = loop.walls.length;
  const index = loop.walls.indexOf(wall);
  const neighbours = [loop.walls[(index + 1) % count], loop.walls[(index + count - 1) % count]];
  if (loop.open || wall.curve || neighbours.every((each) => each?.core === wall.core)) return null;
  const outer = wallFace(loop, wall, 'concreteOutside');
  const inner = wallFace(loop, wall, 'concreteInside');
  const corners = [...outer, inner[1], inner[0]];
  return { op: 'given', name: 'plan area between its corners', unit: 'area', value: polygonArea(corners) };
}

/** A course that stands whole all round, as if nothing went through its walls. */
const grossAllRound = (
  loops: readonly BuiltLoop[],
  span: { readonly bottom: Length; readonly top: Length },
): How => ({
  op: 'product',
  name: 'concrete in the core',
  unit: 'volume',
  of: [
    { op: 'sum', name: 'plan area of the core', unit: 'area', of: loops.map(coreAreaOf) },
    givenLength('course height', subtract(span.top, span.bottom)),
  ],
});

/** The same wall by wall. */
const grossOfRows = (rows: readonly CourseRow[], core: Core, whole: boolean): How => ({
  op: 'sum',
  name: 'walls',
  unit: 'volume',
  of: rows.flatMap((row) => {
    const found = core.walls.get(row.wall);
    if (!found) return [];
    const { wall, loop } = found;
    const area = whole ? areaBetweenCorners(loop, wall) : null;
    if (!area) return [concreteOfRow(row, wall, loop.tees)];
    const height = givenLength('height', subtract(row.top, row.bottom));
    return [{ op: 'product', name: wall.name, unit: 'volume', of: [area, height] }];
  }),
});
