import { cheapestChain } from './chain';
import { type Choice, type Score, type Search, optionsIn } from './goals';
import type { WallOption } from './options';
import { type Prices, mixed, priced } from './prices';

/** The cheapest choice over all chains under costs that add up wall by wall. */
export function cheapestChoice(search: Search, costOf: (option: WallOption) => number) {
  const found = search.chains.map((chain) => cheapestChain(chain, costOf));
  if (found.some((each) => each === null)) return null;
  return {
    cost: found.reduce((sum, each) => sum + (each?.cost ?? 0), 0),
    choice: found.flatMap((each) => (each ? [each.choice] : [])),
  };
}

/** Weights small enough that they only break ties between whole blocks, cuts and straps. */
export const TIE = 1e-4;

/** Costs of the first goals before the later ones, for a programme that adds up wall by wall. */
export function lexicographic(search: Search, prices: Prices, weights: readonly number[]) {
  return (option: WallOption): number =>
    search.order.reduce((sum, goal, index) => {
      const cost = goal === 'blocks' ? priced(option, prices, search.rules) : option[goal];
      return sum + (weights[index] ?? 0) * cost;
    }, 0);
}

/** How much dearer the goals before it are made when a later goal's bound is sought. */
const FACTORS = [0, 0.25, 0.5, 1, 2, 4, 8] as const;

/** How often the prices are bettered for a later goal's bound; each time costs one programme along the corners. */
const PRICE_STEPS = 60;

/**
 * The same for the first goal: with every time the mixture comes closer to the best one, ever more slowly. On the demo the bound is
 * 199.99 blocks after 60 times, 200.15 after 400 and after 3000.
 */
export const FIRST_PRICE_STEPS = 400;

/** What all choices cost at least under some prices, and the choice that costs so little. */
interface Priced {
  readonly prices: Prices;
  readonly cost: number;
  readonly choice: Choice;
}

/** What `betteredPrices` goes by. */
interface BetteredPricesInput {
  readonly search: Search;
  readonly start: Prices;
  /** The prices to mix from. */
  readonly pricings: readonly Prices[];
  /** Costs of an option under some prices. */
  readonly costUnder: (prices: Prices) => (option: WallOption) => number;
  /** A cost at which the bound is as good as it need be. */
  readonly enough: number;
  /** How often they are bettered at most. */
  readonly most?: number;
}

/**
 * Betters a set of prices: the cheapest choice under them is asked which prices would charge it most, and those are mixed
 * in, less and less (fictitious play between the prices and the choice). Every mixture is valid, so every cost is a bound.
 *
 * @returns every set of prices that was tried, with what it bounds
 */
export function betteredPrices({
  search,
  start,
  pricings,
  costUnder,
  enough,
  most = PRICE_STEPS,
}: BetteredPricesInput): readonly Priced[] {
  const tried: Priced[] = [];
  let prices = start;
  for (let step = 0; step < most; step++) {
    const found = cheapestChoice(search, costUnder(prices));
    if (!found) return tried;
    tried.push({ prices, ...found });
    if (Math.ceil(found.cost - 1e-6) >= enough) return tried;
    const options = optionsIn(found.choice);
    const charge = (each: Prices): number =>
      options.reduce((sum, option) => sum + priced(option, each, search.rules), 0);
    let dearest: { readonly prices: Prices; readonly charge: number } | null = null;
    for (const each of pricings) {
      const own = charge(each);
      if (dearest === null || own > dearest.charge) dearest = { prices: each, charge: own };
    }
    if (dearest === null || dearest.charge <= charge(prices) + 1e-9) return tried;
    prices = mixed(prices, dearest.prices, 1 / (step + 2));
  }
  return tried;
}

/** What `boundOf` goes by. */
interface BoundOfInput {
  readonly search: Search;
  readonly at: number;
  readonly best: Score;
  readonly pricings: readonly Prices[];
  readonly start: Prices;
}

/**
 * The least that a goal can come to among plans as good as the best in the goals before it: the dearest of the bounds
 * that the prices give, each the cheapest of all choices by the programme along the corners. Earlier goals are held by
 * Lagrange factors: whatever keeps to them pays nothing for them.
 */
export function boundOf({ search, at, best, pricings, start }: BoundOfInput): number {
  const goal = search.order[at];
  const earlier = search.order.slice(0, at);
  const usesBlocks = goal === 'blocks' || earlier.includes('blocks');
  let bound = 0;
  for (const factor of earlier.length === 0 ? [0] : FACTORS) {
    const weights = search.order.map((_, index) => (index < at ? factor : index === at ? 1 : 0));
    const held = earlier.reduce((sum, _, index) => sum + factor * (best[index] ?? 0), 0);
    const costUnder = (prices: Prices) => lexicographic(search, prices, weights);
    const tried = usesBlocks
      ? betteredPrices({ search, start, pricings, costUnder, enough: (best[at] ?? 0) + held })
      : betteredPrices({ search, start, pricings: [], costUnder, enough: Number.POSITIVE_INFINITY });
    for (const each of tried) bound = Math.max(bound, each.cost - held);
    if (Math.ceil(bound - 1e-6) >= (best[at] ?? 0)) break;
  }
  return Math.ceil(bound - 1e-6);
}
