import { type Length, inches, nanometres } from '../../kernel/measure';
import type { BuckKind } from './plan';

/** A width that a material is sold in. */
interface BoardSize {
  readonly name: string;
  readonly width: Length;
}

const board = (name: string, wide: number): BoardSize => ({ name, width: inches(wide) });

/** Sawn lumber, dressed. [American Softwood Lumber Standard, PS 20; from memory] */
const SAWN: readonly BoardSize[] = [
  board('2×4', 3.5),
  board('2×6', 5.5),
  board('2×8', 7.25),
  board('2×10', 9.25),
  board('2×12', 11.25),
];

/** Laminated veneer, by its depth. [common practice; from memory] */
const LAMINATED: readonly BoardSize[] = [
  board('LVL 5 1/2', 5.5),
  board('LVL 7 1/4', 7.25),
  board('LVL 9 1/4', 9.25),
  board('LVL 11 1/4', 11.25),
  board('LVL 11 7/8', 11.875),
  board('LVL 14', 14),
  board('LVL 16', 16),
  board('LVL 18', 18),
];

/** The widths that a buck's material is sold in, the narrowest first; none where it is made as wide as the wall. */
export function boardSizes(kind: BuckKind): readonly BoardSize[] {
  if (kind === 'lumber' || kind === 'lumber-split-sill') return SAWN;
  return kind === 'laminated' ? LAMINATED : [];
}

/** Boards side by side that make a width. */
interface Rips {
  readonly count: number;
  /** Width of each. */
  readonly width: Length;
  /** What each is ripped from; null where the material is made to width. */
  readonly board: BoardSize | null;
}

/**
 * How a width is made of what is sold: in one from the narrowest board that is as wide, or of equal rips side by side where
 * none is.
 *
 * @example ripsFor(inches(13), boardSizes('lumber')).width // inches(6.5)
 */
export function ripsFor(width: Length, sizes: readonly BoardSize[]): Rips {
  const widest = sizes.at(-1);
  if (!widest) return { count: 1, width, board: null };
  const count = Math.ceil(width / widest.width);
  const each = nanometres(width / count);
  return { count, width: each, board: sizes.find((size) => size.width >= each) ?? widest };
}
