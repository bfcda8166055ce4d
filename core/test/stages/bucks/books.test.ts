import { describe, expect, it } from 'vitest';
import { inches } from '../../../src/kernel/measure';
import { booksOf } from '../../../src/stages/bucks/books';
import { demoPlan } from '../../support/demo';
import { columnOf, listingsOf, totalOf } from '../../support/listings';

describe('lumber as tables', () => {
  const tables = listingsOf(booksOf, demoPlan());
  const column = (listing: string, key: string): readonly unknown[] => columnOf(tables, listing, key);

  it('buys boards, never fewer than any plan takes, and cuts no more out of one than it has', () => {
    const materials = column('lumber', 'material');
    expect(new Set(materials).size).toBe(materials.length);
    materials.forEach((material, index) => {
      const stock = Number(column('lumber', 'stock')[index]);
      const boards = Number(column('lumber', 'boards')[index]);
      expect(boards).toBeGreaterThanOrEqual(Number(column('lumber', 'least')[index]));
      const used = new Map<unknown, number>();
      column('lumber-cuts', 'material').forEach((each, at) => {
        if (each !== material) return;
        const board = column('lumber-cuts', 'number')[at];
        used.set(board, (used.get(board) ?? 0) + Number(column('lumber-cuts', 'cut')[at]));
      });
      expect([...used.keys()]).toEqual(Array.from({ length: boards }, (_, at) => at + 1));
      for (const length of used.values()) expect(length).toBeLessThanOrEqual(stock);
    });
  });

  it('names the members of every opening', () => {
    const openings = column('lumber-bucks', 'opening');
    expect(new Set(openings)).toEqual(
      new Set(['Grow-out window', 'Office window', 'Service door', 'Roll-up door']),
    );
    const parts = (opening: string): readonly unknown[] =>
      column('lumber-bucks', 'part').filter((_, index) => openings[index] === opening);
    // A door has no sill member.
    expect(parts('Grow-out window').some((part) => String(part).includes('sill'))).toBe(true);
    expect(parts('Service door').some((part) => String(part).includes('sill'))).toBe(false);
    const jambs = column('lumber-bucks', 'part').flatMap((part, index) =>
      openings[index] === 'Service door' && String(part).includes('jamb')
        ? [[column('lumber-bucks', 'count')[index], column('lumber-bucks', 'length')[index]]]
        : [],
    );
    // Two jambs, as high as the rough opening: 6 ft 8 in.
    expect(jambs).toContainEqual([2, inches(80)]);
    expect(totalOf(tables, 'lumber-bucks', 'count')).toBeGreaterThan(8);
  });
});
