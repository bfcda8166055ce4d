import type { HouseRules } from '../../../kernel/rules';
import type { WorkedPour } from '../buildPour';
import type { Day, DayStop, OnSite, Underway } from '../rehearsal';
import type { Board } from './board';
import { balanceOf, nextStop, unseenSince } from './balance';
import { busyIn } from './heights';
import type { BoardLoad } from './loads';

/** A stop that is still to be filled, with the stop of the plan that it is. */
export interface StopAhead extends DayStop {
  readonly stop: number;
}

/** What is still ahead of a pour: the day of the plan with what is left to fill, and where it is taken up. */
export interface Ahead {
  readonly day: Omit<Day, 'stops'> & { readonly stops: readonly StopAhead[] };
  readonly from: Underway;
}

/** Less than this share of a stop is none. */
const LITTLE = 1e-6;

/**
 * What is left to fill in the order in which it is filled: from where the hose is on by the plan, with what of its lift was passed by
 * after it. What is missing in a stop that was left is filled with the next one over it.
 */
function stopsAhead(pour: WorkedPour, board: Board, now: number, swell: number): readonly StopAhead[] {
  const { day } = pour;
  const tapped = nextStop(board);
  if (tapped === null) return [];
  const unseen = unseenSince(pour, board, now, swell);
  const left = board.shares.map((share, index) => {
    const volume = day.stops[index]?.volume ?? 0;
    return Math.max(0, 1 - share - (volume > 0 ? (unseen.get(index) ?? 0) / volume : 0));
  });
  const count = day.stops.length;
  const first = day.stops
    .map((_, step) => (tapped + step) % count)
    .find((index) => (left[index] ?? 0) > LITTLE);
  if (first === undefined) return [];
  const lift = day.stops[first]?.lift ?? 1;
  const order = day.stops
    .map((_, index) => index)
    .filter((index) => (left[index] ?? 0) > LITTLE)
    .map((index) => ({
      index,
      lift: Math.max(lift, day.stops[index]?.lift ?? lift),
      passed: index < first,
    }))
    .sort((x, y) => x.lift - y.lift || Number(x.passed) - Number(y.passed) || x.index - y.index);
  const ahead: { -readonly [Key in keyof StopAhead]: StopAhead[Key] }[] = [];
  const carried = new Map<number, { volume: number; depth: number; foot: number }>();
  for (const { index, passed } of order) {
    const stop = day.stops[index];
    if (!stop) continue;
    const share = left[index] ?? 0;
    const [volume, depth] = [stop.volume * share, stop.depth * share];
    const begun = share < 1 - LITTLE && index !== first;
    const later =
      begun && passed && stop.slice !== null
        ? order.find(
            (each) => !each.passed && each.index !== index && day.stops[each.index]?.slice === stop.slice,
          )
        : undefined;
    if (later) {
      const known = carried.get(later.index);
      const foot = stop.foot + stop.depth - depth;
      carried.set(later.index, {
        volume: volume + (known?.volume ?? 0),
        depth: depth + (known?.depth ?? 0),
        foot: Math.min(foot, known?.foot ?? foot),
      });
      continue;
    }
    ahead.push({ ...stop, stop: index, volume, depth, foot: stop.foot + stop.depth - depth });
  }
  for (const each of ahead) {
    const more = carried.get(each.stop);
    if (!more) continue;
    each.volume += more.volume;
    each.depth += more.depth;
    each.foot = Math.min(each.foot, more.foot);
  }
  const [here] = ahead;
  // The hose is there already.
  if (here && (board.hose?.stop === here.stop || unseen.has(here.stop))) {
    [here.move, here.chuteMove] = [false, false];
  }
  return ahead;
}

