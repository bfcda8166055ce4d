import { expect } from 'vitest';
import type { BooksOf } from '../../src/kernel/engine/stage';
import type { Plan } from '../../src/kernel/plan';
import type { Cell, Listing } from '../../src/kernel/table';
import { rulesOf } from '../../src/rules';
import { work } from '../../src/work';

const fits = (kind: string, cell: Cell): boolean =>
  cell === null ||
  ((kind === 'text' ? typeof cell === 'string' : typeof cell === 'number' && Number.isFinite(cell)) &&
    // Pieces are whole; lengths are whole nanometres.
    (kind !== 'count' && kind !== 'length' ? true : Number.isInteger(cell)));

/** The listings of a stage's book, each checked to be a table: a cell of its column's kind in every place. */
export function listingsOf(booksOf: BooksOf, plan: Plan): ReadonlyMap<string, Listing> {
  const listings = booksOf(work(plan), plan, rulesOf(plan)).flatMap((book) => book.listings);
  for (const { id, columns, rows } of listings) {
    for (const row of rows) {
      expect(row, id).toHaveLength(columns.length);
      const wrong = columns.filter(({ kind }, index) => !fits(kind, row[index] ?? null));
      expect(
        wrong.map(({ key }) => key),
        `${id}: ${row.join(', ')}`,
      ).toEqual([]);
    }
    expect(
      columns.every(({ name }) => name.length > 0),
      id,
    ).toBe(true);
  }
  return new Map(listings.map((listing) => [listing.id, listing]));
}

/** A column of a listing, down its rows. */
export function columnOf(
  listings: ReadonlyMap<string, Listing>,
  listing: string,
  key: string,
): readonly Cell[] {
  const found = listings.get(listing);
  const at = found?.columns.findIndex((column) => column.key === key) ?? -1;
  if (!found || at < 0) throw new Error(`no column ${key} in ${listing}`);
  return found.rows.map((row) => row[at] ?? null);
}

/** The sum of a column. */
export const totalOf = (listings: ReadonlyMap<string, Listing>, listing: string, key: string): number =>
  columnOf(listings, listing, key).reduce<number>((sum, cell) => sum + Number(cell), 0);

/** Ids of the columns of all listings that have a total below them. */
export const totalled = (listings: ReadonlyMap<string, Listing>): readonly string[] =>
  [...listings.values()].flatMap(({ id, columns }) =>
    columns.filter((column) => column.totalled).map(({ key }) => `${id}.${key}`),
  );
