import type { Length } from '../../kernel/measure';
import { type StockPattern, cutStock } from '../../kernel/stock/cutStock';
import { type StockStep, type StockSteps, leastStock } from '../../kernel/stock/leastStock';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import { type How, givenLength } from '../../kernel/figures/how';
import type { Judged } from '../../kernel/judged';
import type { Bar, SteelProblem } from './bar';
import { sizeOf } from './setting';

/** Bars to buy of one size. */
export interface StockOfSize {
  readonly size: string;
  readonly stock: Length;
  readonly lengths: readonly StockPattern[];
  /** No plan takes fewer. */
  readonly bound: number;
  readonly proved: boolean;
  readonly mass: Figure;
  /** All bars end to end, laps and all. */
  readonly total: Length;
  readonly laps: Length;
}

/**
 * Stock of one size for the cuts of all its bars, quickly; the proof is asked for on its own. A cut that no stock bar gives is
 * left out of the stock and told.
 */
export function stockOfSize(
  bars: readonly Bar[],
  sizeId: string,
  stock: Length,
): Judged<StockOfSize, SteelProblem> {
  const own = bars.filter((bar) => bar.size === sizeId);
  const tooLong = own.filter((bar) => bar.cut > stock);
  const [worst] = [...tooLong].sort((a, b) => b.cut - a.cut);
  const problems: readonly SteelProblem[] = worst
    ? [
        {
          kind: 'cut-longer-than-stock',
          wall: worst.wall,
          use: worst.use,
          cut: worst.cut,
          stock,
          bars: tooLong.reduce((sum, bar) => sum + bar.count, 0),
        },
      ]
    : [];
  const reading = cutStock(
    own.filter((bar) => bar.cut <= stock).map((bar) => ({ length: bar.cut, count: bar.count })),
    stock,
    0,
    'quick',
  );
  const plan = reading.ok ? reading.plan : { pieces: [], bound: 0, proved: false };
  const total = own.reduce((sum, bar) => sum + bar.cut * bar.count, 0) as Length;
  const laps = own.reduce((sum, bar) => sum + bar.laps.after * bar.count, 0) as Length;
  const size = sizeOf(sizeId);
  const how: How = {
    op: 'product',
    name: sizeId,
    unit: 'mass',
    of: [
      givenLength('all bars, laps and all', total),
      { op: 'given', name: 'mass of the bar', unit: 'line-mass', value: size.massPerMetre },
    ],
  };
  const value: StockOfSize = {
    size: sizeId,
    stock,
    lengths: plan.pieces,
    bound: plan.bound,
    proved: plan.proved,
    mass: figureOf({
      id: `steel.${sizeId}.mass`,
      title: `Steel of ${sizeId}`,
      how,
      rules: ['steel.lap'],
      pieces: {},
    }),
    total,
    laps,
  };
  return { value, problems };
}

/** The search for the fewest stock bars that give all cuts of a size. */
export const leastOf = (own: StockOfSize): StockSteps =>
  leastStock(
    own.lengths.flat().map((length) => ({ length, count: 1 })),
    own.stock,
  );

/** A size with a plan that was found for it. */
export const withPlan = (own: StockOfSize, step: StockStep): StockOfSize => ({
  ...own,
  lengths: step.pieces,
  bound: step.bound,
  proved: step.proved,
});

/** So many ways of cutting are tried where nobody waits and nobody watches: a tenth of a second for a house. */
const UNWATCHED = 600;

/** Stock as it is ordered: the fewest bars that the search finds unwatched, always the same for the same cuts. */
export function leastUnwatched(own: StockOfSize): StockOfSize {
  const steps = leastOf(own);
  let step = steps.next();
  while (step.done !== true && step.value.tried < UNWATCHED) step = steps.next();
  return withPlan(own, step.value);
}

/** What is left over of stock bars: how many pieces of each length, the longest first. */
export function offcutsOf(own: StockOfSize): readonly { readonly length: Length; readonly count: number }[] {
  const left = new Map<Length, number>();
  for (const cuts of own.lengths) {
    const rest = (own.stock - cuts.reduce((sum, cut) => sum + cut, 0)) as Length;
    if (rest > 0) left.set(rest, (left.get(rest) ?? 0) + 1);
  }
  return [...left].map(([length, count]) => ({ length, count })).sort((a, b) => b.length - a.length);
}
