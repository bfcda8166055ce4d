import { allOf } from '../../kernel/judged';
import { type Memory, NO_MEMORY } from '../../kernel/engine/memory';
import type { Worked } from '../../kernel/engine/stage';
import { systemOf } from '../../kernel/forms';
import { type Length, ZERO } from '../../kernel/measure';
import type { Plan } from '../../kernel/plan/plan';
import type { HouseRules } from '../../kernel/rules';
import type { WeakJoint } from '../courses';
import { type BuiltLoop, type PourSpan, type Wall, FOOTING_GROUND, crossingsOf, pourSpans } from '../outline';
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

/** How the walls are held and walked along for one pour: those of them whose courses are stacked in it. */
export interface PourBraces {
  readonly pour: string;
  readonly name: string;
  readonly walls: readonly WallBraces[];
  readonly gear: readonly GearLine[];
  /** The freest first; empty where no wind is said. */
  readonly wind: readonly WindOnWall[];
}

/** A problem with the pour it belongs to; without one it belongs to the whole job, or to several pours. */
export type ToldOfPour = BracingProblem & { readonly pour?: string };

export interface Bracing {
  /** From the footing up; what one pour was braced with is free for the next. */
  readonly pours: readonly PourBraces[];
  /** Every wall as it is braced for the last pour that it is stacked in. */
  readonly walls: readonly WallBraces[];
  /** The spacing that the planks on hand allow on this family's strips; null where none does. */
  readonly spacing: PlankSpacing | null;
  /** What to have on site: of each part as many as the pour that wants most of it. */
  readonly gear: readonly GearLine[];
  readonly straps: Straps;
  readonly alignment: Readonly<Record<string, AlignedBrace>>;
  readonly problems: readonly ToldOfPour[];
}

/** The bracing of a pour; nothing where it has none. */
export const bracesOfPour = (bracing: Bracing, pour: string): readonly WallBraces[] =>
  bracing.pours.find((each) => each.pour === pour)?.walls ?? [];

/** Each wall as the last pour that it is stacked in has it, in the order of the walls. */
function lastOfWalls(pours: readonly PourBraces[], order: readonly string[]): readonly WallBraces[] {
  const last = new Map(pours.flatMap(({ walls }) => walls.map((wall) => [wall.wall, wall] as const)));
  return order.flatMap((wall) => last.get(wall) ?? []);
}

/** Of each part the line of the pour that wants most of it. */
function mostOfGear(pours: readonly PourBraces[]): readonly GearLine[] {
  const most = new Map<string, GearLine>();
  for (const line of pours.flatMap(({ gear }) => gear)) {
    const known = most.get(line.part);
    if (!known || line.wanted.value > known.wanted.value) most.set(line.part, line);
  }
  return [...most.values()];
}

/** Problems of all pours, each once. One that several pours share names none of them. */
function toldOnce(
  byPour: readonly { readonly pour: string; readonly problems: readonly BracingProblem[] }[],
): readonly ToldOfPour[] {
  const found = new Map<string, ToldOfPour>();
  for (const { pour, problems } of byPour) {
    for (const problem of problems) {
      const key = JSON.stringify(problem);
      found.set(key, found.has(key) || byPour.length === 1 ? problem : { ...problem, pour });
    }
  }
  return [...found.values()];
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
 * Bracing of the whole job, pour by pour from the ground that each starts on: braces on fastening strips at corners, openings,
 * seams, tees and free ends, then as far apart as the rules and the planks on hand allow; a walkway of planks; gear against what is
 * on hand; boards over weak joints; wind on the empty walls; and what readings of the string ask to be turned.
 */
export function buildBracing(
  {
    shell,
    levels,
    courses,
    openings,
    placed: inserts,
    stacks,
    ground,
  }: Pick<Worked, 'shell' | 'levels' | 'courses' | 'openings' | 'placed' | 'stacks' | 'ground'>,
  input: BracingInput,
  rules: HouseRules,
  memory: Memory = NO_MEMORY,
): Bracing {
  const bracing = input.bracing ?? {};
  const straps = strapsOf(courses, levels.tops, rules);
  const { family } = shell;
  if (!family || courses.count === 0) {
    return { pours: [], walls: [], spacing: null, gear: [], straps, alignment: {}, problems: [] };
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
  const strips = stripsByWall(shell, courses, rules.length('bracing.strip.reach'));
  const crossings = crossingsOf(shell);
  const built = shell.loops.flatMap((loop) => (loop.built ? [loop.built] : []));
  const walls = built.flatMap((loop) => loop.walls);
  const width = rules.length('bracing.platform.width');
  const onHand = {
    ...bracing.onHand,
    ...countsOf('plank', stock),
    ...countsOf('upright', uprights),
  };
  const lengths = new Map(walls.map((wall) => [wall.id, wall.length]));
  const longest = stock.at(-1)?.length ?? ZERO;

  const bracePour = (span: PourSpan, index: number) => {
    const below = levels.tops[index === 0 ? 0 : (spans[index - 1]?.toCourse ?? 0)] ?? ZERO;
    const setting: Setting = {
      levels,
      courses: { count: courses.count, courseHeight: courses.courseHeight },
      top: levels.tops[span.toCourse] ?? span.top,
      before: index === 0 ? '' : `${span.pour}:`,
      uprights,
      usualPlanks: usualLengths('plank', input.units),
      grid,
    };
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
      ground: ground.during[span.pour]?.[wall.id] ?? FOOTING_GROUND,
      kinds,
    });
    /** Whether any of a wall is stacked in this pour. */
    const stacked = ({ id }: Wall): boolean => (levels.walls[id] ?? []).some(({ top }) => top > below);
    let left: readonly PlankKind[] = planks;
    const byLoop = built.map((loop) =>
      allOf(
        loop.walls.filter(stacked).map((wall) => {
          const own = toBrace(loop, wall, left);
          const braced = memory.part(`braces of ${wall.id}, pour ${String(index)}`, [own, setting], () =>
            braceWall(own, setting, rules),
          );
          left = leftAfter(left, braced.value?.planks ?? []);
          return braced;
        }),
      ),
    );
    const braced = byLoop.flatMap(({ value }) => dropped(value.flatMap((wall) => wall ?? [])));
    const gear = gearOf({ walls: braced, longest, onHand, rules, units: input.units });
    const of: PourBraces = {
      pour: span.pour,
      name: span.name,
      walls: braced,
      gear: gear.value,
      wind: bracing.wind === undefined ? [] : windOn(braced, lengths, bracing.wind, rules),
    };
    return {
      of,
      problems: [
        ...byLoop.flatMap(({ problems }) => problems),
        ...built.flatMap((loop) => walkwayGaps(braced, loop, width, crossings)),
        ...built.flatMap((loop) => legsInDoorways(braced, loop, openings.placed, rules)),
        ...gear.problems,
      ],
    };
  };
  const spans = pourSpans(stacks, levels);
  const braced = spans.map(bracePour);
  const pours = braced.map(({ of }) => of);
  return {
    pours,
    walls: lastOfWalls(
      pours,
      walls.map(({ id }) => id),
    ),
    spacing: found,
    gear: mostOfGear(pours),
    straps,
    alignment: alignments(
      pours.flatMap((pour) => pour.walls),
      bracing,
      input.units,
      rules,
    ),
    problems: [
      ...ofPlanks,
      ...ofSpacing(),
      ...ofUprights,
      ...toldOnce(braced.map(({ of, problems }) => ({ pour: of.pour, problems }))),
    ],
  };
}
