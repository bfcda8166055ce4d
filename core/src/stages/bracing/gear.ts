import type { Judged } from '../../kernel/judged';
import { type Length, type UnitSystem, showLength, subtract } from '../../kernel/measure';
import type { HouseRules, RuleId } from '../../kernel/rules';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import { type How, givenCount } from '../../kernel/figures/how';
import type { BracingProblem } from './problem';
import type { WallBraces } from './brace';
import { laddersOf } from './ladders';

/** A part of the bracing: how many are wanted, and how many are on hand where the job says. */
export interface GearLine {
  /** `turnbuckle`, `plank:3657600000`. */
  readonly part: string;
  readonly name: string;
  readonly wanted: Figure;
  readonly onHand: number | null;
  /** To be found: wanted less on hand, where the job says what is on hand. */
  readonly short: number;
}

interface Part {
  readonly part: string;
  readonly name: string;
  readonly per: (wall: WallBraces) => number;
  readonly rules?: readonly RuleId[];
}

/** Name of a part that comes in lengths, of which the job says what is on hand length by length. */
export const partOfLength = (what: 'plank' | 'upright', length: Length): string =>
  `${what}:${String(length)}`;
export const comesInLengths = (part: string): boolean => /^(plank|upright):/.test(part);

const braces = (wall: WallBraces): number => wall.braces.length;

/** Parts of the school of gear, the wall at a time. */
function partsOf(
  walls: readonly WallBraces[],
  longest: Length,
  rules: HouseRules,
  units: UnitSystem,
): readonly Part[] {
  const site = rules.choice('bracing.gear') === 'site';
  const lengths = [
    ...new Set(walls.flatMap((wall) => wall.braces.map((brace) => brace.upright.length))),
  ].sort((a, b) => a - b);
  const planks = [...new Set(walls.flatMap((wall) => wall.planks.map((plank) => plank.length)))].sort(
    (a, b) => a - b,
  );
  const told = (length: Length): string => showLength(length, units);
  const ladders = laddersOf(walls, rules, units);
  const ladderLengths = [...new Set(ladders.map(({ length }) => length))].sort((a, b) => a - b);
  const screws = rules.count('bracing.screws');
  const access = rules.choice('bracing.access');
  const board = rules.length('order.board.length');
  return [
    ...lengths.map((length): Part => ({
      part: partOfLength('upright', length),
      name: site ? `Uprights of 2×4, ${told(length)}` : `Uprights of ${told(length)}`,
      per: (wall) => wall.braces.filter((brace) => brace.upright.length === length).length,
      rules: ['bracing.spacing.most', 'bracing.corner'],
    })),
    {
      part: 'extension',
      name: 'Extension joints',
      per: (wall) => wall.braces.reduce((sum, brace) => sum + brace.upright.extensions, 0),
      rules: ['bracing.extension'],
    },
    site
      ? {
          part: 'clip',
          name: 'Clips, one a course',
          per: (wall) => wall.braces.reduce((sum, brace) => sum + brace.caught.length, 0),
        }
      : { part: 'turnbuckle', name: 'Turnbuckle legs, set near mid-travel', per: braces },
    ...(site ? [{ part: 'leg', name: 'Legs of 2×4', per: braces }] : []),
    {
      part: 'screw',
      name: 'Screws into the strips',
      per: (wall) => wall.braces.reduce((sum, brace) => sum + brace.caught.length * screws, 0),
      rules: ['bracing.screws'],
    },
    {
      part: 'stake',
      name: 'Stakes for the legs',
      per: (wall) => (wall.ground === 'loose' ? 0 : braces(wall) + wall.diagonals.length),
    },
    {
      part: 'block',
      name: 'Weighted blocks where no stake holds',
      per: (wall) => (wall.ground === 'loose' ? braces(wall) + wall.diagonals.length : 0),
    },
    {
      part: 'bracket',
      name: 'Plank brackets',
      per: (wall) => (wall.planks.length > 0 ? braces(wall) : 0),
    },
    {
      part: 'guardrail',
      name: 'Guardrail posts',
      per: (wall) => (wall.guardrail && wall.planks.length > 0 ? braces(wall) : 0),
      rules: ['bracing.guardrail.over'],
    },
    ...planks.map((length): Part => ({
      part: partOfLength('plank', length),
      name: `Planks of ${told(length)}`,
      per: (wall) => wall.abreast * wall.planks.filter((plank) => plank.length === length).length,
      rules: ['bracing.platform.width', 'bracing.plank.width'],
    })),
    ...ladderLengths.map((length): Part => ({
      part: `ladder:${String(length)}`,
      name: `Ladders of ${told(length)} or longer, tied at the top`,
      per: ({ wall }) => ladders.find((each) => each.wall === wall && each.length === length)?.count ?? 0,
      rules: ['bracing.ladder.over', 'bracing.ladder.past', 'bracing.ladder.every'],
    })),
    {
      part: 'catwalk',
      name: `Planks of the catwalk, ${told(longest)} end to end`,
      per: (wall) =>
        access === 'catwalk' && wall.way === 'braces'
          ? wall.abreast * Math.ceil(subtract(wall.ends[1].at, wall.ends[0].at) / longest)
          : 0,
    },
    {
      part: 'move',
      name: 'Places of the loose scaffold, moved along ahead of the pour',
      per: (wall) =>
        access === 'moved' && wall.way === 'braces'
          ? Math.ceil(subtract(wall.ends[1].at, wall.ends[0].at) / rules.length('bracing.scaffold.length'))
          : 0,
      rules: ['bracing.scaffold.length'],
    },
    {
      part: 'waler',
      name: `Waler boards of ${told(board)}`,
      per: (wall) =>
        wall.way === 'waler' ? Math.ceil(subtract(wall.ends[1].at, wall.ends[0].at) / board) : 0,
      rules: ['bracing.stem.height', 'order.board.length'],
    },
    {
      part: 'diagonal',
      name: 'Diagonals of low walls',
      per: (wall) => wall.diagonals.length,
      rules: ['bracing.stem.height', 'bracing.stem.spacing'],
    },
  ];
}

