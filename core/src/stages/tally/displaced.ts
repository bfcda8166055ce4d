import type { CourseRow } from '../courses';
import type { Inserts } from '../inserts';
import { type Length, NANOMETRES_PER_METRE, subtract, max, min } from '../../kernel/measure';
import {
  type BareWindow,
  type Openings,
  type PlacedOpening,
  type Rect,
  type Shape,
  areaWithin,
  bareWindows,
} from '../openings';
import type { HouseRules } from '../../kernel/rules';
import type { Levels, Wall } from '../outline';
import { type How, givenCount, givenLength } from '../../kernel/figures/how';

/** What keeps concrete out of the walls, or adds some: openings with their bucks, and what is cast in. */
export interface Displacing {
  readonly openings: Openings;
  readonly inserts: Inserts;
  /** Windows of bare concrete round a liner, by opening. */
  readonly windows: ReadonlyMap<string, readonly BareWindow[]>;
  /** Stretches of walls that are cut to a slope. */
  readonly rakes: ReadonlyMap<string, readonly Slope[]>;
}

/** A stretch of a sloping top: its stations, and its heights at both. */
interface Slope {
  readonly from: Length;
  readonly to: Length;
  readonly slope: readonly [from: Length, to: Length];
}

/** Area of a trapezoid over a level base, where it stands above it; square metres. */
function aboveLine(width: number, left: number, right: number): number {
  if (width <= 0 || (left <= 0 && right <= 0)) return 0;
  if (left >= 0 && right >= 0) return (width * (left + right)) / 2 / NANOMETRES_PER_METRE ** 2;
  const part = Math.max(left, right) / Math.abs(right - left);
  return (width * part * Math.max(left, right)) / 2 / NANOMETRES_PER_METRE ** 2;
}

/**
 * Area of a rectangle of a wall’s face that lies above its sloping top, in square metres.
 *
 * @example areaOverRake([], { from: 0, to: 1e9, bottom: 0, top: 1e9 }) // 0
 */
export function areaOverRake(slopes: readonly Slope[], rect: RectLike): number {
  return slopes.reduce((sum, { from, to, slope }) => {
    const [a, b] = [Math.max(from, rect.from), Math.min(to, rect.to)];
    if (b <= a) return sum;
    const heightAt = (at: number): number => slope[0] + ((slope[1] - slope[0]) * (at - from)) / (to - from);
    const [left, right] = [heightAt(a), heightAt(b)];
    // What is over the slope up to the top, less what of that is under the bottom.
    return (
      sum +
      aboveLine(b - a, rect.top - left, rect.top - right) -
      aboveLine(b - a, rect.bottom - left, rect.bottom - right)
    );
  }, 0);
}

type RectLike = Readonly<Record<keyof Rect, number>>;

/** What keeps concrete out of a job's walls, or adds some. */
export const displacingOf = (
  {
    openings,
    inserts,
    levels,
  }: { readonly openings: Openings; readonly inserts: Inserts; readonly levels: Levels },
  rules: HouseRules,
): Displacing => ({
  openings,
  inserts,
  windows: new Map(
    openings.placed.filter((each) => each.worked).map((each) => [each.id, bareWindows(each, rules)] as const),
  ),
  rakes: new Map(
    Object.entries(levels.walls).flatMap(([wall, spans]) => {
      const slopes = spans.flatMap(({ from, to, cut }) => (cut ? [{ from, to, slope: cut.slope }] : []));
      return slopes.length === 0 ? [] : [[wall, slopes] as const];
    }),
  ),
});

/** What is left of a rectangle within another; null where nothing is. */
function within(rect: Rect, row: CourseRow): Rect | null {
  const found = {
    from: max(rect.from, row.from),
    to: min(rect.to, row.to),
    bottom: max(rect.bottom, row.bottom),
    top: min(rect.top, row.top),
  };
  return found.to > found.from && found.top > found.bottom ? found : null;
}

/** The middle of an arc's core is as much shorter than its longer face as its radius is. */
export const bentBy = ({ curve }: Wall): number =>
  curve ? (curve.outside + curve.inside) / 2 / Math.max(curve.outside, curve.inside) : 1;

/** What `volumeOf` goes by. */
interface VolumeOfInput {
  readonly opening: string;
  readonly name: string;
  readonly shape: Shape;
  readonly row: CourseRow;
  readonly wall: Wall;
}

