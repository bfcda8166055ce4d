import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { work } from '../../../src/work';
import { angledHalls, insideTape } from '../../support/angledHalls';

describe('blocks sawn for a corner', () => {
  it('are a whole block or half of one on the longer of their faces, whatever cores meet', () => {
    fc.assert(
      fc.property(angledHalls, (plan) => {
        const { shell, courses, system } = work(plan);
        const { built } = shell.loops[0] ?? {};
        if (!built || !system) throw new Error('not built');
        for (const wall of built.walls) {
          const [from, to] = insideTape(built, wall);
          for (const piece of courses.pieces) {
            if (piece.kind !== 'cut' || piece.wall !== wall.id || !piece.mitred) continue;
            const { start, end } = piece.mitred;
            const inside = (end ? to : piece.start + piece.length) - (start ? from : piece.start);
            const longer = Math.max(piece.length, inside);
            const sawnFrom = longer > system.block * 0.75 ? system.block : system.block / 2;
            // A hundredth of an inch: turns are typed to a ten-thousandth of a degree.
            expect(Math.abs(longer - sawnFrom), `${wall.id} ${piece.id}`).toBeLessThan(254_000);
          }
        }
      }),
      { numRuns: 40 },
    );
  });
});
