import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, toInches } from '../../../src/kernel/measure';
import { work } from '../../../src/work';
import { roundedHall, withCourses } from '../../support/plans';

// Source: an arc is as long as its radius times its angle; the bar lies between the faces of the core.
describe('horizontals of a curved wall', () => {
  it('are cut to the arc that they lie on, not to the face that the blocks are laid along', () => {
    fc.assert(
      fc.property(fc.integer({ min: 72, max: 400 }), fc.constantFrom(6, 8, 10), (radius, core) => {
        const { steel, shell } = work(roundedHall(radius, { ...withCourses(4), core: `${String(core)}in` }));
        const wall = shell.loops[0]?.built?.walls[1];
        expect(wall?.curve).toBeTruthy();
        const bars = steel.bars.filter(({ use, wall: id }) => use === 'horizontal' && id === 'w2');
        expect(bars.length).toBeGreaterThan(0);
        const courses = new Set(bars.map(({ course, offset }) => `${String(course)}:${String(offset)}`));
        for (const key of courses) {
          const row = bars.filter((bar) => `${String(bar.course)}:${String(bar.offset)}` === key);
          const offset = toInches((row[0]?.offset ?? 0) as Length);
          const own = radius - 2.5 - core / 2 - offset;
          // Either end stops 2 in, measured on the face, before the line where the next wall begins.
          const run = (Math.PI / 2 - 4 / radius) * own;
          const laid = row.reduce((sum, bar) => {
            const [leg] = bar.legs;
            return sum + toInches(leg ?? bar.cut) - toInches(bar.laps.after);
          }, 0);
          expect(laid).toBeCloseTo(run, 4);
          // And they lie where they are drawn: from the first place to the last, along the face.
          const [from, to] = [
            Math.min(...row.map((bar) => toInches(bar.from))),
            Math.max(...row.map((bar) => toInches(bar.to))),
          ];
          expect(from).toBeCloseTo(2, 4);
          expect(to).toBeCloseTo((radius * Math.PI) / 2 - 2, 4);
        }
      }),
      { numRuns: 40 },
    );
  });
});
