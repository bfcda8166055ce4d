import { type Length, subtract, nanometres } from '../../kernel/measure';
import type { Crossing, Levels } from '../outline';
import type { FaceEnd } from './faces';
import type { Side } from './problem';

/** An end of a stretch of braced face. */
export interface StretchEnd extends Pick<FaceEnd, 'at' | 'corner'> {
  readonly how: FaceEnd['how'] | 'crossing';
}

/** A part of a wall's braced face along which planks can run: between its ends, or up to an inside wall that stands across it. */
export interface Stretch {
  readonly start: StretchEnd;
  readonly end: StretchEnd;
}

/** What inside walls take of a braced face. */
export interface FaceCrossings {
  readonly stretches: readonly Stretch[];
  /** All that stand across it: no upright goes there. */
  readonly across: readonly Pick<Crossing, 'from' | 'to'>[];
  /** Those low enough for the planks to pass over. */
  readonly under: readonly Pick<Crossing, 'from' | 'to'>[];
}

/** The highest top of a wall, above the lowest footing. */
const topOf = (levels: Levels, wall: string): number =>
  Math.max(0, ...(levels.walls[wall] ?? []).map(({ top }) => top));

/** Ends at which something else holds the wall. */
const HELD: ReadonlySet<StretchEnd['how']> = new Set(['inward', 'straight', 'tee', 'crossing']);

/** What `stretchesOf` goes by. */
interface StretchesOfInput {
  readonly ends: readonly [FaceEnd, FaceEnd];
  readonly crossings: readonly Crossing[];
  readonly side: Side;
  /** Height of the planks above the lowest footing. */
  readonly platform: Length;
  /** A stretch no longer than this, held at both of its ends by other walls or by the one that goes on, takes no brace. */
  readonly held: Length;
  readonly levels: Levels;
}

/**
 * The stretches of a wall's braced face: inside walls that stand against it part it, since planks go round them, not through;
 * one whose top lies under the planks only keeps uprights off.
 */
export function stretchesOf({
  ends,
  crossings,
  side,
  platform,
  held,
  levels,
}: StretchesOfInput): FaceCrossings {
  const [start, end] = ends;
  const across = crossings
    .filter((each) => each.side === side && each.to > start.at && each.from < end.at)
    .sort((a, b) => a.from - b.from);
  const high = across.filter((each) => topOf(levels, each.wall) > platform);
  const stretches: Stretch[] = [];
  let from: StretchEnd = start;
  for (const each of high) {
    if (each.from > from.at)
      stretches.push({ start: from, end: { at: each.from, how: 'crossing', corner: null } });
    if (each.to > from.at) from = { at: each.to, how: 'crossing', corner: null };
  }
  if (end.at > from.at) stretches.push({ start: from, end });
  const short = (each: Stretch): boolean =>
    each.end.at - each.start.at <= held && HELD.has(each.start.how) && HELD.has(each.end.how);
  return {
    stretches: stretches.length > 1 ? stretches.filter((each) => !short(each)) : stretches,
    across,
    under: across.filter((each) => !high.includes(each)),
  };
}

/**
 * Stations of the diagonals of a low wall's face: at both ends of every stretch, clear of what stands across it by half an
 * upright's width, and no farther apart than the rule in between.
 */
export function diagonalsOf(
  stretches: readonly Stretch[],
  spacing: Length,
  width: Length,
): readonly Length[] {
  const clear = ({ how }: StretchEnd): number =>
    how === 'inward' || how === 'crossing' || how === 'tee' ? width / 2 : 0;
  return stretches.flatMap(({ start, end }): Length[] => {
    const [from, to] = [start.at + clear(start), end.at - clear(end)];
    if (to <= from) return to + width >= from ? [nanometres((start.at + end.at) / 2)] : [];
    const bays = Math.max(1, Math.ceil(subtract(to as Length, from as Length) / spacing));
    return Array.from({ length: bays + 1 }, (_, index) => nanometres(from + ((to - from) * index) / bays));
  });
}
