import type { Courses } from '../courses';
import { type Length, inches } from '../../kernel/measure';
import { isNear } from '../../kernel/geometry/near';
import type { HouseRules } from '../../kernel/rules';
import type { Wall } from '../outline';
import { behind } from './behind';
import type { Fixing } from './placeInserts';

/** Hanger plates whose legs a web or a joint is in the way of. */
export interface HangerLayout {
  /** Stations of those plates. */
  readonly blocked: readonly Length[];
  /** How far the whole row would move along the wall, farther from its first corner positive, to leave the fewest blocked; null where that is none the fewer. */
  readonly shift: Length | null;
}

/** Rows are tried half an inch by half an inch. */
const STEP = inches(0.5);

/** What `hangerLayout` goes by. */
interface HangerInput {
  readonly wall: Pick<Wall, 'id' | 'length'>;
  readonly plates: readonly Fixing[];
  readonly spacing: Length;
  readonly bottom: Length;
  readonly top: Length;
  /** Stations between which the whole row must stay. */
  readonly within: { readonly from: Length; readonly to: Length };
  readonly courses: Pick<Courses, 'pieces'>;
  readonly rules: HouseRules;
}

/**
 * Plates of a row of hangers that meet a web or a joint, and the least move of the whole row that leaves the fewest: joists keep their
 * spacing, so no plate moves alone.
 *
 * @example hangerLayout({ wall: { id: 'w', length: feet(9) }, plates: [], spacing: feet(2), bottom: ZERO, top: feet(1), within: { from: ZERO, to: feet(9) }, courses: { pieces: [] }, rules }).blocked.length // 0
 */
export function hangerLayout({
  wall,
  plates,
  spacing,
  bottom,
  top,
  within,
  courses,
  rules,
}: HangerInput): HangerLayout {
  const { webs, joints } = behind(courses, wall, { bottom, top });
  const sorted = (list: readonly number[]): readonly number[] => [...list].sort((a, b) => a - b);
  const [webPlaces, jointPlaces] = [sorted(webs), sorted(joints.map(({ at }) => at))];
  const [webClear, jointClear] = [rules.length('inserts.ledger.web'), rules.length('inserts.joint.clear')];
  const meets = (at: number): boolean =>
    isNear(webPlaces, at, webClear) || isNear(jointPlaces, at, jointClear);
  const blocked = plates.flatMap(({ at }) => (meets(at) ? [at] : []));
  const stations = plates.map(({ at }) => at);
  const [first, last] = [Math.min(...stations), Math.max(...stations)];
  let best: { readonly by: number; readonly count: number } = { by: 0, count: blocked.length };
  for (let by = STEP; by < spacing && best.count > 0; by = (by + STEP) as Length) {
    for (const move of [by, -by]) {
      if (first + move < within.from || last + move > within.to) continue;
      const count = stations.filter((at) => meets(at + move)).length;
      if (count < best.count) best = { by: move, count };
    }
  }
  return { blocked, shift: best.by === 0 ? null : (best.by as Length) };
}
