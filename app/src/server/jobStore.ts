import { type Plan, type PlanFile, readPlanText, writePlan } from '@ombra/core/plan';
import type { Knex } from 'knex';
import type { Clock, Ids } from './services';

interface JobRow {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly plan: string;
  readonly created_at: string;
  readonly updated_at: string;
  readonly deleted_at: string | null;
}

interface RevisionRow {
  readonly job_id: string;
  readonly version: number;
  readonly save_id: string;
  readonly plan: string;
  readonly saved_at: string;
}

export interface JobSummary {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly updatedAt: string;
}

export interface StoredJob extends JobSummary {
  readonly plan: PlanFile;
}

/** A save: the version it started from, and an id of its own so that a repeated one is known again. */
export interface Save {
  readonly baseVersion: number;
  readonly saveId: string;
  readonly plan: Plan;
}

export type SaveOutcome =
  | { readonly kind: 'saved'; readonly version: number }
  | { readonly kind: 'stale'; readonly current: StoredJob }
  | { readonly kind: 'missing' };

/** Jobs and every state that was ever saved of them. */
export interface JobStore {
  readonly list: () => Promise<readonly JobSummary[]>;
  readonly get: (id: string) => Promise<StoredJob | null>;
  /** Creates a job; with an id that is already there, nothing is made and that job comes back. */
  readonly create: (plan: Plan, id?: string) => Promise<StoredJob>;
  readonly save: (id: string, save: Save) => Promise<SaveOutcome>;
  /** Hides a job; `restore` brings it back. False where there is none. */
  readonly remove: (id: string) => Promise<boolean>;
  readonly restore: (id: string) => Promise<boolean>;
  readonly count: () => Promise<number>;
}

/** Jobs that a list shows at most, the newest work first. */
export const LONGEST_LIST = 500;

const SUMMARY = ['id', 'name', 'version', 'updated_at'] as const;

const summary = (row: Pick<JobRow, (typeof SUMMARY)[number]>): JobSummary => ({
  id: row.id,
  name: row.name,
  version: row.version,
  updatedAt: row.updated_at,
});

/** Plans are stored as they were checked on the way in; one that no longer reads is a bug, not a user's mistake. */
function storedPlan(text: string, id: string): PlanFile {
  const reading = readPlanText(text);
  if (!reading.ok)
    throw new Error(`Stored plan of job ${id} does not read: ${JSON.stringify(reading.problems)}`);
  return writePlan(reading.plan);
}

const full = (row: JobRow): StoredJob => ({ ...summary(row), plan: storedPlan(row.plan, row.id) });

export function makeJobStore(knex: Knex, clock: Clock, ids: Ids): JobStore {
  const jobs = (on: Knex | Knex.Transaction) => on<JobRow>('jobs');
  const alive = (on: Knex | Knex.Transaction, id: string) => jobs(on).where({ id, deleted_at: null });
  const now = (): string => clock().toISOString();

  return {
    list: async () => {
      const rows = await jobs(knex)
        .where({ deleted_at: null })
        .select(...SUMMARY)
        .orderBy('updated_at', 'desc')
        .limit(LONGEST_LIST);
      return rows.map(summary);
    },

    get: async (id) => {
      const row = await alive(knex, id).first();
      return row ? full(row) : null;
    },

    create: (plan, id = ids()) =>
      knex.transaction(async (transaction) => {
        const there = await jobs(transaction).where({ id }).first();
        if (there) return full(there);
        const at = now();
        const text = JSON.stringify(writePlan(plan));
        const row: JobRow = {
          id,
          name: plan.name,
          version: 1,
          plan: text,
          created_at: at,
          updated_at: at,
          deleted_at: null,
        };
        await jobs(transaction).insert(row);
        await transaction('revisions').insert({
          job_id: id,
          version: 1,
          save_id: ids(),
          plan: text,
          saved_at: at,
        });
        return full(row);
      }),

    save: (id, { baseVersion, saveId, plan }) =>
      knex.transaction(async (transaction): Promise<SaveOutcome> => {
        const repeated = await transaction<RevisionRow>('revisions')
          .where({ job_id: id, save_id: saveId })
          .first();
        if (repeated) return { kind: 'saved', version: repeated.version };
        const current = await alive(transaction, id).first();
        if (!current) return { kind: 'missing' };
        if (current.version !== baseVersion) return { kind: 'stale', current: full(current) };
        const version = baseVersion + 1;
        const at = now();
        const text = JSON.stringify(writePlan(plan));
        await jobs(transaction)
          .where({ id })
          .update({ name: plan.name, version, plan: text, updated_at: at });
        await transaction('revisions').insert({
          job_id: id,
          version,
          save_id: saveId,
          plan: text,
          saved_at: at,
        });
        return { kind: 'saved', version };
      }),

    remove: async (id) => (await alive(knex, id).update({ deleted_at: now() })) > 0,
    restore: async (id) =>
      (await jobs(knex).where({ id }).whereNotNull('deleted_at').update({ deleted_at: null })) > 0,
    count: async () => {
      const row = await jobs(knex).count({ count: '*' }).first();
      return Number(row?.['count'] ?? 0);
    },
  };
}
