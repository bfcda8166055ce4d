import { type Judged, fine } from '../judged';
import { dsvFormat } from 'd3-dsv';
import {
  type Length,
  type UnitSystem,
  NANOMETRES_PER_INCH,
  NANOMETRES_PER_MILLIMETRE,
  readLength,
  storeLength,
} from '../measure';

/** A row of a file that cannot be taken, told by its number as an editor shows it. */
export interface RowProblem {
  readonly row: number;
  readonly what: string;
}

/** A row of a table with its cells in the order of the heading. */
export interface TableRow {
  readonly number: number;
  readonly cells: readonly string[];
}

interface Table<Column extends string> {
  readonly heading: readonly string[];
  /** Where each column stands; negative where the table has none. */
  readonly columns: Readonly<Record<Column, number>>;
  readonly rows: readonly TableRow[];
}

type TableReading<Column extends string> =
  | { readonly ok: true; readonly table: Table<Column> }
  | { readonly ok: false; readonly problems: readonly RowProblem[] };

/** So many wrong rows are told; the rest are counted. */
const MOST_TOLD = 12;

/** The separator of a file: whichever of tab, semicolon and comma its first line has most of. */
function separatorOf(text: string): string {
  const first = text.slice(0, text.indexOf('\n') < 0 ? undefined : text.indexOf('\n'));
  const count = (mark: string): number => first.split(mark).length;
  return ['\t', ';', ','].reduce((best, mark) => (count(mark) > count(best) ? mark : best), ',');
}

/** The unit in a heading: `reading (mm)`. */
const unitIn = (heading: string): string | null =>
  /\((mm|cm|m|in|ft)\)\s*$/i.exec(heading)?.[1]?.toLowerCase() ?? null;

interface TableWords<Column extends string> {
  /** What each column may be called, in lower case. */
  readonly names: Readonly<Record<Column, readonly string[]>>;
  /** What a first row must name, in words: `wall, at and reading`. */
  readonly wanted: string;
  readonly complete: (columns: Readonly<Record<Column, number>>) => boolean;
  /** What the rows are: `readings`. */
  readonly what: string;
  readonly most: number;
}

/**
 * Reads a table from the text of a file, or as pasted from a sheet: a first row that names the columns; comma, semicolon or
 * tab between them; empty rows are passed over.
 */
export function readTable<Column extends string>(
  text: string,
  words: TableWords<Column>,
): TableReading<Column> {
  const clean = text.replace(/^\ufeff/, '').trim();
  const [heading, ...body] = dsvFormat(separatorOf(clean)).parseRows(clean);
  const refused = (row: number, what: string): TableReading<Column> => ({
    ok: false,
    problems: [{ row, what }],
  });
  if (!heading || clean === '') {
    return refused(1, `This is empty. A first row names the columns: ${words.wanted}.`);
  }
  const plain = heading.map((cell) =>
    cell
      .replace(/\([^()]*\)/g, '')
      .trim()
      .toLowerCase(),
  );
  const columns = Object.fromEntries(
    Object.entries<readonly string[]>(words.names).map(([column, names]) => [
      column,
      plain.findIndex((cell) => names.includes(cell)),
    ]),
  ) as Record<Column, number>;
  if (!words.complete(columns)) {
    return refused(
      1,
      `The first row must name the columns: ${words.wanted}. It says: ${heading.join(', ').slice(0, 80)}.`,
    );
  }
  const rows = body
    .map((cells, index): TableRow => ({ number: index + 2, cells: cells.map((cell) => bared(cell.trim())) }))
    .filter((row) => row.cells.some((cell) => cell !== ''));
  if (rows.length === 0) return refused(2, `There are no ${words.what} below the heading.`);
  if (rows.length > words.most) {
    return refused(
      words.most + 2,
      `This file has ${String(rows.length)} rows; ${String(words.most)} ${words.what} at most are taken.`,
    );
  }
  return { ok: true, table: { heading, columns, rows } };
}

/** The cell of a row in a column; empty where the table has no such column. */
export const cellOf = <Column extends string>(table: Table<Column>, row: TableRow, column: Column): string =>
  row.cells[table.columns[column]] ?? '';

