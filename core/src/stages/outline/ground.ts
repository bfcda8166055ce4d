import { type Length, max, min, readLength, subtract, ZERO } from '../../kernel/measure';
import type { Plan } from '../../kernel/plan';
import type { HouseRules } from '../../kernel/rules';
import type { Levels } from './levels';
import type { GroundHeight, GroundSides, Pour } from './plan';
import { wallsOf } from './buildShell';
import type { Shell } from './shell';

export type GroundSide = keyof GroundSides;
export const GROUND_SIDES = ['outside', 'inside'] as const satisfies readonly GroundSide[];

/** Ground that was raised beside a wall: to a height above the lowest footing, with what, after which pour. */
export interface RaisedGround {
  readonly to: Length;
  readonly with: GroundHeight['with'];
  readonly pour: string;
}

/** The ground beside a wall; null where it still lies at the wall's own footing. */
export type WallGround = Readonly<Record<GroundSide, RaisedGround | null>>;

export const FOOTING_GROUND: WallGround = { outside: null, inside: null };

/** The ground of every wall, by its id; a wall that is not in it stands in no raised ground. */
export type GroundByWall = Readonly<Record<string, WallGround>>;

export type GroundProblem =
  | {
      readonly kind: 'ground-unreadable';
      readonly pour: string;
      readonly side: GroundSide;
      /** Null for what is said of all walls. */
      readonly wall: string | null;
      readonly text: string;
    }
  /** Higher than what is poured by then; taken as high as that. */
  | {
      readonly kind: 'ground-above-top';
      readonly pour: string;
      readonly side: GroundSide;
      readonly wall: string;
      readonly to: Length;
      readonly top: Length;
    }
  /** Lower than after an earlier pour; taken as high as then. */
  | {
      readonly kind: 'ground-falls';
      readonly pour: string;
      readonly side: GroundSide;
      readonly wall: string;
      readonly to: Length;
      readonly was: Length;
    }
  /** Fill against a poured wall is higher on one side than the rule lets a wall take before a floor or braces hold it. */
  | {
      readonly kind: 'fill-unbalanced';
      readonly pour: string;
      readonly wall: string;
      readonly by: Length;
      readonly most: Length;
    }
  /** Forms are filled around before they hold concrete. */
  | { readonly kind: 'fill-around-empty'; readonly pour: string; readonly to: Length }
  /** The same, and one side is higher than the other. */
  | {
      readonly kind: 'fill-empty-uneven';
      readonly pour: string;
      readonly wall: string;
      readonly by: Length;
      readonly most: Length;
    };

/** The ground through the job. */
export interface Ground {
  /** By pour: the ground from which its courses are braced, watched and poured. */
  readonly during: Readonly<Record<string, GroundByWall>>;
  /** When everything is poured and filled. */
  readonly after: GroundByWall;
  readonly problems: readonly GroundProblem[];
}

/**
 * The height of the ground at a place of a wall: where it was raised to, but never under the footing there.
 *
 * @param bottom top of the footing there, above the lowest footing
 * @example groundAt(null, feet(2)) // feet(2)
 */
export const groundAt = (raised: RaisedGround | null, bottom: Length): Length =>
  raised === null ? bottom : max(bottom, raised.to);

/** What is said of a wall's side after a pour: its own height, or else the job's. An inside wall has the inside on both sides. */
function saidOf(
  pour: Pour,
  wall: string,
  side: GroundSide,
  within: boolean,
): { readonly said: GroundHeight; readonly own: boolean } | null {
  const own = pour.ground?.walls?.[wall]?.[side];
  if (own) return { said: own, own: true };
  const job = pour.ground?.[within ? 'inside' : side];
  return job ? { said: job, own: false } : null;
}

/** Highest top and lowest footing of a wall, above the lowest footing of the job. */
const reachOf = (levels: Levels, wall: string): { readonly top: Length; readonly bottom: Length } | null => {
  const spans = levels.walls[wall] ?? [];
  if (spans.length === 0) return null;
  return { top: max(...spans.map((span) => span.top)), bottom: min(...spans.map((span) => span.bottom)) };
};

/** What `groundOfJob` goes by. */
interface GroundInput {
  readonly shell: Shell;
  readonly levels: Levels;
  /** Pours as they are worked, from the footing up. */
  readonly stacks: readonly Pour[];
}

