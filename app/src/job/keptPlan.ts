import { type Plan, PLAN_FORMAT, writePlan } from '@ombra/core/plan';

/** A plan as it is kept in the browser: a plan file, so that a newer Ombra reads what an older one kept. */
export const keptAs = (plan: Plan): unknown => writePlan(plan);

/**
 * The plan that was kept, by whichever version of Ombra. Version 1 kept plans as they are worked on, which is the shape of its
 * plan file but for the heading. Fails where what reads plan files cannot be fetched; what was kept is as it was.
 *
 * @example await planKept({ name: 'Barn', stages: [{ id: 'a', toCourse: 4 }], … }) // { pours: [{ id: 'a', toCourse: 4, … }], … }
 */
export async function planKept(kept: unknown): Promise<Plan> {
  const { salvagePlan } = await import('@ombra/core/planFile');
  const file = { format: PLAN_FORMAT, version: 1, ...(kept as Readonly<Record<string, unknown>>) };
  return salvagePlan(JSON.stringify(file), '').plan;
}
