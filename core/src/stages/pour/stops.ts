import type { CourseRow } from '../courses';
import { type Length, ZERO } from '../../kernel/measure';
import type { PlacedOpening } from '../openings';
import type { HouseRules, LengthRuleId } from '../../kernel/rules';
import { distance } from '../../kernel/geometry/point';
import type { Shell, Wall } from '../outline';
import type { LiftSpan } from './lifts';
import { type Slice, faceOf } from './slices';
import type { SideVolume } from './sides';

/** One setting-down of the hose, in the order of the pour. */
export interface Stop {
  readonly kind: 'wall' | 'sill' | 'side';
  /** Number of its lift, from 1; side pours belong to the lift before which they are filled. */
  readonly lift: number;
  readonly slice: number | null;
  readonly wall: string | null;
  /** What is poured beside the walls, by its id; null on a wall. */
  readonly side: string | null;
  readonly name: string;
  readonly bottom: Length;
  readonly top: Length;
  /** Cubic metres, as the drawings have it. */
  readonly volume: number;
  /** Chute or conveyor are moved before it, or the last access hole is plugged and the next opened. */
  readonly move: boolean;
  /** The chute would be moved before it, where it takes over for a pump. */
  readonly chuteMove: boolean;
}

export type PourMethod = 'pump' | 'chute' | 'conveyor' | 'holes';

export const methodOf = (rules: HouseRules): PourMethod => rules.choice('pour.method') as PourMethod;

const REACH: Readonly<Record<PourMethod, LengthRuleId>> = {
  pump: 'pour.reach.pump',
  chute: 'pour.reach.chute',
  conveyor: 'pour.reach.conveyor',
  holes: 'pour.reach.holes',
};

export const reachOf = (rules: HouseRules): Length => rules.length(REACH[methodOf(rules)]);

/** Whether the machine is set beside the walls again and again, or stands in one place. */
export const isMoved = (method: PourMethod): boolean => method === 'chute' || method === 'conveyor';

/**
 * Slices in the order of one lift: from the corner where the pour starts, or so far from it that the lift ends by arriving at it;
 * outline after outline.
 *
 * @param corner the wall at whose first corner the pour starts or arrives; the first of each outline where it has none
 */
export function routeOf(
  slices: readonly Slice[],
  shell: Shell,
  corner: string | undefined,
  rules: HouseRules,
): readonly Slice[] {
  const clockwise = rules.choice('pour.direction') === 'clockwise';
  const away = rules.choice('pour.start') === 'arrive' ? rules.length('pour.start.away') : 0;
  return shell.loops.flatMap(({ id, built }): readonly Slice[] => {
    const own = slices.filter((slice) => slice.loop === id);
    if (!built || own.length === 0) return [];
    if (built.open) return clockwise ? own : [...own].reverse();
    const stations = new Map(built.walls.map((wall) => [wall.id, wall.station]));
    const from = stations.get(corner ?? '') ?? 0;
    const middle = (slice: Slice): number => (stations.get(slice.wall) ?? 0) + (slice.from + slice.to) / 2;
    const after = (slice: Slice): number => {
      const walked = clockwise ? middle(slice) - from : from - middle(slice);
      const turned = (walked - away) % built.perimeter;
      return turned < 0 ? turned + built.perimeter : turned;
    };
    return [...own].sort((a, b) => after(a) - after(b));
  });
}

/** Where the machine stands anew along a route: it reaches so far to either side of where it stands. */
export function standsAlong(route: readonly Slice[], reach: Length): ReadonlySet<number> {
  const stands = new Set<number>();
  let at = 0;
  while (at < route.length) {
    const first = route[at] as Slice;
    stands.add(first.index);
    let beside = at;
    while (beside + 1 < route.length && distance(first.at, (route[beside + 1] as Slice).at) <= reach)
      beside++;
    const stand = route[beside] as Slice;
    let next = beside + 1;
    while (next < route.length && distance(stand.at, (route[next] as Slice).at) <= reach) next++;
    at = next;
  }
  return stands;
}

interface StopsInput {
  readonly route: readonly Slice[];
  readonly lifts: readonly LiftSpan[];
  readonly walls: ReadonlyMap<string, Wall>;
  readonly rows: ReadonlyMap<string, readonly CourseRow[]>;
  readonly openings: readonly PlacedOpening[];
  /** What a wall takes in a lift, in cubic metres. */
  readonly volumeOf: (wall: string, lift: number) => number;
  readonly sides: readonly SideVolume[];
  readonly rules: HouseRules;
}

