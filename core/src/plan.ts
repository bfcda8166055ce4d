import { planEditing } from './kernel/plan/editing';
import { STAGES } from './stages';

export * from './kernel/plan/plan';

export const { writePlan, applyEdit } = planEditing(STAGES.flatMap(({ part }) => part ?? []));
