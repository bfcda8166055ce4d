import fc from 'fast-check';
import type { Plan } from '../../src/kernel/plan';
import { type BuiltLoop, type Wall, wallFace } from '../../src/stages/outline';
import { type Side, planOf, withCourses } from './plans';

type Spot = readonly [x: number, y: number];

/** Sides and turns of an outline from its corners in inches, clockwise on the plan. */
function sidesFrom(corners: readonly (readonly [x: number, y: number])[]): readonly Side[] {
  const at = (index: number) => corners[index % corners.length] as readonly [number, number];
  const heading = (index: number): number => {
    const [[x1, y1], [x2, y2]] = [at(index), at(index + 1)];
    return (Math.atan2(y2 - y1, x2 - x1) * 180) / Math.PI;
  };
  return corners.map((_, index) => {
    const [[x1, y1], [x2, y2]] = [at(index), at(index + 1)];
    const turn = ((heading(index + 1) - heading(index) + 540) % 360) - 180;
    return [Math.hypot(x2 - x1, y2 - y1), Number(turn.toFixed(4))];
  });
}

/** A hall with one corner cut off and one drawn in, at any angle, and walls of any cores. */
export const angledHalls: fc.Arbitrary<Plan> = fc
  .record({
    cut: fc.tuple(fc.integer({ min: 80, max: 160 }), fc.integer({ min: 80, max: 160 })),
    drawn: fc.tuple(fc.integer({ min: 90, max: 160 }), fc.integer({ min: 90, max: 160 })),
    cores: fc.array(fc.constantFrom('4in', '6in', '8in', '10in'), { minLength: 8, maxLength: 8 }),
  })
  .map(({ cut: [cutX, cutY], drawn: [drawnX, drawnY], cores }): Plan => {
    const plan = planOf(
      sidesFrom([
        [0, 0],
        [600 - cutX, 0],
        [600, cutY],
        [600, 500],
        [440 + drawnX / 2, 500],
        [440 - drawnX / 2, 500 - drawnY],
        [200, 500 - drawnY],
        [0, 500],
      ]),
      withCourses(3),
    );
    return {
      ...plan,
      loops: plan.loops.map((loop) => ({
        ...loop,
        walk: loop.walk.map((row, index) => ({ ...row, core: cores[index] ?? '8in' })),
      })),
    };
  });

/** Where two lines through points cross, by Cramer's rule; directions need not be of length 1. */
function crossing(
  [[x1, y1], [dx1, dy1]]: readonly [Spot, Spot],
  [[x2, y2], [dx2, dy2]]: readonly [Spot, Spot],
): Spot {
  const along = ((x2 - x1) * dy2 - (y2 - y1) * dx2) / (dx1 * dy2 - dy1 * dx2);
  return [x1 + along * dx1, y1 + along * dy1];
}

/**
 * Where a wall's inside face begins and ends, in nanometres along its outside face: its outside line and those of its neighbours, each
 * moved in by its own wall's thickness and crossed. Outside faces are checked by a polygon library elsewhere.
 */
export function insideTape(
  built: BuiltLoop,
  wall: Wall,
): readonly [from: number, to: number, length: number] {
  const count = built.walls.length;
  const index = built.walls.indexOf(wall);
  const lineOf = (at: number) => {
    const own = built.walls[(at + count) % count] as Wall;
    const [start, end] = wallFace(built, own, 'formOutside');
    const [dx, dy] = [end.x - start.x, end.y - start.y];
    const length = Math.hypot(dx, dy);
    // Walked clockwise, inward is to the right.
    const from: Spot = [start.x - (dy / length) * own.thickness, start.y + (dx / length) * own.thickness];
    return { start, length, along: [dx / length, dy / length] as Spot, inside: [from, [dx, dy]] as const };
  };
  const own = lineOf(index);
  const tape = [lineOf(index - 1), lineOf(index + 1)].map(({ inside }) => {
    const [x, y] = crossing(own.inside, inside);
    return (x - own.start.x) * own.along[0] + (y - own.start.y) * own.along[1];
  });
  return [tape[0] ?? 0, tape[1] ?? 0, own.length];
}
