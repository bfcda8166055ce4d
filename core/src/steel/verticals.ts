import { type Length, add, inches, nanometres, subtract } from '../measure';
import type { Bar, BarUse } from './bar';
import { cutLengthOf, hookLeg, standardHook } from './bends';
import { splitRun } from './runs';
import { type Setting, type SteelWall, sizeOf } from './setting';
import type { BarSize } from './sizes';

/** A place where a bar stands up. */
export interface Upright {
  readonly at: Length;
  readonly use: Extract<BarUse, 'vertical' | 'jamb'>;
  readonly opening?: string;
}

/** Jamb bars beside each other. */
const APART = inches(2);
/** How far a bar may be shifted off a web or an insert. */
const FARTHEST = inches(12);
const STEP = inches(0.5);

/** Middles of all webs of a wall, in any course. */
export function websOf(own: SteelWall, setting: Setting): readonly Length[] {
  const found = new Set<Length>();
  for (const piece of setting.courses.pieces) {
    if (piece.kind === 'corner') {
      if (piece.wallAfter === own.wall.id) for (const web of piece.websAfter) found.add(web);
      if (piece.wallBefore === own.wall.id) {
        for (const web of piece.websBefore) found.add(subtract(own.wall.length, web));
      }
    } else if (piece.wall === own.wall.id) for (const web of piece.webs) found.add(add(piece.start, web));
  }
  return [...found].sort((a, b) => a - b);
}

/** The nearest place to a wanted one that keeps clear of webs, inserts and openings; null where there is none in reach. */
function clearPlace(wanted: Length, blocked: (at: Length) => boolean): Length | null {
  for (let by = 0; by <= FARTHEST; by += STEP) {
    for (const at of [wanted + by, wanted - by] as Length[]) if (!blocked(at)) return at;
  }
  return null;
}

/** Where bars stand up in a wall: at their spacing from both corners, and beside every opening; shifted off webs and inserts. */
export function uprightsOf(own: SteelWall, setting: Setting): readonly Upright[] {
  const rules = setting.rulesIn(own.wall.id, 1);
  const spacing = rules.length('steel.vertical.spacing');
  const first = Math.min(rules.length('steel.vertical.first'), own.wall.length / 2);
  const webs = websOf(own, setting);
  const clear = rules.length('steel.web.clear');
  const through = setting.inserts.placed.filter(
    (each) => each.wall === own.wall.id && (each.round || each.kind === 'pocket'),
  );
  const cover = rules.length('steel.cover.end');
  const onWeb = (at: Length): boolean => webs.some((web) => Math.abs(web - at) < clear);
  const blocked = (at: Length): boolean =>
    onWeb(at) ||
    at < cover ||
    at > own.wall.length - cover ||
    through.some(({ rect }) => at > rect.from - cover && at < rect.to + cover);
  const wanted: Upright[] = [];
  const last = own.wall.length - first;
  for (let at = first; at < last; at += spacing) wanted.push({ at: nanometres(at), use: 'vertical' });
  wanted.push({ at: nanometres(last), use: 'vertical' });
  const within = rules.length('steel.jamb.within');
  for (const opening of own.openings) {
    for (let bar = 0; bar < rules.count('steel.jamb.bars'); bar++) {
      const off = within + bar * APART;
      wanted.push({ at: nanometres(opening.concrete.from - off), use: 'jamb', opening: opening.id });
      wanted.push({ at: nanometres(opening.concrete.to + off), use: 'jamb', opening: opening.id });
    }
  }
  const found: Upright[] = [];
  for (const upright of wanted) {
    // Two bars of one jamb may stand on either side of a web, but not in each other.
    const at = clearPlace(
      upright.at,
      (place) => blocked(place) || found.some((other) => Math.abs(other.at - place) < STEP * 2),
    );
    if (at === null) setting.problems.push({ kind: 'no-room', wall: own.wall.id, at: upright.at });
    else found.push({ ...upright, at });
  }
  return found.sort((a, b) => a.at - b.at);
}

