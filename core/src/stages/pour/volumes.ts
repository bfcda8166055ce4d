import { evaluate } from '../../kernel/figures/how';
import {
  type Length,
  type UnitSystem,
  CUBIC_METRES_PER_CUBIC_YARD,
  inches,
  KILOGRAMS_PER_CUBIC_METRE_PER_PCF,
  millimetres,
  subtract,
  ZERO,
} from '../../kernel/measure';
import { areaWithin } from '../openings';
import type { Judged } from '../../kernel/judged';
import type { HouseRules } from '../../kernel/rules';
import type { Levels, Wall } from '../outline';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import { type How, given } from '../../kernel/figures/how';
import { type Core, type Displacing, concreteOfCourse } from '../tally';
import type { PourProblem } from './problem';
import type { LiftSpan } from './lifts';
import type { SideVolume } from './sides';
import type { PourSpan } from '../outline';

/** What one lift takes. */
export interface LiftVolume {
  readonly lift: number;
  readonly whole: Figure;
  /** By wall, in cubic metres. */
  readonly walls: Readonly<Record<string, number>>;
}

/** What would change if the drawings, or the crew, were off by a little. */
export interface WhatIf {
  readonly id: string;
  readonly name: string;
  readonly volume: Figure;
}

/** What is ordered for a pour. */
export interface PourVolumes {
  readonly lifts: readonly LiftVolume[];
  readonly walls: readonly { readonly wall: string; readonly name: string; readonly volume: Figure }[];
  readonly core: Figure;
  readonly sides: readonly SideVolume[];
  readonly ordered: Figure;
  readonly weight: Figure;
  /** Cubic metres of each load; the last one is a balance. */
  readonly loads: readonly number[];
  /** Room of a truck, step of the plant, and the least that it brings without charging for a short load, in cubic metres. */
  readonly truck: number;
  readonly step: number;
  readonly least: number;
  readonly whatIf: readonly WhatIf[];
}

/** A wall's concrete between two heights: course by course. */
export function between(
  core: Core,
  displacing: Displacing,
  wall: Wall,
  { bottom, top }: LiftSpan,
): readonly How[] {
  return core.tops.slice(1).flatMap((above, index): How[] => {
    const below = core.tops[index] ?? ZERO;
    if (above <= bottom || below >= top) return [];
    const how = concreteOfCourse(core, index + 1, displacing, { bottom, top, wall: wall.id });
    const course = `course ${String(index + 1)}`;
    return evaluate(how) === 0
      ? []
      : [{ ...how, name: course, pieces: { wall: wall.id, course: index + 1 } }];
  });
}

const sumOf = (name: string, of: readonly How[]): How => ({ op: 'sum', name, unit: 'volume', of });

/** The truck's room and the plant's step in cubic metres, each told in the job's own unit. */
function plantUnits(units: UnitSystem, rules: HouseRules) {
  const unit = units === 'imperial' ? CUBIC_METRES_PER_CUBIC_YARD : 1;
  return {
    truck: rules.quantity('pour.truck.load'),
    step: Number(rules.choice('pour.plant.step')) * unit,
  };
}

/** What a truck brings, and the steps in which the plant sells; cubic metres. */
type PlantUnits = ReturnType<typeof plantUnits>;

/** Steps of the plant shared out among so many loads, as alike as they can be. */
const shared = (steps: number, loads: number): readonly number[] =>
  Array.from({ length: loads }, (_, index) => Math.floor((steps + loads - 1 - index) / loads));

/**
 * Loads of a volume: full trucks, then a balance; all alike where the balance would be under the least that a plant brings without
 * charging for it. Of a number that somebody chose, as alike as the plant's step allows.
 *
 * @param least in cubic metres
 */
