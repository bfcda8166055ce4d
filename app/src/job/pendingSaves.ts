import { createStore, del, entries, set } from 'idb-keyval';
import { tab as remembering } from '../remembered';
import { keptAs, planKept } from './keptPlan';
import type { PendingSave } from './sync';

/** Edits not yet sent wait here, one entry a tab and job, so that two tabs never overwrite each other's. */
let opened: ReturnType<typeof createStore> | null = null;
const store = (): ReturnType<typeof createStore> => (opened ??= createStore('ombra', 'unsent'));

const LOCK = 'ombra-tab-';
const TAB = 'ombra.tab';

/** An unsent edit as it is kept; its plan is a plan file of the version that kept it. */
type Kept = Omit<PendingSave, 'plan' | 'base' | 'before'> & {
  readonly plan: unknown;
  readonly base?: unknown;
  readonly before?: Kept;
};

const isKept = (value: unknown): value is Kept =>
  typeof value === 'object' &&
  value !== null &&
  'saveId' in value &&
  'jobId' in value &&
  'plan' in value &&
  typeof value.plan === 'object' &&
  value.plan !== null;

const asKept = ({ before, plan, base, ...save }: PendingSave): Kept => ({
  ...save,
  plan: keptAs(plan),
  ...(base && { base: keptAs(base) }),
  ...(before && { before: asKept(before) }),
});

const asPending = async ({ before, plan, base, ...save }: Kept): Promise<PendingSave> => ({
  ...save,
  plan: await planKept(plan),
  ...(typeof base === 'object' && base !== null && { base: await planKept(base) }),
  ...(isKept(before) && { before: await asPending(before) }),
});

/** Browsers have locks with TLS alone. Without them no tab knows of another; who takes over what a living one keeps sends the same save. */
const locks = (): LockManager | null => ('locks' in navigator ? navigator.locks : null);

/** Holds a lock for as long as this tab lives; false where another tab holds it already. */
function claim(tab: string): Promise<boolean> {
  const held = locks();
  if (held === null) return Promise.resolve(true);
  return new Promise((resolve) => {
    void held.request(`${LOCK}${tab}`, { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock === null ? undefined : new Promise<never>(() => undefined);
    });
  });
}

/** This tab's lasting name: the same after a reload, a new one in a tab that was duplicated. */
export async function tabName(newId: () => string): Promise<string> {
  const known = remembering.get(TAB);
  if (known !== null && (await claim(known))) return known;
  const fresh = newId();
  remembering.set(TAB, fresh);
  await claim(fresh);
  return fresh;
}

const key = (tab: string, jobId: string): string => `${tab}|${jobId}`;

export const keepPending = (tab: string, jobId: string, pending: PendingSave | null): Promise<void> =>
  pending === null ? del(key(tab, jobId), store()) : set(key(tab, jobId), asKept(pending), store());

/** What was left unsent, or that the browser does not open what it keeps. */
type Left = { readonly kind: 'read'; readonly pending: PendingSave | null } | { readonly kind: 'shut' };

/**
 * The unsent edit of this tab, or else of a tab that is gone, which this one then takes over. Fails where what reads plan files
 * cannot be fetched; what is kept stays as it is.
 */
export async function findPending(tab: string, jobId: string): Promise<Left> {
  let all: readonly [string, unknown][];
  try {
    all = await entries<string, unknown>(store());
  } catch {
    return { kind: 'shut' };
  }
  const own = all.find(([place]) => place === key(tab, jobId))?.[1];
  if (isKept(own)) return { kind: 'read', pending: await asPending(own) };
  const { held = [] } = (await locks()?.query()) ?? {};
  const alive = new Set(held.map((lock) => lock.name));
  for (const [place, value] of all) {
    const [owner = ''] = place.split('|');
    if (!isKept(value) || value.jobId !== jobId || alive.has(`${LOCK}${owner}`)) continue;
    const pending = await asPending(value);
    await keepPending(tab, jobId, pending);
    await del(place, store());
    return { kind: 'read', pending };
  }
  return { kind: 'read', pending: null };
}
