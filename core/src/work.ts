import type { WorkedKey } from './kernel/engine/stage';
import type { Plan } from './kernel/plan/plan';
import { STAGES } from './stages';
import { type WorkedPlan, engineOf, lookedAt, workedBy } from './worked';

export type { WorkedPlan } from './worked';

const all = await Promise.all(STAGES.map(async ({ load }) => (await load()).work));

/** A worker-out of everything, which remembers the last answer of each stage. */
export function makeWork(): (plan: Plan) => WorkedPlan {
  const engine = engineOf(all);
  return (plan) => {
    engine.put(plan);
    return workedBy(engine, plan);
  };
}

/**
 * Works a plan out, stage by stage, each when it is looked at. Never throws for what a plan says; what cannot be worked comes back
 * with stop notices.
 *
 * @example work(plan).footing.concrete.value > 0 // true
 */
export function work(plan: Plan): WorkedPlan {
  const engine = engineOf(all);
  engine.put(plan);
  return lookedAt(engine, plan);
}

/**
 * Some of what follows from a plan, with all that it is made from; nothing else is worked.
 *
 * @param keys of what is wanted
 * @example Object.keys(workParts(plan, ['levels'])).includes('tally') // false
 */
export function workParts(plan: Plan, keys: readonly WorkedKey[]): Partial<WorkedPlan> {
  const engine = engineOf(all);
  engine.put(plan);
  const wanted = new Set(keys);
  for (const key of wanted) for (const need of engine.needsOf(key)) wanted.add(need);
  const { name, units, measuredTo } = plan;
  return {
    name,
    units,
    measuredTo,
    ...Object.fromEntries([...wanted].map((key) => [key, engine.get(key)])),
  };
}
