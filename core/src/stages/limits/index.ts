import type { Plan } from '../../kernel/plan/plan';
import { thingNames } from '../outline/names';
import { limitNotices } from './notices';
import { type LimitProblem, withinLimits } from './withinLimits';

export * from './limits';
export * from './withinLimits';

/** What of a plan is worked at all: the pass before all stages. */
export const limits = {
  admit: withinLimits,
  say: (problems: readonly LimitProblem[], plan: Plan, nameOf: (id: string) => string) =>
    limitNotices(problems, plan.units, thingNames(plan, nameOf)),
};
