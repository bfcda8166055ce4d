import type { Plan } from './kernel/plan/plan';
import { rulesOf } from './rules';
import type { WorkedPlan } from './worked';
import { type Order, orderFor } from './stages/order';

/**
 * The order of a worked plan, of the whole job or of one stage.
 *
 * @param stageId the stage that is ordered by itself; the whole job where left out
 * @example orderOf(plan, work(plan)).lines
 */
export const orderOf = (plan: Plan, worked: WorkedPlan, stageId?: string): Order =>
  orderFor(worked, plan.units, rulesOf(plan), stageId);
