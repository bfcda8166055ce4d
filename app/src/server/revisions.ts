import type { Knex } from 'knex';
import { pack, unpack } from './pack';
import { thinnedOut } from './thinning';

/** A saved state of a job, as a list shows it. */
export interface Revision {
  readonly version: number;
  readonly savedAt: string;
  /** Characters of its plan. */
  readonly size: number;
  /** Who saved it; empty on the machine itself. */
  readonly by: string;
}

/** A row of the table `states`. */
interface StateRow {
  readonly job_id: string;
  readonly version: number;
  readonly save_id: string;
  readonly saved_at: string;
  readonly size: number;
  /** The version whose text `data` is the difference from; null where it is whole. */
  readonly base: number | null;
  readonly data: Uint8Array | ArrayBuffer;
  readonly saved_by: string;
}

interface NewState {
  readonly jobId: string;
  readonly version: number;
  readonly saveId: string;
  readonly savedAt: string;
  readonly text: string;
  readonly by?: string;
}

/** After so many differences a whole one is kept again: none is ever more than one step from a whole text. */
const WHOLE_EVERY = 50;

type Database = Knex | Knex.Transaction;

const states = (on: Database) => on<StateRow>('states');

const bytesOf = (data: StateRow['data']): Uint8Array =>
  data instanceof ArrayBuffer ? new Uint8Array(data) : data;

/** The newest whole state of a job at or before a version. */
const wholeBefore = (on: Database, jobId: string, version: number) =>
  states(on)
    .where({ job_id: jobId, base: null })
    .where('version', '<=', version)
    .orderBy('version', 'desc')
    .first();

/** Keeps a state: whole, or as its difference from the newest whole one where that is smaller by half. */
export async function keepState(on: Database, state: NewState): Promise<void> {
  const { jobId, version, saveId, savedAt, text, by = '' } = state;
  const whole = await wholeBefore(on, jobId, version);
  const base = whole && version - whole.version < WHOLE_EVERY ? whole : null;
  const alone = pack(text, null);
  const difference = base ? pack(text, unpack(bytesOf(base.data), null)) : null;
  const small = difference !== null && difference.length < alone.length / 2;
  await states(on).insert({
    job_id: jobId,
    version,
    save_id: saveId,
    saved_at: savedAt,
    size: text.length,
    base: small && base ? base.version : null,
    data: small ? difference : alone,
    // An older database that is being brought up to date has no place for it yet.
    ...(by !== '' && { saved_by: by }),
  });
}

/** The text of a state; null where there is none, or it has been thinned out. */
export async function stateText(on: Database, jobId: string, version: number): Promise<string | null> {
  const row = await states(on).where({ job_id: jobId, version }).first();
  return row ? textOf(on, row) : null;
}

async function textOf(on: Database, row: StateRow): Promise<string> {
  if (row.base === null) return unpack(bytesOf(row.data), null);
  const base = await states(on).where({ job_id: row.job_id, version: row.base }).first();
  if (!base) throw new Error(`State ${String(row.version)} of job ${row.job_id} has lost what it stands on.`);
  return unpack(bytesOf(row.data), unpack(bytesOf(base.data), null));
}

/** The state that was saved under an id, where there is one. */
export async function stateSavedAs(
  on: Database,
  jobId: string,
  saveId: string,
): Promise<{ readonly version: number; readonly text: string } | null> {
  const row = await states(on).where({ job_id: jobId, save_id: saveId }).first();
  return row ? { version: row.version, text: await textOf(on, row) } : null;
}

/** States of a job, the newest first. */
export async function revisionsOf(on: Database, jobId: string, most: number): Promise<readonly Revision[]> {
  const rows = await states(on)
    .where({ job_id: jobId })
    .select('version', 'saved_at', 'size', 'saved_by')
    .orderBy('version', 'desc')
    .limit(most);
  return rows.map((row) => ({
    version: row.version,
    savedAt: row.saved_at,
    size: row.size,
    by: row.saved_by,
  }));
}

/** Takes out the states of a job that its age no longer keeps; answers how many. */
export async function thinStates(on: Database, jobId: string, now: Date): Promise<number> {
  const rows = await states(on).where({ job_id: jobId }).select('version', 'saved_at', 'base');
  const gone = thinnedOut(
    rows.map((row) => ({ version: row.version, savedAt: row.saved_at, base: row.base })),
    now,
  );
  // Few at a time: databases take only so many values in one statement.
  for (let from = 0; from < gone.length; from += 100) {
    await states(on)
      .where({ job_id: jobId })
      .whereIn('version', gone.slice(from, from + 100))
      .delete();
  }
  return gone.length;
}

/** Jobs with more states than thinning would ever leave of a day's work. */
export async function jobsWithHistory(on: Database): Promise<readonly string[]> {
  const rows = await states(on).select('job_id').groupBy('job_id').havingRaw('count(*) > ?', [24]);
  return rows.map((row) => row.job_id);
}
