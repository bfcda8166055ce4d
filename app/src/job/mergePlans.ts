import { type Merge, type Plan, mergePlans } from '@ombra/core/kernel/plan';
import { writePlan } from '@ombra/core/plan';
import { readPlan } from '@ombra/core/planFile';
import type { Choices } from './sync';

/** Brings together what two people made of one plan; null where what comes out of it would be no plan. */
export function mergedPlan(base: Plan, mine: Plan, theirs: Plan, choices: Choices = {}): Merge<Plan> | null {
  const { merged, clashes } = mergePlans(base, mine, theirs, choices);
  const reading = readPlan(writePlan(merged));
  return reading.ok ? { merged: reading.plan, clashes } : null;
}
