import { type CutDemand, blocksForCuts, blocksForStrips } from '../../stages/courses';
import type { FormSystem } from '../../kernel/forms';
import type { Length } from '../../kernel/measure';
import type { WallOption } from './options';

/** What a cut piece of a length is charged of a block: one that must be fresh, and one that may be an offcut. */
export interface CutPrice {
  readonly fresh: number;
  readonly reusable: number;
}

/** Prices of every cut by article and length. */
export type Prices = ReadonlyMap<string, ReadonlyMap<Length, CutPrice>>;

/** What the blocks of the job are counted by. */
export interface BlockRules {
  readonly system: FormSystem;
  readonly perBlock: number;
  /** Heights that any piece is ripped to. */
  readonly heights: ReadonlySet<Length>;
}

/** Every cut length that any option asks for, by article. */
export function lengthsByArticle(options: Iterable<WallOption>): ReadonlyMap<string, readonly Length[]> {
  const found = new Map<string, Set<Length>>();
  for (const option of options) {
    for (const need of option.needs) {
      const lengths = found.get(need.article) ?? new Set<Length>();
      found.set(need.article, lengths);
      for (const cut of need.cuts) lengths.add(cut.length);
    }
  }
  return new Map([...found].map(([article, lengths]) => [article, [...lengths].sort((a, b) => a - b)]));
}

/** A piece that may be an offcut: nothing below the threshold, half a block between, a whole one where no partner fits. */
const reusablePrice = (length: Length, threshold: number, block: Length): number =>
  length > block - threshold ? 1 : length >= threshold ? 0.5 : 0;

/**
 * Prices under which no block is charged more than itself, whichever two pieces come out of it: so any choice of options
 * costs at least as many blocks as its prices add up to. A piece that must be fresh is charged what the dearest partner
 * leaves, since two fresh ones never share. (Dual-feasible functions of the cutting-stock problem; the half-integral
 * ones are enough with two pieces to a block. [Fekete and Schepers 2001; MEM])
 *
 * @param threshold from nothing to half a block; every one of them gives a valid bound
 */
export function pricesAt(
  lengths: ReadonlyMap<string, readonly Length[]>,
  threshold: number,
  { system: { block }, perBlock }: BlockRules,
): Prices {
  return new Map(
    [...lengths].map(([article, list]) => {
      const dearestPartner = (length: Length): number => {
        const fits = list.findLast((each) => each <= block - length);
        return fits === undefined ? 0 : reusablePrice(fits, threshold, block);
      };
      return [
        article,
        new Map(
          list.map((length): readonly [Length, CutPrice] => [
            length,
            perBlock < 2
              ? { fresh: 1, reusable: 1 }
              : { fresh: 1 - dearestPartner(length), reusable: reusablePrice(length, threshold, block) },
          ]),
        ),
      ] as const;
    }),
  );
}

/** Prices by length: what a piece takes of its block. Valid as the others are, being a mixture of all thresholds. */
export function pricesByLength(
  lengths: ReadonlyMap<string, readonly Length[]>,
  { system: { block }, perBlock }: BlockRules,
): Prices {
  return new Map(
    [...lengths].map(([article, list]) => {
      const share = (length: Length): CutPrice => {
        if (perBlock < 2) return { fresh: 1, reusable: 1 };
        const partner = list.findLast((each) => each <= block - length) ?? 0;
        return { fresh: 1 - partner / block, reusable: length / block };
      };
      return [article, new Map(list.map((length) => [length, share(length)] as const))] as const;
    }),
  );
}

/** A mixture of two valid sets of prices, valid itself. */
export function mixed(one: Prices, other: Prices, share: number): Prices {
  return new Map(
    [...one].map(([article, list]) => [
      article,
      new Map(
        [...list].map(([length, price]): readonly [Length, CutPrice] => {
          const second = other.get(article)?.get(length) ?? price;
          return [
            length,
            {
              fresh: price.fresh * (1 - share) + second.fresh * share,
              reusable: price.reusable * (1 - share) + second.reusable * share,
            },
          ];
        }),
      ),
    ]),
  );
}

/** Heights that pieces are ripped to, over all options. */
export const heightsOf = (options: Iterable<WallOption>): ReadonlySet<Length> =>
  new Set([...options].flatMap((option) => option.needs.map((need) => need.height)));

/** What share of a block a piece of some height is charged: half of it wherever another can come out of the same block. */
export function shareOfBlock(height: Length, { system, heights }: BlockRules): number {
  if (height === system.courseHeight || !system.reversible) return 1;
  return [...heights].some((other) => other + height <= system.courseHeight) ? 0.5 : 1;
}

/** What an option's blocks come to at given prices. */
export function priced(option: WallOption, prices: Prices, rules: BlockRules): number {
  let sum = 0;
  for (const need of option.needs) {
    const list = prices.get(need.article);
    let cuts = 0;
    for (const { length, fresh, reusable } of need.cuts) {
      const price = list?.get(length);
      if (price) cuts += fresh * price.fresh + reusable * price.reusable;
    }
    sum += shareOfBlock(need.height, rules) * (need.whole + cuts);
  }
  return sum;
}

/** Blocks that a choice of one option for every wall really takes, its offcuts and ripped halves shared as well as can be. */
export function blocksOf(options: readonly WallOption[], { system, perBlock }: BlockRules): number {
  const articles = new Map<
    string,
    { height: Length; whole: number; cuts: Map<Length, { fresh: number; reusable: number }> }
  >();
  for (const option of options) {
    for (const need of option.needs) {
      const known = articles.get(need.article) ?? {
        height: need.height,
        whole: 0,
        cuts: new Map<Length, { fresh: number; reusable: number }>(),
      };
      articles.set(need.article, known);
      known.whole += need.whole;
      for (const { length, fresh, reusable } of need.cuts) {
        const cut = known.cuts.get(length) ?? { fresh: 0, reusable: 0 };
        known.cuts.set(length, cut);
        cut.fresh += fresh;
        cut.reusable += reusable;
      }
    }
  }
  const strips = new Map<string, Length[]>();
  let blocks = 0;
  for (const [article, { height, whole, cuts }] of articles) {
    const list: readonly CutDemand[] = [...cuts].map(([length, cut]) => ({ length, ...cut }));
    const pieces = whole + blocksForCuts(list, system.block, perBlock);
    if (height === system.courseHeight) blocks += pieces;
    else {
      const core = article.split(':')[0] ?? '';
      strips.set(core, [...(strips.get(core) ?? []), ...Array.from({ length: pieces }, () => height)]);
    }
  }
  return blocks + [...strips.values()].reduce((sum, heights) => sum + blocksForStrips(heights, system), 0);
}
