import { type Length, inches, nanometres, times, add, ZERO } from '../../kernel/measure';
import type { PlacedOpening } from '../openings';
import { isNear } from '../../kernel/geometry/near';
import type { HouseRules } from '../../kernel/rules';
import type { Judged } from '../../kernel/judged';
import type { BarUse, SteelProblem } from './bar';
import { type Setting, type SteelWall, clearBetween, sizeOf } from './setting';
import type { BarSize } from './sizes';

/** A place where a bar stands up. */
export interface Upright {
  readonly at: Length;
  readonly use: Extract<BarUse, 'vertical' | 'jamb'>;
  readonly opening?: string;
}

/** Places are looked for half an inch by half an inch: as fine as anyone marks a footing. */
const STEP = inches(0.5);

/** Finds clear places for bars that stand in a wall. */
interface ClearPlaces {
  /** Centre to centre, the least that two bars of the wall may stand apart. */
  readonly apart: Length;
  /** Whether a place is clear of webs, inserts, the wall's ends and what stands already. */
  readonly isClear: (at: Length, taken: readonly Length[]) => boolean;
  /** The first clear place from a wanted one on, in a direction, no farther than a bar is shifted and not past a limit. */
  readonly toward: (
    wanted: Length,
    direction: -1 | 1,
    limit: Length,
    taken: readonly Length[],
  ) => Length | null;
}

/** The clear places of a wall under rules, for bars of a size. */
export function clearPlaces(own: SteelWall, rules: HouseRules, { diameter }: BarSize): ClearPlaces {
  const { webs } = own;
  const clear = rules.length('steel.web.clear');
  const cover = rules.length('steel.cover.end');
  const farthest = rules.length('steel.shift.most');
  const apart = add(clearBetween(rules, diameter), diameter);
  const through = own.inserts.filter((each) => each.round || each.kind === 'pocket');
  const blocked = (at: Length): boolean =>
    at < cover ||
    at > own.wall.length - cover ||
    isNear(webs, at, clear) ||
    through.some(({ rect }) => at > rect.from - cover && at < rect.to + cover);
  const isClear = (at: Length, taken: readonly Length[]): boolean =>
    !blocked(at) && taken.every((other) => Math.abs(other - at) >= apart);
  return {
    apart,
    isClear,
    toward: (wanted, direction, limit, taken) => {
      for (let by = 0; by <= farthest; by += STEP) {
        const at = nanometres(wanted + direction * by);
        if (direction * (limit - at) < 0) return null;
        if (isClear(at, taken)) return at;
      }
      return null;
    },
  };
}

/** Where bars stand along a wall, and the wanted places that have no room. */
interface Stations {
  readonly at: readonly Length[];
  readonly without: readonly Length[];
}

/** What `rowOf` goes by. */
interface RowOfInput {
  readonly start: Length;
  readonly end: Length;
  readonly length: Length;
  readonly spacing: Length;
  readonly places: ClearPlaces;
}

/** A row of stations with its ends at wanted places: every bar a spacing past the last one, shifted back off webs and inserts. */
function rowOf({ start, end, length, spacing, places }: RowOfInput): Stations {
  const none = ZERO;
  const without: Length[] = [];
  const opening = places.toward(start, -1, none, []) ?? places.toward(start, 1, end, []);
  const found: Length[] = opening === null ? [] : [opening];
  // On a short wall one bar stands for both ends.
  const both = end - start < places.apart;
  const closing = both
    ? null
    : (places.toward(end, -1, opening ?? none, found) ?? places.toward(end, 1, length, found));
  if (opening === null) without.push(start);
  if (closing === null && !both) without.push(end);
  const last = closing ?? end;
  for (let at = opening ?? start; last - at > spacing;) {
    // Nothing stands between two that are nearer than twice what stone asks.
    if (last - at < 2 * places.apart) {
      without.push(nanometres((at + last) / 2));
      break;
    }
    // The last but one leaves room for the last.
    const wanted = nanometres(Math.max(at + places.apart, Math.min(at + spacing, last - places.apart)));
    const taken = [...found.slice(-1), ...(closing === null ? [] : [closing])];
    const back = places.toward(wanted, -1, at, taken);
    if (back !== null && back > at) {
      found.push(back);
      at = back;
      continue;
    }
    const on = places.toward(wanted, 1, last, taken);
    without.push(wanted);
    if (on !== null) found.push(on);
    at = on ?? wanted;
  }
  if (closing !== null) found.push(closing);
  return { at: found, without };
}

