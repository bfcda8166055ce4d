import { copyOf } from '../../kernel/plan/copies';
import type { PlanPart } from '../../kernel/plan/part';
import { changeFooting } from './edits';

/** What the walls stand on, and what was measured on it. */
export const footingPart: PlanPart = {
  write: (plan) => (plan.footing === undefined ? {} : { footing: copyOf(plan.footing) }),
  edits: {
    'set-footing': (plan, { change }) => ({
      ...plan,
      footing: changeFooting(plan.footing, change, plan.units),
    }),
  },
};
