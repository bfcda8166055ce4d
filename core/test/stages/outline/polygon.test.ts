import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Length } from '../../../src/kernel/measure';
import type { Point } from '../../../src/kernel/geometry/point';
import { firstCrossing, polygonArea, segmentsMeet } from '../../../src/kernel/geometry/polygon';
const point = (x: number, y: number): Point => ({ x: (x * 1e9) as Length, y: (y * 1e9) as Length });
const spot = fc.tuple(fc.integer({ min: -30, max: 30 }), fc.integer({ min: -30, max: 30 }));

describe('polygons of the plan', () => {
  it('have a positive area clockwise, as the plan is drawn', () => {
    const square = [point(0, 0), point(3, 0), point(3, 2), point(0, 2)];
    expect(polygonArea(square)).toBe(6);
    expect(polygonArea([...square].reverse())).toBe(-6);
  });

  it('keep their area far from corner A', () => {
    const far = [point(900_000, 900_000), point(900_000.001, 900_000), point(900_000.001, 900_000.001)];
    expect(polygonArea(far)).toBeCloseTo(5e-7, 15);
  });

  it('find segments that meet, also at their ends and along each other', () => {
    expect(segmentsMeet(point(0, 0), point(4, 4), point(0, 4), point(4, 0))).toBe(true);
    expect(segmentsMeet(point(0, 0), point(4, 0), point(2, 0), point(2, 3))).toBe(true);
    expect(segmentsMeet(point(0, 0), point(4, 0), point(3, 0), point(9, 0))).toBe(true);
    expect(segmentsMeet(point(0, 0), point(4, 0), point(5, 0), point(9, 0))).toBe(false);
    expect(segmentsMeet(point(0, 0), point(4, 4), point(1, 0), point(5, 3))).toBe(false);
  });

  it('judge segments as exact arithmetic does', () => {
    fc.assert(
      fc.property(spot, spot, spot, spot, (a, b, c, d) => {
        const [p, q, r, s] = [a, b, c, d].map(([x, y]) => point(x, y)) as [Point, Point, Point, Point];
        const cross = (o: readonly number[], u: readonly number[], v: readonly number[]): number =>
          Math.sign(
            ((u[0] as number) - (o[0] as number)) * ((v[1] as number) - (o[1] as number)) -
              ((u[1] as number) - (o[1] as number)) * ((v[0] as number) - (o[0] as number)),
          );
        const on = (o: readonly number[], u: readonly number[], v: readonly number[]): boolean =>
          cross(o, u, v) === 0 &&
          Math.min(o[0] as number, u[0] as number) <= (v[0] as number) &&
          (v[0] as number) <= Math.max(o[0] as number, u[0] as number) &&
          Math.min(o[1] as number, u[1] as number) <= (v[1] as number) &&
          (v[1] as number) <= Math.max(o[1] as number, u[1] as number);
        const proper = cross(a, b, c) * cross(a, b, d) < 0 && cross(c, d, a) * cross(c, d, b) < 0;
        const expected = proper || on(a, b, c) || on(a, b, d) || on(c, d, a) || on(c, d, b);
        expect(segmentsMeet(p, q, r, s)).toBe(expected);
        expect(segmentsMeet(r, s, p, q)).toBe(expected);
      }),
      { numRuns: 2000 },
    );
  });

  it('are simple until two sides meet', () => {
    expect(firstCrossing([point(0, 0), point(4, 0), point(4, 4), point(0, 4)])).toBeNull();
    expect(firstCrossing([point(0, 0), point(4, 4), point(4, 0), point(0, 4)])).toEqual([0, 2]);
    expect(firstCrossing([point(0, 0), point(4, 0), point(2, 3)])).toBeNull();
  });
});
