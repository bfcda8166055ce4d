import type { CourseRow, Courses, RowLimit } from '../courses';
import type { Family } from '../forms';
import { type Length, add, subtract } from '../measure';
import { type BuiltLoop, type Shell, type Tee, type Wall, isSquare, polygonArea } from '../shell';
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
  // The middle of an arc's core is as much shorter than its longer face as its radius is.
  const { curve } = wall;
  const bent = curve ? (curve.outside + curve.inside) / 2 / Math.max(curve.outside, curve.inside) : 1;
  return Math.max(0, Math.round(clear * bent)) as Length;
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

/** Concrete in a course of blocks whose maker states what fills one: whole blocks, and cut ones by their length. */
function concreteOfBlocks(courses: Courses, course: number, family: Extract<Family, { kind: 'cell' }>): How {
  const laid = courses.pieces.filter((piece) => piece.course === course && piece.kind !== 'corner');
  const lengths = laid.map((piece) => (piece.kind === 'corner' ? (0 as Length) : piece.length));
  return {
    op: 'product',
    name: 'concrete in the cells',
    unit: 'volume',
    of: [
      {
        op: 'quotient',
        name: 'blocks, cut ones by their length',
        unit: 'ratio',
        of: [givenLength('blocks end to end', add(...lengths)), givenLength('block', family.blockLength)],
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

/** Concrete in one course: the core's plan area by its height where every wall stands whole, otherwise wall by wall. */
export function concreteOfCourse(shell: Shell, courses: Courses, course: number): How {
  const { family } = shell;
  if (family?.kind === 'cell') return concreteOfBlocks(courses, course, family);
  const rows = courses.rows.filter((row) => row.course === course);
  const laid = new Set(courses.fills.map((fill) => fill.wall));
  const loops = shell.loops.flatMap((loop) =>
    loop.built?.walls.every((wall) => laid.has(wall.id)) === true ? [loop.built] : [],
  );
  const walls = new Map(loops.flatMap((loop) => loop.walls.map((wall) => [wall.id, wall])));
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
