import { ZERO } from '../../kernel/measure';
import type { Chain, ChainChoice } from './chain';
import type { WallOption } from './options';
import { type BlockRules, lengthsByArticle, shareOfBlock } from './prices';

/** An option as numbers: what it adds to the demand for every cut, and its blocks, cuts and straps. */
interface Compiled {
  readonly option: WallOption;
  readonly wholes: number;
  /** Blocks for its cuts if each had one of its own. */
  readonly opened: number;
  /** Places in the demand, and how many pieces each gets. */
  readonly places: Int32Array;
  readonly counts: Int32Array;
}

/** One article's stretch of the demand: fresh and reusable pieces of each length, the longest first. */
interface Stretch {
  readonly from: number;
  /** For each length, the place of the longest one that fits beside it in a block. */
  readonly fits: Int32Array;
  readonly share: number;
}

/** How a choice is weighed: goals in their order, each far heavier than the next. */
export type Weigh = (blocks: number, cuts: number, straps: number) => number;

/** Pairs that come out of one block each; the greedy choice of `pairCuts` on bare numbers. */
function countPairs({ from, fits }: Stretch, left: Int32Array): number {
  const count = fits.length;
  const end = from + 2 * count;
  let pairs = 0;
  // Places come in twos: fresh, then reusable.
  for (let own = from; own < end; own++) {
    let wanted = left[own] as number;
    if (wanted === 0) continue;
    const length = (own - from) >> 1;
    const first = from + 2 * Math.max(length, fits[length] as number);
    // A fresh piece takes no fresh partner; any other takes a fresh one before a reusable one.
    for (let offset = (own - from) % 2 === 0 ? 1 : 0; offset <= 1 && wanted > 0; offset++) {
      for (let partner = first + offset; partner < end && wanted > 0; partner += 2) {
        const there = left[partner] as number;
        if (there === 0 || partner < own) continue;
        const times = partner === own ? wanted >> 1 : Math.min(wanted, there);
        left[partner] = (left[partner] as number) - times;
        wanted -= partner === own ? 2 * times : times;
        if (partner === own) left[own] = wanted;
        pairs += times;
      }
    }
    left[own] = 0;
  }
  return pairs;
}

