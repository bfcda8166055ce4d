import type { UnitSystem } from '@ombra/core/kernel/measure';
import { type Book, type Column, type Listing, cellIn, columnHeading } from '@ombra/core/kernel/table';
import ExcelJS from 'exceljs';

/** How numbers of a kind are shown; the cells hold them unrounded. */
const FORMATS: Readonly<Record<Column['kind'], string>> = {
  text: '@',
  count: '#,##0',
  length: '#,##0.###',
  volume: '#,##0.00',
  mass: '#,##0',
};

/** A4 and Letter by the numbers of the format; the package names only the first. [ISO/IEC 29500, pageSetup] */
const PAPER: Readonly<Record<UnitSystem, number>> = { metric: 9, imperial: 1 };

const WIDEST = 48;

/** What a workbook is printed on and told in. */
interface WorkbookOptions {
  readonly units: UnitSystem;
  /** The job’s name, over every printed page. */
  readonly name: string;
  /** Which state of the job, under every printed page. */
  readonly state: string;
}

/** A name of a sheet as spreadsheets take it. */
const sheetName = (title: string): string => title.replace(/[[\]*?:/\\]/g, ' ').slice(0, 31);

/** Header and footer codes begin with `&`: doubled, it is the sign itself. */
const inHeader = (text: string): string => text.replaceAll('&', '&&').slice(0, 120);

/** A spreadsheet’s letter of a column, counted from 0. */
const letterOf = (index: number): string =>
  index < 26
    ? String.fromCharCode(65 + index)
    : `${letterOf(Math.floor(index / 26) - 1)}${letterOf(index % 26)}`;

/** The cells of a row, those that are sums of others as formulas. */
function rowCells({ columns, rows }: Listing, index: number, units: UnitSystem): ExcelJS.CellValue[] {
  const row = rows[index] ?? [];
  return columns.map((column, at): ExcelJS.CellValue => {
    const value = cellIn(column, row[at] ?? null, units);
    if (!column.sumOf || typeof value !== 'number') return value;
    const terms = column.sumOf.map(
      (key) => `${letterOf(columns.findIndex((each) => each.key === key))}${String(index + 2)}`,
    );
    return { formula: terms.join('+'), result: value };
  });
}

/** The row of totals under a listing; null where nothing is totalled. */
function totalCells({ columns, rows }: Listing, units: UnitSystem): ExcelJS.CellValue[] | null {
  if (rows.length === 0 || !columns.some(({ totalled }) => totalled)) return null;
  return columns.map((column, at): ExcelJS.CellValue => {
    if (column.totalled !== true) return at === 0 ? 'Total' : null;
    const letter = letterOf(at);
    const result = rows.reduce((sum, row) => sum + Number(cellIn(column, row[at] ?? null, units) ?? 0), 0);
    return { formula: `SUM(${letter}2:${letter}${String(rows.length + 1)})`, result };
  });
}

/** Puts a listing into a workbook: a frozen head, typed cells, a total under it, set up for printing. */
function addSheet(workbook: ExcelJS.Workbook, listing: Listing, options: WorkbookOptions): void {
  const { columns, rows } = listing;
  const sheet = workbook.addWorksheet(sheetName(listing.title), {
    views: [{ state: 'frozen', ySplit: 1 }],
    pageSetup: {
      orientation: columns.length > 6 ? 'landscape' : 'portrait',
      fitToPage: true,
      fitToWidth: 1,
      fitToHeight: 0,
      printTitlesRow: '1:1',
      margins: { left: 0.4, right: 0.4, top: 0.7, bottom: 0.7, header: 0.3, footer: 0.3 },
    },
    headerFooter: {
      oddHeader: `&L${inHeader(options.name)}&R${inHeader(listing.title)}`,
      oddFooter: `&L${inHeader(options.state)}&R&P / &N`,
    },
  });
  Object.assign(sheet.pageSetup, { paperSize: PAPER[options.units] });
  const head = sheet.addRow(columns.map((column) => columnHeading(column, options.units)));
  head.font = { bold: true };
  head.alignment = { vertical: 'top', wrapText: true };
  rows.forEach((_, index) => sheet.addRow(rowCells(listing, index, options.units)));
  const total = totalCells(listing, options.units);
  if (total) {
    const row = sheet.addRow(total);
    row.font = { bold: true };
    row.border = { top: { style: 'thin' } };
  }
  columns.forEach((column, at) => {
    const own = sheet.getColumn(at + 1);
    own.numFmt = FORMATS[column.kind];
    const texts = rows.slice(0, 400).map((row) => String(row[at] ?? '').length);
    const longest = column.kind === 'text' ? Math.max(8, ...texts) : 10;
    own.width = Math.min(WIDEST, Math.max(longest, column.name.length * 0.7) + 2);
    if (column.kind === 'text') own.alignment = { wrapText: longest > WIDEST, vertical: 'top' };
  });
}

/** A book of tables as the bytes of an XLSX workbook, a sheet for each. Cells are typed; sums are formulas with their result beside them. */
export async function writeWorkbook(book: Book, options: WorkbookOptions): Promise<Uint8Array> {
  const workbook = new ExcelJS.Workbook();
  workbook.title = `${options.name}: ${book.listings[0]?.title ?? book.id}`;
  workbook.creator = 'Ombra';
  for (const listing of book.listings) addSheet(workbook, listing, options);
  return new Uint8Array(await workbook.xlsx.writeBuffer());
}
