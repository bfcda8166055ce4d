import type { CourseRow, Courses, RowLimit } from '../courses';
import type { Family } from '../forms';
import { type Length, ZERO, add, subtract } from '../measure';
import { type Openings, areaOf, areaWithin } from '../openings';
import { type BuiltLoop, type Shell, type Tee, type Wall, isSquare, polygonArea } from '../shell';
import { type Displacing, bentBy, displacedIn } from './displaced';
import { type Given, type How, type Worked, givenCount, givenLength } from './how';

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
      return 0;
  }
}

/** Middle line of a wall's core along a stretch of it. */
function middleLine(
  wall: Wall,
  from: Length,
  to: Length,
  limits: Pick<CourseRow, 'start' | 'end'>,
  tees: BuiltLoop['tees'],
): Length {
  const before = insetAt(limits.start, wall.coreInset.start, wall, tees.start);
  const after = insetAt(limits.end, wall.coreInset.end, wall, tees.end);
  const clear = subtract(to, from) - before - after;
  return Math.max(0, Math.round(clear * bentBy(wall))) as Length;
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
            givenLength('middle of the core', middleLine(wall, 0 as Length, wall.length, limits, loop.tees)),
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
    const inner = polygonArea(loop.faces.concreteInside);
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
  const centreLine: Worked = {
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

/** Concrete in one stretch of a wall: core × middle line × height. */
const concreteOfRow = (row: CourseRow, wall: Wall, tees: BuiltLoop['tees']): How => ({
  op: 'product',
  name: wall.name,
  unit: 'volume',
  of: [
    givenLength('core', wall.core),
    givenLength('middle of the core', middleLine(wall, row.from, row.to, row, tees)),
    givenLength('height', subtract(row.top, row.bottom)),
  ],
});

/** Concrete in a course of blocks whose maker states what fills one: whole blocks, and others by what is left of their face. */
function concreteOfBlocks(
  courses: Courses,
  course: number,
  family: Extract<Family, { kind: 'cell' }>,
  openings: Openings,
): How {
  const faces = courses.pieces.reduce((sum, piece) => {
    if (piece.course !== course || piece.kind === 'corner') return sum;
    const { start: from, length, bottom, top } = piece;
    const rect = { from, to: add(from, length), bottom, top };
    const holes = openings.placed.filter((each) => each.worked && each.wall === piece.wall);
    return holes.reduce((left, { hole }) => left - areaWithin(hole, rect), sum + areaOf(rect));
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

/**
 * Concrete in one course: the core's plan area by its height where every wall stands whole, otherwise wall by wall; less
 * what openings and inserts keep out.
 */
export function concreteOfCourse(
  shell: Shell,
  courses: Courses,
  course: number,
  displacing: Displacing,
): How {
  const { family } = shell;
  if (family?.kind === 'cell') return concreteOfBlocks(courses, course, family, displacing.openings);
  const rows = courses.rows.filter((row) => row.course === course);
  const laid = new Set(courses.fills.map((fill) => fill.wall));
  const loops = shell.loops.flatMap((loop) =>
    loop.built?.walls.every((wall) => laid.has(wall.id)) === true ? [loop.built] : [],
  );
  const walls = new Map(loops.flatMap((loop) => loop.walls.map((wall) => [wall.id, wall])));
  const gross = grossOfCourse(rows, loops, walls, courses, course);
  const { out, added } = displacedIn(rows, walls, courses, course, displacing);
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

/** The same as if nothing went through the walls. */
function grossOfCourse(
  rows: readonly CourseRow[],
  loops: readonly BuiltLoop[],
  walls: ReadonlyMap<string, Wall>,
  courses: Courses,
  course: number,
): How {
  if (rows.length === walls.size && rows.every((row) => row.whole)) {
    const height = subtract(courses.tops[course] ?? (0 as Length), courses.tops[course - 1] ?? (0 as Length));
    return {
      op: 'product',
      name: 'concrete in the core',
      unit: 'volume',
      of: [
        { op: 'sum', name: 'plan area of the core', unit: 'area', of: loops.map(coreAreaOf) },
        givenLength('course height', height),
      ],
    };
  }
  return {
    op: 'sum',
    name: 'walls',
    unit: 'volume',
    of: rows.flatMap((row) => {
      const wall = walls.get(row.wall);
      const loop = loops.find((each) => each.walls.some((other) => other.id === row.wall));
      return wall && loop ? [concreteOfRow(row, wall, loop.tees)] : [];
    }),
  };
}
