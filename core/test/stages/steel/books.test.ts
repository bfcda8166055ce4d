import { describe, expect, it } from 'vitest';
import { inches } from '../../../src/kernel/measure';
import { booksOf } from '../../../src/stages/steel/books';
import { work } from '../../../src/work';
import { demoPlan } from '../../support/demo';
import { columnOf, listingsOf, totalOf } from '../../support/listings';

describe('steel as tables', () => {
  const plan = demoPlan();
  const tables = listingsOf(booksOf, plan);
  const { steel } = work(plan);

  it('has every bar once, and bends as many as legs have corners', () => {
    expect(totalOf(tables, 'bending', 'count')).toBe(steel.bars.reduce((sum, { count }) => sum + count, 0));
    const legs = ['a', 'b', 'c'].map((key) => columnOf(tables, 'bending', key));
    columnOf(tables, 'bending', 'bends').forEach((bends, row) => {
      const turned = String(bends).split(' ').filter(Boolean).length;
      expect(legs.filter((leg) => leg[row] !== null)).toHaveLength(turned + 1);
    });
  });

  it('buys what is cut end to end, never fewer bars than any plan takes', () => {
    const sizes = columnOf(tables, 'bending-stock', 'size');
    sizes.forEach((size, row) => {
      const [stock, bars, least, total, laps] = ['stock', 'bars', 'least', 'total', 'laps'].map((key) =>
        Number(columnOf(tables, 'bending-stock', key)[row]),
      ) as [number, number, number, number, number];
      expect(stock).toBe(inches(240));
      expect(bars).toBeGreaterThanOrEqual(least);
      expect(bars * stock).toBeGreaterThanOrEqual(total);
      expect(laps).toBeLessThan(total);
      const cut = columnOf(tables, 'bending', 'cut').reduce<number>(
        (sum, length, at) =>
          columnOf(tables, 'bending', 'size')[at] === size
            ? sum + Number(length) * Number(columnOf(tables, 'bending', 'count')[at])
            : sum,
        0,
      );
      expect(total).toBe(cut);
    });
    expect(totalOf(tables, 'bending-stock', 'mass')).toBeCloseTo(steel.mass.value, 6);
    expect(totalOf(tables, 'bending', 'mass')).toBeCloseTo(steel.mass.value, 6);
  });
});
