import type { Entry, Trouble } from '../../../kernel/record';
import type { HouseRules } from '../../../kernel/rules';
import type { WorkedPour } from '../buildPour';
import { workingMinutes } from '../mix';
import type { Layer } from '../rehearsal';
import {
  type BoardStop,
  type Busy,
  type FilledPart,
  type Heights,
  type HosePlace,
  busyIn,
  heightsOf,
} from './heights';
import { type BoardLoad, type OddTap, loadsOfBoard, placedOf } from './loads';
import { type TimedTap, minutesFrom, originOf, tapsOf } from './taps';

/** Time in which nobody placed concrete by the crew's own word; not over where it has no end. */
export interface Halt {
  readonly from: number;
  readonly to: number | null;
}

/** Something that went wrong, as it was tapped. */
export interface BoardTrouble {
  /** The entry that tells of it. */
  readonly entry: string;
  readonly trouble: Trouble;
  readonly at: number;
  readonly wall: string | null;
  readonly what: string;
}

/** A pour as it stands by what was tapped. Times in minutes from `origin`. */
export interface Board {
  readonly pour: string;
  /** Milliseconds since 1970 of minute 0, and what the clock at the site says then, in minutes after midnight. */
  readonly origin: number;
  readonly start: number;
  readonly taps: readonly TimedTap[];
  readonly loads: readonly BoardLoad[];
  readonly stops: readonly BoardStop[];
  /** Share of each stop that is filled. */
  readonly shares: readonly number[];
  readonly filled: readonly FilledPart[];
  readonly layers: readonly Layer[];
  /** Places whose layer waited longer than the working time before it was covered. */
  readonly cold: readonly { readonly slice: number; readonly waited: number }[];
  readonly hose: HosePlace | null;
  /** When concrete was placed: a truck at the hose, and nobody had said to stop. */
  readonly busy: Busy;
  readonly halts: readonly Halt[];
  readonly troubles: readonly BoardTrouble[];
  /** First concrete; null before it. */
  readonly began: number | null;
  /** The pour was said to be done; null while it goes on. */
  readonly done: number | null;
  /** Minutes that a layer may wait, at the temperature of the last load that was measured. */
  readonly working: number;
  /** That temperature in degrees Fahrenheit; null where none was measured. */
  readonly temperature: number | null;
  readonly odd: readonly OddTap[];
}

/** The stops of a pour as the board goes by them. */
export const stopsOfBoard = ({
  day,
  stops,
  slices,
}: Pick<WorkedPour, 'day' | 'stops' | 'slices'>): readonly BoardStop[] =>
  stops.map((stop, index): BoardStop => {
    const slice = slices[stop.slice ?? -1];
    const own = day.stops[index];
    const [foot, depth] = [own?.foot ?? 0, own?.depth ?? 0];
    return {
      where: slice ? { wall: slice.wall, from: slice.from, to: slice.to } : null,
      side: stop.side,
      bottom: Math.round(foot * 1e9),
      top: Math.round((foot + depth) * 1e9),
      volume: stop.volume,
    };
  });

function haltsOf(taps: readonly TimedTap[]): readonly Halt[] {
  const halts: Halt[] = [];
  let from: number | null = null;
  for (const { tap, at } of taps) {
    if (tap.kind !== 'halt') continue;
    if (tap.body.way === 'stop') from ??= at;
    else if (from !== null) {
      halts.push({ from, to: at });
      from = null;
    }
  }
  return from === null ? halts : [...halts, { from, to: null }];
}

/** When a truck stood at the hose and nobody had said to stop. */
function busyOf(loads: readonly BoardLoad[], halts: readonly Halt[], now: number) {
  const at = loads
    .flatMap(({ began, ended }) => (began === null ? [] : [{ from: began, to: ended ?? now }]))
    .sort((a, b) => a.from - b.from);
  return halts.reduce(
    (busy, halt) =>
      busy.flatMap(({ from, to }) => {
        const end = halt.to ?? now;
        if (halt.from >= to || end <= from) return [{ from, to }];
        return [
          ...(halt.from > from ? [{ from, to: halt.from }] : []),
          ...(end < to ? [{ from: end, to }] : []),
        ];
      }),
    at,
  );
}

