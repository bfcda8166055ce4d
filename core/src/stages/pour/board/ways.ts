import type { HouseRules } from '../../../kernel/rules';
import type { WorkedPour } from '../buildPour';
import { type Odds, type Ordered, manyDays, playedWith, riskOf } from '../rehearsal';
import { type Ahead, type StopAhead, aheadOf } from './ahead';
import type { Board } from './board';

/** What may help now. */
export type WayKind = 'on' | 'sooner' | 'later' | 'oldest' | 'lower' | 'truck' | 'slower';

/** A way to go on, as the rehearsal plays it. */
export interface Way {
  readonly kind: WayKind;
  readonly ahead: Ahead;
}

/** Minutes by which the trucks to come are called sooner or later. [ours] */
export const SHIFT = 10;
/** What is left of the pace of a crew that is told to slow down. [ours] */
const SLOWER = 0.75;

/** The stops of a lift from its oldest layer on, round to where the hose is. */
function fromOldest({ day, from }: Ahead): readonly StopAhead[] | null {
  const lift = day.stops[0]?.lift;
  const own = day.stops.filter((stop) => stop.lift === lift);
  const last = new Map(from.layers.map((layer) => [layer.slice, layer.last]));
  const ages = own.map(({ slice }) => (slice === null ? Infinity : (last.get(slice) ?? Infinity)));
  const oldest = Math.min(...ages);
  const at = ages.indexOf(oldest);
  if (!Number.isFinite(oldest) || at <= 0) return null;
  return [...own.slice(at), ...own.slice(0, at), ...day.stops.slice(own.length)];
}

/** The lift that is being filled in two rounds of half its depth. */
function inTwo({ day }: Ahead): readonly StopAhead[] | null {
  const lift = day.stops[0]?.lift;
  const own = day.stops.filter((stop) => stop.lift === lift);
  if (!own.some(({ depth }) => depth > 0)) return null;
  const half = (stop: StopAhead, upper: boolean): StopAhead => ({
    ...stop,
    volume: stop.volume / 2,
    depth: stop.depth / 2,
    foot: stop.foot + (upper ? stop.depth / 2 : 0),
  });
  const halves = own.filter(({ slice }) => slice !== null);
  return [
    ...own.map((stop) => (stop.slice === null ? stop : half(stop, false))),
    ...halves.map((stop) => half(stop, true)),
    ...day.stops.slice(own.length),
  ];
}

/**
 * Ways to go on from a minute: as it goes, and what a crew may change about it. Those that change nothing any more, as the last
 * trucks are on their way, are left out.
 */
export function waysFrom(pour: WorkedPour, board: Board, now: number, rules: HouseRules): readonly Way[] {
  const on = aheadOf(pour, board, now, rules);
  const { day, from } = on;
  if (day.stops.length === 0) return [];
  const more = from.planned < day.loads.length;
  const shifted = (shift: number): Ahead => ({ day, from: { ...from, shift } });
  const way = (kind: WayKind, change: Partial<Ahead['day']> | null): readonly Way[] =>
    change === null ? [] : [{ kind, ahead: { day: { ...day, ...change }, from } }];
  const stops = (changed: readonly StopAhead[] | null) => (changed === null ? null : { stops: changed });
  return [
    { kind: 'on', ahead: on },
    ...(more
      ? [
          { kind: 'sooner' as const, ahead: shifted(-SHIFT) },
          { kind: 'later' as const, ahead: shifted(SHIFT) },
        ]
      : []),
    ...way('oldest', stops(fromOldest(on))),
    ...way('lower', stops(inTwo(on))),
    ...way('truck', more ? { trucks: day.trucks + 1 } : null),
    ...way('slower', { rate: day.rate * SLOWER, chuteRate: day.chuteRate * SLOWER }),
  ];
}

/** How a way came out over its days. */
export interface WayTried extends Ordered {
  readonly kind: WayKind;
}

/** What lies ahead, and what would help. */
export interface LookAhead {
  readonly odds: Odds;
  /** The ways, those first that help most. */
  readonly ways: readonly WayTried[];
}

/** Odds that differ by less are the same: chance alone moves them by as much over some hundred days. [ours] */
const ALIKE = 0.03;

/**
 * Ways that are better in what must not happen than going on as it goes, the best first; then going on; then the others, by the time
 * that trucks and crew stand in them.
 */
export function ranked(ways: readonly WayTried[]): readonly WayTried[] {
  const on = ways.filter(({ kind }) => kind === 'on');
  const most = Math.max(...on.map(riskOf)) - ALIKE;
  const others = ways.filter(({ kind }) => kind !== 'on');
  return [
    ...others
      .filter((way) => riskOf(way) < most)
      .sort((a, b) => riskOf(a) - riskOf(b) || a.finish - b.finish),
    ...on,
    ...others
      .filter((way) => riskOf(way) >= most)
      .sort((a, b) => a.waited + a.stood - (b.waited + b.stood) || a.finish - b.finish),
  ];
}

/**
 * Plays a pour on from where it is: many days as it goes, and fewer of every way that may help, each through the same days.
 *
 * @param days played as it goes, and of each way
 */
export function lookAhead(
  ways: readonly Way[],
  seed: number,
  days: { readonly on: number; readonly way: number },
): LookAhead | null {
  const on = ways.find(({ kind }) => kind === 'on');
  if (!on) return null;
  const playing = manyDays(on.ahead.day, seed, days.on, on.ahead.from);
  let step = playing.next();
  while (step.done !== true) step = playing.next();
  return {
    odds: step.value,
    ways: ranked(
      ways.map(({ kind, ahead }) => ({ kind, ...playedWith(ahead.day, seed, days.way, ahead.from) })),
    ),
  };
}
