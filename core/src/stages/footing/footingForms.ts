import { besideGaps } from '../../kernel/geometry/gaps';
import { type Length, add, nanometres, subtract } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import type { Shell } from '../outline';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import { type How, givenCount, givenLength } from '../../kernel/figures/how';
import type { EdgeSide, WallBase } from './base';
import type { Bases } from './bases';
import { stockFor } from './cutToLength';

/** Ties on one plank: how many on equal centres, and what is left at either end. */
interface PlankTies {
  readonly ties: number;
  readonly end: Length;
}

/**
 * Ties on equal centres along a plank, what is left shared by both ends. [common practice]
 *
 * @param least what is left at either end at the least: a tie would split the plank
 * @example tiesOn(inches(96), inches(18), inches(1)).ties // 6
 */
export function tiesOn(plank: Length, spacing: Length, least: Length): PlankTies {
  const bays = Math.max(0, Math.floor((plank - 2 * least) / spacing));
  return { ties: bays + 1, end: nanometres((plank - bays * spacing) / 2) };
}

/** Planks in one line along a wall's footing, or across its free end. */
export interface PlankRun {
  readonly wall: string;
  readonly name: string;
  readonly side: EdgeSide | 'end';
  /** Which it is of several on that side, from 1: the footing of an inside wall that joins parts them. */
  readonly part: number;
  readonly parts: number;
  /** From long point to long point of its mitres. */
  readonly length: Length;
  readonly whole: number;
  /** The plank that is cut; nothing where whole ones fill the run. */
  readonly cut: Length | null;
}

/** Where ties and plank joints stand along one wall, from its first corner on the form's outside face. */
export interface FormLayout {
  readonly wall: string;
  readonly ties: readonly Length[];
  readonly joints: readonly Length[];
}

/** What insulated footing forms take. */
export interface FootingForms {
  readonly runs: readonly PlankRun[];
  readonly layout: readonly FormLayout[];
  readonly planks: Figure;
  readonly ties: Figure;
  readonly splitTies: number;
  readonly stakes: number;
  /** Bars through the ties, end to end; laps come with the steel. */
  readonly bars: { readonly count: number; readonly length: Length };
  readonly bead: Length;
  readonly stone: Figure;
}

const figure = (id: string, title: string, how: How, rules: Figure['rules']): Figure =>
  figureOf({ id, title, how, rules, pieces: { course: 0 } });

/** What `tiedRun` goes by. */
interface TiedRunInput {
  readonly base: WallBase;
  readonly plank: Length;
  readonly spacing: Length;
  readonly least: Length;
}

/** One wall's ties and plank joints. A tie joins both planks, so they stand where both run: not where another footing joins. */
function tiedRun({ base, plank, spacing, least }: TiedRunInput) {
  const on = (from: number, run: Length): readonly Length[] => {
    const { ties, end } = tiesOn(run, spacing, least);
    return Array.from({ length: ties }, (_, index) => nanometres(from + end + index * spacing));
  };
  const stretches = besideGaps(base.both, base.joins).map(({ from, to }) => {
    const clear = subtract(to, from);
    const whole = Math.floor(clear / plank);
    const rest = nanometres(clear % plank);
    const onRest = rest < 2 * least ? [] : on(from + whole * plank, rest);
    return {
      whole,
      onRest: onRest.length,
      ties: [
        ...Array.from({ length: whole }, (_, index) => on(from + index * plank, plank)).flat(),
        ...onRest,
      ],
      joints: Array.from({ length: rest === 0 ? Math.max(0, whole - 1) : whole }, (_, index) =>
        nanometres(from + (index + 1) * plank),
      ),
    };
  });
  return {
    base,
    whole: stretches.reduce((sum, each) => sum + each.whole, 0),
    onRest: stretches.reduce((sum, each) => sum + each.onRest, 0),
    ties: stretches.flatMap((each) => each.ties),
    joints: stretches.flatMap((each) => each.joints),
  };
}

