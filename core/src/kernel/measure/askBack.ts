import {
  type Length,
  type UnitSystem,
  NANOMETRES_PER_FOOT,
  NANOMETRES_PER_INCH,
  NANOMETRES_PER_METRE,
  NANOMETRES_PER_MILLIMETRE,
  feet,
  inches,
  nanometres,
} from './length';
import { readLength } from './readLength';

/** Between these the lengths of a kind of thing usually lie; nothing at all is always usual. */
export interface Usual {
  readonly least: Length;
  readonly most: Length;
}

/** What is usual on a site, wide enough that no crew is asked about what it really builds. [ours] */
export const USUAL = {
  /** A wall, or a radius. */
  wall: { least: feet(1), most: feet(300) },
  /** Along a wall, or a diagonal. */
  station: { least: inches(1), most: feet(400) },
  /** An opening’s width or height, or a box in the wall. */
  opening: { least: inches(2), most: feet(24) },
  /** A sill or something set in the wall, above the footing. */
  up: { least: inches(1), most: feet(25) },
  /** The top of a wall, or the ground, above the lowest footing. */
  height: { least: inches(1), most: feet(60) },
  /** A step of the footing or of a sill. */
  step: { least: inches(1), most: feet(12) },
  /** Thickness or depth of a board, a footing, a sheet. */
  thickness: { least: inches(0.25), most: feet(6) },
  /** From one of a row to the next. */
  spacing: { least: inches(1), most: feet(12) },
  /** A board, a plank or an upright. */
  board: { least: feet(2), most: feet(40) },
  /** On a rod. */
  rod: { least: inches(1), most: feet(25) },
  /** From a string to a wall. */
  string: { least: inches(0.05), most: inches(9) },
} as const satisfies Readonly<Record<string, Usual>>;

/** What a bare number may also have been meant in, the likeliest first. */
const ALSO: Readonly<Record<UnitSystem, readonly number[]>> = {
  imperial: [NANOMETRES_PER_INCH],
  metric: [NANOMETRES_PER_METRE, 10 * NANOMETRES_PER_MILLIMETRE],
};

const BARE: Readonly<Record<UnitSystem, number>> = {
  imperial: NANOMETRES_PER_FOOT,
  metric: NANOMETRES_PER_MILLIMETRE,
};

/**
 * The readings of a bare number that is far out of what is usual in the job's unit and within it in another: `32` as the step of
 * a footing in a feet-inch job is more likely 32 in than 32 ft. The likelier ones come first, the number in the job's unit last.
 *
 * @returns null where nothing is to be asked: a unit was written, the length is usual, or no other unit would make it so
 * @example askBack('32', 'imperial', USUAL.step) // [inches(32), feet(32)]
 * @example askBack('32ft', 'imperial', USUAL.step) // null
 */
export function askBack(text: string, units: UnitSystem, usual: Usual): readonly Length[] | null {
  const own = readLength(text, units);
  const other = readLength(text, units === 'imperial' ? 'metric' : 'imperial');
  // Only a bare number means another length in another job.
  if (!own.ok || !other.ok || own.length === other.length) return null;
  const fits = (length: number): boolean => Math.abs(length) >= usual.least && Math.abs(length) <= usual.most;
  if (fits(own.length)) return null;
  const found = ALSO[units].map((unit) => nanometres((own.length / BARE[units]) * unit)).filter(fits);
  return found.length === 0 ? null : [...found, own.length];
}
