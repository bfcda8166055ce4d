import type { CourseRow, RowLimit } from '../courses';
import { runPastCorner } from '../../kernel/geometry/offset';
import { type Length, add, nanometres, subtract, ZERO, max, min } from '../../kernel/measure';
import { centreOf, halfWidthAt } from '../openings';
import type { HouseRules } from '../../kernel/rules';
import { cornerAt } from '../outline';
import { TOP_BAR_DEPTH } from './laps';
import type { SteelWall } from './setting';

/** What `insetAt` goes by. */
interface InsetAtInput {
  readonly limit: RowLimit;
  readonly atStart: boolean;
  readonly own: SteelWall;
  readonly rules: HouseRules;
  /** How far the bars lie off the middle of the core, inside positive. */
  readonly offsets: readonly Length[];
}

/**
 * How far inside the end of a row its bars end: negative where they run on past the face line, into the wall round an inside corner.
 * At a corner they go on until the first of them has only its cover left to the other wall's far face. Where walls hardly turn that
 * would be yards on: they end with their own wall's outside face there, or as far round an inside corner as at a square one.
 * [intersection of the bar's line and that of the cover]
 */
export function insetAt({ limit, atStart, own, rules, offsets }: InsetAtInput): Length {
  const { built, wall } = own;
  const cover = rules.length('steel.cover.end');
  if (limit === 'free') return add(wall.skin, cover);
  if (limit === 'footing' || limit === 'rake') return cover;
  if (limit === 'joint') return ZERO;
  if (limit === 'tee') {
    const tee = atStart ? built.tees.start : built.tees.end;
    return nanometres(-(tee?.skin ?? 0));
  }
  const met = cornerAt(built, wall, atStart);
  if (!met || met.corner.kind === 'straight') return cover;
  const { corner, other } = met;
  const outside = corner.kind === 'outside';
  const far = outside ? other.skin + cover : other.thickness - other.skin - cover;
  const ends = offsets.map((offset) => runPastCorner(corner.turn, wall.skin + wall.core / 2 + offset, far));
  return nanometres(Math.max(outside ? 0 : -far, ...ends));
}

/** What `leftBeside` goes by. */
interface LeftBesideInput {
  readonly own: SteelWall;
  readonly from: Length;
  readonly to: Length;
  readonly height: Length;
  readonly cover: Length;
}

/** What openings leave of a stretch at a height, each end drawn in by the cover. */
export function leftBeside({ own, from, to, height, cover }: LeftBesideInput): readonly {
  readonly from: Length;
  readonly to: Length;
  readonly cutStart: boolean;
  readonly cutEnd: boolean;
}[] {
  const gaps = own.openings
    .filter(({ concrete }) => concrete.bottom - cover < height && height < concrete.top + cover)
    .map(({ concrete }) => {
      const inside = min(max(height, concrete.bottom), concrete.top);
      const half = halfWidthAt(concrete, inside);
      return { from: centreOf(concrete) - half - cover, to: centreOf(concrete) + half + cover };
    })
    .sort((a, b) => a.from - b.from);
  const left: { from: Length; to: Length; cutStart: boolean; cutEnd: boolean }[] = [];
  let at: number = from;
  let cut = false;
  for (const gap of gaps) {
    if (gap.from > at)
      left.push({
        from: nanometres(at),
        to: nanometres(Math.min(gap.from, to)),
        cutStart: cut,
        cutEnd: gap.from < to,
      });
    if (gap.to > at) {
      at = gap.to;
      cut = true;
    }
  }
  if (to > at) left.push({ from: nanometres(at), to, cutStart: cut, cutEnd: false });
  return left.filter((each) => each.to > each.from);
}

/** Height at which a horizontal of a course lies: the middle of it, where the webs' slots are. */
export const heightIn = (row: CourseRow): Length => nanometres((row.bottom + row.top) / 2);

/** The lowest concrete of a wall: what lies under a bar is counted from there. */
const lowest = (own: SteelWall): Length => min(...own.spans.map((span) => span.bottom));

/** Whether so much fresh concrete lies under a course's bar that it bonds less. */
export const isTopBar = (own: SteelWall, row: CourseRow): boolean =>
  heightIn(row) - lowest(own) > TOP_BAR_DEPTH;

/** What `reachOf` goes by. */
interface ReachOfInput {
  readonly own: SteelWall;
  readonly row: CourseRow;
  readonly rules: HouseRules;
  /** How far the bars lie off the middle of the core, inside positive. */
  readonly offsets: readonly Length[];
}

/** From where to where bars lie in a row, before openings cut them. */
export const reachOf = ({
  own,
  row,
  rules,
  offsets,
}: ReachOfInput): { readonly from: Length; readonly to: Length } => ({
  from: add(row.from, insetAt({ limit: row.start, atStart: true, own, rules, offsets })),
  to: subtract(row.to, insetAt({ limit: row.end, atStart: false, own, rules, offsets })),
});
