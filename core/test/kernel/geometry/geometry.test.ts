import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isNear } from '../../../src/kernel/geometry/near';
import { type Point, distance, step } from '../../../src/kernel/geometry/point';
import { firstCrossing, polygonArea, segmentsMeet } from '../../../src/kernel/geometry/polygon';
import { type Length, degrees } from '../../../src/kernel/measure';

const at = (x: number, y: number): Point => ({ x: x as Length, y: y as Length });
const whole = fc.integer({ min: -6, max: 6 });
const spot = fc.tuple(whole, whole).map(([x, y]) => at(x, y));

/** Whether two segments share a point, by trying every place on both in exact fractions: slow, and another way than the signs. */
function meetByFractions(a: Point, b: Point, c: Point, d: Point): boolean {
  const [rx, ry, sx, sy] = [b.x - a.x, b.y - a.y, d.x - c.x, d.y - c.y];
  const [qx, qy] = [c.x - a.x, c.y - a.y];
  const cross = rx * sy - ry * sx;
  if (cross !== 0) {
    // a + t r = c + u s, with t and u as fractions over `cross`.
    const [t, u] = [(qx * sy - qy * sx) * Math.sign(cross), (qx * ry - qy * rx) * Math.sign(cross)];
    return t >= 0 && t <= Math.abs(cross) && u >= 0 && u <= Math.abs(cross);
  }
  // Side by side or in one line: an end of one lies on the other, or they do not meet.
  const on = (p: Point, from: Point, to: Point): boolean =>
    (to.x - from.x) * (p.y - from.y) === (to.y - from.y) * (p.x - from.x) &&
    (p.x - from.x) * (p.x - to.x) <= 0 &&
    (p.y - from.y) * (p.y - to.y) <= 0;
  return on(a, c, d) || on(b, c, d) || on(c, a, b) || on(d, a, b);
}

describe('segments', () => {
  it('meet where they cross, touch or lie over each other, and nowhere else', () => {
    fc.assert(
      fc.property(spot, spot, spot, spot, (a, b, c, d) => {
        expect(segmentsMeet(a, b, c, d)).toBe(meetByFractions(a, b, c, d));
      }),
      { numRuns: 3000 },
    );
  });

  it('meet or miss by a nanometre, a kilometre away', () => {
    const far = 1e12;
    expect(segmentsMeet(at(0, 0), at(far, far), at(far, far), at(far, 0))).toBe(true);
    expect(segmentsMeet(at(0, 0), at(far, far), at(far, far - 1), at(far, 0))).toBe(false);
    expect(segmentsMeet(at(0, 0), at(far, far - 1), at(far / 2, far / 2), at(0, far))).toBe(false);
  });
});

describe('a polygon', () => {
  it('is simple, or says which sides cross first', () => {
    expect(firstCrossing([at(0, 0), at(4, 0), at(4, 4), at(0, 4)])).toBeNull();
    expect(firstCrossing([at(0, 0), at(4, 4), at(4, 0), at(0, 4)])).toEqual([0, 2]);
    // Open, the same line has no side back to its start.
    expect(firstCrossing([at(0, 0), at(4, 0), at(4, 4), at(2, -2)], false)).toEqual([0, 2]);
    expect(firstCrossing([at(0, 0), at(4, 0), at(4, 4), at(2, 2)], false)).toBeNull();
    expect(
      firstCrossing([at(0, 0), at(2, 2), at(4, 0), at(4, 4), at(0, 4), at(0, 1), at(3, 1)], false),
    ).toEqual([0, 5]);
  });

  it('has the area that unit squares count', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }), (wide, high) => {
        const side = 1e9;
        const corners = [at(0, 0), at(wide * side, 0), at(wide * side, high * side), at(0, high * side)];
        expect(polygonArea(corners)).toBeCloseTo(wide * high, 9);
        // A notch of one square metre.
        const notched = [
          at(0, 0),
          at((wide + 1) * side, 0),
          at((wide + 1) * side, high * side),
          at(wide * side, high * side),
          at(wide * side, (high + 1) * side),
          at(0, (high + 1) * side),
        ];
        expect(polygonArea(notched)).toBeCloseTo((wide + 1) * (high + 1) - 1, 9);
      }),
    );
  });
});

describe('a step on the plan', () => {
  it('goes right, down, left and up as the walk turns clockwise, and to its right aside', () => {
    expect(step(at(10, 20), degrees(0), 3, 4)).toEqual(at(13, 24));
    expect(step(at(10, 20), degrees(90), 3, 4)).toEqual(at(6, 23));
    expect(step(at(10, 20), degrees(180), 3, 4)).toEqual(at(7, 16));
    expect(step(at(10, 20), degrees(270), 3, 4)).toEqual(at(14, 17));
  });

  it('is as long as it says, in any direction', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 359 }),
        fc.integer({ min: 0, max: 1e10 }),
        whole,
        (turn, along, aside) => {
          const to = step(at(5, 7), degrees(turn), along, aside * 1e9);
          expect(Math.abs(distance(at(5, 7), to) - Math.hypot(along, aside * 1e9))).toBeLessThan(2);
        },
      ),
    );
  });
});

describe('what is near a station', () => {
  it('is what lies nearer than is clear, among any places in order', () => {
    const place = fc.integer({ min: -50, max: 50 });
    fc.assert(
      fc.property(fc.array(place), place, fc.integer({ min: 0, max: 9 }), (places, at, clear) => {
        const sorted = [...places].sort((a, b) => a - b);
        expect(isNear(sorted, at, clear)).toBe(places.some((each) => Math.abs(each - at) < clear));
      }),
    );
  });
});
