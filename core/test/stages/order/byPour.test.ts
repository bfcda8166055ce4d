import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evaluate } from '../../../src/kernel/figures/how';
import type { Plan } from '../../../src/kernel/plan';
import { orderOf } from '../../../src/orderOf';
import type { Order } from '../../../src/stages/order';
import { work } from '../../../src/work';
import { insertOf, openingOf } from '../../support/openings';
import { HALL, planOf, poursAt, withInside, withTop } from '../../support/plans';

/** Halls of 8 courses in one to three pours, some of their walls lower, of any family, with openings and inserts anywhere up the wall. */
const anyPlan: fc.Arbitrary<Plan> = fc
  .record({
    family: fc.constantFrom('module-48', 'panel-48', 'cell-24'),
    stops: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 2 }),
    half: fc.boolean(),
    inside: fc.boolean(),
    low: fc.option(fc.integer({ min: 2, max: 7 }), { nil: null }),
    sill: fc.integer({ min: 0, max: 90 }),
    up: fc.integer({ min: 0, max: 80 }),
    kind: fc.constantFrom('sleeve' as const, 'ledger' as const, 'brick-ledge' as const),
  })
  .map(({ family, stops, half, inside, low, sill, up, kind }) => {
    const plan = planOf(HALL, {
      family,
      ...(family === 'cell-24' ? { core: '6in' } : {}),
      pours: poursAt([...stops.sort((a, b) => a - b), 8], half),
      openings: [
        openingOf({ id: 'o1', sill: `${String(sill)}in`, height: '30in' }),
        openingOf({ id: 'o2', kind: 'door', wall: 'w3', height: '80in' }),
      ],
      inserts: [
        insertOf({
          kind,
          wall: 'w2',
          at: '100in',
          up: `${String(up)}in`,
          ...(kind === 'sleeve' ? { size: '6in' } : { length: '96in', height: '9in' }),
        }),
      ],
    });
    const lowered = low === null ? plan : withTop(plan, 'w2', `${String(12 * low)}in`);
    return inside ? withInside(lowered) : lowered;
  });

/** Cut from lengths, sheets or whole blocks: those of several pours come to no fewer than those of the job. */
const OF_STOCK =
  /^(lumber:|sheets:|straight:|half:|corner:|ledge:|kickers|track|ledgers|edge-boards:|sill-plates)/;

const needed = ({ lines }: Order): ReadonlyMap<string, number> =>
  new Map(lines.map((line) => [line.id, evaluate(line.needed)]));

describe('the orders of a job’s pours', () => {
  it('come to the order of the job: nothing is left out between them, and nothing is ordered twice', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const worked = work(plan);
        const whole = needed(orderOf(plan, worked));
        const parts = plan.pours.map(({ id }) => needed(orderOf(plan, worked, id)));
        const ids = new Set([...whole.keys(), ...parts.flatMap((part) => [...part.keys()])]);
        for (const id of ids) {
          // Steel is bought for the whole job; weak joints above each other, which a pour parts, are boarded otherwise.
          if (/^(bars:|strap-boards)/.test(id)) continue;
          const sum = parts.reduce((total, part) => total + (part.get(id) ?? 0), 0);
          const all = whole.get(id) ?? 0;
          if (OF_STOCK.test(id)) expect(sum, id).toBeGreaterThanOrEqual(all);
          else expect(sum, id).toBeCloseTo(all, 6);
        }
      }),
      { numRuns: 25 },
    );
  });
});
