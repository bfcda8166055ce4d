import {
  type Length,
  type UnitSystem,
  add,
  feet,
  millimetres,
  nanometres,
  subtract,
  ZERO,
} from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import type { WallBraces } from './brace';

/** Ladders of one length at one wall. */
export interface Ladders {
  readonly wall: string;
  /** Of the ladder itself, in whole feet or half metres. */
  readonly length: Length;
  readonly count: number;
}

/** One out for four up: a ladder is longer than its height by so much. */
const LEANING = Math.hypot(1, 1 / 4);

/**
 * Length of a ladder to a platform: leaning one out for four up, and so far past it, in whole feet or half metres.
 *
 * @param platform above the ground that the ladder stands on
 * @example ladderLength(feet(8), feet(3), 'imperial') // feet(12)
 */
export function ladderLength(platform: Length, past: Length, units: UnitSystem): Length {
  const step = units === 'metric' ? millimetres(500) : feet(1);
  return nanometres(Math.ceil((platform * LEANING + past) / step) * step);
}

/** Ladders to the walkway, wall after wall: the first where it begins, another for every so much of it. */
export function laddersOf(
  walls: readonly WallBraces[],
  rules: HouseRules,
  units: UnitSystem,
): readonly Ladders[] {
  const every = rules.length('bracing.ladder.every');
  let walked = ZERO;
  return walls.flatMap((wall): Ladders[] => {
    if (wall.planks.length === 0 || wall.platform <= rules.length('bracing.ladder.over')) return [];
    const before = Math.ceil(walked / every);
    walked = add(walked, subtract(wall.ends[1].at, wall.ends[0].at));
    const count = Math.ceil(walked / every) - before;
    const length = ladderLength(wall.platform, rules.length('bracing.ladder.past'), units);
    return count > 0 ? [{ wall: wall.wall, length, count }] : [];
  });
}