/** A face of less than a square millimetre is what rounding left of none: nobody sets the hose down for it. Square metres. */
const NO_FACE = 1e-6;

/** A wall's share of a lift, slice by slice; sills apart. */
function stopsOfLift(
  input: StopsInput,
  lift: number,
  stands: ReadonlySet<number>,
  chute: ReadonlySet<number>,
): readonly Stop[] {
  const { route, lifts, walls, rows, openings, volumeOf, rules } = input;
  const span = lifts[lift - 1];
  if (!span) return [];
  const faces = new Map<number, number>();
  const whole = new Map<string, number>();
  for (const slice of route) {
    const wall = walls.get(slice.wall);
    if (!wall) continue;
    const own = openings.filter((each) => each.worked && each.wall === slice.wall);
    const face = faceOf({
      slice,
      wall,
      rows: rows.get(slice.wall) ?? [],
      openings: own,
      bottom: span.bottom,
      top: span.top,
    });
    if (face < NO_FACE) continue;
    faces.set(slice.index, face);
    whole.set(slice.wall, (whole.get(slice.wall) ?? 0) + face);
  }
  const stops = route.flatMap((slice): Stop[] => {
    const face = faces.get(slice.index) ?? 0;
    const share = face / Math.max(whole.get(slice.wall) ?? 0, Number.MIN_VALUE);
    const volume = share * volumeOf(slice.wall, lift);
    if (!(volume > 0)) return [];
    const under =
      slice.opening !== null && !slice.opening.openBottom && slice.opening.concrete.bottom > span.bottom;
    return [
      {
        kind: under ? 'sill' : 'wall',
        lift,
        slice: slice.index,
        wall: slice.wall,
        side: null,
        name: under ? `under the sill of ${slice.opening.name}` : slice.name,
        bottom: span.bottom,
        top: span.top,
        volume,
        move: false,
        chuteMove: chute.has(slice.index),
      },
    ];
  });
  const sills = stops.filter((stop) => stop.kind === 'sill');
  const others = stops.filter((stop) => stop.kind === 'wall');
  const ordered = rules.choice('pour.sills') === 'first' ? [...sills, ...others] : [...others, ...sills];
  // A machine that is moved does not come back for the sills: they are filled as it passes.
  const placed = stands.size > 1 ? stops : ordered;
  return placed.map((stop, index) => ({
    ...stop,
    move: stands.size > 1 && stop.slice !== null && stands.has(stop.slice) && (lift > 1 || index > 0),
  }));
}

/** Concrete beside the walls as a stop of its own. */
const sideStop = (side: SideVolume, lift: number): Stop => ({
  kind: 'side',
  lift,
  slice: null,
  wall: null,
  side: side.id,
  name: side.name,
  bottom: ZERO,
  top: ZERO,
  volume: side.volume.value,
  move: false,
  chuteMove: false,
});

/** Every stop of a pour in order: side pours, sills and walls, lift after lift. */
export function stopsOf(input: StopsInput): readonly Stop[] {
  const { lifts, sides, rules, route } = input;
  const stands: ReadonlySet<number> = isMoved(methodOf(rules))
    ? standsAlong(route, reachOf(rules))
    : new Set<number>();
  const chute = standsAlong(route, rules.length(REACH.chute));
  const side = (when: SideVolume['when'], lift: number): readonly Stop[] =>
    sides.filter((each) => each.when === when).map((each) => sideStop(each, lift));
  return [
    ...side('first', 1),
    ...lifts.flatMap((_, index) => [
      ...stopsOfLift(input, index + 1, stands, chute),
      ...(index === 0 ? side('between', 2) : []),
    ]),
    ...side('last', lifts.length),
  ];
}

/** Heights between which a stop fills its slice: above the wall's own footing, under a sill or over a head. */
export function filledSpan(
  stop: Stop,
  rows: readonly CourseRow[],
  slice: Slice,
): { readonly bottom: Length; readonly top: Length } {
  const under = rows.filter((row) => row.from < slice.to && slice.from < row.to);
  const foot = Math.max(stop.bottom, Math.min(...under.map((row) => row.bottom)));
  const opening = slice.opening?.concrete;
  const open = stop.kind === 'sill' && opening ? opening.bottom : stop.top;
  const top = Math.min(stop.top, open, Math.max(...under.map((row) => row.top)));
  const over = stop.kind === 'wall' && opening && foot < opening.top ? Math.min(opening.top, top) : foot;
  const bottom = Math.max(foot, over);
  return { bottom: bottom as Length, top: Math.max(bottom, top) as Length };
}