/** What `stationsAt` goes by. */
interface StationsAtInput {
  readonly own: SteelWall;
  readonly first: Length;
  readonly spacing: Length;
  readonly places: ClearPlaces;
  readonly moved: Length;
}

/**
 * Stations along a wall, never more than the spacing apart: the first as far from its corner as the rule has it, every other a
 * spacing past where the last one stands, and one as far from the other corner; all shifted back off webs and inserts. Where
 * the whole row moved back by as much as a web asks for saves bars, it is. Only where there is no clear place does a bar stand
 * farther on, or is left out; `without` says where.
 */
export function stationsAt({ own, first, spacing, places, moved }: StationsAtInput): Stations {
  const { length } = own.wall;
  const start = nanometres(Math.min(first, length / 2));
  let best: Stations | null = null;
  for (let by = 0; by <= Math.min(moved, start / 2); by += STEP) {
    const row = rowOf({
      start: nanometres(start - by),
      end: nanometres(length - start - by),
      length,
      spacing,
      places,
    });
    const better =
      best === null ||
      row.without.length < best.without.length ||
      (row.without.length === best.without.length && row.at.length < best.at.length);
    if (better) best = row;
  }
  return best ?? { at: [], without: [] };
}

/** What is told of wanted places that have no room. */
export const noRoomAt = (own: SteelWall, without: readonly Length[]): SteelProblem[] =>
  without.map((at) => ({ kind: 'no-room', wall: own.wall.id, at }));

/** The course in which a height lies, from 1. */
const courseAt = (height: Length, setting: Setting): number => {
  const index = setting.levels.tops.findIndex((top) => top > height);
  return Math.max(1, index < 0 ? setting.courses.count : index);
};

/** Farthest from an opening that a bar still counts as its jamb's. [common practice: within 12 in] */
const JAMB_REACH = inches(12);

/** One side of an opening, along which its jamb bars stand. */
interface Jamb {
  readonly opening: PlacedOpening;
  /** The opening's edge in the concrete. */
  readonly edge: Length;
  /** Away from the opening. */
  readonly out: -1 | 1;
}

/** Whether a bar that stands somewhere has the cover of an opening's sides, or keeps off it. */
const coveredBy = ({ concrete }: PlacedOpening, at: Length, cover: Length): boolean =>
  at <= concrete.from - cover || at >= concrete.to + cover;

/** Whether two openings stand side by side at some height. */
const sideBySide = (a: PlacedOpening, b: PlacedOpening): boolean =>
  a.concrete.bottom < b.concrete.top && b.concrete.bottom < a.concrete.top;

/** What `barsOfJamb` goes by. */
interface BarsOfJambInput {
  readonly own: SteelWall;
  readonly of: Jamb;
  readonly size: BarSize;
  readonly found: readonly Upright[];
  readonly setting: Setting;
}

/**
 * Bars beside one side of an opening: off it by the rule, or by the cover where that is more, and then as far apart as the rule
 * and the stone have it. A bar of another opening's jamb that runs through beside this one serves it too. Places come first
 * that no opening above or below cuts; a place without cover to an opening beside this one is none.
 */
