import { type Engine, makeEngine } from './kernel/engine/engine';
import type { StageWork, Worked, WorkedKey } from './kernel/engine/stage';
import type { Notice } from './kernel/notices/notice';
import type { Plan } from './kernel/plan/plan';
import { RULES } from './rules';
import { STAGES } from './stages';
import { namesOf } from './stages/outline/names';
import { limits } from './stages/limits';

/** Everything that follows from a plan. Plain data throughout: it can be cloned, sent and printed as JSON. */
export interface WorkedPlan extends Worked {
  readonly name: string;
  readonly units: Plan['units'];
  readonly measuredTo: Plan['measuredTo'];
  readonly notices: readonly Notice[];
}

/** Everything that the stages make. */
export const EVERYTHING: readonly WorkedKey[] = STAGES.flatMap(({ makes }) => makes);

/** An engine of all stages. @param works the working of each; null for those that are added later */
export const engineOf = (works: readonly (StageWork | null)[]): Engine =>
  makeEngine({ book: RULES, limits, names: namesOf, works });

/** All that an engine makes of its plan. */
export const workedBy = (engine: Engine, plan: Plan): WorkedPlan => ({
  name: plan.name,
  units: plan.units,
  measuredTo: plan.measuredTo,
  ...(Object.fromEntries(EVERYTHING.map((key) => [key, engine.get(key)])) as unknown as Worked),
  notices: engine.notices(),
});

/**
 * What an engine makes of its plan, each thing made when it is looked at. For an engine that keeps its plan: one that is given
 * another would answer for that.
 */
export function lookedAt(engine: Engine, plan: Plan): WorkedPlan {
  const worked = { name: plan.name, units: plan.units, measuredTo: plan.measuredTo };
  const made = (name: string, get: () => unknown): void => {
    Object.defineProperty(worked, name, { enumerable: true, get });
  };
  for (const key of EVERYTHING) made(key, () => engine.get(key));
  made('notices', () => engine.notices());
  return worked as WorkedPlan;
}
