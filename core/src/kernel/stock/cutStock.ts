/** Cuts of one length that are wanted, in any whole unit. */
export interface StockItem {
  readonly length: number;
  readonly count: number;
}

/** Cuts that come out of one stock piece, the longest first. */
export type StockPattern = readonly number[];

export interface StockPlan {
  readonly pieces: readonly StockPattern[];
  /** No plan needs fewer stock pieces. */
  readonly bound: number;
  /** Whether as few pieces as the bound are used. */
  readonly proved: boolean;
}

type StockReading =
  | { readonly ok: true; readonly plan: StockPlan }
  | { readonly ok: false; readonly longest: number; readonly stock: number };

interface Problem {
  /** Lengths with the kerf, the longest first. */
  readonly lengths: readonly number[];
  readonly counts: readonly number[];
  /** Stock with the one kerf that is not lost after the last cut. */
  readonly room: number;
}

/**
 * Fewest stock pieces by dual-feasible functions: the plain length, and rounded ones under which long cuts count as whole
 * pieces, middling ones by how many fit a piece, and short ones not at all. [Fekete and Schepers 2001; MEM]
 */
function lowerBound({ lengths, counts, room }: Problem): number {
  const total = (worth: (length: number) => number): number =>
    lengths.reduce((sum, length, index) => sum + worth(length) * (counts[index] ?? 0), 0);
  let bound = total((length) => length) / room;
  for (const threshold of lengths.filter((length) => length <= room / 2)) {
    bound = Math.max(
      bound,
      total((length) => (length > room - threshold ? 1 : length >= threshold ? length / room : 0)),
    );
  }
  for (let parts = 1; parts <= 20; parts++) {
    const rounded = total((length) => {
      const exact = ((parts + 1) * length) / room;
      return Number.isInteger(exact) ? length / room : Math.floor(exact) / parts;
    });
    bound = Math.max(bound, rounded);
  }
  return Math.max(0, Math.ceil(bound - 1e-9));
}

/** How often a filling may go a step back before it takes the best so far. */
const PATIENCE = 4000;

/**
 * Fills one stock piece as full as can be, beginning with a cut that must go somewhere: depth first, the longest first.
 *
 * @param first index of the cut that it begins with
 */
function fullest(problem: Problem, left: readonly number[], first: number): readonly number[] {
  const { lengths, room } = problem;
  let best: readonly number[] = [first];
  let bestRest = room - (lengths[first] ?? 0);
  let patience = PATIENCE;
  const taken: number[] = [first];
  const used = lengths.map(() => 0);
  used[first] = 1;
  const go = (from: number, rest: number): void => {
    if (rest < bestRest) {
      bestRest = rest;
      best = [...taken];
    }
    if (bestRest === 0 || --patience < 0) return;
    for (let index = from; index < lengths.length; index++) {
      const length = lengths[index] as number;
      if (length > rest || (used[index] as number) >= (left[index] as number)) continue;
      used[index] = (used[index] as number) + 1;
      taken.push(index);
      go(index, rest - length);
      taken.pop();
      used[index] = (used[index] as number) - 1;
      if (bestRest === 0 || patience < 0) return;
    }
  };
  go(first, bestRest);
  return best;
}

/** Piece by piece, each as full as can be round the longest cut left. */
function fillLongestFirst(problem: Problem): readonly (readonly number[])[] {
  const left = [...problem.counts];
  const pieces: (readonly number[])[] = [];
  for (;;) {
    const first = left.findIndex((count) => count > 0);
    if (first < 0) return pieces;
    const piece = fullest(problem, left, first);
    for (const index of piece) left[index] = (left[index] as number) - 1;
    pieces.push(piece);
  }
}

/** How often the plan is taken apart and put together again. */
const ROUNDS = 3000;

/**
 * Betters a plan: a few pieces are emptied and their cuts filled in anew with others, by a repeatable chance, until as few
 * as the bound are used or the patience is spent.
 */
function bettered(
  problem: Problem,
  start: readonly (readonly number[])[],
  bound: number,
): readonly (readonly number[])[] {
  let best = start;
  let state = 1;
  const random = (count: number): number => {
    state = (Math.imul(state, 1_103_515_245) + 12_345) & 0x7fffffff;
    return Math.floor((state / 0x80000000) * count);
  };
  let now = start;
  for (let round = 0; round < ROUNDS && best.length > bound; round++) {
    const many = 2 + random(Math.min(8, now.length - 1));
    const opened = new Set<number>();
    while (opened.size < Math.min(many, now.length)) opened.add(random(now.length));
    const counts = problem.lengths.map(() => 0);
    for (const place of opened)
      for (const index of now[place] ?? []) counts[index] = (counts[index] as number) + 1;
    // Beginning with another cut than the longest gives another plan.
    const left = [...counts];
    const pieces: (readonly number[])[] = [];
    const start = random(3);
    for (;;) {
      const present = left.flatMap((count, index) => (count > 0 ? [index] : []));
      const first = present[Math.min(present.length - 1, pieces.length === 0 ? start : 0)];
      if (first === undefined) break;
      const piece = fullest(problem, left, first);
      for (const index of piece) left[index] = (left[index] as number) - 1;
      pieces.push(piece);
    }
    if (pieces.length > opened.size) continue;
    now = [...now.filter((_, place) => !opened.has(place)), ...pieces];
    if (now.length < best.length) best = now;
  }
  return best;
}

/** Cuts of one length told once, the longest first; those of which none is wanted go. */
export function merged(items: readonly StockItem[]): readonly StockItem[] {
  const counts = new Map<number, number>();
  for (const { length, count } of items) {
    if (count > 0) counts.set(length, (counts.get(length) ?? 0) + count);
  }
  return [...counts].map(([length, count]) => ({ length, count })).sort((a, b) => b.length - a.length);
}

/**
 * Fewest stock pieces for a list of cuts, with the kerf lost between cuts and not after the last. The plan is proved where
 * it meets the bound.
 *
 * @param items lengths in any whole unit, the same as the stock's
 * @param effort `quick` fills piece by piece and leaves it at that
 * @example cutStock([{ length: 60, count: 4 }], 120, 0).plan.pieces // [[60, 60], [60, 60]]
 */
export function cutStock(
  items: readonly StockItem[],
  stock: number,
  kerf: number,
  effort: 'best' | 'quick' = 'best',
): StockReading {
  const wanted = merged(items);
  const longest = wanted[0]?.length ?? 0;
  if (longest > stock) return { ok: false, longest, stock };
  const problem: Problem = {
    lengths: wanted.map((item) => item.length + kerf),
    counts: wanted.map((item) => item.count),
    room: stock + kerf,
  };
  const bound = lowerBound(problem);
  const first = fillLongestFirst(problem);
  const pieces = effort === 'quick' ? first : bettered(problem, first, bound);
  return {
    ok: true,
    plan: {
      pieces: pieces.map((piece) => piece.map((index) => wanted[index]?.length ?? 0).sort((a, b) => b - a)),
      bound,
      proved: pieces.length === bound,
    },
  };
}