/**
 * The ground beside every wall from pour to pour: at the footing first, then as high as each pour's fill and slabs raise it. It
 * never falls, never stands above what is poured, and counts for the next pour; for its own pour only where the courses are
 * stacked, filled around and poured afterwards.
 */
export function groundOfJob(
  { shell, levels, stacks }: GroundInput,
  { units }: Pick<Plan, 'units'>,
  rules: HouseRules,
): Ground {
  const problems: GroundProblem[] = [];
  const during: Record<string, GroundByWall> = {};
  const inside = new Set(
    shell.loops.filter(({ built }) => built?.tees.start ?? built?.tees.end).map(({ id }) => id),
  );
  const walls = wallsOf(shell).flatMap((wall) => {
    const reach = reachOf(levels, wall.id);
    return reach ? [{ id: wall.id, within: inside.has(wall.loop), ...reach }] : [];
  });
  const unbalanced = rules.length('ground.fill.unbalanced');
  const uneven = rules.length('ground.fill.empty');
  let now: GroundByWall = {};
  for (const pour of stacks) {
    const before = now;
    const next: Record<string, WallGround> = { ...now };
    const poured = levels.tops[pour.toCourse] ?? ZERO;
    const unreadable = new Set<string>();
    let highest = ZERO;
    for (const wall of walls) {
      const was = next[wall.id] ?? FOOTING_GROUND;
      const sides = { ...was };
      for (const side of GROUND_SIDES) {
        const found = saidOf(pour, wall.id, side, wall.within);
        if (!found) continue;
        const reading = readLength(found.said.to, units);
        if (!reading.ok) {
          const key = `${side}:${found.own ? wall.id : ''}`;
          if (!unreadable.has(key)) {
            unreadable.add(key);
            problems.push({
              kind: 'ground-unreadable',
              pour: pour.id,
              side,
              wall: found.own ? wall.id : null,
              text: found.said.to,
            });
          }
          continue;
        }
        const to = reading.length;
        const top = min(wall.top, poured);
        if (to > top && top > wall.bottom) {
          problems.push({ kind: 'ground-above-top', pour: pour.id, side, wall: wall.id, to, top });
        }
        const held = min(to, max(top, wall.bottom));
        const earlier = was[side];
        if (earlier && held < earlier.to) {
          problems.push({
            kind: 'ground-falls',
            pour: pour.id,
            side,
            wall: wall.id,
            to: held,
            was: earlier.to,
          });
          continue;
        }
        if (held > wall.bottom) sides[side] = { to: held, with: found.said.with, pour: pour.id };
      }
      if (sides.outside === was.outside && sides.inside === was.inside) continue;
      next[wall.id] = sides;
      const [outside, within] = GROUND_SIDES.map((side) => groundAt(sides[side], wall.bottom));
      const by = Math.abs(subtract(outside ?? ZERO, within ?? ZERO)) as Length;
      highest = max(highest, outside ?? ZERO, within ?? ZERO);
      if (pour.ground?.before === true) {
        if (by > uneven) {
          problems.push({ kind: 'fill-empty-uneven', pour: pour.id, wall: wall.id, by, most: uneven });
        }
      } else if (by > unbalanced) {
        problems.push({ kind: 'fill-unbalanced', pour: pour.id, wall: wall.id, by, most: unbalanced });
      }
    }
    now = next;
    if (pour.ground?.before === true && highest > ZERO) {
      problems.push({ kind: 'fill-around-empty', pour: pour.id, to: highest });
    }
    during[pour.id] = pour.ground?.before === true ? next : before;
  }
  return { during, after: now, problems };
}

/**
 * Soil that a wall must hold back once all is filled: the ground outside over its footing, or over a slab inside that touches it;
 * fill inside does not count. Null where no ground height is given. [IRC R404.1, unbalanced backfill; from memory]
 *
 * @param bottom lowest footing of the wall
 * @example soilAgainst(FOOTING_GROUND, ZERO) // null
 */
export function soilAgainst({ outside, inside }: WallGround, bottom: Length): Length | null {
  if (outside === null) return null;
  const low = inside?.with === 'slab' ? groundAt(inside, bottom) : bottom;
  return max(ZERO, subtract(groundAt(outside, bottom), low));
}
