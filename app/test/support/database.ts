import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { it } from 'vitest';
import { connectPostgres, openPostgres } from '../../src/server/postgres';
import { openDatabase } from '../../src/server/sqlite';

/** A server of PostgreSQL that the stores are tested on; SQLite where there is none. */
const SERVER = process.env['OMBRA_TEST_DATABASE_URL'];

/** What only SQLite has. */
export const itOnSqlite = it.skipIf(SERVER !== undefined);

interface TestDatabase {
  readonly knex: Knex;
  readonly close: () => Promise<void>;
}

/** A fresh database, up to date. @param folder where a file of SQLite lies */
export async function testDatabase(folder: string): Promise<TestDatabase> {
  if (SERVER === undefined) {
    const { knex } = await openDatabase(folder, () => Promise.resolve(''));
    return { knex, close: () => knex.destroy() };
  }
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  const root = connectPostgres(SERVER);
  await root.raw('CREATE DATABASE ??', [name]);
  const url = new URL(SERVER);
  url.pathname = `/${name}`;
  const knex = await openPostgres(url.href);
  return {
    knex,
    close: async () => {
      await knex.destroy();
      await root.raw('DROP DATABASE ?? WITH (FORCE)', [name]);
      await root.destroy();
    },
  };
}
