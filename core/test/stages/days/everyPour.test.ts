import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Plan } from '../../../src/kernel/plan';
import type { ItemKind } from '../../../src/stages/days/items';
import { work } from '../../../src/work';
import { insertOf, openingOf } from '../../support/openings';
import { HALL, planOf, poursAt } from '../../support/plans';

/** Halls of 8 courses in one to three pours, with a door, a window and a sleeve anywhere up the wall. */
const anyPlan: fc.Arbitrary<Plan> = fc
  .record({
    stops: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { maxLength: 2 }),
    half: fc.boolean(),
    sill: fc.integer({ min: 0, max: 90 }),
    door: fc.constantFrom('slab-over' as const, 'slab-inside' as const, null),
    up: fc.integer({ min: 0, max: 120 }),
    size: fc.integer({ min: 1, max: 8 }),
  })
  .map(({ stops, half, sill, door, up, size }) =>
    planOf(HALL, {
      pours: poursAt([...stops.sort((a, b) => a - b), 8], half),
      openings: [
        openingOf({ id: 'o1', sill: `${String(sill)}in`, height: '30in' }),
        openingOf({
          id: 'o2',
          kind: 'door',
          wall: 'w3',
          height: '80in',
          ...(door === 'slab-over' ? { threshold: { kind: door, depth: '4in' } } : {}),
          ...(door === 'slab-inside' ? { threshold: { kind: door } } : {}),
        }),
      ],
      inserts: [insertOf({ wall: 'w2', at: '100in', up: `${String(up)}in`, size: `${String(size)}in` })],
    }),
  );

describe('what is done pour by pour', () => {
  it('is done once for every buck, insert and bar of the job', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const { days, openings, placed, steel, courses, pour } = work(plan);
        const sum = (kind: ItemKind): number =>
          days.items.reduce((total, item) => total + (item.kind === kind ? item.quantity.value : 0), 0);
        expect(sum('bucks')).toBe(openings.placed.filter(({ worked }) => worked).length);
        expect(sum('inserts')).toBe(placed.placed.length);
        expect(sum('verticals')).toBe(
          steel.bars.filter(({ use }) => use === 'vertical' || use === 'jamb').length,
        );
        expect(days.items.filter(({ kind }) => kind === 'course')).toHaveLength(courses.count);
        // No day is booked, so nothing is late.
        expect(days.items.filter(({ free }) => free < -1e-6).map(({ id }) => id)).toEqual([]);
        // The list before the pump counts what the days do.
        const told = pour.pours.map(({ ready }) =>
          Number(/^\d+/.exec(ready.find(({ id }) => id === 'steel:standing')?.what ?? '')?.[0] ?? 0),
        );
        expect(told.reduce((all, each) => all + each, 0)).toBe(sum('verticals'));
      }),
      { numRuns: 25 },
    );
  });
});
