import type { Knex } from 'knex';
import { folded } from './folded';
import { isPostgres } from './postgres';

/** Full-text search of the log’s entries: by SQLite’s FTS5, or by PostgreSQL’s tsvector. */

const TABLE = 'entry_words';

type Database = Knex | Knex.Transaction;

export const makeEntryWords = (knex: Knex): Promise<unknown> =>
  isPostgres(knex)
    ? knex.raw(
        `CREATE TABLE ${TABLE} (number integer PRIMARY KEY REFERENCES entries (number), words tsvector NOT NULL);
         CREATE INDEX ${TABLE}_words ON ${TABLE} USING gin (words)`,
      )
    : knex.raw(`CREATE VIRTUAL TABLE ${TABLE} USING fts5(words, tokenize = 'unicode61 remove_diacritics 2')`);

/** The words of a text: letters and digits, whatever stands between them. */
const wordsIn = (text: string): readonly string[] =>
  text.split(/[^\p{L}\p{M}\p{N}]+/u).filter((word) => word !== '');

/** Places of a word that PostgreSQL keeps, and the last place that it counts. */
const MOST_PLACES = 255;
const LAST_PLACE = 16_383;
/** Letters of a word that it takes. */
const LONGEST_WORD = 500;

const lexeme = (word: string): string => folded(word).replace(/['\\]/g, '').slice(0, LONGEST_WORD);

/** A text as PostgreSQL searches it: each word with its places. Ours, so that words are parted as FTS5 parts them. */
function vectorOf(text: string): string {
  const places = new Map<string, number[]>();
  wordsIn(text).forEach((word, index) => {
    const key = lexeme(word);
    if (key === '') return;
    const own = places.get(key) ?? [];
    if (own.length < MOST_PLACES) own.push(Math.min(index + 1, LAST_PLACE));
    places.set(key, own);
  });
  return [...places].map(([word, at]) => `'${word}':${at.join(',')}`).join(' ');
}

/** Makes the words of an entry found under its number. */
export const addWords = (on: Database, number: number, words: string): Promise<unknown> =>
  isPostgres(on)
    ? on.raw(`INSERT INTO ${TABLE} (number, words) VALUES (?, ?::tsvector)`, [number, vectorOf(words)])
    : on.raw(`INSERT INTO ${TABLE} (rowid, words) VALUES (?, ?)`, [number, words]);

/** What somebody typed as a query of FTS5 in which every word is only a word, the last one begun. */
const queryOf = (text: string): string =>
  wordsIn(text)
    .map((word) => `"${word}"*`)
    .join(' ');

/** The same for PostgreSQL. */
const vectorQueryOf = (text: string): string =>
  wordsIn(text)
    .map(lexeme)
    .filter((word) => word !== '')
    .map((word) => `'${word}':*`)
    .join(' & ');

/** Numbers of the entries of a job that hold every word of a text, the best first. */
export async function numbersWith(
  knex: Knex,
  jobId: string,
  text: string,
  most: number,
): Promise<readonly number[]> {
  if (isPostgres(knex)) {
    const query = vectorQueryOf(text);
    if (query === '') return [];
    const { rows } = await knex.raw<{ readonly rows: readonly { readonly number: number }[] }>(
      `SELECT entries.number FROM ${TABLE} JOIN entries ON entries.number = ${TABLE}.number
       WHERE ${TABLE}.words @@ ?::tsquery AND entries.job_id = ?
       ORDER BY ts_rank(${TABLE}.words, ?::tsquery) DESC, entries.number LIMIT ?`,
      [query, jobId, query, most],
    );
    return rows.map(({ number }) => number);
  }
  const query = queryOf(text);
  if (query === '') return [];
  const rows = await knex.raw<readonly { number: number }[]>(
    `SELECT entries.number FROM ${TABLE} JOIN entries ON entries.number = ${TABLE}.rowid
     WHERE ${TABLE} MATCH ? AND entries.job_id = ? ORDER BY rank LIMIT ?`,
    [query, jobId, most],
  );
  return rows.map(({ number }) => number);
}
