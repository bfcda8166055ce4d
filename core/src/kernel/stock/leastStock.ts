import { type StockItem, type StockPattern, type StockPlan, cutStock, merged } from './cutStock';

/** How often each length is cut out of one stock piece, in the order of the lengths. */
type Counts = readonly number[];

/** The best plan so far, and how far the proof has come. */
export interface StockStep extends StockPlan {
  /** Ways of cutting a stock piece that have been tried. */
  readonly tried: number;
}

export type StockSteps = Generator<StockStep, StockStep, void>;

/** Worths are whole numbers of this fraction of a stock piece, so that a bound is exact and no rounding can spoil it. */
const WORTH = 1e9;
/** A filling gives up after so many steps: then its bound is not taken. */
const PATIENCE = 400_000;
/** Most ways of cutting that are looked for before the search is left as it is. */
const MOST_PATTERNS = 2000;

interface Cuts {
  readonly lengths: readonly number[];
  readonly counts: Counts;
  readonly room: number;
}

interface Filling {
  readonly pattern: Counts;
  readonly worth: number;
  /** Whether no filling is worth more. */
  readonly proved: boolean;
}

/**
 * The filling of one stock piece that is worth most, no length more often than it is wanted: depth first, the best worth for its
 * length first, and back where even the best worth for the room left cannot beat the best so far.
 *
 * @param worths whole numbers, one for each length
 */
function worthMost({ lengths, counts, room }: Cuts, worths: readonly number[]): Filling {
  const order = lengths
    .map((_, index) => index)
    .filter((index) => (worths[index] as number) > 0 && (counts[index] as number) > 0)
    .sort(
      (a, b) =>
        (worths[b] as number) / (lengths[b] as number) - (worths[a] as number) / (lengths[a] as number),
    );
  const smallest = order.map((_, place) =>
    Math.min(...order.slice(place).map((index) => lengths[index] as number)),
  );
  const taken = lengths.map(() => 0);
  let best: Counts = [...taken];
  let worth = 0;
  let patience = PATIENCE;
  const go = (place: number, rest: number, sum: number): void => {
    if (sum > worth) {
      worth = sum;
      best = [...taken];
    }
    if (place === order.length || --patience < 0 || rest < (smallest[place] as number)) return;
    const index = order[place] as number;
    const [length, own] = [lengths[index] as number, worths[index] as number];
    if (sum + (rest / length) * own < worth + 1) return;
    for (let often = Math.min(counts[index] as number, Math.floor(rest / length)); often >= 0; often--) {
      taken[index] = often;
      go(place + 1, rest - often * length, sum + often * own);
    }
    taken[index] = 0;
  };
  go(0, room, 0);
  return { pattern: best, worth, proved: patience >= 0 };
}

/** The linear programme of a cut list: patterns in use, how much of each, and the worth of one cut of each length. */
interface Relaxed {
  readonly patterns: readonly Counts[];
  readonly amounts: readonly number[];
  readonly bound: number;
}

/**
 * Column generation: fewest stock pieces where pieces may be used in part. Each round prices every length, looks for the
 * filling that is worth most, and takes it in while it is worth more than a piece. [Gilmore and Gomory 1961; from memory]
 *
 * The bound of each round is exact whatever the arithmetic of the programme did: with worths in whole numbers and no filling
 * worth more than `z`, no plan takes fewer than all worths over `z`. [Farley 1990; from memory]
 *
 * @yields after each round, the best bound so far
 */
function* relax(cuts: Cuts): Generator<number, Relaxed, void> {
  const { lengths, counts, room } = cuts;
  const size = lengths.length;
  const patterns: Counts[] = lengths.map((length, own) =>
    lengths.map((_, index) =>
      index === own ? Math.min(Math.floor(room / length), counts[own] as number) : 0,
    ),
  );
  // The inverse of the basis, row by row; the first basis is a diagonal.
  const inverse = patterns.map((pattern, row) =>
    lengths.map((_, column) => (row === column ? 1 / (pattern[row] as number) : 0)),
  );
  const amounts = counts.map((count, row) => count / ((patterns[row] as Counts)[row] as number));
  let bound = 0;
  for (let round = 0; round < MOST_PATTERNS; round++) {
    const worths = lengths.map((_, column) =>
      Math.max(0, Math.round(WORTH * inverse.reduce((sum, row) => sum + (row[column] as number), 0))),
    );
    const filling = worthMost(cuts, worths);
    if (filling.proved) {
      const all = counts.reduce(
        (sum, count, index) => sum + BigInt(count) * BigInt(worths[index] as number),
        0n,
      );
      const most = BigInt(filling.worth);
      bound = Math.max(bound, Number((all + most - 1n) / most));
    }
    yield bound;
    if (filling.worth <= WORTH * (1 + 1e-7)) break;
    const entering = inverse.map((row) =>
      row.reduce((sum, value, column) => sum + value * (filling.pattern[column] as number), 0),
    );
    let leaving = -1;
    let least = Infinity;
    entering.forEach((by, row) => {
      const ratio = (amounts[row] as number) / by;
      if (by > 1e-9 && ratio < least) [leaving, least] = [row, ratio];
    });
    if (leaving < 0) break;
    const pivot = inverse[leaving] as number[];
    const by = entering[leaving] as number;
    for (let column = 0; column < size; column++) pivot[column] = (pivot[column] as number) / by;
    inverse.forEach((row, index) => {
      const share = entering[index] as number;
      if (index === leaving || share === 0) return;
      for (let column = 0; column < size; column++) {
        row[column] = (row[column] as number) - share * (pivot[column] as number);
      }
      amounts[index] = Math.max(0, (amounts[index] as number) - share * least);
    });
    amounts[leaving] = least;
    patterns[leaving] = filling.pattern;
  }
  return { patterns, amounts, bound };
}

