import type { Shot } from './plan';
import {
  type Length,
  type UnitSystem,
  readLength,
  showLength,
  storeLength,
  subtract,
  sum,
} from '../../kernel/measure';
import { type Shell, type Wall, wallsOf } from '../outline';
import {
  type RowProblem,
  type TableRow,
  lengthCell,
  lengthHeading,
  lengthNumberOf,
  readTable,
  toldProblems,
  wallKey,
  writeTable,
} from '../../kernel/table';

type SurveyFileReading =
  | { readonly ok: true; readonly shots: readonly Omit<Shot, 'id'>[] }
  | { readonly ok: false; readonly problems: readonly RowProblem[] };

/** More rows than these are no survey of a footing. */
const MOST_READINGS = 5_000;
const NAMES: Readonly<Record<'wall' | 'at' | 'station' | 'reading', readonly string[]>> = {
  wall: ['wall'],
  at: ['at', 'from corner', 'along'],
  station: ['station'],
  reading: ['reading', 'rod'],
};
type Column = keyof typeof NAMES;

type Manner = 'bare' | 'metric' | 'inches';

/** Whether a length carries its unit, and of which kind. */
function mannerOf(text: string): Manner {
  if (/[0-9]\s*(mm|cm|m)\s*$/i.test(text)) return 'metric';
  if (/['"′″’”]|ft|in/i.test(text)) return 'inches';
  return 'bare';
}

const MANNERS: Readonly<Record<Manner, string>> = {
  bare: 'a bare number',
  metric: 'a metric length',
  inches: 'feet and inches',
};

/** The one manner of a column's lengths, or the rows where it changes. */
function mixedIn(rows: readonly TableRow[], column: number, name: string): RowProblem | null {
  const cells = rows.map((row) => ({ row: row.number, manner: mannerOf(row.cells[column] ?? '') }));
  const [first] = cells;
  const other = cells.find((cell) => cell.manner !== first?.manner);
  if (!first || !other) return null;
  return {
    row: other.row,
    what: `The ${name} column mixes units: row ${String(first.row)} has ${MANNERS[first.manner]}, row ${String(other.row)} ${MANNERS[other.manner]}. Write the whole column in one unit.`,
  };
}

/**
 * Reads a level survey from the text of a file, or as pasted from a sheet: columns `wall`, `at` and `reading`, or
 * `station` (from corner A round the first outline) and `reading`; comma, semicolon or tab between them. Bare numbers are in the
 * unit that the heading names, `reading (mm)`, or in the job's. Nothing is taken from a file with a wrong row.
 *
 * @returns readings with their walls, or every wrong row with what to do
 */
export function readSurveyFile(text: string, shell: Shell, units: UnitSystem): SurveyFileReading {
  const reading = readTable<Column>(text, {
    names: NAMES,
    wanted: 'wall, at and reading, or station and reading',
    complete: ({ wall, at, station, reading: rod }) => rod >= 0 && ((wall >= 0 && at >= 0) || station >= 0),
    what: 'readings',
    most: MOST_READINGS,
  });
  if (!reading.ok) return reading;
  const { table } = reading;
  const { rows, columns } = table;
  const byWall = columns.wall >= 0 && columns.at >= 0;
  const along: Column = byWall ? 'at' : 'station';
  const mixed = [mixedIn(rows, columns[along], along), mixedIn(rows, columns.reading, 'reading')].flatMap(
    (each) => each ?? [],
  );
  if (mixed.length > 0) return { ok: false, problems: mixed };
  const walls = wallsOf(shell);
  const problems: RowProblem[] = [];
  const lengthIn = (row: TableRow, column: Column): Length | null => {
    const { value: text, problems: wrong } = lengthCell({ table, row, column, units });
    problems.push(...wrong);
    const found = text === null ? null : readLength(text, units);
    return found?.ok ? found.length : null;
  };
  const shots = rows.flatMap((row): Omit<Shot, 'id'>[] => {
    const at = lengthIn(row, along);
    const rod = lengthIn(row, 'reading');
    if (at === null || rod === null) return [];
    const place = byWall ? onWall(walls, row.cells[columns.wall] ?? '', at) : atStation(walls, at);
    if (typeof place === 'string') {
      problems.push({ row: row.number, what: place });
      return [];
    }
    return [
      {
        wall: place.wall.id,
        at: storeLength(place.at, units),
        reading: storeLength(rod, units),
      },
    ];
  });
  if (problems.length === 0) return { ok: true, shots };
  return { ok: false, problems: toldProblems(problems) };
}

type Place = { readonly wall: Wall; readonly at: Length } | string;

function onWall(walls: readonly Wall[], name: string, at: Length): Place {
  const wall = walls.find((each) => each.id === name || wallKey(each.name) === wallKey(name));
  if (!wall) {
    const known = walls.map((each) => each.name).join(', ');
    return `There is no wall “${name.slice(0, 40)}”; the walls are ${known}.`;
  }
  if (at < 0 || at > wall.measured)
    return `The reading lies off wall ${wall.name}, which is ${showLength(wall.measured, 'imperial')} long.`;
  return { wall, at };
}

/** A station round the first outline as the wall that it lies on. */
function atStation(walls: readonly Wall[], station: Length): Place {
  const [first] = walls;
  const own = walls.filter((wall) => wall.loop === first?.loop);
  const wall = own.findLast((each) => each.station <= station);
  if (!wall || station < 0 || subtract(station, wall.station) > wall.length) {
    const all = sum(own.map((each) => each.length));
    return `The station lies past the end of the walls, which are ${showLength(all, 'imperial')} all round.`;
  }
  const from = subtract(station, wall.station);
  const at = wall.curve
    ? Math.round((from * wall.measured) / wall.length)
    : Math.min(Math.max(from - wall.beyondStart, 0), wall.measured);
  return { wall, at: at as Length };
}

/** A survey as the text of a CSV file; `readSurveyFile` reads it back. */
export function writeSurveyFile(shots: readonly Shot[], shell: Shell, units: UnitSystem): string {
  const names = new Map(wallsOf(shell).map((wall) => [wall.id, wall.name.replace('–', '-')]));
  return writeTable([
    ['wall', lengthHeading('at', units), lengthHeading('reading', units)],
    ...shots.map((shot) => [
      names.get(shot.wall) ?? shot.wall,
      lengthNumberOf(shot.at, units),
      lengthNumberOf(shot.reading, units),
    ]),
  ]);
}
