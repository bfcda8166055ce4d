import { allOf } from '../../kernel/judged';
import { type Memory, NO_MEMORY } from '../../kernel/engine/memory';
import type { Worked } from '../../kernel/engine/stage';
import { systemOf } from '../../kernel/forms';
import { type Length, ZERO } from '../../kernel/measure';
import type { Plan } from '../../kernel/plan/plan';
import type { HouseRules } from '../../kernel/rules';
import type { WeakJoint } from '../courses';
import { type BuiltLoop, type Wall, crossingsOf } from '../outline';
import { type AlignedBrace, alignments } from './align';
import type { WallBraces } from './brace';
import { type Setting, type WallToBrace, braceWall } from './braceWall';
import { dropped, legsInDoorways, walkwayGaps } from './corners';
import { type GearLine, gearOf, partOfLength } from './gear';
import { type PlankKind, leftAfter } from './planks';
import type { BracingProblem } from './problem';
import { type PlankSpacing, plankRules, planksAbreast, widestSpacing } from './spacing';
import { type Stock, readStock, usualLengths } from './stock';
import { type Straps, strapsOf } from './straps';
import { stripsByWall } from './strips';
import { type WindOnWall, windOn } from './windOnWalls';

/** What the bracing is worked from besides the plan's shell and what stands on it. */
type BracingInput = Pick<Plan, 'units' | 'bracing'>;

export interface Bracing {
  readonly walls: readonly WallBraces[];
  /** The spacing that the planks on hand allow on this family's strips; null where none does. */
  readonly spacing: PlankSpacing | null;
  readonly gear: readonly GearLine[];
  readonly straps: Straps;
  /** The freest first; empty where no wind is said. */
  readonly wind: readonly WindOnWall[];
  readonly alignment: Readonly<Record<string, AlignedBrace>>;
  readonly problems: readonly BracingProblem[];
}

/** How many of each length are on hand, where somebody counts. */
const countsOf = (what: 'plank' | 'upright', stock: readonly Stock[]): Readonly<Record<string, number>> =>
  Object.fromEntries(
    stock
      .filter(({ count }) => Number.isFinite(count))
      .map(({ length, count }) => [partOfLength(what, length), count]),
  );

/** Where seams of a wall stand: joints above each other over its height. */
const seamsOf = (joints: readonly WeakJoint[], wall: string): readonly Length[] => [
  ...new Set(
    joints.filter((joint) => joint.wall === wall && joint.reasons.includes('seam')).map(({ at }) => at),
  ),
];

/**
 * Bracing of the whole job: braces on fastening strips at corners, openings, seams, tees and free ends, then as far apart as the
 * rules and the planks on hand allow; a walkway of planks; gear against what is on hand; boards over weak joints; wind on the
 * empty walls; and what readings of the string ask to be turned.
 */
export function buildBracing(
  {
    shell,
    levels,
    courses,
    openings,
    placed: inserts,
    stacks: pours,
  }: Pick<Worked, 'shell' | 'levels' | 'courses' | 'openings' | 'placed' | 'stacks'>,
  input: BracingInput,
  rules: HouseRules,
  memory: Memory = NO_MEMORY,
): Bracing {
  const bracing = input.bracing ?? {};
  const straps = strapsOf(courses, levels.tops, rules);
  const { family } = shell;
  if (!family || courses.count === 0) {
    return { walls: [], spacing: null, gear: [], straps, wind: [], alignment: {}, problems: [] };
  }
  const grid = systemOf(family).webSpacing;
  const most = rules.length('bracing.spacing.most');
  const { value: stock, problems: ofPlanks } = readStock(bracing.planks, 'plank', input.units);
  const found = widestSpacing(
    stock.map(({ length }) => length),
    grid,
    most,
    plankRules(rules),
  );
  const ofSpacing = (): readonly BracingProblem[] => {
    if (most < grid) return [{ kind: 'spacing-under-grid', most, grid }];
    if (found || rules.choice('bracing.access') !== 'planks') return [];
    const would = usualLengths('plank', input.units).filter((length) =>
      widestSpacing([length], grid, most, plankRules(rules)),
    );
    return [{ kind: 'no-plank-fits', grid, most, would }];
  };
  const abreast = planksAbreast(rules);
  const planks = stock.map(({ length, count }): PlankKind => ({
    length,
    left: Math.floor(count / abreast),
  }));
  const { value: uprights, problems: ofUprights } = readStock(bracing.uprights, 'upright', input.units);
  const setting: Setting = {
    levels,
    courses: { count: courses.count, courseHeight: courses.courseHeight },
    pours,
    uprights,
    usualPlanks: usualLengths('plank', input.units),
    grid,
  };
  const strips = stripsByWall(shell, courses, rules.length('bracing.strip.reach'));
  const crossings = crossingsOf(shell);
  const toBrace = (loop: BuiltLoop, wall: Wall, kinds: readonly PlankKind[]): WallToBrace => ({
    built: loop,
    wall,
    spans: levels.walls[wall.id] ?? [],
    rows: courses.rows.filter((row) => row.wall === wall.id),
    openings: openings.placed.filter((each) => each.worked && each.wall === wall.id),
    inserts: inserts.placed.filter((each) => each.wall === wall.id),
    strips: strips.get(wall.id) ?? [],
    seams: seamsOf(courses.weakJoints, wall.id),
    crossings: crossings.filter((each) => each.through === wall.id),
    said: bracing.walls?.[wall.id],
    kinds,
  });
  const built = shell.loops.flatMap((loop) => (loop.built ? [loop.built] : []));
  let left: readonly PlankKind[] = planks;
  const byLoop = built.map((loop) =>
    allOf(
      loop.walls.map((wall) => {
        const own = toBrace(loop, wall, left);
        const braced = memory.part(`braces of ${wall.id}`, [own, setting], () =>
          braceWall(own, setting, rules),
        );
        left = leftAfter(left, braced.value?.planks ?? []);
        return braced;
      }),
    ),
  );
  const walls = byLoop.flatMap(({ value }) => dropped(value.flatMap((wall) => wall ?? [])));
  const width = rules.length('bracing.platform.width');
  const onHand = {
    ...bracing.onHand,
    ...countsOf('plank', stock),
    ...countsOf('upright', uprights),
  };
  const lengths = new Map(built.flatMap((loop) => loop.walls.map((wall) => [wall.id, wall.length] as const)));
  const gear = gearOf({
    walls,
    longest: stock.at(-1)?.length ?? ZERO,
    onHand,
    rules,
    units: input.units,
  });
  return {
    walls,
    spacing: found,
    gear: gear.value,
    straps,
    wind: bracing.wind === undefined ? [] : windOn(walls, lengths, bracing.wind, rules),
    alignment: alignments(walls, bracing, input.units, rules),
    problems: [
      ...ofPlanks,
      ...ofSpacing(),
      ...ofUprights,
      ...byLoop.flatMap(({ problems }) => problems),
      ...built.flatMap((loop) => walkwayGaps(walls, loop, width)),
      ...built.flatMap((loop) => legsInDoorways(walls, loop, openings.placed, rules)),
      ...gear.problems,
    ],
  };
}