/** What the crew's pace was against the rules', load by load, with what was thought of it before. [normal prior and readings, of logarithms] */
function paceOf(pour: WorkedPour, board: Board): Underway['pace'] {
  const { day } = pour;
  // How far a whole crew may be off its rule: a third of what one load may be off. [ours]
  const prior = day.rateScatter / 3;
  if (prior === 0) return { mean: 1, spread: 0 };
  const seen = board.loads.flatMap(({ began, ended, stands, volume, back }): number[] => {
    if (began === null || ended === null || stands !== 'gone') return [];
    const moved = board.filled.filter(
      ({ stop, from, before }) =>
        before === 0 && from > began && from < ended && day.stops[stop]?.move === true,
    ).length;
    const minutes = busyIn(board.busy, began, ended) - moved * day.move;
    const placed = volume - (back ?? 0);
    return minutes > 1 && placed > 0 ? [Math.log((placed * 60) / minutes / day.rate)] : [];
  });
  const weight = (day.rateScatter / prior) ** 2;
  const sum = seen.reduce((all, each) => all + each, 0);
  return {
    mean: Math.exp(sum / (seen.length + weight)),
    spread: prior * Math.sqrt(weight / (seen.length + weight)),
  };
}

const onSite = ({ batched, arrived, volume, extra }: BoardLoad, size = volume): OnSite => ({
  batched: batched ?? 0,
  arrived: arrived ?? 0,
  size,
  extra,
});

/**
 * The rest of a pour as the rehearsal plays it, from the minute `now`.
 */
export function aheadOf(pour: WorkedPour, board: Board, now: number, rules: HouseRules): Ahead {
  const { day } = pour;
  const balance = balanceOf(pour, board, now, rules);
  const gone = board.loads.filter(({ began, stands }) => began !== null && stands === 'gone');
  const hose = board.loads.find(({ stands }) => stands === 'at-hose');
  const waiting = board.loads
    .filter(({ stands }) => stands === 'waits')
    .sort((a, b) => (a.arrived ?? 0) - (b.arrived ?? 0));
  const came = board.loads.filter(({ arrived }) => arrived !== null);
  // What was sent back from the gate was at no hose: its trip is over all the same.
  const turned = came.filter(({ began, stands }) => began === null && stands === 'gone');
  const trips = [...gone, ...turned, ...(hose ? [hose] : [])].sort(
    (a, b) => (a.began ?? a.arrived ?? 0) - (b.began ?? b.arrived ?? 0),
  );
  const planned = board.loads.filter(({ number, arrived }) => number <= day.loads.length && arrived !== null);
  const halt = board.halts.at(-1);
  const held = halt && halt.to === null ? heldUntil(board, halt.from, now, rules) : now;
  // Loads that came stand before those to come, whatever their numbers.
  const toCome = board.loads.filter(({ number, arrived }) => number <= day.loads.length && arrived === null);
  return {
    day: {
      ...day,
      stops: stopsAhead(pour, board, now, balance.swell.mean),
      loads: [...planned, ...toCome].map(({ volume }) => volume),
      working: board.working,
    },
    from: {
      clock: held,
      layers: board.layers,
      hose: hose ? { ...onSite(hose, balance.atHose), began: hose.began ?? now } : null,
      left: gone.length === 0 ? null : Math.max(...gone.map(({ ended }) => ended ?? -Infinity)),
      waiting: waiting.map((load) => onSite(load)),
      planned: planned.length,
      trips: trips.length,
      back: trips.flatMap(({ ended }) => (ended === null ? [] : [ended + day.wash + day.travel])),
      plantFree: Math.max(-Infinity, ...came.map(({ batched }) => (batched ?? 0) + day.load)),
      called: board.loads
        .filter(({ extra, stands, ordered }) => extra && stands === 'to-come' && ordered !== null)
        .map(({ ordered, volume }) => ({ at: ordered ?? now, volume })),
      settled: balance.settled,
      shift: 0,
      firstPlaced: board.began ?? Infinity,
      swell: balance.swell,
      pace: paceOf(pour, board),
    },
  };
}

/** When concrete is placed again after a halt that is not over: after thunder when the rule says, else when such a trouble is mostly over. */
function heldUntil(board: Board, from: number, now: number, rules: HouseRules): number {
  const thunder = board.troubles.findLast(({ trouble, at }) => trouble === 'lightning' && at >= from - 1);
  return thunder ? Math.max(now, thunder.at + rules.count('pour.lightning.wait')) : now;
}
