import { bisectLeft } from 'd3-array';
import { type Length, inches } from '../measure';

/** Places are looked for half an inch by half an inch: as fine as anyone marks a form. */
const STEP = inches(0.5);

/** A stretch in which no bolt can stand. */
export interface Blocked {
  readonly from: number;
  readonly to: number;
}

/** How a bolt may stand on a piece of plate or board. */
export interface BoltRules {
  readonly spacing: Length;
  /** Nearest and farthest from an end. */
  readonly nearest: Length;
  readonly farthest: Length;
  /** Fewest on a piece. */
  readonly least: number;
}

/** Bolts of a piece, and what they could not keep. */
interface LaidBolts {
  readonly at: readonly Length[];
  /** Stretches without a bolt that are wider than the rule, and ends without one near enough. */
  readonly gaps: readonly { readonly from: Length; readonly to: Length }[];
  /** Too short for as many bolts as every piece has. */
  readonly short: boolean;
}

/** Fewest places that keep the spacing, each as far on as it may be; a gap that cannot be bridged is stepped over. */
function fewest(places: readonly number[], from: number, to: number, rules: BoltRules): number[] {
  const firsts = places.filter((at) => at <= from + rules.farthest);
  const chosen = [firsts.at(-1) ?? places[0]].flatMap((at) => at ?? []);
  let index = 0;
  for (;;) {
    const last = chosen.at(-1);
    if (last === undefined || last >= to - rules.farthest) return chosen;
    while ((places[index] ?? Infinity) <= last) index++;
    // The farthest within reach, or else the first beyond it.
    while ((places[index + 1] ?? Infinity) <= last + rules.spacing) index++;
    const next = places[index];
    if (next === undefined) return chosen;
    chosen.push(next);
  }
}

/** The place nearest to where one is wanted, of places in order; the lower of two as near. */
function nearestOf(places: readonly number[], wanted: number): number | undefined {
  const index = bisectLeft(places, wanted);
  const [before, after] = [places[index - 1], places[index]];
  if (before === undefined || after === undefined) return before ?? after;
  return wanted - before <= after - wanted ? before : after;
}

/** What `evened` goes by. */
interface EvenedInput {
  readonly places: readonly number[];
  readonly count: number;
  readonly from: number;
  readonly to: number;
  readonly rules: BoltRules;
}

/** The same number of bolts spread evenly, each at the clear place nearest to its own; null where that breaks a rule. */
function evened({ places, count, from, to, rules }: EvenedInput): number[] | null {
  const zone = (rules.nearest + rules.farthest) / 2;
  const end = Math.min(
    rules.farthest,
    Math.max(Math.round(zone / STEP) * STEP, (to - from - rules.spacing * (count - 1)) / 2),
  );
  const spread = Array.from({ length: count }, (_, index) =>
    nearestOf(places, from + end + ((to - from - 2 * end) * index) / (count - 1)),
  ).flatMap((at) => at ?? []);
  return keeps(spread, from, to, rules) && spread.length === count ? spread : null;
}

/** Whether bolts keep ends and spacing. */
const keeps = (bolts: readonly number[], from: number, to: number, rules: BoltRules): boolean =>
  bolts.every((at, index) => {
    const next = bolts[index + 1];
    return next === undefined || (next > at && next - at <= rules.spacing);
  }) &&
  (bolts[0] ?? Infinity) <= from + rules.farthest &&
  (bolts.at(-1) ?? -Infinity) >= to - rules.farthest;

/** Every half inch that nothing blocks. */
function clearPlaces(first: number, last: number, blocked: readonly Blocked[]): readonly number[] {
  const places: number[] = [];
  const ahead = [...blocked].sort((a, b) => a.from - b.from);
  let next = 0;
  let until = -Infinity;
  for (let at = first; at <= last; at += STEP) {
    for (let each = ahead[next]; each && each.from < at; each = ahead[++next])
      until = Math.max(until, each.to);
    if (at >= until) places.push(at);
  }
  return places;
}

/**
 * Bolts of one piece of plate or board: the fewest that keep their spacing, one near each end and none too near, clear of what is in
 * the way; then spread as evenly as that allows. Gaps that break a rule are returned.
 *
 * @example layBolts(ZERO, inches(192), [], { spacing: feet(6), nearest: inches(3.5), farthest: inches(12), least: 2 }).at.length // 4
 */
export function layBolts(from: Length, to: Length, blocked: readonly Blocked[], rules: BoltRules): LaidBolts {
  const places = clearPlaces(from + rules.nearest, to - rules.nearest, blocked);
  const lean = fewest(places, from, to, rules);
  const count = Math.max(lean.length, rules.least);
  const even = count > 1 && keeps(lean, from, to, rules) ? evened({ places, count, from, to, rules }) : null;
  const spare = count > lean.length ? [places[0], places.at(-1)].flatMap((at) => at ?? []) : lean;
  const at = even ?? [...new Set(spare)];
  const edges = [from, ...at, to];
  const gaps = edges.slice(1).flatMap((end, index) => {
    const start = edges[index] ?? from;
    const limit = index === 0 || index === edges.length - 2 ? rules.farthest : rules.spacing;
    return end - start > limit ? [{ from: start as Length, to: end as Length }] : [];
  });
  return { at: at as Length[], gaps, short: at.length < rules.least };
}