/** The braces of some courses: those of a pour, and what it is called where there are several. */
export interface ScrewedCourses {
  readonly walls: readonly WallBraces[];
  readonly from: number;
  readonly to: number;
  readonly name?: string;
}

/** Screws that hold the uprights of some courses: the same number in each of a course's strips. */
export const uprightScrews = (parts: readonly ScrewedCourses[], rules: HouseRules): How => ({
  op: 'product',
  name: 'screws',
  unit: 'count',
  of: [
    givenCount('a course', rules.count('bracing.screws')),
    {
      op: 'sum',
      name: 'strips',
      unit: 'count',
      of: parts.flatMap(({ walls, from, to, name }) =>
        walls.map((wall) =>
          givenCount(
            name === undefined ? wall.name : `${wall.name}, ${name}`,
            wall.braces.reduce(
              (sum, brace) => sum + brace.caught.filter((course) => course >= from && course <= to).length,
              0,
            ),
          ),
        ),
      ),
    },
  ],
});

/** What `gearOf` goes by. */
interface GearOfInput {
  readonly walls: readonly WallBraces[];
  /** Plank on hand. */
  readonly longest: Length;
  readonly onHand: Readonly<Record<string, number>>;
  readonly rules: HouseRules;
  readonly units: UnitSystem;
}

/** Every part of the bracing with where it is wanted, against what is on hand. */
export function gearOf({
  walls,
  longest,
  onHand,
  rules,
  units,
}: GearOfInput): Judged<readonly GearLine[], BracingProblem> {
  const lines = partsOf(walls, longest, rules, units).flatMap(
    ({ part, name, per, rules: own = [] }): GearLine[] => {
      const of: How[] = walls
        .map((wall) => ({ wall, count: per(wall) }))
        .filter(({ count }) => count > 0)
        .map(({ wall, count }) => givenCount(`on ${wall.name}`, count));
      if (of.length === 0) return [];
      const wanted = figureOf({
        id: `bracing.${part}`,
        title: name,
        how: { op: 'sum', name, unit: 'count', of },
        rules: own,
        pieces: {},
      });
      const have = onHand[part] ?? null;
      const short = have === null ? 0 : Math.max(0, wanted.value - have);
      return [{ part, name, wanted, onHand: have, short }];
    },
  );
  return {
    value: lines,
    problems: lines
      .filter(({ short }) => short > 0)
      .map(({ name, wanted, onHand: have }) => ({
        kind: 'gear-short',
        part: name,
        wanted: wanted.value,
        onHand: have ?? 0,
      })),
  };
}