/** The layers by their places, and where one waited too long: placed anew less than a minute later, it is the same layer. */
function layersOf(
  filled: readonly FilledPart[],
  { day }: Pick<WorkedPour, 'day'>,
  working: number,
): Pick<Board, 'layers' | 'cold'> {
  const layers = new Map<number, Layer>();
  const cold = new Map<number, number>();
  for (const { stop, from, to, before, after } of [...filled].sort((a, b) => a.to - b.to)) {
    const { slice, depth } = day.stops[stop] ?? { slice: null, depth: 0 };
    if (slice === null) continue;
    const added = depth * (after - before);
    const known = layers.get(slice);
    if (!known) {
      layers.set(slice, { slice, firstEnd: to, firstDepth: added, last: to, depth: added });
      continue;
    }
    const waited = from - known.last;
    if (waited > working) cold.set(slice, Math.max(waited, cold.get(slice) ?? 0));
    layers.set(slice, { ...known, last: Math.max(known.last, to), depth: known.depth + added });
  }
  return {
    layers: [...layers.values()],
    cold: [...cold].map(([slice, waited]) => ({ slice, waited })),
  };
}

/** Concrete in the forms by the heights, as the drawings have it, in cubic metres; at the end of it, or by a minute. */
export const drawnBy = (
  { stops, filled, busy }: Pick<Board, 'stops' | 'filled' | 'busy'>,
  minute = Infinity,
): number =>
  filled.reduce((sum, { stop, from, to, before, after }) => {
    const whole = busyIn(busy, from, to);
    const share =
      minute >= to
        ? 1
        : minute <= from
          ? 0
          : whole > 0
            ? busyIn(busy, from, minute) / whole
            : (minute - from) / (to - from);
    return sum + (stops[stop]?.volume ?? 0) * (after - before) * share;
  }, 0);

/**
 * A pour as it stands by the taps of its log, whatever the order in which they arrived.
 *
 * @param now the moment that is asked about, as an entry writes it
 */
export function boardOf(pour: WorkedPour, entries: readonly Entry[], now: string, rules: HouseRules): Board {
  const own = tapsOf(pour.span.pour, entries);
  // Before its first tap a pour is on the day that it is planned for.
  const day0 = pour.date === null ? now : `${pour.date}${now.slice(10)}`;
  const { origin, start } = originOf(own, pour.start, day0);
  const minute = minutesFrom(origin, now);
  const taps = own
    .map((tap): TimedTap => ({ tap, at: minutesFrom(origin, tap.body.time) }))
    .filter(({ at }) => at <= minute);
  const { day } = pour;
  const { loads, odd } = loadsOfBoard(taps, day.loads, day.travel + day.load);
  const halts = haltsOf(taps);
  const said = taps.findLast(({ tap }) => tap.kind === 'halt');
  const done = said?.tap.kind === 'halt' && said.tap.body.way === 'done' ? said.at : null;
  const stops = stopsOfBoard(pour);
  const busy = busyOf(loads, halts, minute);
  const heights: Heights = heightsOf(taps, stops, busy);
  const temperature = taps
    .flatMap(({ tap }) => (tap.kind === 'load' ? (tap.body.temperatureF ?? []) : []))
    .at(-1);
  const working = temperature === undefined ? pour.mix.working : workingMinutes(temperature, rules);
  const delivered = loads.reduce((sum, load) => sum + (load.began === null ? 0 : placedOf(load)), 0);
  const drawn = drawnBy({ stops, filled: heights.filled, busy });
  const late = done === null ? [] : taps.filter(({ tap, at }) => at > done && tap.kind !== 'trouble');
  const first = [...busy.map(({ from }) => from), ...heights.filled.map(({ from }) => from)];
  return {
    pour: pour.span.pour,
    origin,
    start,
    taps,
    loads,
    stops,
    shares: heights.shares,
    filled: heights.filled,
    ...layersOf(heights.filled, pour, working),
    hose: heights.hose,
    busy,
    halts,
    troubles: taps.flatMap(({ tap, at }): BoardTrouble[] =>
      tap.kind === 'trouble'
        ? [
            {
              entry: tap.id,
              trouble: tap.body.trouble,
              at,
              wall: tap.place?.wall ?? null,
              what: tap.body.what,
            },
          ]
        : [],
    ),
    began: first.length > 0 ? Math.min(...first) : null,
    done,
    working,
    temperature: temperature ?? null,
    odd: [
      ...odd,
      ...heights.odd,
      ...late.map(({ tap }): OddTap => ({ kind: 'after-done', tap: tap.id })),
      ...(loads.some(({ began }) => began !== null) && drawn > delivered + 1e-6
        ? [{ kind: 'more-placed' as const, over: drawn - delivered }]
        : []),
    ],
  };
}
