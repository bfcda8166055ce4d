import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { faceEnds } from '../../../src/stages/bracing';
import { cornerReach } from '../../../src/stages/outline';
import { work } from '../../../src/work';
import { angledHalls, insideTape } from '../../support/angledHalls';

/** A hundredth of an inch: turns are typed to a ten-thousandth of a degree. */
const NEAR = 254_000;

describe('where a wall’s inside face begins and ends, tape from the outside corner', () => {
  it('is where its inside line meets that of the other wall, at any angle and between walls of any cores', () => {
    fc.assert(
      fc.property(angledHalls, (plan) => {
        const { built } = work(plan).shell.loops[0] ?? {};
        if (!built) throw new Error('not built');
        for (const wall of built.walls) {
          const [from, to, length] = insideTape(built, wall);
          const wanted = [from, length - to, from, to];
          const [start, end] = faceEnds(built, wall, 'inside');
          const found = [cornerReach(built, wall, true), cornerReach(built, wall, false), start.at, end.at];
          found.forEach((each, index) => {
            expect(Math.abs(each - (wanted[index] ?? 0))).toBeLessThan(NEAR);
          });
        }
      }),
      { numRuns: 40 },
    );
  });
});