/** A shape's share of a row: core × width × height where it is a rectangle there, core × area where it is round. */
function volumeOf({ opening, name, shape, row, wall }: VolumeOfInput): readonly How[] {
  const rect = within(shape, row);
  if (!rect) return [];
  const core = givenLength('core', wall.core);
  const pieces = { opening, course: row.course };
  const bent = bentBy(wall);
  const round = shape.rise > 0 && rect.top > shape.top - shape.rise;
  const of: readonly How[] = round
    ? [core, { op: 'given', name: 'round-headed area', unit: 'area', value: areaWithin(shape, rect) * bent }]
    : [
        core,
        givenLength('clear width', Math.round(subtract(rect.to, rect.from) * bent)),
        givenLength('height', subtract(rect.top, rect.bottom)),
      ];
  return [{ op: 'product', name, unit: 'volume', of, pieces }];
}

/** Everything that an opening keeps out of the rows of one course: its buck's outside, and a threshold held down. */
const ofOpening = (opening: PlacedOpening, row: CourseRow, wall: Wall): readonly How[] => [
  ...volumeOf({ opening: opening.id, name: opening.name, shape: opening.concrete, row, wall }),
  ...(opening.threshold?.notch
    ? volumeOf({
        opening: opening.id,
        name: `${opening.name}, held down`,
        shape: opening.threshold.notch,
        row,
        wall,
      })
    : []),
];

/** What is looked up of a row. */
interface RowsOf {
  readonly wallOf: (id: string) => Wall | undefined;
  /** Where the middle of its core begins and ends. */
  readonly middleOf: (row: CourseRow) => readonly [from: number, to: number];
}

/** What a sloping top keeps out of a row: core × the face above the slope, along the middle of the core. */
function overRake(row: CourseRow, { wallOf, middleOf }: RowsOf, rakes: Displacing['rakes']): readonly How[] {
  const wall = wallOf(row.wall);
  const slopes = rakes.get(row.wall);
  if (!wall || !slopes) return [];
  const [from, to] = middleOf(row);
  const area = areaOverRake(slopes, { from, to, bottom: row.bottom, top: row.top }) * bentBy(wall);
  if (area === 0) return [];
  return [
    {
      op: 'product',
      name: `${wall.name}, above the rake`,
      unit: 'volume',
      of: [givenLength('core', wall.core), { op: 'given', name: 'cut off', unit: 'area', value: area }],
      pieces: { wall: wall.id, course: row.course },
    },
  ];
}

/**
 * Concrete kept out of the rows of a course, and what is added to it, term by term.
 *
 * @param span heights between which the middle of what is cast in must lie to be counted
 */
export function displacedIn(
  rows: readonly CourseRow[],
  rowsOf: RowsOf,
  span: { readonly bottom: Length; readonly top: Length },
  displacing: Displacing,
): { readonly out: readonly How[]; readonly added: readonly How[] } {
  const { openings, inserts, windows, rakes } = displacing;
  const { wallOf } = rowsOf;
  const out: How[] = rows.flatMap((row) => overRake(row, rowsOf, rakes));
  const added: How[] = [];
  for (const opening of openings.placed) {
    const wall = wallOf(opening.wall);
    if (!opening.worked || !wall) continue;
    for (const row of rows) if (row.wall === wall.id) out.push(...ofOpening(opening, row, wall));
  }
  const here = (up: number): boolean => up >= span.bottom && up < span.top;
  for (const [opening, all] of windows) {
    const wall = openings.placed.find((each) => each.id === opening)?.wall;
    if (wall === undefined || !wallOf(wall)) continue;
    const own = all.filter(({ up }) => here(up));
    const [first] = own;
    if (!first) continue;
    const name = openings.placed.find((each) => each.id === opening)?.name ?? opening;
    added.push({
      op: 'product',
      name: `bare windows of ${name}`,
      unit: 'volume',
      of: [
        givenCount('windows', own.length),
        { op: 'given', name: 'concrete in one', unit: 'volume', value: first.volume },
      ],
    });
  }
  for (const insert of inserts.placed) {
    if (insert.displaces === 0 || !wallOf(insert.wall)) continue;
    if (!here((insert.rect.bottom + insert.rect.top) / 2)) continue;
    const value = Math.abs(insert.displaces);
    (insert.displaces > 0 ? out : added).push({ op: 'given', name: insert.name, unit: 'volume', value });
  }
  return { out, added };
}
