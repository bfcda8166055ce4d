import type { UnitSystem } from '../../kernel/measure';
import {
  type BuckKind,
  type Opening,
  type OpeningKind,
  type Threshold,
  BUCK_KINDS,
  OPENING_KINDS,
} from './plan';
import { type Shell, type Wall, wallsOf } from '../outline';
import {
  type RowProblem,
  cellOf,
  lengthCell,
  lengthHeading,
  lengthNumberOf,
  readTable,
  toldProblems,
  wallKey,
  writeTable,
} from '../../kernel/table';

const COLUMNS = {
  name: ['name'],
  kind: ['kind'],
  wall: ['wall'],
  from: ['from', 'from corner', 'corner'],
  to: ['to'],
  at: ['at', 'distance'],
  width: ['width'],
  height: ['height'],
  sill: ['sill'],
  head: ['head'],
  rise: ['rise'],
  buck: ['buck'],
  threshold: ['threshold'],
  depth: ['threshold depth', 'step'],
  tongue: ['tongue'],
  truck: ['threshold truck'],
} as const satisfies Record<string, readonly string[]>;
type Column = keyof typeof COLUMNS;

/** Columns of lengths. */
const LENGTHS: ReadonlySet<string> = new Set<Column>([
  'at',
  'width',
  'height',
  'sill',
  'head',
  'rise',
  'depth',
]);

/** More rows than these are no openings of one job. */
const MOST_OPENINGS = 500;

type OpeningsFileReading =
  | { readonly ok: true; readonly openings: readonly Omit<Opening, 'id'>[] }
  | { readonly ok: false; readonly problems: readonly RowProblem[] };

/** The wall that a cell names, by its corners or its id; or what is wrong with it. */
export function wallNamed(walls: readonly Wall[], name: string): Wall | string {
  const wall = walls.find((each) => each.id === name || wallKey(each.name) === wallKey(name));
  if (wall) return wall;
  return name === ''
    ? 'The wall is missing.'
    : `There is no wall “${name.slice(0, 40)}”; the walls are ${walls.map((each) => each.name).join(', ')}.`;
}

/** Which end of a wall a cell names: a corner letter, `start` or `end`; the first corner unless set. */
export function endNamed(wall: Wall, name: string): Opening['from'] | { readonly wrong: string } {
  const plain = name.trim().toUpperCase();
  if (plain === '' || plain === 'START' || plain === wall.from.toUpperCase()) return 'start';
  if (plain === 'END' || plain === wall.to.toUpperCase()) return 'end';
  return {
    wrong: `“${name.slice(0, 20)}” is no corner of ${wall.name}; write ${wall.from} or ${wall.to}.`,
  };
}

const isOneOf = <Value extends string>(values: readonly Value[], text: string): text is Value =>
  (values as readonly string[]).includes(text);

/**
 * Reads openings from the text of a CSV file, or as pasted from a sheet. Bare numbers are in the unit that the heading
 * names, `width (mm)`, or in the job's. Nothing is taken from a file with a wrong row.
 */
