import { copyOf } from '../../kernel/plan/copies';
import type { PlanPart } from '../../kernel/plan/part';
import { changeEdges } from './plan';

/** Exposed edges on top of walls. */
export const edgesPart: PlanPart = {
  write: (plan) => (plan.edges === undefined ? {} : { edges: copyOf(plan.edges) }),
  edits: {
    edge: (plan, { wall, edge: changed }) => ({
      ...plan,
      edges: changeEdges(plan.edges, wall, changed, plan.units),
    }),
  },
};