/** Heights over which a bar may stand at a station: the wall there, less openings, with cover. */
function heightsAt(own: SteelWall, at: Length, setting: Setting, cover: Length) {
  const span = (setting.levels.walls[own.wall.id] ?? []).find((each) => each.from <= at && at <= each.to);
  if (!span) return [];
  const gaps = own.openings
    .filter(({ concrete }) => concrete.from - cover < at && at < concrete.to + cover)
    .map(({ concrete }) => ({ bottom: concrete.bottom - cover, top: concrete.top + cover }))
    .sort((a, b) => a.bottom - b.bottom);
  const left: { bottom: Length; top: Length }[] = [];
  let bottom: number = span.bottom;
  for (const gap of gaps) {
    if (gap.bottom > bottom) left.push({ bottom: bottom as Length, top: nanometres(gap.bottom) });
    bottom = Math.max(bottom, gap.top);
  }
  const top = subtract(span.top, cover);
  if (top > bottom) left.push({ bottom: nanometres(bottom), top });
  return left;
}

/** Shorter than this a stub between footing and sill, or head and top, holds nothing. */
const SHORTEST = inches(8);

/** Verticals of a stretch of height, stage by stage: each stands out of its joint by the projection, where the next one laps it. */
function standing(
  own: SteelWall,
  upright: Upright,
  bottom: Length,
  top: Length,
  size: BarSize,
  offset: Length,
  setting: Setting,
): readonly Bar[] {
  const rules = setting.rulesIn(own.wall.id, 1);
  const projection = rules.length('steel.vertical.projection');
  const joints = setting.stages
    .slice(0, -1)
    .map((stage) => setting.levels.tops[stage.toCourse] ?? (0 as Length))
    .filter((joint) => joint > bottom && joint < top);
  const edges = [bottom, ...joints, top];
  return edges.slice(0, -1).flatMap((from, stage) => {
    const joint = edges[stage + 1] as Length;
    const goesOn = stage < joints.length;
    const to = goesOn ? (Math.min(joint + projection, top) as Length) : joint;
    const run = subtract(to, from);
    return splitRun(run, setting.stock, setting.lapOf(size), 0 as Length, false).map(
      (piece, index, all): Bar => {
        const length = subtract(piece.to, piece.from);
        return {
          id: `v:${own.wall.id}:${String(upright.at)}:${String(from)}:${String(index)}`,
          use: upright.use,
          size: size.id,
          wall: own.wall.id,
          count: 1,
          course: null,
          from: upright.at,
          to: upright.at,
          bottom: add(from, piece.from),
          top: add(from, piece.to),
          offset,
          legs: [length],
          cut: length,
          laps: {
            before: piece.laps.before,
            after: goesOn && index === all.length - 1 ? subtract(to, joint) : piece.laps.after,
          },
          ...(upright.opening === undefined ? {} : { opening: upright.opening }),
        };
      },
    );
  });
}

/** Verticals and jamb bars of a wall, and the dowels that they lap. */
export function uprightBars(own: SteelWall, offset: Length, setting: Setting): readonly Bar[] {
  const rules = setting.rulesIn(own.wall.id, 1);
  const size = sizeOf(rules.choice('steel.vertical.size'));
  const cover = rules.length('steel.cover.end');
  const lap = setting.lapOf(size);
  const hook = standardHook(size);
  return uprightsOf(own, setting).flatMap((upright) => {
    const heights = heightsAt(own, upright.at, setting, cover).filter(
      ({ bottom, top }) => top - bottom >= SHORTEST,
    );
    const span = (setting.levels.walls[own.wall.id] ?? []).find(
      (each) => each.from <= upright.at && upright.at <= each.to,
    );
    const bars = heights.flatMap(({ bottom, top }) =>
      standing(own, upright, bottom, top, size, offset, setting),
    );
    const foot = bars.find((bar) => bar.bottom === span?.bottom);
    if (!foot || !span) return bars;
    const embed = rules.length('steel.dowel.embed');
    const up = Math.min(lap, subtract(foot.top, foot.bottom)) as Length;
    const legs = [add(embed, up), hookLeg(size, hook)];
    const dowel: Bar = {
      id: `d:${own.wall.id}:${String(upright.at)}`,
      use: 'dowel',
      size: size.id,
      wall: own.wall.id,
      count: 1,
      course: 0,
      from: upright.at,
      to: upright.at,
      bottom: subtract(span.bottom, embed),
      top: add(span.bottom, up),
      offset,
      legs,
      cut: cutLengthOf(legs, size, hook),
      laps: { before: 0 as Length, after: up },
    };
    return [dowel, ...bars];
  });
}
