import type { Worked } from '../../kernel/engine/stage';
import { pourSpans } from '../outline';
import { barSize, standsUp, standingIn } from '../steel';
import type { DayItem } from './buildDays';

/** Bars of one size. */
interface BarsOfSize {
  readonly size: string;
  readonly count: number;
}

/** What is laid and set for an item. */
export interface ItemPieces {
  readonly straight: number;
  readonly cut: number;
  readonly left: number;
  readonly right: number;
  readonly bars: readonly BarsOfSize[];
  readonly braces: number;
  readonly planks: number;
}

const NOTHING: ItemPieces = { straight: 0, cut: 0, left: 0, right: 0, bars: [], braces: 0, planks: 0 };

/** Bars by size, the thinnest first. */
function bySize(bars: readonly { readonly size: string; readonly count: number }[]): readonly BarsOfSize[] {
  const sizes = new Map<string, number>();
  for (const { size, count } of bars) sizes.set(size, (sizes.get(size) ?? 0) + count);
  return [...sizes]
    .map(([size, count]) => ({ size, count }))
    .sort((a, b) => (barSize(a.size)?.diameter ?? 0) - (barSize(b.size)?.diameter ?? 0));
}

/**
 * The blocks, bars and braces that an item of the days takes: of a course what lies in it; of the verticals
 * and the braces those of its pour. Nothing for other work.
 *
 * @example piecesOf(work(plan), { kind: 'chalk', pour: null }).straight // 0
 */
export function piecesOf(
  {
    courses,
    steel,
    bracing,
    stacks,
    levels,
  }: Pick<Worked, 'courses' | 'steel' | 'bracing' | 'stacks' | 'levels'>,
  { kind, course, pour }: Pick<DayItem, 'kind' | 'pour' | 'course'>,
): ItemPieces {
  if (kind === 'course') {
    const here = courses.pieces.filter((piece) => piece.course === course);
    const count = (of: (piece: (typeof here)[number]) => boolean): number => here.filter(of).length;
    return {
      ...NOTHING,
      straight: count((piece) => piece.kind === 'straight'),
      cut: count((piece) => piece.kind === 'cut'),
      left: count((piece) => piece.kind === 'corner' && piece.hand === 'LH'),
      right: count((piece) => piece.kind === 'corner' && piece.hand === 'RH'),
      bars: bySize(steel.bars.filter((bar) => bar.set.course === course && !standsUp(bar))),
    };
  }
  const held = bracing.pours.find((each) => each.pour === pour)?.walls ?? [];
  if (kind === 'braces') {
    return {
      ...NOTHING,
      braces: held.reduce((sum, wall) => sum + wall.braces.length + wall.diagonals.length, 0),
      planks: held.reduce((sum, wall) => sum + wall.abreast * wall.planks.length, 0),
    };
  }
  const span = pourSpans(stacks, levels).find((each) => each.pour === pour);
  if (kind !== 'verticals' || !span) return NOTHING;
  return { ...NOTHING, bars: bySize(standingIn(steel.bars, span)) };
}
