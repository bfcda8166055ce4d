import { type Entry, type RateSeen, ratesSeen } from '@ombra/core/kernel/record';
import type { Knex } from 'knex';
import { addWords, numbersWith } from './entrySearch';
import type { Clock } from './services';

/** A row of the table `entries`. */
interface EntryRow {
  readonly number: number;
  readonly job_id: string;
  readonly id: string;
  readonly kind: string;
  /** The entry as it came, as JSON. */
  readonly entry: string;
  readonly received_at: string;
  readonly sent_by: string;
}

/** An entry with the number under which this machine took it. */
export interface KeptEntry {
  readonly number: number;
  readonly entry: Entry;
  /** Who sent it, as the door knows them; left out where that is the machine itself. */
  readonly by?: string;
}

export type AddOutcome =
  /** How many were new; those that were there already changed nothing. */
  | { readonly kind: 'kept'; readonly added: number; readonly last: number }
  | { readonly kind: 'missing' }
  /** These ids belong to other entries of the job: nothing was kept. */
  | { readonly kind: 'reused'; readonly ids: readonly string[] };

/** The logs of all jobs. Nothing in them is ever changed or removed. */
export interface EntryStore {
  /** @param by who sends them; empty on the machine itself */
  readonly add: (jobId: string, entries: readonly Entry[], by?: string) => Promise<AddOutcome>;
  /** Entries of a job after a number, in the order in which they came; null where there is no such job. */
  readonly after: (jobId: string, number: number) => Promise<readonly KeptEntry[] | null>;
  /** Ids of the entries that hold every word of a text, the best first; null where there is no such job. */
  readonly search: (jobId: string, text: string) => Promise<readonly string[] | null>;
  /** What the logs of all jobs that are not removed say of the rates. */
  readonly rates: () => Promise<readonly RateSeen[]>;
}

/** Entries that one answer holds at most. */
export const PAGE_OF_ENTRIES = 10_000;
const MOST_FOUND = 500;

/** All entries of a job, page by page; empty where there is no such job. */
export async function wholeLog(
  store: Pick<EntryStore, 'after'>,
  jobId: string,
): Promise<readonly KeptEntry[]> {
  const all: KeptEntry[] = [];
  for (;;) {
    const page = (await store.after(jobId, all.at(-1)?.number ?? 0)) ?? [];
    all.push(...page);
    if (page.length < PAGE_OF_ENTRIES) return all;
  }
}

/** Everything in an entry that somebody may look for: its words and figures, whatever they are called. */
function wordsOf(value: unknown): readonly string[] {
  if (typeof value === 'string') return [value];
  if (Array.isArray(value)) return value.flatMap(wordsOf);
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, each]) =>
    key === 'rows' || key === 'rates' ? [] : wordsOf(each),
  );
}

/** Makes an entry found by its words. @param text the entry as it is kept */
export async function addEntryWords(
  on: Knex | Knex.Transaction,
  number: number,
  text: string,
): Promise<void> {
  const { who, place, body } = JSON.parse(text) as Entry;
  await addWords(on, number, wordsOf([who, place ?? {}, body]).join(' '));
}

export function makeEntryStore(knex: Knex, clock: Clock): EntryStore {
  const entries = (on: Knex | Knex.Transaction) => on<EntryRow>('entries');
  const alive = async (on: Knex | Knex.Transaction, id: string): Promise<boolean> =>
    (await on('jobs').where({ id, deleted_at: null }).first('id')) !== undefined;
  return {
    add: (jobId, given, by = '') =>
      knex.transaction(async (on): Promise<AddOutcome> => {
        // Takes the database's one write lock, so that a busy one is waited for instead of failing half way.
        await on('counters').where({ name: 'touched' }).increment('value', 0);
        if (!(await alive(on, jobId))) return { kind: 'missing' };
        const told = new Map<string, string>();
        const reused = new Set<string>();
        const meet = (id: string, text: string): boolean => {
          const before = told.get(id);
          if (before !== undefined && before !== text) reused.add(id);
          told.set(id, before ?? text);
          return before === undefined;
        };
        const ids = given.map(({ id }) => id);
        for (let from = 0; from < ids.length; from += 100) {
          const rows = await entries(on)
            .where({ job_id: jobId })
            .whereIn('id', ids.slice(from, from + 100))
            .select('id', 'entry');
          for (const { id, entry } of rows) told.set(id, entry);
        }
        const fresh = given
          .map((entry) => ({ entry, text: JSON.stringify(entry) }))
          .filter(({ entry, text }) => meet(entry.id, text));
        if (reused.size > 0) return { kind: 'reused', ids: [...reused] };
        for (const { entry, text } of fresh) {
          const [row] = await entries(on)
            .insert({
              job_id: jobId,
              id: entry.id,
              kind: entry.kind,
              entry: text,
              received_at: clock().toISOString(),
              sent_by: by,
            })
            .returning('number');
          if (row) await addEntryWords(on, row.number, text);
        }
        const newest = await entries(on).where({ job_id: jobId }).orderBy('number', 'desc').first('number');
        return {
          kind: 'kept',
          added: fresh.length,
          last: newest?.number ?? 0,
        };
      }),

    after: async (jobId, number) => {
      if (!(await alive(knex, jobId))) return null;
      const rows = await entries(knex)
        .where({ job_id: jobId })
        .where('number', '>', number)
        .orderBy('number')
        .limit(PAGE_OF_ENTRIES)
        .select('number', 'entry', 'sent_by');
      return rows.map((row) => ({
        number: row.number,
        entry: JSON.parse(row.entry) as Entry,
        ...(row.sent_by !== '' && { by: row.sent_by }),
      }));
    },

    search: async (jobId, text) => {
      if (!(await alive(knex, jobId))) return null;
      const numbers = await numbersWith(knex, jobId, text, MOST_FOUND);
      const rows = await entries(knex)
        .whereIn('number', [...numbers])
        .select('number', 'id');
      const ids = new Map(rows.map((row) => [row.number, row.id]));
      return numbers.flatMap((each) => ids.get(each) ?? []);
    },

    rates: async () => {
      const rows = await entries(knex)
        .join('jobs', 'jobs.id', 'entries.job_id')
        .whereNull('jobs.deleted_at')
        .whereIn('entries.kind', ['work', 'pour', 'withdrawn'])
        .select('entries.job_id as job_id', 'entries.entry as entry');
      const byJob = new Map<string, Entry[]>();
      for (const row of rows as readonly { job_id: string; entry: string }[]) {
        const list = byJob.get(row.job_id);
        const entry = JSON.parse(row.entry) as Entry;
        if (list) list.push(entry);
        else byJob.set(row.job_id, [entry]);
      }
      return [...byJob].flatMap(([job, list]) => ratesSeen(job, list));
    },
  };
}
