import { type Length, toMetres } from '../measure';
import type { Stood } from './layBraces';
import { type Plank, type PlankKind, SHORT, placeOf } from './planks';
import { type PlankRules, mostHang } from './spacing';
import type { Strip } from './strips';

/** Braces of a wall with the planks that lie on them. */
export interface Walkway {
  readonly stood: readonly Stood[];
  readonly planks: readonly Plank[];
}

/** A brace costs more than any number of planks on one wall. */
const BRACE = 10_000;
/** Evenness decides only between plans that are alike in braces and planks. */
const EVEN = 1e-4;

/** The best way from one strip to a later one: the fewest supports strictly between, and the last of them. */
interface Between {
  readonly count: number;
  /** Sum of the squares of its bays in metres: of as many braces, even bays have the least. */
  readonly squares: number;
  /** The support before it; the strip that the way begins on where there is none between. */
  readonly before: number;
}

/** For one strip, the ways to every later one within reach: all that must stand among them, no bay too wide or too narrow. */
function waysFrom(
  strips: readonly Strip[],
  fixed: ReadonlySet<number>,
  first: number,
  reach: Length,
  most: Length,
  least: Length,
): ReadonlyMap<number, Between> {
  const start = strips[first] as Strip;
  const best = new Map<number, Between>();
  for (let last = first + 1; last < strips.length; last++) {
    const end = strips[last] as Strip;
    if (end.at - start.at > reach) break;
    let found: Between | null = null;
    for (let before = last - 1; before >= first; before--) {
      const bay = end.at - (strips[before] as Strip).at;
      // Over a wide opening there is no strip to stand on: the bay is told, and planks lie over it all the same.
      if (bay > most && before !== last - 1) break;
      const way = before === first ? { count: 0, squares: 0 } : best.get(before);
      if (way && bay >= least) {
        const count = way.count + (before === first ? 0 : 1);
        const squares = way.squares + toMetres(bay as Length) ** 2;
        if (!found || count < found.count || (count === found.count && squares < found.squares)) {
          found = { count, squares, before };
        }
      }
      // What must stand may not be passed over.
      if (fixed.has(before) && before !== first) break;
    }
    if (found) best.set(last, found);
  }
  return best;
}

/** Supports strictly between the first strip of some ways and a later one, in order. */
function stripsBetween(ways: ReadonlyMap<number, Between>, first: number, last: number): readonly number[] {
  const found: number[] = [];
  for (let at = ways.get(last)?.before ?? first; at !== first; at = ways.get(at)?.before ?? first) {
    found.push(at);
  }
  return found.reverse();
}

/**
 * Braces and planks of a wall together: the fewest braces, of those that must stand and such that no bay is too wide, over which planks on
 * hand make a walkway from the first to the last; each plank's ends lie past their supports by the rules, and each two in a row share the
 * support that they lap over. Takes what it lays from `kinds`.
 *
 * @param strips strips that may take a brace, in order
 * @param anchors braces that must stand, in order, at least two, on some of the strips
 * @returns null where no planks of these lengths do it so
 */
export function planWalkway(
  strips: readonly Strip[],
  anchors: readonly Stood[],
  bounds: readonly [from: Length, to: Length],
  kinds: readonly PlankKind[],
  most: Length,
  least: Length,
  rules: PlankRules,
): Walkway | null {
  const index = new Map(strips.map((strip, at) => [strip, at]));
  const fixed = new Map(anchors.map((anchor) => [index.get(anchor.strip) ?? -1, anchor]));
  const places = [...fixed.keys()];
  const [start, end] = [Math.min(...places), Math.max(...places)];
  if (start < 0 || start === end) return null;
  const must = new Set(places);
  const reach = Math.max(0, ...kinds.map(({ length }) => length)) as Length;
  interface Way {
    readonly cost: number;
    readonly before: number;
    /** The support that its plank begins on. */
    readonly on: number;
    readonly between: readonly number[];
    readonly kind: PlankKind | null;
    readonly from: Length;
  }
  /** What both ends of a plank lie over at least. */
  const shortest = 2 * Math.max(rules.least, rules.lap / 2);
  const best = new Map<number, Way>([
    [start, { cost: 0, before: -1, on: start, between: [], kind: null, from: 0 as Length }],
  ]);
  for (let first = start; first < end; first++) {
    const here = best.get(first);
    if (!here) continue;
    const ways = waysFrom(strips, must, first, reach, most, least);
    for (const [last, between] of ways) {
      if (last > end) break;
      // A plank may begin on the support where the one before it ends, or lie back over more of that one's supports.
      for (const on of [first, ...here.between, ...(here.before < 0 ? [] : [here.before])]) {
        const supports = [(strips[on] as Strip).at, (strips[last] as Strip).at];
        const span = (supports[1] as number) - (supports[0] as number);
        for (const kind of kinds) {
          const over = kind.length - span;
          if (over < shortest || over > 2 * mostHang(kind.length, rules)) continue;
          const plank = (kind.left > 0 ? 1 : SHORT) + kind.length / 1e13;
          const cost = here.cost + BRACE * (between.count + 1) + plank + EVEN * between.squares;
          const known = best.get(last);
          if (known && known.cost <= cost) continue;
          const ends = { first: on === start, last: last === end };
          const from = placeOf(supports, 0, 1, kind.length, bounds, rules, ends);
          if (from === null) continue;
          best.set(last, { cost, before: first, on, between: stripsBetween(ways, first, last), kind, from });
        }
      }
    }
  }
  const taken: number[] = [end];
  const laid: {
    readonly from: Length;
    readonly length: Length;
    readonly last: number;
    readonly first: number;
  }[] = [];
  for (let at = end; at !== start;) {
    const way = best.get(at);
    if (!way?.kind) return null;
    taken.push(...[...way.between].reverse(), way.before);
    laid.push({ from: way.from, length: way.kind.length, first: way.on, last: at });
    way.kind.left -= 1;
    at = way.before;
  }
  taken.reverse();
  const order = new Map(taken.map((strip, place) => [strip, place]));
  return {
    stood: taken.map((at): Stood => fixed.get(at) ?? { strip: strips[at] as Strip, why: 'between' }),
    planks: laid.reverse().map(({ from, length, first, last }): Plank => ({
      from,
      to: (from + length) as Length,
      length,
      over: [order.get(first) ?? 0, order.get(last) ?? 0],
    })),
  };
}
