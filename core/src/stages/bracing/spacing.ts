import { type Length, nanometres } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';

/** How far planks may and must pass their last support. */
export interface PlankRules {
  readonly least: Length;
  readonly long: Length;
  readonly mostShort: Length;
  readonly mostLong: Length;
  readonly lap: Length;
}

export const plankRules = (rules: HouseRules): PlankRules => ({
  least: rules.length('bracing.plank.end.least'),
  long: rules.length('bracing.plank.long'),
  mostShort: rules.length('bracing.plank.end.short'),
  mostLong: rules.length('bracing.plank.end.long'),
  lap: rules.length('bracing.plank.lap'),
});

/** Planks side by side that make a platform wide enough. */
export const planksAbreast = (rules: HouseRules): number =>
  Math.ceil(rules.length('bracing.platform.width') / rules.length('bracing.plank.width'));

/** How far a plank of a length may pass its last support. [OSHA 29 CFR 1926.451(b)(5); from memory] */
export const mostHang = (plank: Length, rules: PlankRules): Length =>
  plank > rules.long ? rules.mostLong : rules.mostShort;

/** A spacing that a plank's length allows: so many whole bays with the same end over at both sides. */
export interface PlankSpacing {
  readonly plank: Length;
  readonly spacing: Length;
  readonly bays: number;
  readonly overhang: Length;
}

/**
 * The widest spacing on the strips' grid, up to the widest allowed, over whole bays of which a plank passes both of its last
 * supports by enough and by not too much: overhang = (plank − bays × spacing) / 2. Consecutive planks then share a support and
 * overlap there by twice the overhang. [OSHA 29 CFR 1926.451(b)(4), (5), (7); from memory]
 *
 * @returns null where no spacing on the grid does
 */
export function plankSpacing(
  plank: Length,
  grid: Length,
  most: Length,
  rules: PlankRules,
): PlankSpacing | null {
  const hang = mostHang(plank, rules);
  const least = Math.max(rules.least, rules.lap / 2);
  for (let spacing = Math.floor(most / grid) * grid; spacing >= grid; spacing -= grid) {
    for (let bays = 1; bays * spacing <= plank; bays++) {
      const overhang = (plank - bays * spacing) / 2;
      if (overhang >= least && overhang <= hang) {
        return {
          plank,
          spacing: spacing as Length,
          bays,
          overhang: nanometres(overhang),
        };
      }
    }
  }
  return null;
}

/** The widest spacing that any of the planks allows; of those, the one with the longest plank. */
export function widestSpacing(
  planks: readonly Length[],
  grid: Length,
  most: Length,
  rules: PlankRules,
): PlankSpacing | null {
  const [best] = planks
    .flatMap((plank) => plankSpacing(plank, grid, most, rules) ?? [])
    .sort((a, b) => b.spacing - a.spacing || b.plank - a.plank);
  return best ?? null;
}
