import { copyOf } from '../../kernel/plan/copies';
import type { PlanPart } from '../../kernel/plan/part';
import { changeBracing } from './plan';

/** Braces, planks and the lines of the walls. */
export const bracingPart: PlanPart = {
  write: (plan) => (plan.bracing === undefined ? {} : { bracing: copyOf(plan.bracing) }),
  edits: {
    bracing: (plan, { change }) => ({ ...plan, bracing: changeBracing(plan.bracing, change, plan.units) }),
  },
};
