import type { HouseRules } from '../../../kernel/rules';
import { toMetres } from '../../../kernel/measure';
import type { WorkedPour } from '../buildPour';
import { type Board, drawnBy } from './board';
import { busyIn } from './heights';
import { placedOf } from './loads';

/** What forms take over the drawings, as it is known after so much of it. */
export interface SwellKnown {
  /** Share over the drawings, and the share by which it may be off: two of three times it is nearer. */
  readonly mean: number;
  readonly spread: number;
  /** What the loads that are empty say alone; null before one is. */
  readonly seen: number | null;
}

/** What a tapped height may be off by, of a stop, in cubic metres: the concrete that the rule's height is at that place. */
const offBy = (volume: number, depth: number, within: number): number =>
  depth > 0 ? (volume / depth) * within : 0;

/** How far the heights of the tops may be off together, in cubic metres: each by itself. */
function heightSpread(pour: WorkedPour, { shares }: Pick<Board, 'shares'>, rules: HouseRules): number {
  const within = toMetres(rules.length('pour.level.within'));
  const squares = shares.reduce((sum, share, index) => {
    const stop = pour.day.stops[index];
    // A full top is struck off at its mark, and an empty form cannot be misread.
    if (!stop || share <= 0 || share >= 1) return sum;
    return sum + offBy(stop.volume, stop.depth, within) ** 2;
  }, 0);
  return Math.sqrt(squares);
}

/** When a height was tapped last; null before the first one. */
const lastHeight = ({ filled }: Pick<Board, 'filled'>): number | null =>
  filled.length === 0 ? null : Math.max(...filled.map(({ to }) => to));

/**
 * What the loads placed by a minute, in cubic metres: of one that is gone all that was not sent back, evenly over the minutes in which
 * it was placed; of the one at the hose by the crew's pace.
 */
export function loadsBy(
  { day }: Pick<WorkedPour, 'day'>,
  { loads, busy }: Pick<Board, 'loads' | 'busy'>,
  minute: number,
): number {
  return loads.reduce((sum, load) => {
    const { began, ended, volume } = load;
    if (began === null || minute <= began) return sum;
    if (ended === null) return sum + Math.min(volume, (day.rate * busyIn(busy, began, minute)) / 60);
    const whole = busyIn(busy, began, ended);
    const share = minute >= ended || whole <= 0 ? 1 : busyIn(busy, began, minute) / whole;
    return sum + placedOf(load) * share;
  }, 0);
}

/**
 * The loads that were empty when a height was tapped last: when the last of them was, what they brought, and what stood in the forms
 * at that minute as the drawings have it. Cubic metres; nothing before the first of them.
 */
function emptiedBy(board: Board): {
  readonly last: number;
  readonly loads: number;
  readonly drawn: number;
} {
  const until = lastHeight(board) ?? -Infinity;
  const gone = board.loads.filter(
    ({ began, stands, ended }) => began !== null && stands === 'gone' && (ended ?? Infinity) <= until,
  );
  const last = Math.max(...gone.map(({ ended }) => ended ?? -Infinity));
  return {
    last,
    loads: gone.reduce((sum, load) => sum + placedOf(load), 0),
    drawn: gone.length === 0 ? 0 : drawnBy(board, last),
  };
}

/**
 * What the forms take over the drawings, from the loads that were empty when a height was tapped last against the heights at that
 * minute, with what was thought of it before: each counts by how well it is known. [normal prior and normal reading: weights are the
 * inverse squares of the spreads]
 */
function swellOf(pour: WorkedPour, board: Board, rules: HouseRules): SwellKnown {
  const { day } = pour;
  const before = { mean: day.swell, spread: day.swellScatter };
  const { last, loads, drawn } = emptiedBy(board);
  if (drawn <= 0) return { ...before, seen: null };
  const seen = loads / drawn - 1;
  if (before.spread === 0) return { ...before, seen };
  // In what was being filled when the truck was empty, nobody knows how far: evenly anything of it.
  const within = board.filled
    .filter(({ from, to }) => from < last && last < to)
    .reduce(
      (sum, { stop, before: low, after }) =>
        sum + ((board.stops[stop]?.volume ?? 0) * (after - low)) ** 2 / 12,
      0,
    );
  const spread = Math.sqrt(within + heightSpread(pour, board, rules) ** 2) / drawn;
  if (spread === 0) return { mean: seen, spread: 0, seen };
  const [a, b] = [1 / before.spread ** 2, 1 / spread ** 2];
  return { mean: (before.mean * a + seen * b) / (a + b), spread: Math.sqrt(1 / (a + b)), seen };
}

const FULL = 1 - 1e-6;
/** So many minutes a hose is where it was tapped, whatever heights are tapped elsewhere meanwhile. [ours] */
const HOSE_HOLDS = 10;

