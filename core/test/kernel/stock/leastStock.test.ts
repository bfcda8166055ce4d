import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type StockItem, cutStock } from '../../../src/kernel/stock/cutStock';
import { type StockStep, leastStock } from '../../../src/kernel/stock/leastStock';
import reference from '../../data/stock.json';

/** All steps of a search, the last one last. */
function search(items: readonly StockItem[], stock: number): readonly StockStep[] {
  const steps = leastStock(items, stock);
  const found: StockStep[] = [];
  for (;;) {
    const step = steps.next();
    found.push(step.value);
    if (step.done === true) return found;
  }
}
const least = (items: readonly StockItem[], stock: number): StockStep =>
  search(items, stock).at(-1) as StockStep;

const itemsOf = (items: readonly (readonly number[])[]): readonly StockItem[] =>
  items.map(([length = 0, count = 0]) => ({ length, count }));

// Source: optima proved by an integer program (arc-flow model, HiGHS), worked out separately from this project.
describe.each(reference.cases.filter((each) => each.kerf === 0))(
  'the least stock for $about',
  ({ stock, items, bins }) => {
    it('is met and proved', () => {
      expect(least(itemsOf(items), stock)).toMatchObject({ bound: bins, proved: true });
      expect(least(itemsOf(items), stock).pieces).toHaveLength(bins);
    });

    it('is the same measured a million times finer: time grows with lengths that differ, not with their measure', () => {
      const fine = itemsOf(items).map(({ length, count }) => ({ length: length * 1_000_000, count }));
      const step = least(fine, stock * 1_000_000);
      expect(step.pieces).toHaveLength(bins);
      expect(step.tried).toBeLessThanOrEqual(least(itemsOf(items), stock).tried + 50);
    });
  },
);

/** Fewest pieces by trying everything, for a few cuts: each in every open piece, or in a new one. */
function byHand(cuts: readonly number[], stock: number): number {
  let fewest = cuts.length;
  const rooms: number[] = [];
  const place = (index: number): void => {
    if (rooms.length >= fewest) return;
    if (index === cuts.length) {
      fewest = rooms.length;
      return;
    }
    const cut = cuts[index] as number;
    const tried = new Set<number>();
    for (let piece = 0; piece < rooms.length; piece++) {
      const room = rooms[piece] as number;
      if (room < cut || tried.has(room)) continue;
      tried.add(room);
      rooms[piece] = room - cut;
      place(index + 1);
      rooms[piece] = room;
    }
    rooms.push(stock - cut);
    place(index + 1);
    rooms.pop();
  };
  place(0);
  return fewest;
}

describe('a search for the least stock', () => {
  const someItems = fc.array(
    fc.record({ length: fc.integer({ min: 12, max: 100 }), count: fc.integer({ min: 0, max: 3 }) }),
    { maxLength: 5 },
  );

  it('finds what trying everything finds, and its bound is never above it', () => {
    fc.assert(
      fc.property(someItems, (items) => {
        const cuts = items.flatMap(({ length, count }) => Array.from({ length: count }, () => length));
        const fewest = byHand(
          [...cuts].sort((a, b) => b - a),
          100,
        );
        const step = least(items, 100);
        expect(step.bound).toBeLessThanOrEqual(fewest);
        expect(step.pieces).toHaveLength(fewest);
      }),
      { numRuns: 120 },
    );
  });

  const manyItems = fc.array(
    fc.record({ length: fc.integer({ min: 180, max: 2400 }), count: fc.integer({ min: 1, max: 12 }) }),
    { minLength: 1, maxLength: 25 },
  );

  it('gives every cut once in every plan on the way, and only ever betters plan and bound', () => {
    fc.assert(
      fc.property(manyItems, (items) => {
        const wanted = items
          .flatMap(({ length, count }) => Array.from({ length: count }, () => length))
          .sort((a, b) => a - b);
        const steps = search(items, 2400);
        const quick = cutStock(items, 2400, 0, 'quick');
        if (!quick.ok) throw new Error('refused');
        let [fewest, bound] = [quick.plan.pieces.length, 0];
        for (const step of steps) {
          expect(step.pieces.flat().sort((a, b) => a - b)).toEqual(wanted);
          for (const piece of step.pieces) {
            expect(piece.reduce((sum, cut) => sum + cut, 0)).toBeLessThanOrEqual(2400);
          }
          expect(step.pieces.length).toBeLessThanOrEqual(fewest);
          expect(step.bound).toBeGreaterThanOrEqual(bound);
          expect(step.bound).toBeLessThanOrEqual(step.pieces.length);
          expect(step.proved).toBe(step.bound === step.pieces.length);
          [fewest, bound] = [step.pieces.length, step.bound];
        }
      }),
      { numRuns: 40 },
    );
  });

  it('betters the quick plan where three lengths fill a bar in a way that longest first misses', () => {
    // 6 + 5 + 4 fill 15; longest first takes 6 + 6 and 5 + 5 + 5. Two of each fill two bars.
    const items = [6, 5, 4].map((length) => ({ length, count: 2 }));
    expect(least(items, 15)).toMatchObject({ bound: 2, proved: true });
    expect(least(items, 15).pieces.map((piece) => [...piece].sort())).toEqual([
      [4, 5, 6],
      [4, 5, 6],
    ]);
  });

  it('proves what the total length cannot: sevens from tens give one each', () => {
    expect(least([{ length: 7, count: 9 }], 10)).toMatchObject({ bound: 9, proved: true });
  });

  it('of nothing is nothing, and equal lengths given apart are one', () => {
    expect(least([], 240)).toMatchObject({ pieces: [], bound: 0, proved: true });
    expect(
      least(
        [
          { length: 60, count: 3 },
          { length: 60, count: 5 },
        ],
        240,
      ).pieces,
    ).toHaveLength(2);
  });

  it('must not be asked for a cut that no piece gives', () => {
    expect(() => least([{ length: 241, count: 1 }], 240)).toThrow(RangeError);
  });
});
