import type { CourseRow } from '../courses';
import type { Inserts } from '../inserts';
import { type Length, subtract, max, min } from '../../kernel/measure';
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
import type { Wall } from '../outline';
import { type How, givenCount, givenLength } from '../../kernel/figures/how';

/** What keeps concrete out of the walls, or adds some: openings with their bucks, and what is cast in. */
export interface Displacing {
  readonly openings: Openings;
  readonly inserts: Inserts;
  /** Windows of bare concrete round a liner, by opening. */
  readonly windows: ReadonlyMap<string, readonly BareWindow[]>;
}

/** What keeps concrete out of a job's walls, or adds some. */
export const displacingOf = (openings: Openings, inserts: Inserts, rules: HouseRules): Displacing => ({
  openings,
  inserts,
  windows: new Map(
    openings.placed.filter((each) => each.worked).map((each) => [each.id, bareWindows(each, rules)] as const),
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

/**
 * Concrete kept out of the rows of a course, and what is added to it, term by term.
 *
 * @param span heights between which the middle of what is cast in must lie to be counted
 */
export function displacedIn(
  rows: readonly CourseRow[],
  wallOf: (id: string) => Wall | undefined,
  span: { readonly bottom: Length; readonly top: Length },
  displacing: Displacing,
): { readonly out: readonly How[]; readonly added: readonly How[] } {
  const { openings, inserts, windows } = displacing;
  const out: How[] = [];
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
