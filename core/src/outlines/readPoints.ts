import { readTable, cellOf } from '../kernel/table';
import { type UnitSystem } from '../kernel/measure';
import { type OutlineReading, type OutlineProblem, type Vertex, MOST_WALLS, refused } from './found';
import { walkOf } from './walkOf';

/** Units that coordinates of a file come in, with their size in nanometres. [NIST SP 811; the survey foot is 1200/3937 m] */
export const FILE_UNITS = {
  in: 25_400_000,
  ft: 304_800_000,
  'survey-ft': (1200 / 3937) * 1e9,
  mm: 1_000_000,
  cm: 10_000_000,
  m: 1_000_000_000,
} as const;
export type FileUnit = keyof typeof FILE_UNITS;

/** How surveyed points are joined: as the file has them, by their names, or round their middle. */
export const POINT_ORDERS = ['file', 'name', 'round'] as const;
export type PointOrder = (typeof POINT_ORDERS)[number];

const WORDS = {
  names: {
    name: ['name', 'point', 'pt', 'id', 'no', 'number'],
    northing: ['northing', 'north', 'n', 'y'],
    easting: ['easting', 'east', 'e', 'x'],
  },
  wanted: 'name, northing and easting',
  complete: (columns: Readonly<Record<'name' | 'northing' | 'easting', number>>) =>
    columns.northing >= 0 && columns.easting >= 0,
  what: 'points',
  most: MOST_WALLS,
} as const;

/** Whether a text begins as a table of points does. */
export const isPoints = (text: string): boolean => {
  const [head = ''] = text
    .replace(/^\ufeff/, '')
    .trimStart()
    .split(/\r?\n/);
  const cells = head.split(/[,;\t]/).map((cell) =>
    cell
      .replace(/\([^()]*\)/g, '')
      .trim()
      .toLowerCase(),
  );
  const has = (names: readonly string[]): boolean => cells.some((cell) => names.includes(cell));
  return has(WORDS.names.northing) && has(WORDS.names.easting);
};

/** The unit in a heading of the table, `northing (m)`; null where it names none. */
export function unitOfPoints(text: string): FileUnit | null {
  const [head = ''] = text.split(/\r?\n/);
  const unit = /\((survey-ft|in|ft|mm|cm|m)\)/i.exec(head)?.[1]?.toLowerCase();
  return unit === undefined ? null : (unit as FileUnit);
}

/** Names as people count: 2 before 10. */
const byName = new Intl.Collator('en', { numeric: true });

interface PointsOptions {
  readonly units: UnitSystem;
  readonly unit: FileUnit;
  readonly order: PointOrder;
}

/** Reads a closed outline from surveyed points: name, northing, easting. North is up on the plan. */
export function readPoints(text: string, { units, unit, order }: PointsOptions): OutlineReading {
  const reading = readTable(text, WORDS);
  if (!reading.ok) {
    return {
      ok: false,
      problems: reading.problems.map(({ row, what }) => ({ where: `row ${String(row)}`, what })),
    };
  }
  const { table } = reading;
  const problems: OutlineProblem[] = [];
  const points = table.rows.map((row, index) => {
    const number = (column: 'northing' | 'easting'): number => {
      const cell = cellOf(table, row, column);
      const value = /^[-+]?\d+(?:[.,]\d+)?$/.test(cell) ? Number(cell.replace(',', '.')) : Number.NaN;
      if (!Number.isFinite(value)) {
        problems.push({
          where: `row ${String(row.number)}`,
          what: `“${cell.slice(0, 40)}” is no ${column}. Write a plain number: 5012.35.`,
        });
      }
      return value * FILE_UNITS[unit];
    };
    return {
      name: cellOf(table, row, 'name') || String(index + 1),
      x: number('easting'),
      y: -number('northing'),
    };
  });
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, 12) };
  const [middleX, middleY] = [
    points.reduce((sum, { x }) => sum + x, 0) / points.length,
    points.reduce((sum, { y }) => sum + y, 0) / points.length,
  ];
  const around = ({ x, y }: Vertex): number => Math.atan2(y - middleY, x - middleX);
  const ordered =
    order === 'file'
      ? points
      : [...points].sort((a, b) =>
          order === 'name' ? byName.compare(a.name, b.name) : around(a) - around(b),
        );
  // Coordinates of a survey are large: counted from the middle they keep their last digit.
  const vertices = ordered.map(({ x, y }) => ({ x: x - middleX, y: y - middleY }));
  const found = walkOf({ name: `${String(points.length)} points`, closed: true, vertices }, units);
  if ('leftOut' in found) {
    return refused('the points', `${found.leftOut.why} Try another order of the points, or check them.`);
  }
  return { ok: true, understood: { outlines: [found.outline], leftOut: [] } };
}
