import type { Plan } from '@ombra/core/plan/plan';
import { type WorkedPlan, makeWork } from '@ombra/core/work';
import { expose } from 'comlink';

const work = makeWork();

/** The core off the main thread. It remembers its stages between calls, so an edit works only what it touches. */
const api = { work: (plan: Plan): WorkedPlan => work(plan) };

export type WorkApi = typeof api;

expose(api);
