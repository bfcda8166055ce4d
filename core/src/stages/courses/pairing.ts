import type { Length } from '../../kernel/measure';

/** Wanted cut pieces of one size: how many must come from a fresh block, and how many may be an offcut. */
export interface CutDemand {
  /** What one takes of its block; mostly its length. */
  readonly length: Length;
  readonly fresh: number;
  readonly reusable: number;
}

/** Two pieces out of one block, so many times. */
export interface Pairing {
  readonly first: { readonly length: Length; readonly fresh: boolean };
  readonly second: { readonly length: Length; readonly fresh: boolean };
  readonly times: number;
}

interface Stock {
  readonly length: Length;
  readonly fresh: boolean;
  left: number;
}

/**
 * The most pairs of cut pieces that come out of one block each, at most one of the two having to be fresh. With two
 * pieces to a block that is the least number of blocks, and the greedy choice is exact: the longest piece left is paired
 * with any partner that fits, one that must be fresh before one that need not be. For whatever partner an optimal choice
 * gives it can be exchanged for that one: the partner's other half is no longer than the longest piece was. [ours; proved
 * against an exhaustive search in the tests]
 *
 * @param room length that the two pieces may have together: the block
 */
export function pairCuts(demands: readonly CutDemand[], room: Length): readonly Pairing[] {
  const stock: Stock[] = demands
    .flatMap(({ length, fresh, reusable }): Stock[] => [
      { length, fresh: true, left: fresh },
      { length, fresh: false, left: reusable },
    ])
    .filter((each) => each.left > 0)
    .sort((a, b) => b.length - a.length || Number(b.fresh) - Number(a.fresh));
  const pairings: Pairing[] = [];
  for (const longest of stock) {
    while (longest.left > 0) {
      const fits = (each: Stock): boolean =>
        each.left > (each === longest ? 1 : 0) &&
        each.length <= room - longest.length &&
        !(longest.fresh && each.fresh);
      // The longest partner that fits leaves the least waste; all of them are as good for the count.
      const partner =
        (longest.fresh ? undefined : stock.find((each) => each.fresh && fits(each))) ?? stock.find(fits);
      if (!partner) break;
      const times = partner === longest ? Math.floor(longest.left / 2) : Math.min(longest.left, partner.left);
      longest.left -= times;
      partner.left -= times;
      const second = { length: partner.length, fresh: partner.fresh };
      const first = { length: longest.length, fresh: longest.fresh };
      pairings.push(second.fresh ? { first: second, second: first, times } : { first, second, times });
    }
  }
  return pairings;
}

/** Fewest blocks for a list of cuts, two to a block at most. */
export function blocksForCuts(demands: readonly CutDemand[], room: Length, perBlock: number): number {
  const pieces = demands.reduce((sum, each) => sum + each.fresh + each.reusable, 0);
  if (perBlock < 2) return pieces;
  return pieces - pairCuts(demands, room).reduce((sum, each) => sum + each.times, 0);
}