/** A pattern with no more of any length than is left. */
const within = (pattern: Counts, left: Counts): Counts =>
  pattern.map((often, index) => Math.min(often, left[index] as number));

/**
 * Fewest stock pieces for a list of cuts without kerf, with its proof where it can be had: the plan that `cutStock` finds, then
 * bounds by column generation and plans rounded from it. The time grows with how many lengths differ, not with how finely they
 * are measured. Ends once the plan meets the bound.
 *
 * @param items lengths in any whole unit, the same as the stock's; none longer than the stock
 * @yields the best so far; dropping the generator cancels the search
 */
export function* leastStock(items: readonly StockItem[], stock: number): StockSteps {
  const first = cutStock(items, stock, 0, 'quick');
  if (!first.ok) throw new RangeError(`a cut of ${String(first.longest)} from stock of ${String(stock)}`);
  let best = first.plan.pieces;
  let { bound } = first.plan;
  let tried = 0;
  const step = (): StockStep => ({ pieces: best, bound, proved: best.length === bound, tried });
  const wanted = merged(items);
  const lengths = wanted.map(({ length }) => length);
  let left: Counts = wanted.map(({ count }) => count);
  /** Pieces whose cutting is settled on the way down. */
  const settled: StockPattern[] = [];
  const settle = (pattern: Counts, often: number): void => {
    const cuts = pattern.flatMap((count, index) =>
      Array.from({ length: count }, () => lengths[index] as number),
    );
    for (let piece = 0; piece < often; piece++) settled.push(cuts);
    left = left.map((count, index) => count - often * (pattern[index] as number));
  };
  /** What is settled, with the rest cut as well as `cutStock` can. */
  const finish = (): void => {
    const rest = cutStock(
      lengths.map((length, index) => ({ length, count: left[index] as number })),
      stock,
      0,
    );
    if (rest.ok && settled.length + rest.plan.pieces.length < best.length) {
      best = [...settled, ...rest.plan.pieces];
    }
  };
  while (best.length > bound && left.some((count) => count > 0)) {
    const present = lengths.flatMap((_, index) => ((left[index] as number) > 0 ? [index] : []));
    const search = relax({
      lengths: present.map((index) => lengths[index] as number),
      counts: present.map((index) => left[index] as number),
      room: stock,
    });
    let round = search.next();
    while (!round.done) {
      tried += 1;
      // Only the bound of the whole list is one of the whole list.
      if (settled.length === 0) bound = Math.max(bound, round.value);
      yield step();
      round = search.next();
    }
    if (best.length === bound) break;
    const { patterns, amounts } = round.value;
    const whole = patterns.map((pattern, index) => {
      const spread = lengths.map(() => 0);
      present.forEach((place, column) => {
        spread[place] = pattern[column] as number;
      });
      return { pattern: spread, amount: amounts[index] ?? 0 };
    });
    const before = settled.length;
    for (const { pattern, amount } of whole) {
      const room = pattern.map((count, index) =>
        count === 0 ? Infinity : Math.floor((left[index] as number) / count),
      );
      const often = Math.min(Math.floor(amount + 1e-6), ...room);
      if (often > 0) settle(pattern, often);
    }
    finish();
    if (settled.length === before) {
      // Nothing whole is left: the pattern used most is taken once more.
      const [most] = whole
        .map(({ pattern, amount }) => ({ pattern: within(pattern, left), amount }))
        .filter(({ pattern }) => pattern.some((count) => count > 0))
        .sort((a, b) => b.amount - a.amount);
      if (!most) break;
      settle(most.pattern, 1);
    }
    yield step();
  }
  return step();
}
