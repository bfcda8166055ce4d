import { type Length, type UnitSystem, readLength, storeLength } from '../../kernel/measure';
import type { ReinforcementTable, TableRow } from './plan';
import type { HouseRules, RuleOverrides } from '../../kernel/rules';
import { type Judged, fine } from '../../kernel/judged';
import { steelLengthRules } from './rules';
import type { SteelProblem } from './bar';
import type { SteelWall } from './setting';
import { type BarSize, BAR_SIZES } from './sizes';

/** A row of the table as it is worked with. */
export interface WorkedRow {
  /** Counted from 1, as the user sees it. */
  readonly number: number;
  readonly height: Length;
  readonly backfill: Length;
  readonly soil: number;
  readonly size: BarSize;
  readonly spacing: Length;
}

/** The row that a wall takes. */
export interface TablePick {
  readonly wall: string;
  readonly height: Length;
  /** Null where nobody has said. */
  readonly backfill: Length | null;
  readonly soil: number;
  readonly row: WorkedRow | null;
}

/** A bar's size as people write it: `#5`, `5`, `15m`, `12mm`. */
export function sizeNamed(text: string): BarSize | null {
  const plain = text
    .toLowerCase()
    .replace(/[\s.]+/g, '')
    .replace(/^no/, '#');
  return (
    BAR_SIZES.find(({ id }) => {
      const own = id.toLowerCase().replace(/\s+/g, '');
      return own === plain || own === `#${plain}`;
    }) ?? null
  );
}

/** What a row says, or what in it cannot be used. */
function workedRow(
  row: TableRow,
  number: number,
  units: UnitSystem,
): WorkedRow | Extract<SteelProblem, { kind: 'table-row-unreadable' }>['what'] {
  const length = (text: string): Length | null => {
    const reading = readLength(text, units);
    return reading.ok ? reading.length : null;
  };
  const [height, backfill, spacing] = [row.height, row.backfill, row.spacing].map(length);
  const size = sizeNamed(row.size);
  const { least, most } = steelLengthRules['steel.vertical.spacing'];
  if (height === null || height === undefined || height <= 0) return 'height';
  if (backfill === null || backfill === undefined || backfill < 0) return 'backfill';
  if (!(row.soil > 0)) return 'soil';
  if (size === null) return 'size';
  if (spacing === null || spacing === undefined || spacing < least || spacing > most) return 'spacing';
  return { number, height, backfill, soil: row.soil, size, spacing };
}

/** Steel of a row's bars along a wall, in square millimetres a nanometre: only to compare. */
const steelOf = (row: WorkedRow): number => row.size.area / row.spacing;

/** Rows that say the same of which wall they are for, and another thing of its bars. */
function clashes(rows: readonly WorkedRow[]): readonly SteelProblem[] {
  const first = new Map<string, WorkedRow>();
  return rows.flatMap((row): SteelProblem[] => {
    const key = `${String(row.height)}:${String(row.backfill)}:${String(row.soil)}`;
    const other = first.get(key);
    if (!other) {
      first.set(key, row);
      return [];
    }
    const same = other.size.id === row.size.id && other.spacing === row.spacing;
    return same ? [] : [{ kind: 'table-rows-clash', rows: [other.number, row.number] }];
  });
}

/** So many gaps of a table are told one by one; the rest are counted. */
const MOST_GAPS = 8;

/** Heights of wall and weights of soil that the table knows, but not together. */
function gaps(rows: readonly WorkedRow[]): readonly SteelProblem[] {
  const heights = [...new Set(rows.map((row) => row.height))].sort((a, b) => a - b);
  const soils = [...new Set(rows.map((row) => row.soil))].sort((a, b) => a - b);
  const known = new Set(rows.map((row) => `${String(row.height)}:${String(row.soil)}`));
  const told: SteelProblem[] = [];
  const all = heights.length * soils.length - known.size;
  for (const height of heights) {
    for (const soil of soils) {
      if (known.has(`${String(height)}:${String(soil)}`)) continue;
      if (told.length === MOST_GAPS) return [...told, { kind: 'table-gaps-more', count: all - MOST_GAPS }];
      told.push({ kind: 'table-gap', height, soil });
    }
  }
  return told;
}

/**
 * The row for a wall: of those that hold for at least its height, its soil and that soil's weight, the one with the least
 * height, then weight, then backfill; of two that clash, the one with more steel.
 */
export function rowFor(
  rows: readonly WorkedRow[],
  height: Length,
  backfill: Length,
  soil: number,
): WorkedRow | null {
  const [tightest] = rows
    .filter((row) => row.height >= height && row.backfill >= backfill && row.soil >= soil)
    .sort(
      (a, b) => a.height - b.height || a.soil - b.soil || a.backfill - b.backfill || steelOf(b) - steelOf(a),
    );
  return tightest ?? null;
}

/** What `pickRows` goes by. */
interface PickRowsInput {
  readonly table: ReinforcementTable | undefined;
  readonly walls: readonly SteelWall[];
  readonly rules: HouseRules;
  readonly units: UnitSystem;
}

/** The row of every wall, and what is wrong with the table; nothing where there is none. */
export function pickRows({
  table,
  walls,
  rules,
  units,
}: PickRowsInput): Judged<readonly TablePick[], SteelProblem> {
  if (!table) return fine([]);
  const read = table.rows.map((row, index) => workedRow(row, index + 1, units));
  const rows = read.flatMap((row) => (typeof row === 'string' ? [] : [row]));
  const unreadable = read.flatMap((what, index): readonly SteelProblem[] =>
    typeof what === 'string' ? [{ kind: 'table-row-unreadable', row: index + 1, what }] : [],
  );
  const soil = rules.quantity('steel.soil.weight');
  const unsaid = walls
    .filter(({ spans, backfill }) => backfill === null && spans.length > 0)
    .map(({ wall }) => wall.id);
  const picks = walls.flatMap(({ wall, spans, backfill }): TablePick[] => {
    if (spans.length === 0) return [];
    const height = Math.max(...spans.map((span) => span.top - span.bottom)) as Length;
    const row = backfill === null ? null : rowFor(rows, height, backfill, soil);
    return [{ wall: wall.id, height, backfill, soil, row }];
  });
  return {
    value: picks,
    problems: [
      ...unreadable,
      ...clashes(rows),
      ...gaps(rows),
      ...(unsaid.length > 0 ? [{ kind: 'table-soil-unsaid', walls: unsaid } as const] : []),
      ...picks.flatMap(({ wall, height, backfill, row }): readonly SteelProblem[] =>
        backfill === null || row ? [] : [{ kind: 'no-table-row', wall, height, backfill, soil }],
      ),
    ],
  };
}

/** Rules of the verticals that a row asks for. */
export const verticalsOf = (row: WorkedRow): RuleOverrides => ({
  'steel.vertical.size': row.size.id,
  'steel.vertical.spacing': storeLength(row.spacing, 'imperial'),
});