export function readOpeningsFile(text: string, shell: Shell, units: UnitSystem): OpeningsFileReading {
  const reading = readTable<Column>(text, {
    names: COLUMNS,
    wanted: 'wall, at, width and height; and, where wanted, name, kind, from, to, sill, head, buck',
    complete: (columns) => columns.wall >= 0 && columns.at >= 0 && columns.width >= 0 && columns.height >= 0,
    what: 'openings',
    most: MOST_OPENINGS,
  });
  if (!reading.ok) return reading;
  const { table } = reading;
  const walls = wallsOf(shell);
  const problems: RowProblem[] = [];
  const openings = table.rows.flatMap((row): Omit<Opening, 'id'>[] => {
    const put = (what: string): void => {
      problems.push({ row: row.number, what });
    };
    const cell = (column: Column): string => cellOf(table, row, column);
    const length = (column: Column): string | null => {
      const reading = lengthCell({ table, row, column, units });
      problems.push(...reading.problems);
      return reading.value;
    };
    const before = problems.length;
    const wall = wallNamed(walls, cell('wall'));
    if (typeof wall === 'string') put(wall);
    const from = typeof wall === 'string' ? 'start' : endNamed(wall, cell('from'));
    if (typeof from !== 'string') put(from.wrong);
    const kind = cell('kind').toLowerCase() || 'window';
    if (!isOneOf(OPENING_KINDS, kind)) {
      put(`“${kind.slice(0, 40)}” is no kind of opening; write one of ${OPENING_KINDS.join(', ')}.`);
    }
    const to = cell('to').toLowerCase() || 'near';
    if (to !== 'near' && to !== 'centre') put(`“${to.slice(0, 20)}” must be near or centre.`);
    const buck = cell('buck').toLowerCase();
    if (buck !== '' && !isOneOf(BUCK_KINDS, buck)) {
      put(`“${buck.slice(0, 40)}” is no kind of buck; write one of ${BUCK_KINDS.join(', ')}.`);
    }
    const threshold = cell('threshold').toLowerCase();
    if (threshold !== '' && threshold !== 'slab-over' && threshold !== 'slab-inside') {
      put(`“${threshold.slice(0, 40)}” must be slab-over or slab-inside.`);
    }
    const tongue = cell('tongue').toLowerCase();
    if (tongue !== '' && !isOneOf(['dowels', 'crack-bar', 'saw-cut'], tongue)) {
      put(`“${tongue.slice(0, 40)}” must be dowels, crack-bar or saw-cut.`);
    }
    const truck = cell('truck').toLowerCase();
    if (truck !== '' && truck !== 'slab' && truck !== 'wall') {
      put(`“${truck.slice(0, 40)}” must be slab or wall.`);
    }
    if (cell('sill') !== '' && cell('head') !== '') put('Give its sill or its head, not both.');
    const needed = { at: length('at'), width: length('width'), height: length('height') };
    const optional = (column: 'sill' | 'head' | 'rise' | 'depth'): string | null =>
      cell(column) === '' ? null : length(column);
    const [sill, head, rise, depth] = [
      optional('sill'),
      optional('head'),
      optional('rise'),
      optional('depth'),
    ];
    if (problems.length > before || typeof wall === 'string') return [];
    const name = cell('name').slice(0, 60);
    return [
      {
        ...(name === '' ? {} : { name }),
        kind: kind as OpeningKind,
        wall: wall.id,
        from: from as Opening['from'],
        to: to as Opening['to'],
        at: needed.at ?? '',
        width: needed.width ?? '',
        height: needed.height ?? '',
        ...(sill === null ? {} : { sill }),
        ...(head === null ? {} : { head }),
        ...(rise === null ? {} : { rise }),
        ...(buck === '' ? {} : { buck: buck as BuckKind }),
        ...(threshold === ''
          ? {}
          : {
              threshold: {
                kind: threshold as Threshold['kind'],
                ...(depth === null ? {} : { depth }),
                ...(tongue === '' ? {} : { tongue: tongue as NonNullable<Threshold['tongue']> }),
                ...(truck === '' ? {} : { truck: truck as NonNullable<Threshold['truck']> }),
              },
            }),
      },
    ];
  });
  return problems.length === 0 ? { ok: true, openings } : { ok: false, problems: toldProblems(problems) };
}

/** Names of walls and their corners, as files tell them. */
export function wallWords(shell: Shell) {
  const walls = new Map(wallsOf(shell).map((wall) => [wall.id, wall]));
  return {
    wall: (id: string): string => walls.get(id)?.name.replace('–', '-') ?? id,
    corner: (id: string, from: Opening['from']): string => {
      const wall = walls.get(id);
      if (!wall) return from;
      return from === 'start' ? wall.from : wall.to;
    },
  };
}

/** Openings as the text of a CSV file; `readOpeningsFile` reads it back. */
export function writeOpeningsFile(openings: readonly Opening[], shell: Shell, units: UnitSystem): string {
  const words = wallWords(shell);
  const length = (text: string | undefined): string => lengthNumberOf(text, units);
  return writeTable([
    Object.entries(COLUMNS).map(([column, [first]]) =>
      LENGTHS.has(column) ? lengthHeading(first, units) : first,
    ),
    ...openings.map((each) => [
      each.name ?? '',
      each.kind,
      words.wall(each.wall),
      words.corner(each.wall, each.from),
      each.to,
      length(each.at),
      length(each.width),
      length(each.height),
      length(each.sill),
      length(each.head),
      length(each.rise),
      each.buck ?? '',
      each.threshold?.kind ?? '',
      length(each.threshold?.depth),
      each.threshold?.tongue ?? '',
      each.threshold?.truck ?? '',
    ]),
  ]);
}
