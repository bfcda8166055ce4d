import { type Length, add, half, min, subtract } from '../measure';

/**
 * Where boards of stock length end that lie end to end over a length, from its start. A rest that is too short takes from the board
 * before it what it lacks, or half of what the two are, where that is less: then both are too short, and neither can be helped.
 *
 * @param stock the length that boards come in, over zero
 * @param least the shortest board wanted
 * @returns the ends in order, the last one that of the length
 * @example boardEnds(feet(18), feet(8), feet(4)) // [feet(8), feet(14), feet(18)]
 */
export function boardEnds(length: Length, stock: Length, least: Length): readonly Length[] {
  const ends: Length[] = [];
  for (let at = stock; at < length; at = add(at, stock)) ends.push(at);
  const last = ends.at(-1);
  if (last === undefined) return [length];
  const rest = subtract(length, last);
  if (rest >= least) return [...ends, length];
  return [...ends.slice(0, -1), subtract(length, min(least, half(add(stock, rest)))), length];
}
