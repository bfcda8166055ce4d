import { type Patch, type WorkedKey, patchOf } from '@ombra/core/kernel/engine';
import type { Plan } from '@ombra/core/kernel/plan';
import { figuresOfPlan } from '@ombra/core/trials/planFigures';
import { STAGES } from '@ombra/core/stages';
import { type WorkedPlan, engineOf, EVERYTHING } from '@ombra/core/worked';
import { expose } from 'comlink';
import { FRAME_SHOWS } from '../frame/stage';

const engine = engineOf(STAGES.map(() => null));
const loading = new Map<number, Promise<void>>();

/** Fetches a stage's working once; one whose fetch has failed is asked for again. */
function fetched(index: number): Promise<void> {
  const known = loading.get(index);
  if (known) return known;
  const fetch = (async () => {
    const stage = STAGES[index];
    if (stage) engine.add(index, (await stage.load()).work);
  })();
  loading.set(index, fetch);
  fetch.catch(() => loading.delete(index));
  return fetch;
}

// What every view shows, one beside the other and not each when the one before it has come. What makes a thing is known at once;
// what that is made from only once it is there.
for (const key of FRAME_SHOWS)
  void fetched(STAGES.findIndex(({ makes }) => makes.includes(key))).catch(() => undefined);

/** Fetches what makes these things, and what those are made from. */
async function atHand(keys: readonly WorkedKey[]): Promise<readonly WorkedKey[]> {
  const all = new Set(keys);
  for (const key of all) {
    const index = STAGES.findIndex(({ makes }) => makes.includes(key));
    await fetched(index);
    for (const need of engine.needsOf(key)) all.add(need);
  }
  return [...all];
}

/** The plan that was put last. */
let newest: Plan | null = null;

/** What the page was told last, by key, and who of the page was told it. */
let told: Partial<WorkedPlan> = {};
let listener = '';

/** Whoever listens now knows nothing of what another was told. */
function listen(by: string): void {
  if (by !== listener) told = {};
  listener = by;
}

/** What has changed since the page was told last; what is not named any more is taken away from it. */
function answer(plan: Plan, keys: readonly WorkedKey[], withNotices: boolean): Patch | null {
  const now: Partial<WorkedPlan> = {
    name: plan.name,
    units: plan.units,
    measuredTo: plan.measuredTo,
    ...Object.fromEntries(keys.map((key) => [key, engine.get(key)])),
    notices: withNotices ? engine.notices() : (told.notices ?? []),
  };
  const patch = patchOf(told, now);
  told = now;
  return patch;
}

/** The core off the main thread. It remembers its stages between calls, so an edit works only what it touches. */
const api = {
  /**
   * Works what a view shows of a plan, with all that is made from; answers with what has changed since the last answer.
   *
   * @param by who asks and has the answers so far
   */
  work: async (plan: Plan, shows: readonly WorkedKey[], by: string): Promise<Patch | null> => {
    const keys = await atHand(shows);
    listen(by);
    newest = plan;
    engine.put(plan);
    return answer(plan, keys, false);
  },
  /** Works all the rest of the plan that was put last, and what the stages have to say of it. */
  rest: async (by: string): Promise<Patch | null> => {
    const keys = await atHand(EVERYTHING);
    listen(by);
    // Another plan may have come while the stages were fetched: that one is worked.
    return newest && answer(newest, keys, true);
  },
  /** What a plan would come to, without taking the place of the one that is worked on. */
  tryOut: async (plan: Plan) => {
    const works = await Promise.all(STAGES.map(async (stage) => (await stage.load()).work));
    const trial = engineOf(works);
    trial.put(plan);
    const worked = { tally: trial.get('tally'), courses: trial.get('courses') };
    return {
      ...figuresOfPlan(worked, plan),
      cubicMetres: worked.tally.total.coreVolume.value,
      stops: trial
        .notices()
        .filter((notice) => notice.severity === 'stop')
        .map((notice) => `${notice.where}: ${notice.what}`),
    };
  },
};

export type WorkApi = typeof api;

expose(api);
