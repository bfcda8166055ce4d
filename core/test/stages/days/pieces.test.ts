import { describe, expect, it } from 'vitest';
import type { Plan } from '../../../src/kernel/plan';
import { piecesOf } from '../../../src/stages/days/pieces';
import { work } from '../../../src/work';
import { openingOf } from '../../support/openings';
import { HATCHERY, planOf } from '../../support/plans';

const plan: Plan = planOf(HATCHERY, {
  openings: [openingOf({ head: '88in' })],
  pours: [
    { id: 'low', toCourse: 4, top: 'half' },
    { id: 'high', toCourse: 7, top: 'full' },
  ],
});
const worked = work(plan);
const { courses, steel, bracing, days } = worked;

describe('what an item of the days takes', () => {
  const all = (kind: string) =>
    days.items.filter((item) => item.kind === kind).map((item) => ({ item, pieces: piecesOf(worked, item) }));
  const barsOf = (pieces: ReturnType<typeof piecesOf>): number =>
    pieces.bars.reduce((sum, { count }) => sum + count, 0);

  it('is of courses their blocks and corners, and every piece belongs to one', () => {
    const stacked = all('course');
    expect(stacked.map(({ item }) => item.course)).toEqual([1, 2, 3, 4, 5, 6, 7]);
    const sum = (of: 'straight' | 'cut' | 'left' | 'right'): number =>
      stacked.reduce((total, { pieces }) => total + pieces[of], 0);
    expect(sum('straight') + sum('cut') + sum('left') + sum('right')).toBe(courses.pieces.length);
    expect(sum('left') + sum('right')).toBe(7 * HATCHERY.length);
  });

  it('is of verticals those of its own pour, as many as its hours are counted for', () => {
    const standing = all('verticals');
    expect(standing.map(({ item }) => item.pour)).toEqual(['low', 'high']);
    for (const { item, pieces } of standing) expect(barsOf(pieces)).toBe(item.quantity.value);
  });

  it('has every bar once: with its course, or with the verticals; dowels are cast with the footing', () => {
    const taken = [...all('course'), ...all('verticals')].reduce(
      (sum, { pieces }) => sum + barsOf(pieces),
      0,
    );
    expect(taken).toBe(steel.bars.filter(({ use }) => use !== 'dowel').length);
  });

  it('names bars of every size, the thinnest first', () => {
    const rules = {
      'steel.lintel.top.size': '10 mm',
      'steel.horizontal.size': '15M',
      'steel.stirrup.size': '#3',
    };
    const mixed = work({ ...plan, rules });
    const course = mixed.steel.bars.find(({ use }) => use === 'stirrup')?.set.course ?? 0;
    // Nominal diameters of 9.5, 10, 15.9 and 16 mm.
    expect(piecesOf(mixed, { kind: 'course', course, pour: 'high' }).bars.map(({ size }) => size)).toEqual([
      '#3',
      '10 mm',
      '#5',
      '15M',
    ]);
  });

  it('is of braces those of its own pour, with planks', () => {
    for (const { item, pieces } of all('braces')) {
      expect(pieces.braces).toBe(item.quantity.value);
      const own = bracing.pours.find(({ pour }) => pour === item.pour)?.walls ?? [];
      expect(pieces.planks).toBe(own.reduce((sum, wall) => sum + wall.abreast * wall.planks.length, 0));
    }
  });

  it('is nothing of other work', () => {
    for (const { pieces } of [...all('chalk'), ...all('straighten'), ...all('pour')])
      expect(pieces).toEqual({ straight: 0, cut: 0, left: 0, right: 0, bars: [], braces: 0, planks: 0 });
  });
});
