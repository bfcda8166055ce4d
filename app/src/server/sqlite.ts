import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import createKnex, { type Knex } from 'knex';
import { migrationSource } from './migrations';
import type { Clock } from './services';

/** Everything that only SQLite knows stands in this file; the rest is plain Knex. */

/** A copy of the whole database, taken by the database itself so that it is whole even while open. */
async function backUp(knex: Knex, folder: string, clock: Clock): Promise<string> {
  const backups = join(folder, 'backups');
  mkdirSync(backups, { recursive: true });
  const copy = join(backups, `ombra-${clock().toISOString().replace(/[:.]/g, '-')}.sqlite`);
  await knex.raw('VACUUM INTO ?', [copy]);
  return copy;
}

export interface OpenedDatabase {
  readonly knex: Knex;
  /** The backup that was made before migrating, if there was anything to back up. */
  readonly backup: string | null;
}

/** Opens the database of a data folder and brings it up to date, after a backup where it was not. */
export async function openDatabase(folder: string, clock: Clock): Promise<OpenedDatabase> {
  mkdirSync(folder, { recursive: true });
  const filename = join(folder, 'ombra.sqlite');
  const existed = existsSync(filename);
  const knex = createKnex({
    client: 'better-sqlite3',
    connection: { filename },
    useNullAsDefault: true,
    // One connection: SQLite writes one at a time anyway, and every read then sees every write.
    pool: { min: 1, max: 1 },
    migrations: { migrationSource },
  });
  // An acknowledged save must survive a power cut, hence FULL.
  for (const pragma of [
    'journal_mode = WAL',
    'synchronous = FULL',
    'busy_timeout = 5000',
    'foreign_keys = ON',
  ]) {
    await knex.raw(`PRAGMA ${pragma}`);
  }
  const [, pending] = (await knex.migrate.list()) as [unknown[], unknown[]];
  const backup = existed && pending.length > 0 ? await backUp(knex, folder, clock) : null;
  await knex.migrate.latest();
  return { knex, backup };
}