/** Planks along both edges of one wall's footing, parted where others join, and across its free ends, over the ends of both. [ours] */
function planksOf(base: WallBase, plank: Length, thickness: Length): readonly PlankRun[] {
  const { wall, name } = base;
  const cut = (length: Length): Pick<PlankRun, 'length' | 'whole' | 'cut'> => {
    const rest = nanometres(length % plank);
    return { length, whole: Math.floor(length / plank), cut: rest === 0 ? null : rest };
  };
  const across = add(base.width, nanometres(2 * thickness));
  return [
    ...(['outside', 'inside'] as const).flatMap((side) => {
      const parts = besideGaps(
        base.planks[side],
        base.joins.filter((join) => join.side === side),
      );
      return parts.map(({ from, to }, index): PlankRun => {
        const length = subtract(to, from);
        return { wall, name, side, part: index + 1, parts: parts.length, ...cut(length) };
      });
    }),
    ...Array.from({ length: base.freeEnds }, (_, index): PlankRun => ({
      wall,
      name,
      side: 'end',
      part: index + 1,
      parts: base.freeEnds,
      ...cut(across),
    })),
  ];
}

/** Planks, ties, stakes, bars, foam bead and stone for footings cast in insulated forms; null for every other kind. */
export function footingForms(bases: Bases, shell: Shell, rules: HouseRules): FootingForms | null {
  if (bases.kind !== 'forms') return null;
  const walls = bases.loops.flatMap((loop) => loop.walls);
  const plank = rules.length('footing.plank.length');
  const spacing = rules.length('footing.tie.spacing');
  const least = rules.length('footing.tie.end');
  const runs = walls.flatMap((base) => planksOf(base, plank, rules.length('footing.plank.thickness')));
  const tied = walls.map((base) => tiedRun({ base, plank, spacing, least }));
  const eachPlank = tiesOn(plank, spacing, least).ties;
  // Where a curve or another core begins, walls go straight on: no miter.
  const corners = shell.loops
    .flatMap(({ built }) => built?.corners ?? [])
    .filter(({ kind }) => kind !== 'straight').length;
  const middles = walls.reduce((sum, base) => sum + (base.outerLength + base.innerLength) / 2, 0);
  const bed = rules.length('footing.stone.depth');
  const stone: How = {
    op: 'sum',
    name: 'stone',
    unit: 'volume',
    of: walls.flatMap((base): How[] => {
      const run = givenLength('middle of the footing', (base.outerLength + base.innerLength) / 2);
      return [
        {
          op: 'product',
          name: `bed under ${base.name}`,
          unit: 'volume',
          of: [givenLength('width', base.width), givenLength('depth of the bed', bed), run],
        },
        {
          op: 'product',
          name: `mounds along ${base.name}`,
          unit: 'volume',
          // Two mounds, each a triangle half as high as the form and as wide as it is high.
          of: [givenLength('half the depth', bases.depth / 2), givenLength('as wide', bases.depth / 2), run],
        },
      ];
    }),
  };
  const ties: How = {
    op: 'sum',
    name: 'ties',
    unit: 'count',
    of: tied.map(({ base, whole, onRest }): How => ({
      op: 'sum',
      name: base.name,
      unit: 'count',
      of: [
        {
          op: 'product',
          name: 'whole planks',
          unit: 'count',
          of: [givenCount('planks', whole), givenCount('ties on each', eachPlank)],
        },
        givenCount('ties on the rest', onRest),
      ],
    })),
  };
  return {
    runs,
    layout: tied.map(({ base, ties: at, joints }) => ({ wall: base.wall, ties: at, joints })),
    planks: figure(
      'footing.planks',
      'planks of insulated footing forms',
      stockFor(
        'planks',
        runs.map((run) => run.length),
        plank,
      ),
      ['footing.plank.length', 'footing.plank.thickness'],
    ),
    ties: figure('footing.ties', 'ties of insulated footing forms', ties, [
      'footing.tie.spacing',
      'footing.tie.end',
    ]),
    splitTies: corners,
    stakes: runs.reduce(
      (sum, run) => sum + Math.floor(run.length / rules.length('footing.stake.spacing')) + 1,
      0,
    ),
    bars: { count: rules.count('footing.bars'), length: nanometres(middles) },
    // Where another footing joins there is no form to seal against.
    bead: nanometres(
      walls.reduce((sum, base) => {
        const joined = base.joins.reduce((taken, { from, to }) => taken + to - from, 0);
        return sum + base.outerLength + base.innerLength - joined;
      }, 0),
    ),
    stone: figure('footing.stone', 'stone under insulated footing forms', stone, ['footing.stone.depth']),
  };
}
