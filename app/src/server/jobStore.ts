import { writePlan } from '@ombra/core/plan';
import { salvagePlan } from '@ombra/core/planFile';
import type { Plan, PlanProblem } from '@ombra/core/kernel/plan';
import type { Knex } from 'knex';
import { folded } from './folded';
import { withoutNul } from './postgres';
import {
  type Revision,
  jobsWithHistory,
  keepState,
  revisionsOf,
  stateSavedAs,
  stateText,
  thinStates,
} from './revisions';
import type { Clock, Ids } from './services';

interface JobRow {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly plan: string;
  readonly created_at: string;
  readonly updated_at: string;
  readonly deleted_at: string | null;
  /** The name as it is searched. */
  readonly folded: string;
  /** Higher for the job that was touched later. */
  readonly touched: number;
}

interface JobSummary {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly updatedAt: string;
}

export interface StoredJob extends JobSummary {
  readonly plan: Plan;
  /** What of the stored plan could not be read, and is left out of `plan`; empty as a rule. */
  readonly lost: readonly PlanProblem[];
}

/** A save: the version it started from, and an id of its own so that a repeated one is known again. */
export interface Save {
  readonly baseVersion: number;
  readonly saveId: string;
  readonly plan: Plan;
  /** Who saves; left out on the machine itself. */
  readonly by?: string;
}

export type SaveOutcome =
  | { readonly kind: 'saved'; readonly version: number }
  | { readonly kind: 'stale'; readonly current: StoredJob }
  /** The id has been used for another plan. */
  | { readonly kind: 'reused'; readonly version: number }
  | { readonly kind: 'missing' };

export type CreateOutcome =
  | { readonly kind: 'made'; readonly job: StoredJob }
  /** The id belongs to another job, or to one that was removed. */
  | { readonly kind: 'taken'; readonly removed: boolean };

/** Which jobs a list shows. */
export interface JobQuery {
  /** Part of the name, in any case. */
  readonly search?: string;
  readonly removed?: boolean;
  /** Skip this many of the newest. */
  readonly from?: number;
}

export interface JobPage {
  readonly jobs: readonly JobSummary[];
  /** Jobs that the query finds in all. */
  readonly total: number;
}

/** Jobs and every state that was ever saved of them. */
export interface JobStore {
  /** A page of jobs, that which was worked on last first. */
  readonly list: (query?: JobQuery) => Promise<JobPage>;
  readonly get: (id: string) => Promise<StoredJob | null>;
  /** The plan just as it is stored, readable or not. */
  readonly rawPlan: (id: string) => Promise<string | null>;
  /** Creates a job. With an id and the same plan once more, nothing is made and that job comes back. */
  readonly create: (plan: Plan, id?: string, by?: string) => Promise<CreateOutcome>;
  readonly save: (id: string, save: Save) => Promise<SaveOutcome>;
  /** Keeps a plan in the job's history without its taking the place of the newest one. */
  readonly setAside: (id: string, aside: Omit<Save, 'baseVersion'>) => Promise<SaveOutcome>;
  /** States of a job, the newest first; null where there is no such job. */
  readonly revisions: (id: string) => Promise<readonly Revision[] | null>;
  readonly revision: (id: string, version: number) => Promise<string | null>;
  /** Hides a job; `restore` brings it back. False where there is none. */
  readonly remove: (id: string) => Promise<boolean>;
  readonly restore: (id: string) => Promise<boolean>;
  readonly count: () => Promise<number>;
  /** Takes out old states, as the rule of thinning says; answers how many. */
  readonly thin: () => Promise<number>;
}

/** Jobs on a page of the list. */
export const PAGE_OF_JOBS = 100;

/** States of a job that a list shows at most. */
const LONGEST_HISTORY = 1_000;

const SUMMARY = ['id', 'name', 'version', 'updated_at'] as const;

const summary = (row: Pick<JobRow, (typeof SUMMARY)[number]>): JobSummary => ({
  id: row.id,
  name: row.name,
  version: row.version,
  updatedAt: row.updated_at,
});

const full = (row: JobRow): StoredJob => ({ ...summary(row), ...salvagePlan(row.plan, row.name) });

/** The text that is stored of a plan. */
export const storedText = (plan: Plan): string => JSON.stringify(writePlan(plan));

/** A search text as a pattern in which `%` and `_` mean themselves. */
const patternOf = (search: string): string => `%${withoutNul(search).replace(/[\\%_]/g, '\\$&')}%`;

type Database = Knex | Knex.Transaction;

const jobs = (on: Database) => on<JobRow>('jobs');
const alive = (on: Database, id: string) => jobs(on).where({ id, deleted_at: null });

/**
 * The next number of the counter of touched jobs. Every transaction that writes begins with it: it takes the database's one
 * write lock, so that a busy database is waited for instead of failing half way.
 */
async function nextTouch(on: Knex.Transaction): Promise<number> {
  await on('counters').where({ name: 'touched' }).increment('value', 1);
  const row = await on<{ name: string; value: number }>('counters').where({ name: 'touched' }).first();
  return row?.value ?? 0;
}

