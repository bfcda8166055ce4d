import { evaluate } from '../../kernel/figures/how';
import { type Length, subtract } from '../../kernel/measure';
import type { Openings } from '../openings';
import type { HouseRules } from '../../kernel/rules';
import type { Levels, Wall } from '../outline';
import { type How, given } from '../../kernel/figures/how';
import type { Core, Displacing } from '../tally';
import type { LiftSpan } from './lifts';
import { between } from './volumes';

/** Heights between which the same walls are filled in one lift, openings and all. */
export interface RisingBand {
  /** Number of its lift, from 1. */
  readonly lift: number;
  readonly bottom: Length;
  readonly top: Length;
  /** Walls that take concrete in it, and how much, in cubic metres. */
  readonly walls: readonly { readonly wall: Wall; readonly volume: number }[];
}

/** A stretch of a lift over which the rise is told. */
export interface Stretch extends RisingBand {
  /** Plan area of the core that is filled there: what goes into it over its height. Square metres. */
  readonly area: number;
}

/** What the bands of a pour are made of. */
export interface RisingInput {
  readonly lifts: readonly LiftSpan[];
  /** Walls that the pour fills. */
  readonly walls: readonly Wall[];
  readonly core: Core;
  readonly displacing: Displacing;
  readonly levels: Levels;
  readonly openings: Openings;
}

/** What a pour fills on its way up, in bands, and in the stretches over which its rise is told. */
export interface Rising extends RisingInput {
  readonly bands: readonly RisingBand[];
  readonly stretches: readonly Stretch[];
}

/** Heights at which another area begins: where walls begin and end, at sills and heads, and where the lift does. */
function edgesOf({ bottom, top }: LiftSpan, { walls, levels, openings }: RisingInput): readonly Length[] {
  const ends = walls.flatMap((wall) =>
    (levels.walls[wall.id] ?? []).flatMap((each) => [each.bottom, each.top]),
  );
  const holes = openings.placed
    .filter((each) => each.worked)
    .flatMap(({ concrete }) => [concrete.bottom, concrete.top]);
  const inner = [...ends, ...holes].filter((each) => each > bottom && each < top);
  return [...new Set([bottom, ...inner, top])].sort((a, b) => a - b);
}

/** What goes into each wall between two heights. */
function filledBetween(
  lift: number,
  bottom: Length,
  top: Length,
  { walls, core, displacing }: RisingInput,
): RisingBand {
  const filled = walls.flatMap((wall) => {
    const courses = between(core, displacing, wall, { bottom, top });
    const volume = courses.reduce((sum, how) => sum + evaluate(how), 0);
    return volume > 0 ? [{ wall, volume }] : [];
  });
  return { lift, bottom, top, walls: filled };
}

/** The bands of a pour from the bottom up, lift by lift. */
function risingBands(input: RisingInput): readonly RisingBand[] {
  return input.lifts.flatMap((lift, index) => {
    const edges = edgesOf(lift, input);
    return edges
      .slice(1)
      .map((top, before) => filledBetween(index + 1, edges[before] ?? lift.bottom, top, input));
  });
}

/**
 * The stretches over which the rise of a pour is looked at: in every lift, each so high as the house rule asks, or the whole lift
 * where that is lower. Of all such stretches those with the least concrete begin or end where a band does.
 */
function stretchesOf(
  bands: readonly RisingBand[],
  input: RisingInput,
  rules: HouseRules,
): readonly Stretch[] {
  const lifts = [...new Set(bands.map(({ lift }) => lift))];
  return lifts.flatMap((lift) => {
    // Over the walls' tops nothing is filled, so nothing rises there.
    const own = bands.filter((band) => band.lift === lift && band.walls.length > 0);
    const [bottom, top] = [own[0]?.bottom ?? 0, own.at(-1)?.top ?? 0];
    const high = Math.min(rules.length('pour.rise.least'), top - bottom);
    const feet = new Set(own.flatMap((band) => [band.bottom, band.top - high]));
    return [...feet]
      .filter((foot) => foot >= bottom && foot + high <= top)
      .map((foot): Stretch => {
        const band = filledBetween(lift, foot as Length, (foot + high) as Length, input);
        const volume = band.walls.reduce((sum, each) => sum + each.volume, 0);
        return { ...band, area: volume / (high / 1e9) };
      })
      .filter(({ area }) => area > 0);
  });
}

/** How the concrete of a pour rises in its forms, however fast it comes. */
export function risingOf(input: RisingInput, rules: HouseRules): Rising {
  const bands = risingBands(input);
  return { ...input, bands, stretches: stretchesOf(bands, input, rules) };
}

/** The area of a stretch as it is told: the concrete that goes into it over its height. */
export function areaHow({ bottom, top }: Stretch, { walls, core, displacing }: RisingInput): How {
  return {
    op: 'quotient',
    name: 'plan area that is filled there',
    unit: 'area',
    of: [
      {
        op: 'sum',
        name: 'concrete there',
        unit: 'volume',
        of: walls.flatMap((wall): How[] => {
          const courses = between(core, displacing, wall, { bottom, top });
          return courses.length === 0 ? [] : [{ op: 'sum', name: wall.name, unit: 'volume', of: courses }];
        }),
      },
      given('height of that stretch', 'length', subtract(top, bottom)),
    ],
  };
}
