import type { Worked } from '../kernel/engine/stage';
import type { Plan } from '../kernel/plan/plan';
import { rulesOf } from '../rules';

/** A plan of the courses in the four figures that crews weigh it by. */
export interface PlanFigures {
  readonly blocks: number;
  readonly cuts: number;
  readonly straps: number;
  /** Time at the saw, by the house rule for a cut. */
  readonly cutMinutes: number;
}

/** What a worked plan comes to. */
export function figuresOfPlan(worked: Pick<Worked, 'tally' | 'courses'>, plan: Plan): PlanFigures {
  const cuts = worked.tally.total.cut.value;
  return {
    blocks: worked.tally.total.blocksBought.value,
    cuts,
    straps: worked.courses.weakJoints.length,
    cutMinutes: cuts * rulesOf(plan).count('courses.cut.minutes'),
  };
}