export function loadsOf(
  pour: string,
  ordered: number,
  { truck, step, least }: PlantUnits & { readonly least: number },
  chosen: number | undefined,
): Judged<readonly number[], PourProblem> {
  if (ordered <= 0) return { value: [], problems: [] };
  const problems: PourProblem[] = [];
  const steps = Math.max(1, Math.round(ordered / step));
  const room = Math.max(1, Math.floor(truck / step + 1e-9));
  const fewest = Math.max(1, Math.round(least / step));
  const wanted = Math.ceil(steps / room);
  const count = chosen ?? wanted;
  if (count > wanted) problems.push({ kind: 'too-many-loads', pour, loads: count, wanted });
  if (count < wanted) problems.push({ kind: 'too-few-loads', pour, loads: count, wanted });
  if (steps < fewest) problems.push({ kind: 'load-short', pour, load: ordered, least });
  const used = Math.min(Math.max(count, wanted), Math.max(wanted, Math.floor(steps / fewest)));
  const balance = steps - (wanted - 1) * room;
  const full = used === wanted && (balance >= fewest || wanted === 1);
  const loads = full ? [...Array.from({ length: wanted - 1 }, () => room), balance] : shared(steps, used);
  return { value: loads.map((each) => each * step), problems };
}

/** The little that a what-if changes, and what it is called. */
const littleOf = (units: UnitSystem): { readonly strip: Length; readonly told: string } =>
  units === 'imperial' ? { strip: inches(1), told: 'an inch' } : { strip: millimetres(25), told: '25 mm' };

/** What an inch of core or of height, or an opening that nobody made, would change. */
function whatIfs(
  span: PourSpan,
  walls: readonly { readonly wall: Wall; readonly volume: Figure }[],
  area: How,
  { displacing: { openings }, units }: VolumesInput,
): readonly WhatIf[] {
  const { strip: little, told } = littleOf(units);
  const make = (id: string, name: string, how: How): WhatIf => ({
    id,
    name,
    volume: figureOf({ id: `pour.${span.pour}.if.${id}`, title: name, how, rules: [], pieces: {} }),
  });
  const byId = new Map(walls.map(({ wall }) => [wall.id, wall]));
  return [
    make(
      'core',
      `${told} more core`,
      sumOf(
        'walls',
        walls.map(({ wall, volume }): How => ({
          op: 'product',
          name: wall.name,
          unit: 'volume',
          of: [
            given('concrete', 'volume', volume.value),
            {
              op: 'quotient',
              name: 'of its core',
              unit: 'ratio',
              of: [given(told, 'length', little), given('core', 'length', wall.core)],
            },
          ],
        })),
      ),
    ),
    make('height', `${told} more height all round`, {
      op: 'product',
      name: 'height',
      unit: 'volume',
      of: [area, given(told, 'length', little)],
    }),
    ...openings.placed.flatMap((opening): WhatIf[] => {
      const wall = byId.get(opening.wall);
      const rect = {
        from: opening.concrete.from,
        to: opening.concrete.to,
        bottom: span.bottom,
        top: span.top,
      };
      const face = areaWithin(opening.concrete, rect);
      if (!opening.worked || !wall || face === 0) return [];
      return [
        make(`opening:${opening.id}`, `${opening.name} forgotten`, {
          op: 'product',
          name: opening.name,
          unit: 'volume',
          of: [given('its buck’s outside', 'area', face), given('core', 'length', wall.core)],
        }),
      ];
    }),
  ];
}

/** Plan area of the core at the walls' own tops in a pour: what goes into the last inch of each, over that inch. */
function topArea(
  span: PourSpan,
  walls: readonly Wall[],
  { core, displacing, levels, units }: VolumesInput,
): How {
  const { strip, told } = littleOf(units);
  return {
    op: 'quotient',
    name: 'plan area of the core at the top',
    unit: 'area',
    of: [
      sumOf(
        `concrete in the last ${told.replace('an ', '')}`,
        walls.flatMap((wall) => {
          const tops = (levels.walls[wall.id] ?? []).map((each) => Math.min(each.top, span.top));
          const top = Math.max(span.bottom, ...tops) as Length;
          return between(core, displacing, wall, { bottom: subtract(top, strip), top });
        }),
      ),
      given(told, 'length', strip),
    ],
  };
}

/** What fills the forms of a pour: its core and what stands in it, its side pours, the loads that somebody chose. */
interface VolumesInput {
  readonly lifts: readonly LiftSpan[];
  readonly core: Core;
  readonly displacing: Displacing;
  readonly levels: Levels;
  readonly sides: readonly SideVolume[];
  /** As many loads as the volume takes where undefined. */
  readonly chosenLoads: number | undefined;
  readonly units: UnitSystem;
}

