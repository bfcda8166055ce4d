import { copyOf } from '../../kernel/plan/copies';
import type { PlanPart } from '../../kernel/plan/part';
import { changeSoil, putTable, putZone, removeZone } from './plan';

/** Soil, and where the steel differs from the house rules. */
export const steelPart: PlanPart = {
  write: (plan) => (plan.steel === undefined ? {} : { steel: copyOf(plan.steel) }),
  edits: {
    'set-soil': (plan, { wall, change }) => ({
      ...plan,
      steel: changeSoil(plan.steel, wall, change, plan.units),
    }),
    'put-zone': (plan, { zone }) => ({ ...plan, steel: putZone(plan.steel, zone) }),
    'remove-zone': (plan, { zone }) => ({ ...plan, steel: removeZone(plan.steel, zone) }),
    'put-table': (plan, { table }) => ({ ...plan, steel: putTable(plan.steel, table, plan.units) }),
  },
};