export function makeJobStore(knex: Knex, clock: Clock, ids: Ids): JobStore {
  const now = (): string => clock().toISOString();
  const writing = <Outcome>(work: (on: Knex.Transaction, touched: number) => Promise<Outcome>) =>
    knex.transaction(async (on) => work(on, await nextTouch(on)));

  /** Makes a plan the newest state of its job. */
  async function put(
    on: Knex.Transaction,
    touched: number,
    id: string,
    state: {
      readonly version: number;
      readonly saveId: string;
      readonly name: string;
      readonly text: string;
      readonly by?: string;
    },
  ): Promise<void> {
    const { version, saveId, name, text, by = '' } = state;
    const at = now();
    await jobs(on)
      .where({ id })
      .update({
        name: withoutNul(name),
        folded: folded(withoutNul(name)),
        version,
        plan: text,
        updated_at: at,
        touched,
      });
    await keepState(on, { jobId: id, version, saveId, savedAt: at, text, by });
  }

  /** What an id that comes again means: the same save once more, or one that must not be taken for it. */
  async function repeated(
    on: Knex.Transaction,
    id: string,
    saveId: string,
    text: string,
  ): Promise<SaveOutcome | null> {
    const before = await stateSavedAs(on, id, saveId);
    if (!before) return null;
    return { kind: before.text === text ? 'saved' : 'reused', version: before.version };
  }

  return {
    list: async ({ search = '', removed = false, from = 0 } = {}) => {
      const found = () => {
        const query = removed ? jobs(knex).whereNotNull('deleted_at') : jobs(knex).whereNull('deleted_at');
        return search.trim() === ''
          ? query
          : query.whereRaw("folded like ? escape '\\'", [patternOf(folded(search.trim()))]);
      };
      const [rows, count] = await Promise.all([
        found()
          .select(...SUMMARY)
          .orderBy('touched', 'desc')
          .offset(from)
          .limit(PAGE_OF_JOBS),
        found().count({ count: '*' }).first(),
      ]);
      return {
        jobs: rows.map(summary),
        total: Number((count as { count?: unknown } | undefined)?.count ?? 0),
      };
    },

    get: async (id) => {
      const row = await alive(knex, id).first();
      return row ? full(row) : null;
    },

    rawPlan: async (id) => (await alive(knex, id).first())?.plan ?? null,

    create: (plan, id = ids(), by = '') =>
      writing(async (on, touched): Promise<CreateOutcome> => {
        const text = storedText(plan);
        const there = await jobs(on).where({ id }).first();
        if (there) {
          const same = there.deleted_at === null && (await stateText(on, id, 1)) === text;
          return same
            ? { kind: 'made', job: full(there) }
            : { kind: 'taken', removed: there.deleted_at !== null };
        }
        const at = now();
        const row: JobRow = {
          id,
          name: withoutNul(plan.name),
          version: 1,
          plan: text,
          created_at: at,
          updated_at: at,
          deleted_at: null,
          folded: folded(withoutNul(plan.name)),
          touched,
        };
        await jobs(on).insert(row);
        await keepState(on, { jobId: id, version: 1, saveId: ids(), savedAt: at, text, by });
        return { kind: 'made', job: full(row) };
      }),

    save: (id, { baseVersion, saveId, plan, by = '' }) =>
      writing(async (on, touched): Promise<SaveOutcome> => {
        const text = storedText(plan);
        const again = await repeated(on, id, saveId, text);
        if (again) return again;
        const current = await alive(on, id).first();
        if (!current) return { kind: 'missing' };
        if (current.version !== baseVersion) return { kind: 'stale', current: full(current) };
        const version = baseVersion + 1;
        await put(on, touched, id, { version, saveId, name: plan.name, text, by });
        return { kind: 'saved', version };
      }),

    setAside: (id, { saveId, plan, by = '' }) =>
      writing(async (on, touched): Promise<SaveOutcome> => {
        const text = storedText(plan);
        const again = await repeated(on, id, saveId, text);
        if (again) return again;
        const current = await alive(on, id).first();
        if (!current) return { kind: 'missing' };
        // Mine for a moment, then theirs again: both stand in the history, and theirs goes on.
        const mine = current.version + 1;
        await keepState(on, { jobId: id, version: mine, saveId, savedAt: now(), text, by });
        await put(on, touched, id, {
          version: mine + 1,
          saveId: ids(),
          name: current.name,
          text: current.plan,
        });
        return { kind: 'saved', version: mine + 1 };
      }),

    revisions: async (id) =>
      (await alive(knex, id).first()) ? revisionsOf(knex, id, LONGEST_HISTORY) : null,
    revision: async (id, version) => ((await alive(knex, id).first()) ? stateText(knex, id, version) : null),

    remove: (id) =>
      writing(async (on, touched) => (await alive(on, id).update({ deleted_at: now(), touched })) > 0),
    restore: (id) =>
      writing(
        async (on, touched) =>
          (await jobs(on).where({ id }).whereNotNull('deleted_at').update({ deleted_at: null, touched })) > 0,
      ),
    count: async () => {
      const row = await jobs(knex).count({ count: '*' }).first();
      return Number(row?.['count'] ?? 0);
    },

    thin: async () => {
      let gone = 0;
      for (const id of await jobsWithHistory(knex)) {
        gone += await knex.transaction((on) => thinStates(on, id, clock()));
      }
      return gone;
    },
  };
}
