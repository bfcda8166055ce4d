import { courseAbove } from '../courses';
import { type Length, add, half, min, nanometres, subtract, ZERO } from '../../kernel/measure';
import type { PlacedOpening } from '../openings';
import type { Bar } from './bar';
import { standardHook } from './bends';
import { bent } from './cut';
import { type Setting, type SteelWall, sizeOf } from './setting';
import { clearPlaces } from './uprights';

/** Dowels of one tongue: in the middle of equal bays no wider than the rule, each shifted off webs where it stands in a wall. */
function dowelsOf(own: SteelWall, opening: PlacedOpening, setting: Setting): readonly Bar[] {
  const { threshold } = opening;
  if (!threshold?.slab || threshold.tongue !== 'dowels') return [];
  const { slab, notch } = threshold;
  const below = courseAbove(setting.levels, subtract(slab.bottom, 1 as Length)) ?? 1;
  const rules = setting.rulesIn(own.wall.id, below);
  const size = sizeOf(rules.choice('steel.tongue.size'));
  const cover = rules.length('steel.cover.end');
  const footing = own.spans.find((span) => span.from <= slab.from && slab.from < span.to)?.bottom ?? ZERO;
  const under = subtract(slab.bottom, footing);
  const left = subtract(under, cover);
  /** Where no wall is left under the slab they are set with the footing's own dowels. */
  const inWall = notch !== null && left > 0;
  const down = inWall
    ? min(rules.length('steel.tongue.down'), left)
    : add(rules.length('steel.dowel.embed'), under);
  const places = clearPlaces(own, rules, size);
  const width = subtract(slab.to, slab.from);
  const bays = Math.max(1, Math.ceil(width / rules.length('steel.tongue.spacing')));
  const [first, last] = [add(slab.from, cover), subtract(slab.to, cover)];
  const taken: Length[] = [];
  for (let bay = 0; bay < bays; bay += 1) {
    const wanted = nanometres(slab.from + (width * (bay + 0.5)) / bays);
    const at = inWall
      ? (places.toward(wanted, -1, first, taken) ?? places.toward(wanted, 1, last, taken))
      : wanted;
    if (at !== null) taken.push(at);
  }
  const up = half(threshold.depth);
  const legs = [add(down, up), rules.length('steel.tongue.in')];
  const shape = bent({ legs, size, bend: standardHook(size), cutting: setting });
  return taken.map((at): Bar => ({
    ...shape,
    id: `t:${opening.id}:${String(at)}`,
    use: 'tongue',
    size: size.id,
    wall: own.wall.id,
    count: 1,
    course: inWall ? null : 0,
    set: inWall ? { course: below, when: 'after' } : { course: 0, when: 'in' },
    from: at,
    to: at,
    bottom: subtract(slab.bottom, down),
    top: add(slab.bottom, up),
    offset: ZERO,
    laps: { before: ZERO, after: ZERO },
    opening: opening.id,
  }));
}

/**
 * Dowels that hold the tongue of a slab over a held-down wall, or over the footing under a door: up out of the concrete to the
 * middle of the slab, and bent into it. [common practice; lengths ours]
 *
 * @example work(plan).steel.bars.filter(({ use }) => use === 'tongue').length // 8
 */
export const tongueBars = (own: SteelWall, setting: Setting): readonly Bar[] =>
  own.openings.flatMap((opening) => dowelsOf(own, opening, setting));
