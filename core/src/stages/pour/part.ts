import { copyOf } from '../../kernel/plan/copies';
import type { PlanPart } from '../../kernel/plan/part';
import { changePour } from './plan';

/** The pour: its days, lifts, loads and side pours. */
export const pourPart: PlanPart = {
  write: (plan) => (plan.pour === undefined ? {} : { pour: copyOf(plan.pour) }),
  edits: {
    pour: (plan, { change }) => ({ ...plan, pour: changePour(plan.pour, change, plan.units) }),
  },
};
