import { describe, expect, it } from 'vitest';
import type { Plan } from '../../../src/kernel/plan';
import { booksOf } from '../../../src/stages/tally/books';
import { work } from '../../../src/work';
import { columnOf, listingsOf, totalOf, totalled } from '../../support/listings';
import { HATCHERY, planOf } from '../../support/plans';

describe('the tally as tables', () => {
  const plan: Plan = planOf(HATCHERY, {
    pours: [
      { id: 'low', name: 'Out of the ground', toCourse: 4, top: 'half' },
      { id: 'high', toCourse: 7, top: 'full' },
    ],
  });
  const tables = listingsOf(booksOf, plan);
  const { courses } = work(plan);
  const pieces = (kind: string): number => courses.pieces.filter((piece) => piece.kind === kind).length;

  it('has a row for every course, and its pieces are those that are laid', () => {
    expect(columnOf(tables, 'tally', 'course')).toEqual([1, 2, 3, 4, 5, 6, 7]);
    expect(totalOf(tables, 'tally', 'straight')).toBe(pieces('straight'));
    expect(totalOf(tables, 'tally', 'cut')).toBe(pieces('cut'));
    expect(totalOf(tables, 'tally', 'cornerLH') + totalOf(tables, 'tally', 'cornerRH')).toBe(
      pieces('corner'),
    );
    // [by hand] 152 ft round and 13 in thick: the core's middle line is 4 × 13 in shorter. 8 in of concrete, 7 courses of 16 in.
    const cubicInches = (152 * 12 - 4 * 13) * 8 * 7 * 16;
    expect(totalOf(tables, 'tally', 'coreVolume')).toBeCloseTo(cubicInches * 0.0254 ** 3, 9);
  });

  it('has both pours by name, which together are all courses', () => {
    expect(columnOf(tables, 'tally-pours', 'pour')).toEqual(['Out of the ground', 'Pour 2']);
    expect(columnOf(tables, 'tally-pours', 'from')).toEqual([1, 5]);
    expect(columnOf(tables, 'tally-pours', 'to')).toEqual([4, 7]);
    for (const key of ['straight', 'cut', 'cornerLH', 'cornerRH', 'buckFaces'])
      expect(totalOf(tables, 'tally-pours', key)).toBe(totalOf(tables, 'tally', key));
    expect(totalOf(tables, 'tally-pours', 'coreVolume')).toBeCloseTo(
      totalOf(tables, 'tally', 'coreVolume'),
      9,
    );
    expect(totalled(tables).filter((each) => each.startsWith('tally.'))).toHaveLength(6);
  });

  it('names every cut piece once, with the block that it comes out of', () => {
    const named = columnOf(tables, 'tally-cuts', 'pieces').flatMap((cell) => String(cell).split(' '));
    const cut = courses.pieces.filter((piece) => piece.kind === 'cut').map(({ id }) => id);
    expect([...named].sort()).toEqual([...cut].sort());
    expect(columnOf(tables, 'tally-cuts', 'block')).toEqual(
      named.length === 0
        ? []
        : Array.from({ length: courses.offcuts.blocks.length }, (_, index) => index + 1),
    );
  });
});
