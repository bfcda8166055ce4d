import type { Plan } from './kernel/plan/plan';
import type { Book } from './kernel/table';
import { rulesOf } from './rules';
import { STAGES } from './stages';
import type { WorkedPlan } from './worked';

/**
 * Every table that the stages list of a worked plan, for spreadsheets and other programs.
 *
 * @example booksOf(plan, work(plan)) instanceof Promise // true
 */
export async function booksOf(plan: Plan, worked: WorkedPlan): Promise<readonly Book[]> {
  const lists = await Promise.all(STAGES.flatMap((stage) => (stage.books ? [stage.books()] : [])));
  const rules = rulesOf(plan);
  return lists.flatMap((list) => list.booksOf(worked, plan, rules));
}
