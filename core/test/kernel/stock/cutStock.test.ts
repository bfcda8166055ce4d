import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cutStock } from '../../../src/kernel/stock/cutStock';
import reference from '../../data/stock.json';

// Source: optima proved by an integer program (arc-flow model, HiGHS), worked out separately from this project.
describe.each(reference.cases)('stock for $about', ({ stock, kerf, items, bins }) => {
  const reading = cutStock(
    items.map(([length = 0, count = 0]) => ({ length, count })),
    stock,
    kerf,
  );

  it('is as little as can be, and the bound says so', () => {
    expect(reading.ok && reading.plan.pieces.length).toBe(bins);
    expect(reading.ok && reading.plan.bound).toBeLessThanOrEqual(bins);
  });
});

describe('a stock plan', () => {
  const anyItems = fc.array(
    fc.record({ length: fc.integer({ min: 1, max: 100 }), count: fc.integer({ min: 0, max: 5 }) }),
    {
      maxLength: 6,
    },
  );

  it('gives every cut once, fits every piece with its kerf, and never claims less than its bound', () => {
    fc.assert(
      fc.property(anyItems, fc.nat(3), (items, kerf) => {
        const reading = cutStock(items, 100, kerf);
        if (!reading.ok) throw new Error('refused');
        const { pieces, bound, proved } = reading.plan;
        for (const piece of pieces) {
          expect(piece.reduce((sum, each) => sum + each, 0) + kerf * (piece.length - 1)).toBeLessThanOrEqual(
            100,
          );
        }
        const wanted = items.flatMap((item) => Array.from({ length: item.count }, () => item.length));
        expect(pieces.flat().sort((a, b) => a - b)).toEqual(wanted.sort((a, b) => a - b));
        expect(bound).toBeLessThanOrEqual(pieces.length);
        expect(proved).toBe(bound === pieces.length);
      }),
      { numRuns: 60 },
    );
  });

  it('refuses a cut longer than the stock', () => {
    expect(cutStock([{ length: 121, count: 1 }], 120, 0)).toEqual({ ok: false, longest: 121, stock: 120 });
  });

  it('of nothing is nothing', () => {
    expect(cutStock([], 120, 0)).toEqual({ ok: true, plan: { pieces: [], bound: 0, proved: true } });
  });
});
