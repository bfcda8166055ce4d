import type { Entry } from '@ombra/core/kernel/record';
import type { Plan } from '@ombra/core/kernel/plan';
import { createStore, del, get, update, values } from 'idb-keyval';
import { keptAs, planKept } from '../job/keptPlan';
import { roleHere } from '../job/role';
import type { Role } from '../server/access/roles';

/** A job that was taken along, as the browser keeps it. */
interface KeptJob {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  /** A plan file, so that a newer Ombra reads it. */
  readonly plan: unknown;
  readonly entries: readonly Entry[];
  /** Number of the last entry that the server has told. */
  readonly last: number;
  /** What whoever took it along may do. */
  readonly role: Role;
  /** When it was last brought up to date. */
  readonly at: string;
}

/** A job that was taken along. */
export interface TakenJob extends Omit<KeptJob, 'plan'> {
  readonly plan: Plan;
}

/** The log as far as it was known. */
export interface KnownLog {
  readonly entries: readonly Entry[];
  readonly last: number;
}

let opened: ReturnType<typeof createStore> | null = null;
const store = (): ReturnType<typeof createStore> => (opened ??= createStore('ombra-taken', 'jobs'));

/** The device has no room left, or does not let us keep anything. */
export class NoRoom extends Error {
  override readonly name = 'NoRoom';
}

/** Takes a job along, or brings one that was up to date. */
export async function takeAlong(
  id: string,
  known: { readonly version: number; readonly plan: Plan } & KnownLog,
): Promise<void> {
  const { version, plan, entries, last } = known;
  try {
    await update<KeptJob>(
      id,
      () => ({
        id,
        name: plan.name,
        version,
        plan: keptAs(plan),
        entries,
        last,
        role: roleHere(),
        at: new Date().toISOString(),
      }),
      store(),
    );
  } catch (error) {
    throw new NoRoom(error instanceof Error ? error.message : '');
  }
}

/** Brings a part of a taken job up to date; nothing where it was not taken along. */
export async function bringUpToDate(
  id: string,
  part: Partial<{ readonly version: number; readonly plan: Plan } & KnownLog>,
): Promise<void> {
  const kept = await get<KeptJob>(id, store());
  if (!kept) return;
  const { plan, ...others } = part;
  try {
    await update<KeptJob>(
      id,
      (now) => ({
        ...(now ?? kept),
        ...others,
        ...(plan && { plan: keptAs(plan), name: plan.name }),
        at: new Date().toISOString(),
      }),
      store(),
    );
  } catch {
    // No room for the newest: what was taken along stays as it was, and the page goes on.
  }
}

export async function takenJob(id: string): Promise<TakenJob | null> {
  try {
    const kept = await get<KeptJob>(id, store());
    return kept ? { ...kept, plan: await planKept(kept.plan) } : null;
  } catch {
    return null;
  }
}

/** Jobs that were taken along, the newest first. */
export async function takenJobs(): Promise<readonly Omit<KeptJob, 'plan' | 'entries'>[]> {
  try {
    const all = await values<KeptJob>(store());
    return [...all].sort((a, b) => (a.at < b.at ? 1 : -1));
  } catch {
    return [];
  }
}

/** Leaves a job behind. What waits of it stays. */
export const leaveBehind = (id: string): Promise<void> => del(id, store());