/** Volumes of a pour by lift and wall, with what is ordered of it. */
export function volumesOf(
  span: PourSpan,
  input: VolumesInput,
  rules: HouseRules,
): Judged<PourVolumes, PourProblem> {
  const { lifts, core, displacing, sides, chosenLoads, units } = input;
  const all = [...core.walls.values()].map(({ wall }) => wall);
  const parts = lifts.map((lift) =>
    all.flatMap((wall) => {
      const courses = between(core, displacing, wall, lift);
      return courses.length === 0
        ? []
        : [{ wall, how: { ...sumOf(wall.name, courses), pieces: { wall: wall.id } } }];
    }),
  );
  const filled = all.filter((wall) => parts.some((lift) => lift.some((part) => part.wall === wall)));
  const walls = filled.map((wall) => ({
    wall,
    volume: figureOf({
      id: `pour.${span.pour}.wall.${wall.id}`,
      title: `Concrete in ${wall.name}`,
      how: sumOf(
        'lifts',
        parts.flatMap((lift, index) =>
          lift
            .filter((part) => part.wall === wall)
            .map(({ how }) => ({ ...how, name: `lift ${String(index + 1)}` })),
        ),
      ),
      rules: [],
      pieces: { wall: wall.id, fromCourse: span.fromCourse, toCourse: span.toCourse },
    }),
  }));
  const liftFigures = parts.map((lift, index): LiftVolume => ({
    lift: index + 1,
    whole: figureOf({
      id: `pour.${span.pour}.lift.${String(index + 1)}`,
      title: `Concrete in lift ${String(index + 1)}`,
      how: sumOf(
        'walls',
        lift.map(({ how }) => how),
      ),
      rules: ['pour.lifts'],
      pieces: {},
    }),
    walls: Object.fromEntries(lift.map(({ wall, how }) => [wall.id, evaluate(how)])),
  }));
  const poured = figureOf({
    id: `pour.${span.pour}.core`,
    title: 'Concrete in the walls',
    how: sumOf(
      'lifts',
      liftFigures.map(({ whole, lift }) => ({ ...whole.how, name: `lift ${String(lift)}` })),
    ),
    rules: [],
    pieces: {},
  });
  const { truck, step } = plantUnits(units, rules);
  const withSides = sumOf('walls and side pours', [
    { ...poured.how, name: 'walls' },
    ...sides.map((side) => ({ ...side.volume.how, name: side.name })),
  ]);
  const allowance: How = {
    op: 'sum',
    name: 'with the allowance',
    unit: 'ratio',
    of: [given('all', 'ratio', 1), given('allowance', 'ratio', rules.count('pour.allowance') / 100)],
  };
  const ordered = figureOf({
    id: `pour.${span.pour}.ordered`,
    title: 'Concrete to order',
    how: {
      op: 'rounded-up',
      name: 'ordered',
      unit: 'volume',
      of: [
        { op: 'product', name: 'with the allowance', unit: 'volume', of: [withSides, allowance] },
        given('the plant’s step', 'volume', step),
      ],
    },
    rules: ['pour.allowance', 'pour.plant.step'],
    pieces: {},
  });
  const least = rules.quantity('pour.load.least');
  const loads = loadsOf(span.pour, ordered.value, { truck, step, least }, chosenLoads);
  const value: PourVolumes = {
    lifts: liftFigures,
    walls: walls.map(({ wall, volume }) => ({ wall: wall.id, name: wall.name, volume })),
    core: poured,
    sides,
    ordered,
    weight: figureOf({
      id: `pour.${span.pour}.weight`,
      title: 'What the order weighs',
      how: {
        op: 'product',
        name: 'weight',
        unit: 'mass',
        of: [
          { ...ordered.how, name: 'ordered' },
          given(
            'density of fresh concrete',
            'density',
            rules.quantity('pour.density') * KILOGRAMS_PER_CUBIC_METRE_PER_PCF,
          ),
        ],
      },
      rules: ['pour.density'],
      pieces: {},
    }),
    loads: loads.value,
    truck,
    step,
    least,
    whatIf: whatIfs(span, walls, topArea(span, filled, input), input),
  };
  return { value, problems: loads.problems };
}
