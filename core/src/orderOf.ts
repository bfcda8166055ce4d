import type { Plan } from './kernel/plan/plan';
import { rulesOf } from './rules';
import type { WorkedPlan } from './worked';
import { type Order, orderFor } from './stages/order';

/**
 * The order of a worked plan, of the whole job or of one pour.
 *
 * @param pourId the pour that is ordered by itself; the whole job where left out
 * @example orderOf(plan, work(plan)).lines.length > 0 // true
 */
export const orderOf = (plan: Plan, worked: WorkedPlan, pourId?: string): Order =>
  orderFor(worked, plan.units, rulesOf(plan), pourId);
