import { type Insert, type InsertKind, INSERT_KINDS } from './plan';
import type { UnitSystem } from '../../kernel/measure';
import { endNamed, wallNamed, wallWords } from '../openings';
import { type Shell, wallsOf } from '../outline';
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

const COLUMNS = {
  name: ['name'],
  kind: ['kind'],
  wall: ['wall'],
  from: ['from', 'from corner', 'corner'],
  at: ['at', 'distance'],
  up: ['up', 'height up'],
  size: ['size', 'width'],
  height: ['height'],
  depth: ['depth'],
  length: ['length'],
  spacing: ['spacing'],
  rows: ['rows'],
  face: ['face'],
  fall: ['fall'],
  fixing: ['fixing'],
} as const satisfies Record<string, readonly string[]>;
type Column = keyof typeof COLUMNS;

const LENGTHS = ['size', 'height', 'depth', 'length', 'spacing', 'fall'] as const;

/** More rows than these are no inserts of one job. */
const MOST_INSERTS = 1_000;

type InsertsFileReading =
  | { readonly ok: true; readonly inserts: readonly Omit<Insert, 'id'>[] }
  | { readonly ok: false; readonly problems: readonly RowProblem[] };

/**
 * Reads inserts from the text of a CSV file, or as pasted from a sheet. Bare numbers are in the unit that the heading
 * names, `size (mm)`, or in the job's. Nothing is taken from a file with a wrong row.
 */
export function readInsertsFile(text: string, shell: Shell, units: UnitSystem): InsertsFileReading {
  const reading = readTable<Column>(text, {
    names: COLUMNS,
    wanted: 'kind, wall, at and up; and, where wanted, name, from, size, height, depth, length, spacing',
    complete: (columns) => columns.kind >= 0 && columns.wall >= 0 && columns.at >= 0 && columns.up >= 0,
    what: 'inserts',
    most: MOST_INSERTS,
  });
  if (!reading.ok) return reading;
  const { table } = reading;
  const walls = wallsOf(shell);
  const problems: RowProblem[] = [];
  const inserts = table.rows.flatMap((row): Omit<Insert, 'id'>[] => {
    const put = (what: string): void => {
      problems.push({ row: row.number, what });
    };
    const cell = (column: Column): string => cellOf(table, row, column);
    const before = problems.length;
    const wall = wallNamed(walls, cell('wall'));
    if (typeof wall === 'string') put(wall);
    const from = typeof wall === 'string' ? 'start' : endNamed(wall, cell('from'));
    if (typeof from !== 'string') put(from.wrong);
    const kind = cell('kind').toLowerCase();
    if (!(INSERT_KINDS as readonly string[]).includes(kind)) {
      put(`“${kind.slice(0, 40)}” is no kind of insert; write one of ${INSERT_KINDS.join(', ')}.`);
    }
    const face = cell('face').toLowerCase();
    if (face !== '' && face !== 'inside' && face !== 'outside') {
      put(`“${face.slice(0, 20)}” must be inside or outside.`);
    }
    const fixing = cell('fixing').toLowerCase();
    if (fixing !== '' && fixing !== 'cast' && fixing !== 'drilled') {
      put(`“${fixing.slice(0, 20)}” must be cast or drilled.`);
    }
    const rows = cell('rows') === '' ? null : Number(cell('rows'));
    if (rows !== null && !(Number.isInteger(rows) && rows >= 1 && rows <= 6)) {
      put(`“${cell('rows').slice(0, 20)}” must be a number of rows from 1 to 6.`);
    }
    const length = (column: Column): string | null => {
      const reading = lengthCell({ table, row, column, units });
      problems.push(...reading.problems);
      return reading.value;
    };
    const [at, up] = [length('at'), length('up')];
    const lengths = Object.fromEntries(
      LENGTHS.filter((column) => cell(column) !== '').map((column) => [column, length(column)]),
    ) as Partial<Record<(typeof LENGTHS)[number], string>>;
    if (problems.length > before || typeof wall === 'string') return [];
    const name = cell('name').slice(0, 60);
    return [
      {
        ...(name === '' ? {} : { name }),
        kind: kind as InsertKind,
        wall: wall.id,
        from: from as Insert['from'],
        at: at ?? '',
        up: up ?? '',
        ...lengths,
        ...(rows === null ? {} : { rows }),
        ...(face === '' ? {} : { face: face as 'inside' | 'outside' }),
        ...(fixing === '' ? {} : { fixing: fixing as 'cast' | 'drilled' }),
      },
    ];
  });
  return problems.length === 0 ? { ok: true, inserts } : { ok: false, problems: toldProblems(problems) };
}

/** Inserts as the text of a CSV file; `readInsertsFile` reads it back. */
export function writeInsertsFile(inserts: readonly Insert[], shell: Shell, units: UnitSystem): string {
  const words = wallWords(shell);
  const length = (text: string | undefined): string => lengthNumberOf(text, units);
  const lengths = new Set<string>(['at', 'up', ...LENGTHS]);
  return writeTable([
    Object.entries(COLUMNS).map(([column, [first]]) =>
      lengths.has(column) ? lengthHeading(first, units) : first,
    ),
    ...inserts.map((each) => [
      each.name ?? '',
      each.kind,
      words.wall(each.wall),
      words.corner(each.wall, each.from),
      length(each.at),
      length(each.up),
      length(each.size),
      length(each.height),
      length(each.depth),
      length(each.length),
      length(each.spacing),
      each.rows === undefined ? '' : String(each.rows),
      each.face ?? '',
      length(each.fall),
      each.fixing ?? '',
    ]),
  ]);
}
