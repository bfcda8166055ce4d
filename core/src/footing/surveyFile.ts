import { dsvFormat } from 'd3-dsv';
import { type Length, type UnitSystem, readLength, showLength, storeLength, subtract } from '../measure';
import type { Shot } from '../plan';
import { type Shell, type Wall, wallsOf } from '../shell';

/** A row of a file that cannot be taken, told by its number as an editor shows it. */
export interface RowProblem {
  readonly row: number;
  readonly what: string;
}

export type SurveyFileReading =
  | { readonly ok: true; readonly shots: readonly Omit<Shot, 'id'>[] }
  | { readonly ok: false; readonly problems: readonly RowProblem[] };

/** More rows than these are no survey of a footing. */
export const MOST_READINGS = 5_000;
/** So many wrong rows are told; the rest are counted. */
const MOST_TOLD = 12;

const NAMES: Readonly<Record<'wall' | 'at' | 'station' | 'reading', readonly string[]>> = {
  wall: ['wall'],
  at: ['at', 'from corner', 'along'],
  station: ['station'],
  reading: ['reading', 'rod'],
};
type Column = keyof typeof NAMES;

/** The separator of a file: whichever of tab, semicolon and comma its first line has most of. */
function separatorOf(text: string): string {
  const first = text.slice(0, text.indexOf('\n') < 0 ? undefined : text.indexOf('\n'));
  const count = (mark: string): number => first.split(mark).length;
  return ['\t', ';', ','].reduce((best, mark) => (count(mark) > count(best) ? mark : best), ',');
}

/** The unit in a heading: `reading (mm)`. */
const unitIn = (heading: string): string | null =>
  /\((mm|cm|m|in|ft)\)\s*$/i.exec(heading)?.[1]?.toLowerCase() ?? null;

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

interface Row {
  readonly number: number;
  readonly cells: readonly string[];
}

/** The one manner of a column's lengths, or the rows where it changes. */
function mixedIn(rows: readonly Row[], column: number, name: string): RowProblem | null {
  const cells = rows.map((row) => ({ row: row.number, manner: mannerOf(row.cells[column] ?? '') }));
  const [first] = cells;
  const other = cells.find((cell) => cell.manner !== first?.manner);
  if (!first || !other) return null;
  return {
    row: other.row,
    what: `The ${name} column mixes units: row ${String(first.row)} has ${MANNERS[first.manner]}, row ${String(other.row)} ${MANNERS[other.manner]}. Write the whole column in one unit.`,
  };
}

/** A–B, A-B or A - B. */
const wallKey = (name: string): string => name.replace(/[\s–—-]+/g, '-').toUpperCase();

/**
 * Reads a level survey from the text of a file, or as pasted from a sheet: columns `wall`, `at` and `reading`, or
 * `station` (from corner A round the first outline) and `reading`; comma, semicolon or tab between them. Bare numbers are in the
 * unit that the heading names, `reading (mm)`, or in the job's. Nothing is taken from a file with a wrong row.
 *
 * @returns readings with their walls, or every wrong row with what to do
 */
export function readSurveyFile(text: string, shell: Shell, units: UnitSystem): SurveyFileReading {
  const clean = text.replace(/^\ufeff/, '').trim();
  const [heading, ...body] = dsvFormat(separatorOf(clean)).parseRows(clean);
  const refused = (row: number, what: string): SurveyFileReading => ({
    ok: false,
    problems: [{ row, what }],
  });
  if (!heading || clean === '')
    return refused(1, 'This is empty. A first row names the columns: wall, at, reading.');
  const plain = heading.map((cell) =>
    cell
      .replace(/\([^)]*\)/g, '')
      .trim()
      .toLowerCase(),
  );
  const find = (column: Column): number => plain.findIndex((cell) => NAMES[column].includes(cell));
  const columns = { wall: find('wall'), at: find('at'), station: find('station'), reading: find('reading') };
  const byWall = columns.wall >= 0 && columns.at >= 0;
  if (columns.reading < 0 || !(byWall || columns.station >= 0)) {
    return refused(
      1,
      `The first row must name the columns: wall, at and reading, or station and reading. It says: ${heading.join(', ').slice(0, 80)}.`,
    );
  }
  const rows = body
    .map((cells, index): Row => ({ number: index + 2, cells: cells.map((cell) => cell.trim()) }))
    .filter((row) => row.cells.some((cell) => cell !== ''));
  if (rows.length === 0) return refused(2, 'There are no readings below the heading.');
  if (rows.length > MOST_READINGS) {
    return refused(
      MOST_READINGS + 2,
      `This file has ${String(rows.length)} rows; a survey takes ${String(MOST_READINGS)} at most. Take every second or tenth reading.`,
    );
  }
  const along = byWall ? columns.at : columns.station;
  const mixed = [
    mixedIn(rows, along, byWall ? 'at' : 'station'),
    mixedIn(rows, columns.reading, 'reading'),
  ].flatMap((each) => each ?? []);
  if (mixed.length > 0) return { ok: false, problems: mixed };
  const walls = wallsOf(shell);
  const problems: RowProblem[] = [];
  const lengthIn = (row: Row, column: number): Length | null => {
    const cell = row.cells[column] ?? '';
    const unit = mannerOf(cell) === 'bare' ? unitIn(heading[column] ?? '') : null;
    const reading = readLength(unit === null ? cell : `${cell}${unit}`, units);
    if (reading.ok) return reading.length;
    problems.push({
      row: row.number,
      what:
        cell === '' ? 'A length is missing.' : `“${cell.slice(0, 40)}” cannot be read: ${reading.message}`,
    });
    return null;
  };
  const shots = rows.flatMap((row): Omit<Shot, 'id'>[] => {
    const at = lengthIn(row, along);
    const reading = lengthIn(row, columns.reading);
    if (at === null || reading === null) return [];
    const place = byWall ? onWall(walls, row.cells[columns.wall] ?? '', at) : atStation(walls, at);
    if (typeof place === 'string') {
      problems.push({ row: row.number, what: place });
      return [];
    }
    return [
      {
        wall: place.wall.id,
        at: storeLength(place.at, units),
        reading: storeLength(reading, units),
      },
    ];
  });
  if (problems.length === 0) return { ok: true, shots };
  const told = problems.slice(0, MOST_TOLD);
  const more = problems.length - told.length;
  return {
    ok: false,
    problems:
      more === 0
        ? told
        : [...told, { row: problems[MOST_TOLD]?.row ?? 0, what: `and ${String(more)} more rows are wrong.` }],
  };
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
    const all = own.reduce((sum, each) => sum + each.length, 0) as Length;
    return `The station lies past the end of the walls, which are ${showLength(all, 'imperial')} all round.`;
  }
  const from = subtract(station, wall.station);
  const at = wall.curve
    ? Math.round((from * wall.measured) / wall.length)
    : Math.min(Math.max(from - wall.beyondStart, 0), wall.measured);
  return { wall, at: at as Length };
}

/** A survey as the text of a CSV file; `readSurveyFile` reads it back. */
export function writeSurveyFile(shots: readonly Shot[], shell: Shell): string {
  const names = new Map(wallsOf(shell).map((wall) => [wall.id, wall.name.replace('–', '-')]));
  return `${dsvFormat(',').formatRows([
    ['wall', 'at', 'reading'],
    ...shots.map((shot) => [names.get(shot.wall) ?? shot.wall, shot.at, shot.reading]),
  ])}\n`;
}
