import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Length, inches, toInches } from '../../../src/kernel/measure';
import { boardEnds } from '../../../src/kernel/stock/boardEnds';

const boardsOf = (length: number, stock: number, least: number): readonly number[] => {
  const ends = boardEnds(inches(length), inches(stock), inches(least));
  return ends.map((end, index) => toInches((end - (ends[index - 1] ?? 0)) as Length));
};

describe('boards end to end', () => {
  it('are whole ones and a rest, which takes from the one before it what it lacks', () => {
    // [by hand]
    expect(boardsOf(400, 192, 48)).toEqual([192, 160, 48]);
    expect(boardsOf(300, 192, 48)).toEqual([192, 108]);
    expect(boardsOf(240, 192, 48)).toEqual([192, 48]);
    expect(boardsOf(239, 192, 48)).toEqual([191, 48]);
    expect([boardsOf(192, 192, 48), boardsOf(384, 192, 48), boardsOf(20, 192, 48)]).toEqual([
      [192],
      [192, 192],
      [20],
    ]);
  });

  it('share what they have where both must be too short', () => {
    expect(boardsOf(100, 48, 96)).toEqual([48, 26, 26]);
    expect(boardsOf(130, 60, 48)).toEqual([60, 35, 35]);
  });

  it('fill any length with as few as there can be, none longer than they come, none too short that need not be', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 3000 }),
        fc.integer({ min: 48, max: 360 }),
        fc.integer({ min: 12, max: 96 }),
        (length, stock, least) => {
          const boards = boardsOf(length, stock, least);
          expect(boards.reduce((sum, each) => sum + each, 0)).toBeCloseTo(length, 6);
          expect(boards).toHaveLength(Math.ceil(length / stock));
          expect(Math.max(...boards)).toBeLessThanOrEqual(stock);
          expect(Math.min(...boards)).toBeGreaterThan(0);
          const can = boards.length > 1 && least * boards.length <= length && 2 * least <= stock;
          if (can) expect(Math.min(...boards)).toBeGreaterThanOrEqual(least);
        },
      ),
    );
  });
});
