import { type Length, inches, nanometres, ZERO, subtract } from '../../kernel/measure';

/** The least and the most that something of a job may measure. */
export interface Range {
  readonly least: Length;
  readonly most: Length;
}

const METRE = 1_000_000_000;
const metres = (value: number): Length => nanometres(value * METRE);
const upTo = (most: Length): Range => ({ least: subtract(ZERO, most), most });

/**
 * What a length of a job may measure, by what it is. Beyond lies a slip of the unit, never a wall; worked all the same, it
 * would take hours or all of the memory. The text stays in the plan as it was typed. [ours]
 */
export const RANGES = {
  /** A piece of the trade: an opening, a board, a plate, a sleeve. */
  piece: { least: nanometres(500_000), most: metres(100) },
  /** The same where nothing at all may be meant. */
  depth: { least: ZERO, most: metres(100) },
  /** From one of a row to the next: anchors, hangers. */
  spacing: { least: inches(1), most: metres(100) },
  /** Along a wall; how long that may be is a house rule of its own. */
  station: upTo(metres(1_000)),
  /** Above or below the lowest footing. */
  height: upTo(metres(100)),
  /** Of an outline from the first one, on the plan. */
  place: upTo(metres(10_000)),
} as const satisfies Readonly<Record<string, Range>>;

/** Walls of a job. [ours] */
export const MOST_WALLS = 500;

/** Pieces that a job's walls may take, as near as they can be counted before they are laid. [ours] */
export const MOST_PIECES = 30_000;

/** Anchors and plates of all ledgers and hangers together. [ours] */
export const MOST_FIXINGS = 10_000;

/** Truckloads of one pour. [ours] */
export const MOST_LOADS = 400;

/** Concrete of one side pour, in cubic metres. [ours] */
export const MOST_SIDE_VOLUME = 1_000;
