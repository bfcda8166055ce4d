import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '../../../src/kernel/geometry/point';
import type { Plan } from '../../../src/kernel/plan';
import { work } from '../../../src/work';
import { angledHalls } from '../../support/angledHalls';

/** Square metres within corners, by the cross products of their sides. [shoelace formula] */
const within = (corners: readonly Point[]): number =>
  Math.abs(
    corners.reduce((sum, { x, y }, index) => {
      const next = corners[(index + 1) % corners.length] as Point;
      return sum + x * next.y - next.x * y;
    }, 0),
  ) / 2e18;

/** The same hall with every wall off the middle of its footing by its own measure. */
const shifted = (plan: Plan, offsets: readonly string[]): Plan => ({
  ...plan,
  loops: plan.loops.map((loop) => ({
    ...loop,
    walk: loop.walk.map((row, index) => ({ ...row, bearing: { offset: offsets[index] ?? 'in 0in' } })),
  })),
});

const offsets = fc.array(fc.constantFrom('in 3in', 'in 1in', 'in 0in', 'out 2in', 'out 4in'), {
  minLength: 8,
  maxLength: 8,
});

describe('walls that stand off the middle of their footing, at any angle and of any cores', () => {
  it('take as much concrete and sheet as lies between the edges that are drawn', () => {
    fc.assert(
      fc.property(angledHalls, offsets, (hall, off) => {
        const plan: Plan = {
          ...shifted(hall, off),
          footing: { kind: 'sheet', width: '26in', depth: '10in' },
        };
        const { footing, shell } = work(plan);
        const { built } = shell.loops[0] ?? {};
        const [base] = footing.bases.loops;
        if (!built || !base) throw new Error('not built');
        const strip = within(base.outer) - within(base.inner);
        expect(footing.concrete.value).toBeCloseTo(strip * 0.254, 4);
        const walls = within(built.faces.formOutside) - within(built.faces.formInside);
        expect(footing.sheet?.value).toBeCloseTo(walls, 4);
      }),
      { numRuns: 40 },
    );
  });
});
