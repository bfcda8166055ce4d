import type { UnitSystem } from '../../kernel/measure';
import type { ReinforcementTable, TableRow } from './plan';
import {
  type RowProblem,
  cellOf,
  lengthCell,
  lengthHeading,
  lengthNumberOf,
  readTable,
  toldProblems,
  writeTable,
} from '../../kernel/table';
import { sizeNamed } from './reinforcementTable';
import { BAR_SIZES } from './sizes';

const COLUMNS = {
  height: ['wall height', 'height', 'wall'],
  backfill: ['backfill', 'soil height'],
  soil: ['soil', 'fluid weight', 'equivalent fluid weight'],
  size: ['size', 'bar', 'vertical'],
  spacing: ['spacing', 'apart'],
} as const satisfies Record<keyof TableRow, readonly string[]>;
type Column = keyof typeof COLUMNS;

/** Columns of lengths. */
const LENGTHS: ReadonlySet<string> = new Set<Column>(['height', 'backfill', 'spacing']);

/** More rows than these are no table of one form. */
const MOST_ROWS = 500;

type TableFileReading =
  | { readonly ok: true; readonly rows: readonly TableRow[] }
  | { readonly ok: false; readonly problems: readonly RowProblem[] };

/**
 * Reads a reinforcement table from the text of a CSV file, or as pasted from a sheet. Bare lengths are in the unit that the
 * heading names, `spacing (in)`, or in the job's; soil is in pounds a cubic foot. Nothing is taken from a file with a wrong row.
 */
export function readTableFile(text: string, units: UnitSystem): TableFileReading {
  const reading = readTable<Column>(text, {
    names: COLUMNS,
    wanted: 'wall height, backfill, soil, size and spacing',
    complete: (columns) => Object.values(columns).every((column) => column >= 0),
    what: 'rows',
    most: MOST_ROWS,
  });
  if (!reading.ok) return reading;
  const { table } = reading;
  const problems: RowProblem[] = [];
  const rows = table.rows.flatMap((row): TableRow[] => {
    const before = problems.length;
    const length = (column: Column): string => {
      const reading = lengthCell({ table, row, column, units });
      problems.push(...reading.problems);
      return reading.value ?? '';
    };
    const [height, backfill, spacing] = [length('height'), length('backfill'), length('spacing')];
    const size = cellOf(table, row, 'size');
    const named = sizeNamed(size);
    if (!named) {
      const sizes = BAR_SIZES.map(({ id }) => id).join(', ');
      problems.push({
        row: row.number,
        what: `“${size.slice(0, 20)}” is no size of bar; write one of ${sizes}.`,
      });
    }
    const soil = Number(cellOf(table, row, 'soil').replace(',', '.'));
    if (!(soil > 0)) {
      problems.push({
        row: row.number,
        what: `“${cellOf(table, row, 'soil').slice(0, 20)}” is no weight of soil; write pounds a cubic foot, as 45.`,
      });
    }
    return problems.length > before || !named ? [] : [{ height, backfill, soil, size: named.id, spacing }];
  });
  return problems.length === 0 ? { ok: true, rows } : { ok: false, problems: toldProblems(problems) };
}

/** A reinforcement table as the text of a CSV file; `readTableFile` reads it back. */
export const writeTableFile = (table: ReinforcementTable, units: UnitSystem): string =>
  writeTable([
    Object.entries(COLUMNS).map(([column, [first]]) =>
      LENGTHS.has(column) ? lengthHeading(first, units) : first,
    ),
    ...table.rows.map((row) => [
      lengthNumberOf(row.height, units),
      lengthNumberOf(row.backfill, units),
      String(row.soil),
      row.size,
      lengthNumberOf(row.spacing, units),
    ]),
  ]);
