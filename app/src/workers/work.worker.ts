import { figuresOfPlan } from '@ombra/core/compare';
import type { Plan } from '@ombra/core/plan/plan';
import { type WorkedPlan, makeWork, work as workOnce } from '@ombra/core/work';
import { expose } from 'comlink';

const work = makeWork();

/** The core off the main thread. It remembers its stages between calls, so an edit works only what it touches. */
const api = {
  work: (plan: Plan): WorkedPlan => work(plan),
  /** What a plan would come to, without taking the place of the one that is worked on. */
  tryOut: (plan: Plan) => {
    const worked = workOnce(plan);
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