/** The stop at which the hose is, or goes to next by the plan; null where all are full. */
export function nextStop({ hose, shares, filled }: Pick<Board, 'hose' | 'shares' | 'filled'>): number | null {
  const open = (index: number): boolean => (shares[index] ?? 1) < FULL;
  if (hose && open(hose.stop)) {
    const begun = (shares[hose.stop] ?? 0) > 0;
    if (begun || filled.every(({ to }) => to <= hose.since + HOSE_HOLDS)) return hose.stop;
  }
  const from = filled.at(-1)?.stop ?? -1;
  const order = shares.map((_, index) => (from + 1 + index) % shares.length);
  return order.find(open) ?? null;
}

/**
 * What went into the forms since a height was tapped last, by the stops that it must have filled, in cubic metres as the drawings
 * have it: what the loads placed since, from where the hose is on by the plan.
 */
export function unseenSince(
  pour: WorkedPour,
  board: Board,
  now: number,
  swell: number,
): ReadonlyMap<number, number> {
  const unseen = new Map<number, number>();
  const next = nextStop(board);
  if (board.done !== null || next === null) return unseen;
  const since = lastHeight(board) ?? -Infinity;
  let left = (loadsBy(pour, board, now) - loadsBy(pour, board, since)) / (1 + Math.max(0, swell));
  for (let step = 0; step < board.stops.length && left > 0; step++) {
    const stop = (next + step) % board.stops.length;
    const room = (board.stops[stop]?.volume ?? 0) * (1 - (board.shares[stop] ?? 0));
    if (room <= 0) continue;
    unseen.set(stop, Math.min(room, left));
    left -= room;
  }
  return unseen;
}

/** What is still to be placed, and what of it is at hand. Cubic metres. */
export interface Balance {
  /** Still to be filled as the drawings have it. */
  readonly drawnLeft: number;
  readonly swell: SwellKnown;
  /** Concrete that it takes, and by how much that may be off. */
  readonly left: number;
  readonly spread: number;
  /** In the truck at the hose, in those that wait, and in loads of the plan or called ones that are still to come, without the last. */
  readonly atHose: number;
  readonly waiting: number;
  readonly toCome: number;
  /** What the last load must bring; below zero where so much too much is at hand. */
  readonly last: number;
  /** Whether that is ordered already. */
  readonly settled: boolean;
  /** Placed by the loads that are empty, and by the heights at that minute with what forms mostly take; null before one is. */
  readonly compared: { readonly byLoads: number; readonly byHeights: number } | null;
}

/** What the load at the hose placed since it began: by the heights as far as they were tapped since, then by the crew's pace. */
function fromLoad(
  pour: WorkedPour,
  board: Board,
  { began, now, factor }: { readonly began: number; readonly now: number; readonly factor: number },
): number {
  const until = Math.max(began, lastHeight(board) ?? began);
  return (
    (drawnBy(board, until) - drawnBy(board, began)) * factor +
    loadsBy(pour, board, now) -
    loadsBy(pour, board, until)
  );
}

/** What is left of a pour, from its heights and its loads. */
export function balanceOf(pour: WorkedPour, board: Board, now: number, rules: HouseRules): Balance {
  const swell = swellOf(pour, board, rules);
  const factor = 1 + Math.max(0, swell.mean);
  const unseen = [...unseenSince(pour, board, now, swell.mean).values()].reduce((sum, each) => sum + each, 0);
  const open = board.stops.reduce(
    (sum, { volume }, index) => sum + volume * (1 - (board.shares[index] ?? 0)),
    0,
  );
  const drawnLeft = board.done === null ? Math.max(0, open - unseen) : 0;
  const left = drawnLeft * factor;
  const spread = Math.hypot(drawnLeft * swell.spread, heightSpread(pour, board, rules) * factor);
  const hose = board.loads.find(({ stands }) => stands === 'at-hose');
  const atHose = hose
    ? Math.max(0, hose.volume - fromLoad(pour, board, { began: hose.began ?? now, now, factor }))
    : 0;
  const waiting = board.loads
    .filter(({ stands }) => stands === 'waits')
    .reduce((sum, { volume }) => sum + volume, 0);
  const planned = pour.day.loads.length;
  const lastLoad = board.loads.find(({ number }) => number === planned);
  const settled = lastLoad === undefined || lastLoad.ordered !== null || lastLoad.arrived !== null;
  const toCome = board.loads
    .filter(({ number, stands }) => stands === 'to-come' && (settled || number !== planned))
    .reduce((sum, { volume }) => sum + volume, 0);
  const emptied = emptiedBy(board);
  return {
    drawnLeft,
    swell,
    left,
    spread,
    atHose,
    waiting,
    toCome,
    last: left - atHose - waiting - toCome,
    settled,
    compared:
      emptied.loads > 0 ? { byLoads: emptied.loads, byHeights: emptied.drawn * (1 + pour.day.swell) } : null,
  };
}
