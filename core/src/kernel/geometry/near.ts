import { bisectRight } from 'd3-array';

/**
 * Whether a station is nearer to one of some places than is clear; as far as that it is clear of them.
 *
 * @param places in ascending order
 * @example isNear([0, 10], 12, 2) // false
 */
export const isNear = (places: readonly number[], at: number, clear: number): boolean =>
  (places[bisectRight(places, at - clear)] ?? Infinity) < at + clear;
