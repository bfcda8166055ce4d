import { type Length, inches, nanometres } from '../measure';
import type { PlacedOpening } from '../openings';
import type { HouseRules } from '../rules';
import type { BarUse } from './bar';
import type { Setting, SteelWall } from './setting';

/** A place where a bar stands up. */
export interface Upright {
  readonly at: Length;
  readonly use: Extract<BarUse, 'vertical' | 'jamb'>;
  readonly opening?: string;
}

/** Places are looked for half an inch by half an inch: as fine as anyone marks a footing. */
const STEP = inches(0.5);

/** The nearest place to a wanted one that keeps clear of webs, inserts and the wall's ends; null where there is none in reach. */
export type ClearPlace = (wanted: Length, taken: readonly Length[]) => Length | null;

/** Finds clear places of a wall under rules. */
export function clearPlaces(own: SteelWall, rules: HouseRules, setting: Setting): ClearPlace {
  const { webs } = own;
  const clear = rules.length('steel.web.clear');
  const cover = rules.length('steel.cover.end');
  const farthest = rules.length('steel.shift.most');
  const through = setting.inserts.placed.filter(
    (each) => each.wall === own.wall.id && (each.round || each.kind === 'pocket'),
  );
  const blocked = (at: Length): boolean =>
    at < cover ||
    at > own.wall.length - cover ||
    webs.some((web) => Math.abs(web - at) < clear) ||
    through.some(({ rect }) => at > rect.from - cover && at < rect.to + cover);
  return (wanted, taken) => {
    for (let by = 0; by <= farthest; by += STEP) {
      for (const at of [wanted + by, wanted - by] as Length[]) {
        if (!blocked(at) && !taken.some((other) => Math.abs(other - at) < STEP * 2)) return at;
      }
    }
    return null;
  };
}

/** Stations from both corners inward, so far apart; the last one as far from its corner as the first. */
export function stationsAt(own: SteelWall, first: Length, spacing: Length): readonly Length[] {
  const start = Math.min(first, own.wall.length / 2);
  const last = own.wall.length - start;
  const found: Length[] = [];
  for (let at = start; at < last; at += spacing) found.push(nanometres(at));
  return [...found, nanometres(last)];
}

/** The course in which a height lies, from 1. */
const courseAt = (height: Length, setting: Setting): number => {
  const index = setting.levels.tops.findIndex((top) => top > height);
  return Math.max(1, index < 0 ? setting.courses.count : index);
};

/** Bars wanted beside an opening, under the rules that hold at its sill. */
function jambsOf(opening: PlacedOpening, setting: Setting): readonly Upright[] {
  const rules = setting.rulesIn(opening.wall, courseAt(opening.concrete.bottom, setting));
  const within = rules.length('steel.jamb.within');
  const apart = rules.length('steel.jamb.apart');
  return Array.from({ length: rules.count('steel.jamb.bars') }, (_, bar) => within + bar * apart).flatMap(
    (off): Upright[] => [
      { at: nanometres(opening.concrete.from - off), use: 'jamb', opening: opening.id },
      { at: nanometres(opening.concrete.to + off), use: 'jamb', opening: opening.id },
    ],
  );
}

/** Where bars stand up in a wall: at their spacing from both corners, and beside every opening; shifted off webs and inserts. */
export function uprightsOf(own: SteelWall, rules: HouseRules, setting: Setting): readonly Upright[] {
  const clearPlace = clearPlaces(own, rules, setting);
  const wanted: readonly Upright[] = [
    ...stationsAt(own, rules.length('steel.vertical.first'), rules.length('steel.vertical.spacing')).map(
      (at): Upright => ({ at, use: 'vertical' }),
    ),
    ...own.openings.flatMap((opening) => jambsOf(opening, setting)),
  ];
  const found: Upright[] = [];
  for (const upright of wanted) {
    // Two bars of one jamb may stand on either side of a web, but not in each other.
    const at = clearPlace(
      upright.at,
      found.map((other) => other.at),
    );
    if (at === null) setting.problems.push({ kind: 'no-room', wall: own.wall.id, at: upright.at });
    else found.push({ ...upright, at });
  }
  return found.sort((a, b) => a.at - b.at);
}

/** A stretch of wall from its footing or a head up to a sill or its top. */
export interface Stretch {
  readonly bottom: Length;
  readonly top: Length;
  /** Whether it stands on the footing. */
  readonly onFooting: boolean;
}

/** Heights over which a bar may stand at a station: the wall there, less openings, with cover. */
export function stretchesAt(own: SteelWall, at: Length, cover: Length, setting: Setting): readonly Stretch[] {
  const span = (setting.levels.walls[own.wall.id] ?? []).find((each) => each.from <= at && at <= each.to);
  if (!span) return [];
  const gaps = own.openings
    .filter(({ concrete }) => concrete.from - cover < at && at < concrete.to + cover)
    .map(({ concrete }) => ({ bottom: concrete.bottom - cover, top: concrete.top + cover }))
    .sort((a, b) => a.bottom - b.bottom);
  const left: Stretch[] = [];
  let bottom: number = span.bottom;
  const put = (top: number): void => {
    if (top > bottom) {
      left.push({ bottom: nanometres(bottom), top: nanometres(top), onFooting: bottom === span.bottom });
    }
  };
  for (const gap of gaps) {
    put(Math.min(gap.bottom, span.top - cover));
    bottom = Math.max(bottom, gap.top);
  }
  put(span.top - cover);
  return left;
}
