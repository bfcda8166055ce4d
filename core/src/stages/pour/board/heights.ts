import type { OddTap } from './loads';
import type { TimedTap } from './taps';

/** A part of a stop that was filled in one go; minutes from the start. */
export interface FilledPart {
  readonly stop: number;
  readonly from: number;
  readonly to: number;
  /** Shares of the stop that were filled before and after. */
  readonly before: number;
  readonly after: number;
}

/** What a stop is to the board. */
export interface BoardStop {
  /** The wall and the stretch of it in nanometres; null beside the walls. */
  readonly where: { readonly wall: string; readonly from: number; readonly to: number } | null;
  readonly side: string | null;
  /** Heights above the lowest footing between which it is filled, in nanometres. */
  readonly bottom: number;
  readonly top: number;
  /** Cubic metres. */
  readonly volume: number;
}

/** Stretches of time in which concrete was placed. */
export type Busy = readonly { readonly from: number; readonly to: number }[];

/** Shares closer than this are the same: what rounding of a height makes of them. */
const ALIKE = 1e-6;

/** Minutes of a stretch in which concrete was placed. */
export const busyIn = (busy: Busy, from: number, to: number): number =>
  busy.reduce((sum, each) => sum + Math.max(0, Math.min(to, each.to) - Math.max(from, each.from)), 0);

/** The moment by which so many minutes of placing had passed. */
function after(busy: Busy, from: number, minutes: number, to: number): number {
  let left = minutes;
  for (const each of busy) {
    const begin = Math.max(from, each.from);
    const length = Math.min(to, each.to) - begin;
    if (length <= 0) continue;
    if (left <= length) return begin + left;
    left -= length;
  }
  return to;
}

/** Where the hose is: since when, and at which stop. */
export interface HosePlace {
  readonly stop: number;
  readonly since: number;
}

/** The heights of a pour as they were tapped. */
export interface Heights {
  /** Share of each stop that is filled. */
  readonly shares: readonly number[];
  readonly filled: readonly FilledPart[];
  /** Null before the hose was put anywhere. */
  readonly hose: HosePlace | null;
  readonly odd: readonly OddTap[];
}

/**
 * What stands in the forms by the heights that were tapped. A height over a stretch of wall fills every stop there up to it; the
 * stops that one tap fills share the time since the tap before by their volumes, or since the hose was put to one of them, as far as
 * concrete was placed in it. A height that falls is left out: concrete does not.
 */
export function heightsOf(taps: readonly TimedTap[], stops: readonly BoardStop[], busy: Busy): Heights {
  const shares = stops.map(() => 0);
  const filled: FilledPart[] = [];
  const odd: OddTap[] = [];
  let hose: HosePlace | null = null;
  let last: number | null = null;
  // Where the hose was put since a height was tapped last.
  let visits: HosePlace[] = [];
  const fill = (at: number, wanted: readonly { readonly stop: number; readonly share: number }[]): void => {
    const volume = (stop: number, share: number): number =>
      (stops[stop]?.volume ?? 0) * (share - (shares[stop] ?? 0));
    const all = wanted.reduce((sum, { stop, share }) => sum + volume(stop, share), 0);
    const visit = visits.find(({ stop }) => wanted.some((each) => each.stop === stop));
    const began = busy[0]?.from ?? at;
    const from = Math.min(at, Math.max(last ?? began, visit?.since ?? -Infinity));
    const minutes = busyIn(busy, from, at);
    let done = 0;
    const clock = (): number => {
      const share = all > 0 ? done / all : 1;
      return minutes > 0 ? after(busy, from, minutes * share, at) : from + (at - from) * share;
    };
    for (const [index, { stop, share }] of wanted.entries()) {
      // A stop begins when the first concrete goes into it: not at the end of a wait before.
      const start = index === 0 ? Math.max(from, firstBusy(busy, from, at)) : clock();
      done += volume(stop, share);
      const end = index === wanted.length - 1 ? at : clock();
      filled.push({ stop, from: start, to: end, before: shares[stop] ?? 0, after: share });
      shares[stop] = share;
    }
    last = at;
    visits = [];
  };
  for (const { tap, at } of taps) {
    if (tap.kind === 'hose') {
      const { to } = tap.body;
      const open = stops.findIndex(
        ({ where, side }, index) =>
          (shares[index] ?? 0) < 1 - ALIKE &&
          ('side' in to
            ? side === to.side
            : where?.wall === to.wall && where.from <= to.along && to.along <= where.to),
      );
      if (open < 0) odd.push({ kind: 'nowhere', tap: tap.id });
      else {
        hose = { stop: open, since: at };
        visits.push(hose);
      }
    } else if (tap.kind === 'rise') {
      const { wall, from, to, top } = tap.body;
      const here = stops.flatMap(({ where, bottom, top: full }, stop) => {
        if (where?.wall !== wall) return [];
        const middle = (where.from + where.to) / 2;
        if (middle < Math.min(from, to) || middle > Math.max(from, to)) return [];
        const share =
          full > bottom ? Math.min(1, Math.max(0, (top - bottom) / (full - bottom))) : top >= full ? 1 : 0;
        return [{ stop, share }];
      });
      if (here.length === 0) {
        odd.push({ kind: 'nowhere', tap: tap.id });
        continue;
      }
      const rises = here.filter(({ stop, share }) => share > (shares[stop] ?? 0) + ALIKE);
      if (here.some(({ stop, share }) => share < (shares[stop] ?? 0) - ALIKE) && rises.length === 0) {
        odd.push({ kind: 'falls', tap: tap.id, wall });
      }
      if (rises.length > 0) fill(at, rises);
    } else if (tap.kind === 'side') {
      const here = stops.flatMap(({ side }, stop) =>
        side === tap.body.side ? [{ stop, share: tap.body.share }] : [],
      );
      if (here.length === 0) odd.push({ kind: 'nowhere', tap: tap.id });
      const rises = here.filter(({ stop, share }) => share > (shares[stop] ?? 0) + ALIKE);
      if (rises.length > 0) fill(at, rises);
    }
  }
  return { shares, filled, hose, odd };
}

/** The first moment of a stretch in which concrete was placed; its begin where none was. */
const firstBusy = (busy: Busy, from: number, to: number): number =>
  busy.find((each) => each.to > from && each.from < to)?.from ?? from;
