import type { Knex } from 'knex';

/** Full-text search of the log’s entries, by SQLite’s FTS5: statements that only SQLite knows. */

const TABLE = 'entry_words';

export const makeEntryWords = (knex: Knex): Promise<unknown> =>
  knex.raw(`CREATE VIRTUAL TABLE ${TABLE} USING fts5(words, tokenize = 'unicode61 remove_diacritics 2')`);

/** Makes the words of an entry found under its number. */
export const addWords = (on: Knex | Knex.Transaction, number: number, words: string): Promise<unknown> =>
  on.raw(`INSERT INTO ${TABLE} (rowid, words) VALUES (?, ?)`, [number, words]);

/** What somebody typed as a query in which every word is only a word, the last one begun. */
const queryOf = (text: string): string =>
  text
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '')
    .map((word) => `"${word}"*`)
    .join(' ');

/** Numbers of the entries of a job that hold every word of a text, the best first. */
export async function numbersWith(
  knex: Knex,
  jobId: string,
  text: string,
  most: number,
): Promise<readonly number[]> {
  const query = queryOf(text);
  if (query === '') return [];
  const rows = await knex.raw<readonly { number: number }[]>(
    `SELECT entries.number FROM ${TABLE} JOIN entries ON entries.number = ${TABLE}.rowid
     WHERE ${TABLE} MATCH ? AND entries.job_id = ? ORDER BY rank LIMIT ?`,
    [query, jobId, most],
  );
  return rows.map(({ number }) => number);
}