/** What `lengthCell` goes by. */
interface LengthCellInput<Column extends string> {
  readonly table: Table<Column>;
  readonly row: TableRow;
  readonly column: Column;
  readonly units: UnitSystem;
}

/**
 * A length in a cell, in its stored form. A bare number is in the unit that the heading names, `width (mm)`, or in the
 * job's.
 *
 * @returns a value of null where the cell cannot be read
 */
export function lengthCell<Column extends string>({
  table,
  row,
  column,
  units,
}: LengthCellInput<Column>): Judged<string | null, RowProblem> {
  const cell = cellOf(table, row, column);
  const unit = /^[\s\d.,/+-]+$/.test(cell) ? unitIn(table.heading[table.columns[column]] ?? '') : null;
  const reading = readLength(unit === null ? cell : `${cell}${unit}`, units);
  if (reading.ok) return fine(storeLength(reading.length, units));
  const what =
    cell === ''
      ? `The ${table.heading[table.columns[column]] ?? column} is missing.`
      : `“${cell.slice(0, 40)}” cannot be read: ${reading.message}`;
  return { value: null, problems: [{ row: row.number, what }] };
}

/** As many problems as anyone reads; the others are counted. */
export function toldProblems(problems: readonly RowProblem[]): readonly RowProblem[] {
  const more = problems.length - MOST_TOLD;
  if (more <= 0) return problems;
  return [
    ...problems.slice(0, MOST_TOLD),
    { row: problems[MOST_TOLD]?.row ?? 0, what: `and ${String(more)} more rows are wrong.` },
  ];
}

/**
 * A-B, A–B or A - B as one key.
 *
 * @example wallKey('a-b') === wallKey('A–B') // true
 */
export const wallKey = (name: string): string => name.replace(/[\s–—-]+/g, '-').toUpperCase();

/** What a spreadsheet would take for a formula. A plain number is none, whatever its sign. */
const FORMULA = /^'*[=+\-@\t\r]/;
const PLAIN_NUMBER = /^[+-]?\d+(\.\d+)?$/;

/** A cell that no spreadsheet runs: an apostrophe ahead of what looks like a formula. `bared` takes it off again. */
const harmless = (cell: string): string =>
  FORMULA.test(cell) && !PLAIN_NUMBER.test(cell) ? `'${cell}` : cell;

/** A cell as it was before it was made harmless. */
const bared = (cell: string): string => (/^'+[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

/** Spreadsheets take a file for UTF-8, and so read ″ and ½, where it begins with this mark. */
const BYTE_ORDER_MARK = '\ufeff';

/**
 * Rows as the text of a CSV file, which `readTable` reads back cell by cell. Lengths go into columns of `lengthHeading`, as
 * `lengthNumber` writes them.
 */
export const writeTable = (rows: readonly (readonly string[])[]): string =>
  `${BYTE_ORDER_MARK}${dsvFormat(',').formatRows(rows.map((row) => row.map(harmless)))}\n`;

/** The unit of the lengths in a job's files: inches or millimetres, told in the heading of their column. */
const FILE_UNITS = {
  imperial: { name: 'in', nanometres: NANOMETRES_PER_INCH },
  metric: { name: 'mm', nanometres: NANOMETRES_PER_MILLIMETRE },
} as const satisfies Record<UnitSystem, unknown>;

/**
 * `width (in)`.
 *
 * @example lengthHeading('width', 'metric') // 'width (mm)'
 */
export const lengthHeading = (name: string, units: UnitSystem): string =>
  `${name} (${FILE_UNITS[units].name})`;

/**
 * A length as a plain number in the unit of its heading, fine enough to be read back to the nanometre.
 *
 * @example lengthNumber(inches(36), 'imperial') // '36'
 */
export const lengthNumber = (length: Length, units: UnitSystem): string =>
  (length / FILE_UNITS[units].nanometres).toFixed(9).replace(/\.?0+$/, '');

/** The same of a length that is kept as text; one that cannot be read stays as it was typed, nothing stays nothing. */
export function lengthNumberOf(text: string | undefined, units: UnitSystem): string {
  const reading = readLength(text ?? '', units);
  return reading.ok ? lengthNumber(reading.length, units) : (text ?? '');
}
