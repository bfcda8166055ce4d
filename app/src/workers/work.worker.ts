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

/** The newest plan, and its number on the page. */
let newest: { readonly plan: Plan; readonly turn: number } | null = null;

/** What the page was told last, by key, and who of the page was told it. */
let told: Partial<WorkedPlan> = {};
let listener = '';

/** The keys that are up to date with the newest plan. */
let current = new Set<WorkedKey>();

/** Whoever listens now knows nothing of what another was told. */
function listen(by: string): void {
  if (by === listener) return;
  listener = by;
  told = {};
  current = new Set();
}

/** What the page is answered. */
export interface WorkAnswer {
  /** The number of the plan. */
  readonly turn: number;
  /** The keys that are up to date with it; the page's other keys come from an earlier plan. */
  readonly keys: readonly WorkedKey[];
  /** What has changed since the last answer. */
  readonly patch: Patch | null;
}

/** Works these things of the newest plan, and answers with what has changed since the page was told last. */
function answer(by: string, keys: readonly WorkedKey[], withNotices: boolean): WorkAnswer | null {
  listen(by);
  if (!newest) return null;
  const { plan, turn } = newest;
  for (const key of keys) current.add(key);
  const now: Partial<WorkedPlan> = {
    ...told,
    name: plan.name,
    units: plan.units,
    measuredTo: plan.measuredTo,
    ...Object.fromEntries(keys.map((key) => [key, engine.get(key)])),
    notices: withNotices ? engine.notices() : (told.notices ?? []),
  };
  const patch = patchOf(told, now);
  told = now;
  return { turn, keys: [...current], patch };
}

/** The core off the main thread. It remembers its stages between calls, so an edit works only what it touches. */
const api = {
  /**
   * Works what a view shows of a plan, with all that is made from; answers with what has changed since the last answer.
   *
   * @param asked the plan, what is shown of it, and its number on the page
   * @param by who asks and has the answers so far
   */
  work: async (
    {
      plan,
      shows,
      turn,
    }: { readonly plan: Plan; readonly shows: readonly WorkedKey[]; readonly turn: number },
    by: string,
  ): Promise<WorkAnswer | null> => {
    const keys = await atHand(shows);
    if (turn !== newest?.turn) current = new Set();
    newest = { plan, turn };
    engine.put(plan);
    return answer(by, keys, false);
  },
  /** Works the rest of the newest plan, and its notices. If another plan came while the stages were fetched, that one. */
  rest: async (by: string): Promise<WorkAnswer | null> => answer(by, await atHand(EVERYTHING), true),
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
