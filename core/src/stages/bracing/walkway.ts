import { type Length, toMetres, ZERO, max, add } from '../../kernel/measure';
import type { Stood } from './layBraces';
import { type Plank, type PlankKind, placeOf, SHORT } from './planks';
import { type PlankRules, mostHang } from './spacing';
import type { Strip } from './strips';

/** Braces of a wall with the planks that lie on them. */
interface Walkway {
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

/** What `waysFrom` goes by. */
interface WaysFromInput {
  readonly strips: readonly Strip[];
  readonly fixed: ReadonlySet<number>;
  readonly first: number;
  readonly reach: Length;
  readonly most: Length;
  readonly least: Length;
}

/** For one strip, the ways to every later one within reach: all that must stand among them, no bay too wide or too narrow. */
function waysFrom({ strips, fixed, first, reach, most, least }: WaysFromInput): ReadonlyMap<number, Between> {
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

/** How a walkway goes on: its braces stand up to a strip, and the next plank begins on one of those. */
interface Way {
  readonly cost: number;
  /** The strip up to which braces stand. */
  readonly last: number;
  /** The support that the next plank begins on. */
  readonly next: number;
  readonly before: Way | null;
  /** The plank that was laid to get here. */
  readonly plank: PlankThere | null;
}

/** A plank between two supports. */
interface PlankThere {
  readonly kind: PlankKind;
  /** Where it begins. */
  readonly from: Length;
  readonly cost: number;
}

/** What a plan of braces and planks looks up. */
interface Planning {
  readonly strips: readonly Strip[];
  readonly start: number;
  readonly end: number;
  readonly bounds: readonly [from: Length, to: Length];
  readonly kinds: readonly PlankKind[];
  readonly rules: PlankRules;
}

/** The cheapest plank from one strip to another, and where it begins; null where none lies there by the rules. */
function plankBetween(
  on: number,
  last: number,
  { strips, start, end, bounds, kinds, rules }: Planning,
): PlankThere | null {
  const supports = [(strips[on] as Strip).at, (strips[last] as Strip).at];
  const span = (supports[1] as number) - (supports[0] as number);
  const shortest = 2 * Math.max(rules.least, rules.lap / 2);
  const ends = { first: on === start, last: last === end };
  let found: PlankThere | null = null;
  for (const kind of kinds) {
    const over = kind.length - span;
    if (over < shortest || over > 2 * mostHang(kind.length, rules)) continue;
    const cost = (kind.left > 0 ? 1 : SHORT) + kind.length / 1e13;
    if (found && found.cost <= cost) continue;
    const from = placeOf({ supports, first: 0, last: 1, length: kind.length, bounds, rules, ends });
    if (from !== null) found = { kind, from, cost };
  }
  return found;
}

/** Answers of a function of two small whole numbers, worked once each. */
function remembered<Answer>(work: (a: number, b: number) => Answer): (a: number, b: number) => Answer {
  const rows = new Map<number, Map<number, Answer>>();
  return (a, b) => {
    const row = rows.get(a) ?? new Map<number, Answer>();
    rows.set(a, row);
    if (row.has(b)) return row.get(b) as Answer;
    const answer = work(a, b);
    row.set(b, answer);
    return answer;
  };
}

/** The ways from every strip, worked when they are asked for. */
type WaysOf = (first: number) => ReadonlyMap<number, Between>;

/** The cheapest way to the last strip, found strip by strip. */
function cheapestWay(planning: Planning, waysOf: WaysOf): Way | null {
  const { strips, start, end } = planning;
  const plankOf = remembered((on, last) => plankBetween(on, last, planning));
  /** By the strip up to which braces stand, by the support that the next plank begins on. */
  const best = strips.map(() => new Map<number, Way>());
  best[start]?.set(start, { cost: 0, last: start, next: start, before: null, plank: null });
  for (let first = start; first < end; first++) {
    const ways = waysOf(first);
    const here = [...(best[first]?.values() ?? [])];
    if (here.length === 0) continue;
    for (const [last, whole] of ways) {
      if (last > end) break;
      const there = best[last];
      // Of all ways that lead to here, the cheapest with its plank: what comes after does not ask where that began.
      let cheapest: { readonly before: Way; readonly plank: PlankThere; readonly cost: number } | null = null;
      for (const before of here) {
        const plank = plankOf(before.next, last);
        if (!plank) continue;
        const cost = before.cost + plank.cost;
        if (!cheapest || cost < cheapest.cost) cheapest = { before, plank, cost };
      }
      if (!cheapest || !there) continue;
      const { before, plank, cost: paid } = cheapest;
      const offer = (next: number, count: number, squares: number): void => {
        const cost = paid + BRACE * count + EVEN * squares;
        const other = there.get(next);
        if (!other || cost < other.cost) there.set(next, { cost, last, next, before, plank });
      };
      offer(first, whole.count + 1, whole.squares);
      offer(last, whole.count + 1, whole.squares);
      for (let next = first + 1; next < last; next++) {
        const to = ways.get(next);
        const on = to && waysOf(next).get(last);
        if (to && on) offer(next, to.count + on.count + 2, to.squares + on.squares);
      }
    }
  }
  return best[end]?.get(end) ?? null;
}

/** Supports that a way adds to the one before it, in order. */
function addedBy({ last, next, before }: Way, waysOf: WaysOf): readonly number[] {
  if (!before) return [last];
  const first = before.last;
  const between = (from: number, to: number): readonly number[] => [
    ...stripsBetween(waysOf(from), from, to),
    to,
  ];
  return next > first && next < last
    ? [...between(first, next), ...between(next, last)]
    : between(first, last);
}

/** What `planWalkway` goes by. */
interface PlanWalkwayInput {
  /** Strips that may take a brace, in order. */
  readonly strips: readonly Strip[];
  /** Braces that must stand, in order, at least two, on some of the strips. */
  readonly anchors: readonly Stood[];
  readonly bounds: readonly [from: Length, to: Length];
  readonly kinds: readonly PlankKind[];
  readonly most: Length;
  readonly least: Length;
  readonly rules: PlankRules;
}

/**
 * Braces and planks of a wall together: the fewest braces, of those that must stand and such that no bay is too wide, over which
 * planks on hand make a walkway from the first to the last; each plank's ends lie past their supports by the rules, and each two
 * in a row share the support that they lap over.
 *
 * @returns null where no planks of these lengths do it so
 */
export function planWalkway({
  strips,
  anchors,
  bounds,
  kinds,
  most,
  least,
  rules,
}: PlanWalkwayInput): Walkway | null {
  const index = new Map(strips.map((strip, at) => [strip, at]));
  const fixed = new Map(anchors.map((anchor) => [index.get(anchor.strip) ?? -1, anchor]));
  const places = [...fixed.keys()];
  const [start, end] = [Math.min(...places), Math.max(...places)];
  if (start < 0 || start === end) return null;
  const planning: Planning = { strips, start, end, bounds, kinds, rules };
  const reach = max(ZERO, ...kinds.map(({ length }) => length));
  const must = new Set(places);
  const known = new Map<number, ReadonlyMap<number, Between>>();
  const waysOf: WaysOf = (first) => {
    const ways = known.get(first) ?? waysFrom({ strips, fixed: must, first, reach, most, least });
    known.set(first, ways);
    return ways;
  };
  const found = cheapestWay(planning, waysOf);
  if (!found) return null;
  const ways: Way[] = [];
  for (let way: Way | null = found; way; way = way.before) ways.unshift(way);
  const taken = ways.flatMap((way) => addedBy(way, waysOf));
  const order = new Map(taken.map((strip, place) => [strip, place]));
  return {
    stood: taken.map((at): Stood => fixed.get(at) ?? { strip: strips[at] as Strip, why: 'between' }),
    planks: ways.flatMap(({ plank, last, before }): Plank[] =>
      plank && before
        ? [
            {
              from: plank.from,
              to: add(plank.from, plank.kind.length),
              length: plank.kind.length,
              over: [order.get(before.next) ?? 0, order.get(last) ?? 0],
            },
          ]
        : [],
    ),
  };
}
