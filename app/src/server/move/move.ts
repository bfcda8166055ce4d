import { createHash } from 'node:crypto';
import type { Knex } from 'knex';
import { addEntryWords } from '../entryStore';
import { isPostgres } from '../postgres';
import { StartFailure } from '../startFailure';
import { TABLES, type TableName } from './tables';

type Database = Knex | Knex.Transaction;
type Row = Readonly<Record<string, unknown>>;
type Table = (typeof TABLES)[number];

/** Columns of keys that hold numbers. */
const NUMBERS: ReadonlySet<string> = new Set(['number', 'version']);

/** Rows that are carried at once: databases take only so many values in one statement. */
const BATCH = 50;

/** How many rows of a table there are, and a hash over all of them in the order of their keys. */
export interface Sum {
  readonly rows: number;
  readonly hash: string;
}

/** What was carried over, table by table, as both sides have it. */
export type MoveReport = Readonly<Record<TableName, Sum>>;

/** A value as both databases would write it: bytes by their letters. */
const plain = (value: unknown): unknown => {
  if (value instanceof ArrayBuffer) return Buffer.from(value).toString('base64');
  if (value instanceof Uint8Array) return Buffer.from(value).toString('base64');
  return value;
};

/** Rows of a table in the order of their keys, a batch at a time, each batch found by the last key of the one before. */
async function* batches(on: Database, { name, key }: Table): AsyncGenerator<readonly Row[]> {
  // PostgreSQL sorts text by language, SQLite by bytes: both are made to sort by bytes.
  const order = key.map((column) =>
    isPostgres(on) && !NUMBERS.has(column) ? `${column} COLLATE "C"` : column,
  );
  let last: Row | null = null;
  for (;;) {
    const query = on<Row>(name).orderByRaw(order.join(', ')).limit(BATCH);
    if (last !== null) {
      const values = key.map((column) => last?.[column] as string | number);
      void query.whereRaw(`(${order.join(', ')}) > (${key.map(() => '?').join(', ')})`, values);
    }
    const rows = (await query.select()) as readonly Row[];
    if (rows.length > 0) yield rows;
    if (rows.length < BATCH) return;
    last = rows.at(-1) ?? null;
  }
}

/** Counts a table and sums it up. */
async function sumOf(on: Database, table: Table): Promise<Sum> {
  const hash = createHash('sha256');
  let rows = 0;
  for await (const batch of batches(on, table)) {
    for (const row of batch) {
      const columns = Object.keys(row).sort();
      hash.update(JSON.stringify(columns.map((column) => [column, plain(row[column])])));
      rows += 1;
    }
  }
  return { rows, hash: hash.digest('hex') };
}

/** Whether nobody has worked in a database yet: nothing of anybody's is ever written over. */
async function isFresh(on: Database): Promise<boolean> {
  const job = await on<{ readonly id: string }>('jobs').first('id');
  return job === undefined;
}

/** A value as a database takes it in. */
const taken = (value: unknown): unknown => (value instanceof ArrayBuffer ? Buffer.from(value) : value);

async function carry(from: Database, to: Knex.Transaction, table: Table): Promise<void> {
  // Made with the database: its own counters give way to those that come.
  await to(table.name).delete();
  for await (const batch of batches(from, table)) {
    await to(table.name).insert(
      batch.map((row) =>
        Object.fromEntries(Object.entries(row).map(([column, value]) => [column, taken(value)])),
      ),
    );
    if (table.name !== 'entries') continue;
    for (const row of batch) await addEntryWords(to, Number(row['number']), String(row['entry']));
  }
  if (table.name === 'entries' && isPostgres(to))
    await to.raw(
      `SELECT setval(pg_get_serial_sequence('entries', 'number'), GREATEST((SELECT MAX(number) FROM entries), 1))`,
    );
}

/**
 * Carries everything of one database over into another one that is up to date and empty; all of it or nothing. Then both are summed
 * up and held against each other. Throws in one sentence where they cannot be or differ.
 *
 * @param say told what is being done
 */
export async function move(from: Knex, to: Knex, say: (line: string) => void): Promise<MoveReport> {
  if (!(await isFresh(to)))
    throw new StartFailure(
      'There are jobs in the database to move to already; name an empty one. Nothing was written.',
    );
  const report = await to.transaction(async (into) => {
    const sums: [TableName, Sum][] = [];
    for (const table of TABLES) {
      await carry(from, into, table);
      const [was, is] = [await sumOf(from, table), await sumOf(into, table)];
      if (was.rows !== is.rows || was.hash !== is.hash)
        throw new StartFailure(
          `What was carried over of “${table.name}” is not what was there: ${String(was.rows)} rows before, ${String(is.rows)} after. Nothing was written; is a server still running on it?`,
        );
      say(`${table.name}: ${String(is.rows)} ${is.rows === 1 ? 'row' : 'rows'}, the same on both sides`);
      sums.push([table.name, is]);
    }
    return Object.fromEntries(sums) as MoveReport;
  });
  return report;
}
