import { describe, expect, it } from 'vitest';
import { booksOf } from '../../../src/stages/bracing/books';
import { work } from '../../../src/work';
import { demoPlan } from '../../support/demo';
import { columnOf, listingsOf } from '../../support/listings';

describe('gear as tables', () => {
  const plan = demoPlan();
  const tables = listingsOf(booksOf, plan);
  const { shell } = work(plan);

  it('finds what is not on hand', () => {
    const wanted = columnOf(tables, 'gear', 'wanted').map(Number);
    const onHand = columnOf(tables, 'gear', 'onHand');
    expect(onHand.some((each) => each !== null)).toBe(true);
    columnOf(tables, 'gear', 'short').forEach((short, index) => {
      const have = onHand[index];
      expect(short).toBe(typeof have === 'number' ? Math.max(0, (wanted[index] ?? 0) - have) : null);
    });
  });

  it('has every brace at its place along its wall, so many as uprights are wanted', () => {
    const lengths = new Map(
      shell.loops.flatMap(({ built }) => built?.walls ?? []).map(({ name, length }) => [name, length]),
    );
    const walls = columnOf(tables, 'gear-braces', 'wall');
    expect(new Set(walls)).toEqual(new Set(lengths.keys()));
    const at = columnOf(tables, 'gear-braces', 'at').map(Number);
    walls.forEach((wall, index) => {
      expect(at[index]).toBeGreaterThanOrEqual(0);
      expect(at[index]).toBeLessThanOrEqual(lengths.get(String(wall)) ?? 0);
    });
    expect(columnOf(tables, 'gear-braces', 'upright').every((each) => Number(each) > 0)).toBe(true);
    expect(
      columnOf(tables, 'gear-braces', 'side').every((each) => each === 'inside' || each === 'outside'),
    ).toBe(true);
    const uprights = columnOf(tables, 'gear', 'part').findIndex((part) => String(part).includes('pright'));
    expect(columnOf(tables, 'gear', 'wanted')[uprights]).toBe(walls.length);
  });
});
