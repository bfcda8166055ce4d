/** A length in whole nanometres. Both 1/64 in and 1 mm are whole, so sums of cut lengths never drift. */
export type Length = number & { readonly unit: 'nanometre' };

/** The two ways a crew writes measures. A job is in one of them; any field understands both. */
export type UnitSystem = 'imperial' | 'metric';

/** Exactly 25.4 mm [NIST SP 811]. */
export const NANOMETRES_PER_INCH = 25_400_000;
export const NANOMETRES_PER_FOOT = 12 * NANOMETRES_PER_INCH;
export const NANOMETRES_PER_MILLIMETRE = 1_000_000;
export const NANOMETRES_PER_METRE = 1_000_000_000;
/** 1/64 in, the finest fraction a crew writes. */
export const SIXTY_FOURTH = 396_875 as Length;
export const ZERO = 0 as Length;

/**
 * Rounds a number of nanometres to a whole one; the only door from floats into lengths.
 *
 * @example nanometres(1.4) // 1
 */
export const nanometres = (value: number): Length => (Math.round(value) + 0) as Length;

/**
 * `inches(5.5)` is 5 1/2 in. Rounded to a nanometre.
 *
 * @example inches(1) // 25400000
 */
export const inches = (value: number): Length => nanometres(value * NANOMETRES_PER_INCH);

/**
 * `feet(44)` is 44 ft. Rounded to a nanometre.
 *
 * @example feet(2) === inches(24) // true
 */
export const feet = (value: number): Length => nanometres(value * NANOMETRES_PER_FOOT);

/**
 * `millimetres(2400)` is 2.4 m. Rounded to a nanometre.
 *
 * @example millimetres(1) // 1000000
 */
export const millimetres = (value: number): Length => nanometres(value * NANOMETRES_PER_MILLIMETRE);

export const toInches = (length: Length): number => length / NANOMETRES_PER_INCH;
export const toMillimetres = (length: Length): number => length / NANOMETRES_PER_MILLIMETRE;
export const toMetres = (length: Length): number => length / NANOMETRES_PER_METRE;

/**
 * Exact sum. `add(feet(1), inches(2), inches(3))` is 17 in.
 *
 * @example add(inches(1), inches(2)) // inches(3)
 */
export const add = (...lengths: readonly Length[]): Length => sum(lengths);

/**
 * Exact difference, `a - b`.
 *
 * @example subtract(inches(3), inches(1)) // inches(2)
 */
export const subtract = (a: Length, b: Length): Length => (a - b) as Length;

/**
 * Exact multiple by a whole number.
 *
 * @example times(inches(4), 3) // inches(12)
 */
export const times = (length: Length, count: number): Length => nanometres(length * count);

/**
 * The longest of several.
 *
 * @example max(inches(1), inches(2)) // inches(2)
 */
export const max = (...lengths: readonly Length[]): Length => Math.max(...lengths) as Length;

/**
 * The shortest of several.
 *
 * @example min(inches(1), inches(2)) // inches(1)
 */
export const min = (...lengths: readonly Length[]): Length => Math.min(...lengths) as Length;

/**
 * How long it is, whichever way it points.
 *
 * @example abs(inches(-2)) // inches(2)
 */
export const abs = (length: Length): Length => Math.abs(length) as Length;

/**
 * Half of it, rounded to a nanometre: `half(inches(5))` is 2 1/2 in.
 *
 * @example half(inches(3)) // inches(1.5)
 */
export const half = (length: Length): Length => nanometres(length / 2);

/**
 * Exact sum of a list; nothing for an empty one.
 *
 * @example sum([inches(1), inches(2)]) // inches(3)
 */
export const sum = (lengths: readonly Length[]): Length =>
  lengths.reduce<number>((total, length) => total + length, 0) as Length;

/**
 * So much of the way from one to the other, rounded to a nanometre: `lerp(feet(2), feet(4), 0.25)` is 2 1/2 ft.
 *
 * @example lerp(inches(0), inches(8), 0.25) // inches(2)
 */
export const lerp = (from: Length, to: Length, share: number): Length =>
  nanometres(from + (to - from) * share);
