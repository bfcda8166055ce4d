import { figuresOfPlan } from '@ombra/core/compare';
import type { Plan } from '@ombra/core/plan/plan';
import { type WorkedPlan, makeWorkWith } from '@ombra/core/workWith';
import { expose } from 'comlink';

let work = makeWorkWith(null);

/** The core off the main thread. It remembers its stages between calls, so an edit works only what it touches. */
const api = {
  work: (plan: Plan): WorkedPlan => work(plan),
  /** Fetches the stages that the first view does without; what is worked from then on is complete. */
  fetchLate: async (): Promise<void> => {
    const { LATE_STAGES } = await import('@ombra/core/lateStages');
    work = makeWorkWith(LATE_STAGES);
  },
  /** What a plan would come to, without taking the place of the one that is worked on. */
  tryOut: (plan: Plan) => {
    const worked = makeWorkWith(null)(plan);
    return {
      ...figuresOfPlan(worked, plan),
      cubicMetres: worked.tally.total.coreVolume.value,
      stops: worked.notices
        .filter((notice) => notice.severity === 'stop')
        .map((notice) => `${notice.where}: ${notice.what}`),
    };
  },
};

export type WorkApi = typeof api;

expose(api);
