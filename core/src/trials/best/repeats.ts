import { cheapestChoice } from './bounds';
import type { Search } from './goals';
import type { WallOption } from './options';
import { shareOfBlock } from './prices';

const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));

/**
 * How many times the same row comes again in every option: the greatest number that all counts of whole blocks and of
 * cuts of a length are multiples of. One where any height is shared out of a block.
 */
export function repeatsIn(options: readonly WallOption[], { rules }: Pick<Search, 'rules'>): number {
  let repeats = 0;
  for (const { needs } of options) {
    for (const need of needs) {
      if (shareOfBlock(need.height, rules) !== 1) return 1;
      repeats = divisor(repeats, need.whole);
      for (const cut of need.cuts) repeats = divisor(repeats, cut.fresh + cut.reusable);
    }
  }
  return repeats;
}

/**
 * Blocks that every choice takes at least because rows repeat. Were any cut allowed to be an offcut, the fewest blocks
 * would be a matching of cuts that fit a block together, and with every count a multiple of some number, the fractional
 * matching's value is a multiple of half that number: the matching polytope of a graph is half-integral. So the length
 * that is bought, in blocks, is rounded up to such a multiple first and to whole blocks after. [Balinski 1965; MEM]
 */
export function boundByRepeats(search: Search): number {
  const { block } = search.rules.system;
  const options = search.chains.flatMap((chain) => chain.walls.flatMap((wall) => wall.options.flat(2)));
  const repeats = repeatsIn(options, search);
  if (search.rules.perBlock < 2 || repeats < 2) return 0;
  const lengthIn = ({ needs }: WallOption): number =>
    needs.reduce(
      (sum, { whole, cuts }) =>
        sum + whole + cuts.reduce((own, cut) => own + ((cut.fresh + cut.reusable) * cut.length) / block, 0),
      0,
    );
  const bought = cheapestChoice(search, lengthIn)?.cost ?? 0;
  const step = repeats / 2;
  return Math.ceil(Math.ceil(bought / step - 1e-6) * step - 1e-6);
}
