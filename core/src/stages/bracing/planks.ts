import { type Length, nanometres, add } from '../../kernel/measure';
import { type PlankRules, mostHang } from './spacing';

/** A plank as it lies: stations of its ends from the wall's first corner, and the supports under it. */
export interface Plank {
  readonly from: Length;
  readonly to: Length;
  readonly length: Length;
  /** Indices of the first and the last support that carry it. */
  readonly over: readonly [first: number, last: number];
}

/** Planks of one length that may be laid. */
export interface PlankKind {
  readonly length: Length;
  /** Still on hand; Infinity where nobody counts. */
  readonly left: number;
}

/** What is left on hand of each length once planks are laid. */
export const leftAfter = (
  kinds: readonly PlankKind[],
  planks: readonly Pick<Plank, 'length'>[],
): readonly PlankKind[] =>
  kinds.map(({ length, left }) => ({
    length,
    left: left - planks.filter((plank) => plank.length === length).length,
  }));

/** A plank that is not on hand costs as much as so many that are: it is laid only where nothing else goes. */
export const SHORT = 100;

/** What `placeOf` goes by. */
interface PlaceOfInput {
  readonly supports: readonly Length[];
  readonly first: number;
  readonly last: number;
  readonly length: Length;
  readonly bounds: readonly [from: Length, to: Length];
  readonly rules: PlankRules;
  readonly ends?: { first: boolean; last: boolean };
}

/** Where a plank's first end may lie so that both ends pass their supports by enough and by not too much; null where it cannot. */
export function placeOf({
  supports,
  first,
  last,
  length,
  bounds,
  rules,
  ends = { first: first === 0, last: last === supports.length - 1 },
}: PlaceOfInput): Length | null {
  const [a, b] = [supports[first] as number, supports[last] as number];
  const hang = mostHang(length, rules);
  const over = length - (b - a);
  const least = Math.max(rules.least, rules.lap / 2);
  const low = Math.max(least, over - hang);
  const high = Math.min(hang, over - least);
  // Ends of the wall: not into the wall that stands across it.
  const lowest = Math.max(low, over - (bounds[1] - b));
  const highest = Math.min(high, a - bounds[0]);
  if (lowest > highest) return null;
  // As far as it may go toward a wall across its end; otherwise even.
  const even = Math.min(Math.max(over / 2, lowest), highest);
  const before =
    ends.first && !ends.last && Number.isFinite(bounds[0])
      ? highest
      : ends.last && !ends.first && Number.isFinite(bounds[1])
        ? lowest
        : even;
  return nanometres(a - before);
}

/**
 * The fewest planks that carry a walkway over all supports of a wall, each end past its support by the rules, each two in a row
 * lapped over a support that both lie on. Planks on hand go first.
 *
 * @param supports stations of the brackets, in order; at least two
 * @param bounds stations that no plank may pass: faces of the walls across its ends
 * @returns null where no planks of these lengths do
 */
export function layPlanks(
  supports: readonly Length[],
  bounds: readonly [from: Length, to: Length],
  kinds: readonly PlankKind[],
  rules: PlankRules,
): readonly Plank[] | null {
  const count = supports.length;
  interface Way {
    readonly cost: number;
    readonly plank: Plank | null;
    readonly before: number;
  }
  const best: (Way | null)[] = supports.map((_, index) =>
    index === 0 ? { cost: 0, plank: null, before: -1 } : null,
  );
  for (let last = 1; last < count; last++) {
    for (let first = last - 1; first >= 0; first--) {
      const span = (supports[last] as number) - (supports[first] as number);
      for (const kind of kinds) {
        if (kind.length < span) continue;
        const from = placeOf({ supports, first, last, length: kind.length, bounds, rules });
        if (from === null) continue;
        // It may go on from any support that it lies on but its last.
        for (let on = first; on < last; on++) {
          const way = best[on];
          if (!way) continue;
          const cost = way.cost + (kind.left > 0 ? 1 : SHORT) + kind.length / 1e13;
          const known = best[last];
          if (known && known.cost <= cost) continue;
          best[last] = {
            cost,
            plank: { from, to: add(from, kind.length), length: kind.length, over: [first, last] },
            before: on,
          };
        }
      }
    }
  }
  const planks: Plank[] = [];
  for (let at = count - 1; at > 0;) {
    const way = best[at];
    if (!way?.plank) return null;
    planks.push(way.plank);
    at = way.before;
  }
  return planks.reverse();
}
