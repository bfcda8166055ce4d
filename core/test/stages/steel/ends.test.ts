import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { toInches, type Length } from '../../../src/kernel/measure';
import type { Plan } from '../../../src/kernel/plan';
import { wallFace } from '../../../src/stages/outline';
import { work } from '../../../src/work';
import { angledHalls } from '../../support/angledHalls';
import { withinRing } from '../../support/clipper';

type Spot = readonly [x: number, y: number];
const spotOf = ({ x, y }: { readonly x: Length; readonly y: Length }): Spot => [toInches(x), toInches(y)];

/** Bars of the first outline that end, or stand, nearer to a face of the concrete than they may, or outside of it. */
function uncovered(plan: Plan, cover: number): readonly string[] {
  const { shell, steel } = work(plan);
  const { built } = shell.loops[0] ?? {};
  if (!built) throw new Error('not built');
  const { concreteOutside, concreteInside } = built.faces;
  const covered = withinRing(concreteOutside.map(spotOf), concreteInside.map(spotOf), cover);
  return steel.bars.flatMap((bar) => {
    const wall = built.walls.find(({ id }) => id === bar.wall);
    if (!wall || !['horizontal', 'corner', 'vertical', 'dowel'].includes(bar.use)) return [];
    const [[x1, y1], [x2, y2]] = wallFace(built, wall, 'formOutside').map(spotOf) as [Spot, Spot];
    const length = Math.hypot(x2 - x1, y2 - y1);
    const [along, up] = [(x2 - x1) / length, (y2 - y1) / length];
    const deep = toInches(wall.skin) + toInches(wall.core) / 2 + toInches(bar.offset);
    // A bar round a corner begins where it is bent.
    const ends = bar.use === 'corner' ? [bar.to] : [bar.from, bar.to];
    return ends
      .map(toInches)
      .map((at): Spot => [x1 + along * at - up * deep, y1 + up * at + along * deep])
      .filter((spot) => !covered(spot))
      .map((spot) => `${bar.id} at ${spot.map((each) => each.toFixed(2)).join(', ')}`);
  });
}

describe('bars at corners of any angle, between walls of any cores', () => {
  // Source: Clipper (offset polygons), through the clipper-lib package; cover of 3/4 in to foam, common practice.
  it('end in the concrete, with cover', () => {
    fc.assert(
      fc.property(
        angledHalls,
        fc.constantFrom('bend', 'bar'),
        fc.constantFrom('alternating', 'centred', 'tension'),
        (plan, corner, slots) => {
          const rules = { 'steel.corner': corner, 'steel.horizontal.slots': slots };
          expect(uncovered({ ...plan, rules }, 0.75)).toEqual([]);
        },
      ),
      { numRuns: 30 },
    );
  });
});
