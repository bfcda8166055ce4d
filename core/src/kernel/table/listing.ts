import {
  type UnitSystem,
  KILOGRAMS_PER_POUND,
  NANOMETRES_PER_INCH,
  NANOMETRES_PER_MILLIMETRE,
  toCubicYards,
} from '../measure';
import { writeTable } from './readTable';

/** What the cells of a column are. Lengths come in nanometres, volumes in cubic metres, masses in kilograms. */
export type ColumnKind = 'text' | 'count' | 'length' | 'volume' | 'mass';

/** A column of a listing. */
export interface Column {
  readonly key: string;
  readonly name: string;
  readonly kind: ColumnKind;
  /** Its total stands under the listing: the sum of its cells. */
  readonly totalled?: true;
  /** Each of its cells is the sum of the cells of these columns in the same row. */
  readonly sumOf?: readonly string[];
}

/** Nothing is null. */
export type Cell = string | number | null;

/** A table that a program reads: columns of one kind each, a row for each thing. */
export interface Listing {
  /** `order`, `order-staging`: what stands before the dash is the book that it belongs to. */
  readonly id: string;
  readonly title: string;
  readonly columns: readonly Column[];
  readonly rows: readonly (readonly Cell[])[];
}

/** Listings that belong together: the sheets of one workbook. */
export interface Book {
  readonly id: string;
  readonly listings: readonly Listing[];
}

const UNITS = {
  imperial: { length: 'in', volume: 'yd³', mass: 'lb' },
  metric: { length: 'mm', volume: 'm³', mass: 'kg' },
} as const;

/**
 * The heading of a column, its unit in brackets.
 *
 * @example columnHeading({ key: 'cut', name: 'Cut length', kind: 'length' }, 'metric') // 'Cut length (mm)'
 */
export function columnHeading({ name, kind }: Column, units: UnitSystem): string {
  return kind === 'text' || kind === 'count' ? name : `${name} (${UNITS[units][kind]})`;
}

/**
 * A cell in the unit of its column's heading. Lengths are told to the nanometre, all else unrounded.
 *
 * @example cellIn({ key: 'cut', name: 'Cut length', kind: 'length' }, 914_400_000, 'imperial') // 36
 */
export function cellIn({ kind }: Column, cell: Cell, units: UnitSystem): Cell {
  if (typeof cell !== 'number') return cell;
  const imperial = units === 'imperial';
  if (kind === 'length') {
    return Number((cell / (imperial ? NANOMETRES_PER_INCH : NANOMETRES_PER_MILLIMETRE)).toFixed(9));
  }
  if (kind === 'volume') return imperial ? toCubicYards(cell) : cell;
  return kind === 'mass' && imperial ? cell / KILOGRAMS_PER_POUND : cell;
}

/** A listing as the text of a CSV file: headings with their units, then the rows, as `writeTable` makes them harmless. Totals are left out. */
export const writeListing = ({ columns, rows }: Listing, units: UnitSystem): string =>
  writeTable([
    columns.map((column) => columnHeading(column, units)),
    ...rows.map((row) =>
      columns.map((column, index) => {
        const cell = cellIn(column, row[index] ?? null, units);
        return cell === null ? '' : String(cell);
      }),
    ),
  ]);
