import fc from 'fast-check';
import type { Plan } from '../../src/kernel/plan';
import { type BuiltLoop, type Wall, wallFace } from '../../src/stages/outline';
import { type Side, planOf, withCourses } from './plans';

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

/** Where a wall's inside face begins and ends by the drawn faces, in nanometres along its outside face. */
export function insideTape(
  built: BuiltLoop,
  wall: Wall,
): readonly [from: number, to: number, length: number] {
  const [start, end] = wallFace(built, wall, 'formOutside');
  const [along, up] = [end.x - start.x, end.y - start.y];
  const length = Math.hypot(along, up);
  const [from = 0, to = 0] = wallFace(built, wall, 'formInside').map(
    ({ x, y }) => ((x - start.x) * along + (y - start.y) * up) / length,
  );
  return [from, to, length];
}