function barsOfJamb({
  own,
  of: { opening, edge, out },
  size,
  found,
  setting,
}: BarsOfJambInput): Judged<readonly Upright[], SteelProblem> {
  const rules = setting.rulesIn(opening.wall, courseAt(opening.concrete.bottom, setting));
  const places = clearPlaces(own, rules, size);
  const cover = nanometres(rules.length('steel.cover.end') + size.diameter / 2);
  const others = own.openings.filter((each) => each.id !== opening.id);
  const runs = (at: Length): boolean => others.every((each) => coveredBy(each, at, cover));
  const stands = (at: Length): boolean =>
    others.every((each) => !sideBySide(opening, each) || coveredBy(each, at, cover));
  const within = Math.max(rules.length('steel.jamb.within'), cover);
  const apart = Math.max(rules.length('steel.jamb.apart'), places.apart);
  const offOf = (at: Length): number => (at - edge) * out;
  const beside = (use: Upright['use']): Upright[] =>
    found.filter(
      (each) =>
        each.use === use &&
        offOf(each.at) >= cover &&
        offOf(each.at) <= JAMB_REACH &&
        runs(each.at) &&
        stands(each.at),
    );
  const serves = beside('jamb');
  const near = beside('vertical');
  const bars: Upright[] = [];
  const problems: SteelProblem[] = [];
  const taken = (): readonly Length[] => [...found, ...bars].map(({ at }) => at);
  for (let nth = serves.length; nth < rules.count('steel.jamb.bars'); nth += 1) {
    const wanted = within + nth * apart;
    const offs: number[] = [];
    for (let by = 0; by <= JAMB_REACH; by += STEP) {
      if (by === 0 || wanted + by <= JAMB_REACH) offs.push(wanted + by);
      if (by > 0 && wanted - by >= cover) offs.push(wanted - by);
    }
    const clear = offs
      .map((off) => nanometres(edge + out * off))
      .filter((at) => stands(at) && places.isClear(at, taken()));
    const nearest = clear.slice(0, 1).concat(clear.filter(runs).slice(0, 1)).at(-1);
    if (nearest !== undefined) {
      bars.push({ at: nearest, use: 'jamb', opening: opening.id });
      continue;
    }
    // Where there is no more room, a vertical that stands there anyway does for one.
    const vertical = near.shift();
    if (vertical) continue;
    problems.push({ kind: 'no-room', wall: own.wall.id, at: nanometres(edge + out * wanted) });
  }
  return { value: bars, problems };
}

/** Where bars stand up in a wall: never more than their spacing apart, and beside every opening; shifted off webs and inserts. */
export function uprightsOf(
  own: SteelWall,
  rules: HouseRules,
  setting: Setting,
): Judged<readonly Upright[], SteelProblem> {
  const size = sizeOf(rules.choice('steel.vertical.size'));
  const { at, without } = stationsAt({
    own,
    first: rules.length('steel.vertical.first'),
    spacing: rules.length('steel.vertical.spacing'),
    places: clearPlaces(own, rules, size),
    moved: times(rules.length('steel.web.clear'), 2),
  });
  const problems: SteelProblem[] = noRoomAt(own, without);
  const found: Upright[] = at.map((station) => ({ at: station, use: 'vertical' }));
  for (const opening of own.openings) {
    const { from, to } = opening.concrete;
    for (const side of [
      { edge: from, out: -1 },
      { edge: to, out: 1 },
    ] as const) {
      const jamb = barsOfJamb({ own, of: { opening, ...side }, size, found, setting });
      found.push(...jamb.value);
      problems.push(...jamb.problems);
    }
  }
  return { value: found.sort((a, b) => a.at - b.at), problems };
}

/** A stretch of wall from its footing or a head up to a sill or its top. */
export interface Stretch {
  readonly bottom: Length;
  readonly top: Length;
  /** Whether it stands on the footing. */
  readonly onFooting: boolean;
}

/**
 * Heights over which a bar may stand at a station: the wall there, less openings, with cover.
 *
 * @param cover of the bar's ends, and of its sides
 */
export function stretchesAt(
  own: SteelWall,
  at: Length,
  { ends, sides }: { readonly ends: Length; readonly sides: Length },
): readonly Stretch[] {
  const span = own.spans.find((each) => each.from <= at && at <= each.to);
  if (!span) return [];
  const gaps = own.openings
    .filter((each) => !coveredBy(each, at, sides))
    .map(({ concrete }) => ({ bottom: concrete.bottom - ends, top: concrete.top + ends }))
    .sort((a, b) => a.bottom - b.bottom);
  const left: Stretch[] = [];
  let bottom: number = span.bottom;
  const put = (top: number): void => {
    if (top > bottom) {
      left.push({ bottom: nanometres(bottom), top: nanometres(top), onFooting: bottom === span.bottom });
    }
  };
  for (const gap of gaps) {
    put(Math.min(gap.bottom, span.top - ends));
    bottom = Math.max(bottom, gap.top);
  }
  put(span.top - ends);
  return left;
}
