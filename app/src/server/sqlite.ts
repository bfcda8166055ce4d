import { chmodSync, existsSync, mkdirSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import createKnex, { type Knex } from 'knex';
import { migrationSource, pendingMigrations } from './migrations';
import { StartFailure } from './startFailure';

/** Everything that only SQLite knows stands in this file, in `backups.ts` and in `entrySearch.ts`; the rest is plain Knex. */

/** Milliseconds that a statement waits for another program's write to end. */
const BUSY_WAIT = 5000;

export const databaseFile = (folder: string): string => join(folder, 'ombra.sqlite');

/** A connection to a database file. One only: SQLite writes one at a time anyway, and every read then sees every write. */
export const connect = (filename: string): Knex =>
  createKnex({
    client: 'better-sqlite3',
    connection: { filename },
    useNullAsDefault: true,
    pool: { min: 1, max: 1 },
    migrations: { migrationSource },
  });

/** What is wrong with a database file; null where it is whole. `quick` leaves indexes unchecked. */
export async function checkDatabase(file: string, how: 'quick' | 'whole'): Promise<string | null> {
  const knex = connect(file);
  try {
    return await checkOpen(knex, how);
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  } finally {
    await knex.destroy();
  }
}

/** The same of an open database. */
export async function checkOpen(knex: Knex, how: 'quick' | 'whole'): Promise<string | null> {
  const pragma = how === 'quick' ? 'quick_check' : 'integrity_check';
  const rows = await knex.raw<readonly Record<string, string>[]>(`PRAGMA ${pragma}(1)`);
  const told = rows.map((row) => Object.values(row)[0] ?? '').join('; ');
  return told === 'ok' ? null : told;
}

/** Data of a job are its owner's: the folder and all in it are for this user alone, also where they are there already. */
function keepPrivate(folder: string): void {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  chmodSync(folder, 0o700);
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    const stat = statSync(path, { throwIfNoEntry: false });
    if (stat?.isFile() && /^ombra\b|\.sqlite/.test(name)) chmodSync(path, 0o600);
  }
  const backups = join(folder, 'backups');
  if (!existsSync(backups)) return;
  chmodSync(backups, 0o700);
  for (const name of readdirSync(backups)) {
    if (name.endsWith('.sqlite')) chmodSync(join(backups, name), 0o600);
  }
}

/** Lets go of the folder. */
type Release = () => Promise<void>;

/**
 * Takes a data folder for this program: a database of its own is held open for writing, a lock that ends with the process
 * however that ends. Throws where another one has it.
 */
export async function holdFolder(folder: string): Promise<Release> {
  keepPrivate(folder);
  const lock = connect(join(folder, 'ombra.lock'));
  try {
    await lock.raw('PRAGMA busy_timeout = 0');
    await lock.raw('BEGIN EXCLUSIVE');
  } catch (error) {
    await lock.destroy();
    const code = error instanceof Error && 'code' in error ? String(error.code) : '';
    if (!code.startsWith('SQLITE_BUSY')) throw error;
    throw new StartFailure(
      `Ombra already runs on ${folder}; use that one, or name another folder with OMBRA_DATA.`,
    );
  }
  keepPrivate(folder);
  return async () => {
    await lock.raw('ROLLBACK');
    await lock.destroy();
  };
}

/**
 * Closes a database, its log written home first: the file by itself is then the whole of it. Closing alone leaves that to the last
 * connection, and that of a thread which has just ended may still be open.
 */
export async function closeDatabase(knex: Knex): Promise<void> {
  // What cannot be written home, on a full disk, stays in the log, and is read from there.
  await knex.raw('PRAGMA wal_checkpoint(TRUNCATE)').catch(() => undefined);
  await knex.destroy();
}

interface OpenedDatabase {
  readonly knex: Knex;
  /** The backup that was made before migrating, if there was anything to back up. */
  readonly backup: string | null;
}

/**
 * Opens the database of a data folder, checks it, and brings it up to date, after a backup where it was not.
 *
 * @param backUp makes the backup before a migration, by its name
 */
export async function openDatabase(
  folder: string,
  backUp: (knex: Knex, migration: string) => Promise<string>,
): Promise<OpenedDatabase> {
  keepPrivate(folder);
  const filename = databaseFile(folder);
  const existed = existsSync(filename);
  const knex = connect(filename);
  try {
    // An acknowledged save must survive a power cut, hence FULL. The log is cut back to a megabyte once it was written home.
    for (const pragma of [
      `busy_timeout = ${String(BUSY_WAIT)}`,
      'journal_mode = WAL',
      'synchronous = FULL',
      'journal_size_limit = 1000000',
      'foreign_keys = ON',
    ]) {
      await knex.raw(`PRAGMA ${pragma}`);
    }
    const wrong = existed ? await checkOpen(knex, 'quick') : null;
    if (wrong !== null) throw Object.assign(new Error(wrong), { code: 'SQLITE_CORRUPT' });
    const [next] = await pendingMigrations(knex);
    const backup = existed && next !== undefined ? await backUp(knex, next) : null;
    await knex.migrate.latest();
    keepPrivate(folder);
    return { knex, backup };
  } catch (error) {
    await knex.destroy();
    throw error;
  }
}
