import { describe, expect, it } from 'vitest';
import type { Plan } from '../../../src/kernel/plan';
import { booksOf } from '../../../src/stages/pour/books';
import { work } from '../../../src/work';
import { columnOf, listingsOf, totalOf, totalled } from '../../support/listings';
import { HATCHERY, planOf } from '../../support/plans';

describe('the concrete as tables', () => {
  const plan: Plan = planOf(HATCHERY, {
    pours: [
      { id: 'low', name: 'Out of the ground', toCourse: 4, top: 'full' },
      { id: 'high', toCourse: 7, top: 'full' },
    ],
  });
  const tables = listingsOf(booksOf, plan);
  const pours = columnOf(tables, 'pour', 'pour');

  it('has a row for every pour: its core, what is ordered, its lifts and loads', () => {
    expect(pours).toEqual(['Out of the ground', 'Pour 2']);
    // [by hand] 1772 in of core 8 in thick, four courses of 16 in and three.
    const core = (courses: number): number => (152 * 12 - 4 * 13) * 8 * courses * 16 * 0.0254 ** 3;
    const cores = columnOf(tables, 'pour', 'core').map(Number);
    expect(cores[0]).toBeCloseTo(core(4), 9);
    expect(cores[1]).toBeCloseTo(core(3), 9);
    expect(totalOf(tables, 'pour', 'core')).toBeCloseTo(work(plan).tally.total.coreVolume.value, 9);
    columnOf(tables, 'pour', 'ordered').forEach((ordered, index) => {
      expect(Number(ordered)).toBeGreaterThan(cores[index] ?? Infinity);
    });
    expect(totalled(tables)).toEqual([
      'pour.core',
      'pour.ordered',
      'pour.loads',
      'pour-lifts.volume',
      'pour-loads.volume',
    ]);
  });

  it('has every lift wall by wall, and every load', () => {
    for (const [index, pour] of pours.entries()) {
      const lifts = columnOf(tables, 'pour-lifts', 'lift').filter(
        (_, at) => columnOf(tables, 'pour-lifts', 'pour')[at] === pour,
      );
      const many = Number(columnOf(tables, 'pour', 'lifts')[index]);
      expect([...new Set(lifts)]).toEqual(Array.from({ length: many }, (_, at) => at + 1));
      expect(lifts).toHaveLength(many * HATCHERY.length);
      const loads = columnOf(tables, 'pour-loads', 'load').filter(
        (_, at) => columnOf(tables, 'pour-loads', 'pour')[at] === pour,
      );
      expect(loads).toEqual(
        Array.from({ length: Number(columnOf(tables, 'pour', 'loads')[index]) }, (_, at) => at + 1),
      );
    }
    expect(new Set(columnOf(tables, 'pour-lifts', 'wall'))).toEqual(
      new Set(['A–B', 'B–C', 'C–D', 'D–E', 'E–F', 'F–A']),
    );
    expect(totalOf(tables, 'pour-lifts', 'volume')).toBeCloseTo(totalOf(tables, 'pour', 'core'), 9);
    expect(totalOf(tables, 'pour-loads', 'volume')).toBeCloseTo(totalOf(tables, 'pour', 'ordered'), 9);
  });
});
