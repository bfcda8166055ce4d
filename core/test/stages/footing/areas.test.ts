import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '../../../src/kernel/geometry/point';
import type { Plan } from '../../../src/kernel/plan';
import { work } from '../../../src/work';
import { angledHalls } from '../../support/angledHalls';
import { unionArea } from '../../support/clipper';
import { toInches } from '../../../src/kernel/measure';
import { HALL, planOf, withCourses, withInside, withStub } from '../../support/plans';

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

describe('the footing of an inside wall', () => {
  it('has its ties on the planks that it has, where only one end of it meets a wall', () => {
    const { forms } = work(
      withStub(planOf(HALL, { ...withCourses(4), footing: { kind: 'forms', width: '24in', depth: '10in' } })),
    ).footing;
    const layout = forms?.layout.find(({ wall }) => wall === 'inside');
    // The outer wall's footing shows 5 1/2 in inside it; planks of 8 ft follow from there, to the free end at 200 in.
    expect(layout?.joints.map((at) => toInches(at))).toEqual([5.5 + 96, 5.5 + 192]);
    for (const at of layout?.ties ?? []) expect(toInches(at)).toBeGreaterThan(5.5);
  });

  // Source: Clipper (polygon union), through the clipper-lib package.
  it('begins where that of the wall it meets ends: together they take what they cover', () => {
    const concrete = (width: string, inner: string): number => {
      const plan = planOf(HALL, { ...withCourses(4), footing: { kind: 'strip', width, depth: '10in' } });
      return work(withInside(plan, { bearing: { width: inner } })).footing.concrete.value;
    };
    for (const [width, inner] of [
      [24, 24],
      [30, 20],
      [16, 26],
    ] as const) {
      // Walls are 13 in thick: so much of a footing shows on both sides of them.
      const out = (width - 13) / 2;
      const [left, right] = [200 - 13 - (inner - 13) / 2, 200 + (inner - 13) / 2];
      const covered = unionArea([
        [-out, -out, 480 + out, 13 + out],
        [-out, 336 - 13 - out, 480 + out, 336 + out],
        [-out, -out, 13 + out, 336 + out],
        [480 - 13 - out, -out, 480 + out, 336 + out],
        [left, 13, right, 336 - 13],
      ]);
      expect(concrete(`${String(width)}in`, `${String(inner)}in`)).toBeCloseTo(covered * 10 * 0.0254 ** 3, 6);
    }
  });
});
