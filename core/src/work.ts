import { LATE_STAGES } from './lateStages';
import type { Plan } from './plan';
import { type WorkedPlan, makeWorkWith } from './workWith';

export type { WorkedPlan } from './workWith';

/** A worker-out with all stages, which remembers the last answer of each. */
export const makeWork = (): ((plan: Plan) => WorkedPlan) => makeWorkWith(LATE_STAGES);

/**
 * Works a plan out, all stages in order: plan → shell → openings → courses → inserts → tally → footing → steel → bracing → topoff →
 * pour → notices. Never throws for what a plan says; what cannot be worked comes back with stop notices.
 *
 * @example work(plan).footing.concrete.value // in cubic metres
 */
export const work = (plan: Plan): WorkedPlan => makeWork()(plan);