/** A small repeatable source of chance, so that the same plan always finds the same best. (mulberry32, public domain) */
function chance(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** After how many tries the search looks up. */
const BREATH = 12_000;
/** The first and last temperature, in blocks. */
const HOT = 0.8;
const COLD = 0.02;

/** Betters choices by trying changes at random, ever less willing to take a worse one. */
interface Annealer {
  /** Runs once through, from a choice; yields whenever it looks up, with the best so far. */
  readonly run: (
    from: readonly ChainChoice[],
    weigh: Weigh,
    seed: number,
    tries: number,
  ) => Generator<readonly ChainChoice[], readonly ChainChoice[], undefined>;
}

/** Turns all options into numbers once, for many runs. */
export function makeAnnealer(chains: readonly Chain[], rules: BlockRules): Annealer {
  const all = chains.flatMap((chain) => chain.walls.flatMap((wall) => wall.options.flat(2)));
  const stretches: (Stretch & { readonly article: string })[] = [];
  const placeOf = new Map<string, number>();
  let size = 0;
  const heightOf = new Map(
    all.flatMap((option) => option.needs.map((need) => [need.article, need.height] as const)),
  );
  for (const [article, ascending] of lengthsByArticle(all)) {
    const lengths = [...ascending].reverse();
    const height = heightOf.get(article) ?? ZERO;
    stretches.push({
      article,
      from: size,
      fits: Int32Array.from(lengths, (length) => {
        const at = lengths.findIndex((other) => other <= rules.system.block - length);
        return at < 0 ? lengths.length : at;
      }),
      share: shareOfBlock(height, rules),
    });
    lengths.forEach((length, index) => placeOf.set(`${article}:${String(length)}`, size + 2 * index));
    size += 2 * lengths.length;
  }
  const compile = (option: WallOption): Compiled => {
    const places: number[] = [];
    const counts: number[] = [];
    let wholes = 0;
    let opened = 0;
    for (const need of option.needs) {
      const share = shareOfBlock(need.height, rules);
      wholes += need.whole * share;
      for (const cut of need.cuts) {
        const place = placeOf.get(`${need.article}:${String(cut.length)}`) ?? 0;
        places.push(place, place + 1);
        counts.push(cut.fresh, cut.reusable);
        opened += share * (cut.fresh + cut.reusable);
      }
    }
    return { option, wholes, opened, places: Int32Array.from(places), counts: Int32Array.from(counts) };
  };
  const compiled = chains.map((chain) =>
    chain.walls.map((wall) => wall.options.map((row) => row.map((options) => options.map(compile)))),
  );

  function* run(
    from: readonly ChainChoice[],
    weigh: Weigh,
    seed: number,
    tries: number,
  ): Generator<readonly ChainChoice[], readonly ChainChoice[], undefined> {
    const random = chance(seed);
    const pick = (count: number): number => Math.floor(random() * count);
    const demand = new Int32Array(size);
    const left = new Int32Array(size);
    const leads = from.map((each) => [...each.leads]);
    const now = from.map((each, at) =>
      each.options.map((option, index) => {
        const found = compiled[at]?.[index]?.flat(2).find((other) => other.option === option);
        return found ?? compile(option);
      }),
    );
    let [wholes, opened, cuts, straps] = [0, 0, 0, 0];
    const put = (each: Compiled, sign: 1 | -1): void => {
      wholes += sign * each.wholes;
      opened += sign * each.opened;
      cuts += sign * each.option.cuts;
      straps += sign * each.option.straps;
      for (let index = 0; index < each.places.length; index++) {
        const place = each.places[index] as number;
        demand[place] = (demand[place] as number) + sign * (each.counts[index] as number);
      }
    };
    const energy = (): number => {
      let blocks = wholes + opened;
      if (rules.perBlock > 1) {
        left.set(demand);
        for (const stretch of stretches) blocks -= stretch.share * countPairs(stretch, left);
      }
      return weigh(blocks, cuts, straps);
    };
    for (const list of now) for (const each of list) put(each, 1);
    let current = energy();
    let best = current;
    const snapshot = (): readonly ChainChoice[] =>
      now.map((list, at) => ({ leads: [...(leads[at] ?? [])], options: list.map((each) => each.option) }));
    let kept = snapshot();
    const optionsAt = (at: number, index: number): readonly Compiled[] => {
      const wall = chains[at]?.walls[index];
      const own = leads[at] ?? [];
      const start = wall?.start === null ? 0 : (own[wall?.start ?? 0] ?? 0);
      const end = wall?.end === null ? 0 : (own[wall?.end ?? 0] ?? 0);
      return compiled[at]?.[index]?.[start]?.[end] ?? [];
    };
    for (let turn = 0; turn < tries; turn++) {
      const heat = HOT * (COLD / HOT) ** (turn / tries);
      const at = pick(chains.length);
      const chain = chains[at] as Chain;
      const list = now[at] as Compiled[];
      const corner = chain.corners.length > 0 && random() < 0.15 ? pick(chain.corners.length) : -1;
      const own = leads[at] as number[];
      if (corner >= 0) own[corner] = 1 - (own[corner] as number);
      const touched = corner < 0 ? [pick(chain.walls.length)] : [];
      if (corner >= 0) {
        chain.walls.forEach((wall, index) => {
          if (wall.start === corner || wall.end === corner) touched.push(index);
        });
      }
      const before = touched.map((index) => list[index] as Compiled);
      let possible = true;
      for (const index of touched) {
        const options = optionsAt(at, index);
        const next = options[pick(options.length)];
        if (!next) {
          possible = false;
          break;
        }
        put(list[index] as Compiled, -1);
        list[index] = next;
        put(next, 1);
      }
      const found = possible ? energy() : Number.POSITIVE_INFINITY;
      if (found <= current || random() < Math.exp((current - found) / heat)) {
        current = found;
        if (found < best - 1e-9) {
          best = found;
          kept = snapshot();
        }
      } else {
        touched.forEach((index, place) => {
          put(list[index] as Compiled, -1);
          list[index] = before[place] as Compiled;
          put(list[index], 1);
        });
        if (corner >= 0) own[corner] = 1 - (own[corner] as number);
      }
      if (turn % BREATH === BREATH - 1) yield kept;
    }
    return kept;
  }
  return { run };
}
