import { evaluate } from '../../kernel/figures/how';
import { type Length, NANOMETRES_PER_METRE, PASCALS_PER_PSF } from '../../kernel/measure';
import {
  type FreshConcrete,
  type PressureSchool,
  ACI_MOST_SLUMP,
  aciBranch,
  aciLeast,
  aciWallOf,
  ciriaTemperature,
  ciriaWallOf,
  fastestRise,
  pressureOn,
  weightCoefficient,
  weightOf,
} from './pressure';
import type { Judged } from '../../kernel/judged';
import type { HouseRules, RuleId } from '../../kernel/rules';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import { type Given, type How, given, givenLength } from '../../kernel/figures/how';
import type { PourProblem } from './problem';
import type { LiftSpan } from './lifts';
import { type Rising, type RisingBand, type Stretch, areaHow } from './rising';
import type { PourSpan } from '../outline';

/** What presses on the forms of a pour. Pressures in pascals, rises in m/h, rates in m³/h, times in minutes. */
export interface Pressing {
  /** Rise at the worst place: the crew's rate over the plan area that is filled at that height in that lift. */
  readonly rise: Figure;
  /** Where the pressure is greatest. */
  readonly worst: PressedPlace;
  /** Why the whole head counts, where it does. */
  readonly wholeHead: WholeHead | null;
  readonly soonest: Soonest | null;
  /** The rise of every wall in every stretch of every lift. */
  readonly rises: readonly PressedPlace[];
  readonly aci: Figure;
  readonly ciria: Figure;
  /** The whole head, if everything stayed fluid. */
  readonly head: Figure;
  readonly school: PressureSchool;
  /** By the job's school. */
  readonly judged: number;
  readonly capacity: number | null;
  /** Fastest rate that stays inside the capacity, and the shortest that each lift may take then; null where any does, or none. */
  readonly fastest: number | 'any' | 'none' | null;
  readonly shortestLifts: readonly number[];
  /** Head of the deepest lift where the hose dwells. */
  readonly liftHead: Figure;
  /** Pressure at heights above the pour's foot, in metres: the head from the top down to what the formula allows. */
  readonly profile: readonly { readonly up: number; readonly pressure: number }[];
}

const ratio = (name: string, value: number): Given => given(name, 'ratio', value);

/** The formula of ACI 347R-14 with its numbers filled in, in pascals. */
function aciHow(fresh: FreshConcrete, rise: number, height: number): How {
  const wall = aciWallOf(fresh, rise, height);
  const head: How = {
    op: 'product',
    name: 'whole head, lb/ft²',
    unit: 'ratio',
    of: [ratio('w, lb/ft³', wall.weight), ratio('h, ft', wall.height)],
  };
  const branch = aciBranch(wall);
  const coefficient = ratio('Cw', weightCoefficient(wall.weight));
  const part = (name: string, factor: number, of: number): How => ({
    op: 'quotient',
    name,
    unit: 'ratio',
    of: [
      { op: 'product', name, unit: 'ratio', of: [ratio('factor', factor), ratio('R, ft/h', of)] },
      ratio('T, °F', wall.temperature),
    ],
  });
  const terms: readonly How[] =
    branch === 'slow'
      ? [ratio('base', 150), part('9 000 R/T', 9000, wall.rise)]
      : [
          ratio('base', 150),
          {
            op: 'quotient',
            name: '43 400/T',
            unit: 'ratio',
            of: [ratio('factor', 43_400), ratio('T, °F', wall.temperature)],
          },
          part('2 800 R/T', 2800, wall.rise),
        ];
  const formula: How = {
    op: 'product',
    name: 'formula, lb/ft²',
    unit: 'ratio',
    of: [
      ratio('Cc', wall.chemistry),
      coefficient,
      { op: 'sum', name: 'by the rise', unit: 'ratio', of: terms },
    ],
  };
  const least: How = {
    op: 'product',
    name: '600 Cw, lb/ft²',
    unit: 'ratio',
    of: [ratio('least', aciLeast(wall.weight) / weightCoefficient(wall.weight)), coefficient],
  };
  return {
    op: 'product',
    name: 'pressure',
    unit: 'pressure',
    of: [
      branch === 'head'
        ? head
        : {
            op: 'least',
            name: 'lb/ft²',
            unit: 'ratio',
            of: [head, { op: 'greatest', name: 'of both', unit: 'ratio', of: [least, formula] }],
          },
      {
        ...ratio('pascals in a lb/ft²', PASCALS_PER_PSF),
        shown: { imperial: null, metric: { name: 'kPa in a lb/ft²', value: PASCALS_PER_PSF / 1000 } },
      },
    ],
  };
}

/** The formula of CIRIA 108 with its numbers filled in, in pascals. */
function ciriaHow(fresh: FreshConcrete, rise: number, height: number): How {
  const wall = ciriaWallOf(fresh, rise, height);
  const risen = wall.c1 * Math.sqrt(Math.max(0, rise));
  const head: How = {
    op: 'product',
    name: 'whole head, kN/m²',
    unit: 'ratio',
    of: [ratio('D, kN/m³', wall.weight), ratio('H, m', wall.height)],
  };
  const formula: How = {
    op: 'product',
    name: 'formula, kN/m²',
    unit: 'ratio',
    of: [
      ratio('D, kN/m³', wall.weight),
      {
        op: 'sum',
        name: 'of the rise and what is left of the height',
        unit: 'ratio',
        of: [
          ratio('C1·√R', risen),
          {
            op: 'product',
            name: 'C2·K·√(H − C1·√R)',
            unit: 'ratio',
            of: [
              ratio('C2', wall.c2),
              ratio('K', ciriaTemperature(wall.temperature)),
              ratio('√(H − C1·√R)', Math.sqrt(Math.max(0, height - risen))),
            ],
          },
        ],
      },
    ],
  };
  return {
    op: 'product',
    name: 'pressure',
    unit: 'pressure',
    of: [
      risen >= height ? head : { op: 'least', name: 'kN/m²', unit: 'ratio', of: [head, formula] },
      {
        ...ratio('pascals in a kN/m²', 1000),
        shown: { imperial: { name: 'lb/ft² in a kN/m²', value: 1000 / PASCALS_PER_PSF }, metric: null },
      },
    ],
  };
}

/** Head of so much fluid concrete. */
const headHow = (name: string, fresh: FreshConcrete, metres: number): How => ({
  op: 'product',
  name,
  unit: 'pressure',
  of: [
    given('weight of fresh concrete', 'weight', weightOf(fresh)),
    givenLength('depth', Math.round(metres * NANOMETRES_PER_METRE)),
  ],
});

const MIX_RULES: readonly RuleId[] = [
  'pour.density',
  'pour.mix.temperature',
  'pour.mix.cement',
  'pour.mix.admixture',
  'pour.mix.slump',
];

/** Heights at which the profile is told, besides those where it bends. */
const PROFILE_STEPS = 12;

/** Pressure over the height: the head from the top down, no more than the formula allows. */
function profileOf(fresh: FreshConcrete, height: number, most: number): Pressing['profile'] {
  const bend = Math.max(0, height - most / weightOf(fresh));
  const ups = Array.from({ length: PROFILE_STEPS + 1 }, (_, step) => (height * step) / PROFILE_STEPS);
  return [...new Set([...ups, bend])]
    .sort((a, b) => a - b)
    .map((up) => ({ up, pressure: Math.min(most, weightOf(fresh) * (height - up)) }));
}

/** A wall, a lift, and the heights between which it is filled: where something is judged. */
export interface PressedPlace {
  readonly wall: string;
  readonly name: string;
  readonly lift: number;
  readonly bottom: Length;
  readonly top: Length;
  /** Metres an hour. */
  readonly rise: number;
  /** Of the wall in this pour, in metres. */
  readonly height: number;
}

/** Why the whole head counts, whatever the formulas say. */
export type WholeHead = 'rise' | 'deep' | 'return';

/** The soonest that the hose comes back to a place. */
export interface Soonest {
  readonly wall: string;
  readonly name: string;
  readonly lift: number;
  readonly minutes: number;
}

/** Everything that the pressure of a pour follows from. */
interface PressingInput {
  readonly span: PourSpan;
  readonly lifts: readonly LiftSpan[];
  readonly rising: Rising;
  /** Height of a wall in this pour, in metres. */
  readonly heightOf: (wall: string) => number;
  readonly soonest: Soonest | null;
  readonly fresh: FreshConcrete;
  /** Cubic metres an hour. */
  readonly rate: How;
  /** Stated for the form, in pascals. */
  readonly capacity: number | null;
  readonly rules: HouseRules;
}

/** Every wall in every stretch, with the rise there. */
const placesOf = (
  stretches: readonly Stretch[],
  { rate, heightOf }: PressingInput,
): readonly PressedPlace[] =>
  stretches.flatMap(({ lift, bottom, top, walls, area }) => {
    const rise = evaluate(rate) / area;
    return walls.map(({ wall }): PressedPlace => ({
      wall: wall.id,
      name: wall.name,
      lift,
      bottom,
      top,
      rise,
      height: heightOf(wall.id),
    }));
  });

/** The place of most pressure; of several, that where it rises fastest. */
function worstOf(
  places: readonly PressedPlace[],
  pressure: (place: PressedPlace) => number,
): PressedPlace | null {
  let worst: PressedPlace | null = null;
  let most = -1;
  for (const place of places) {
    const here = pressure(place);
    if (worst === null || here > most + 1e-6 || (here > most - 1e-6 && place.rise > worst.rise)) {
      worst = place;
      most = Math.max(most, here);
    }
  }
  return worst;
}

/** The fastest rise of walls that are filled together; null where every one of them stands any. */
function fastestOf(
  { walls }: RisingBand,
  school: PressureSchool,
  capacity: number,
  { fresh, heightOf, rules }: PressingInput,
): number | 'none' | null {
  const most = rules.quantity('pour.rise.most');
  const rises = walls.flatMap(({ wall }) => {
    const fastest = fastestRise(school, fresh, heightOf(wall.id), capacity);
    return fastest === 'any' ? [] : [fastest];
  });
  if (rises.includes('none')) return 'none';
  return rises.length === 0
    ? null
    : Math.min(...rises.map((each) => (typeof each === 'number' ? Math.min(each, most) : most)));
}

/** The fastest rate of a pour, and the shortest that each lift may take: its heights, each at the fastest rise there. */
function limitsOf(
  school: PressureSchool,
  bands: readonly RisingBand[],
  stretches: readonly Stretch[],
  input: PressingInput,
): Pick<Pressing, 'fastest' | 'shortestLifts'> {
  const { capacity } = input;
  if (capacity === null) return { fastest: null, shortestLifts: [] };
  const allowed = stretches.map((stretch) => ({
    stretch,
    rise: fastestOf(stretch, school, capacity, input),
  }));
  if (allowed.some(({ rise }) => rise === 'none')) return { fastest: 'none', shortestLifts: [] };
  const rates = allowed.flatMap(({ stretch, rise }) =>
    typeof rise === 'number' ? [rise * stretch.area] : [],
  );
  if (rates.length === 0) return { fastest: 'any', shortestLifts: [] };
  return {
    fastest: Math.min(...rates),
    shortestLifts: input.lifts.map((_, index) =>
      bands
        .filter((band) => band.lift === index + 1)
        .reduce((sum, band) => {
          const rise = fastestOf(band, school, capacity, input);
          return sum + (typeof rise === 'number' ? ((band.top - band.bottom) / 1e9 / rise) * 60 : 0);
        }, 0),
    ),
  };
}

/** Why the whole head counts, if it does: what is told of it comes first that does most. */
function wholeHeadOf(
  worst: PressedPlace,
  deepest: { readonly depth: number },
  soonest: Soonest | null,
  rules: HouseRules,
): WholeHead | null {
  if (worst.rise > rules.quantity('pour.rise.most')) return 'rise';
  const vibrated = rules.choice('pour.consolidate') === 'vibrator';
  if (vibrated && deepest.depth > rules.length('pour.vibrate.deepest')) return 'deep';
  return soonest !== null && soonest.minutes < rules.count('pour.return.least') ? 'return' : null;
}

/** The deepest of the lifts, counted from 1. */
const deepestOf = (lifts: readonly LiftSpan[]): { readonly depth: number; readonly lift: number } =>
  lifts.reduce(
    (best, lift, index) =>
      lift.top - lift.bottom > best.depth ? { depth: lift.top - lift.bottom, lift: index + 1 } : best,
    { depth: 0, lift: 1 },
  );

/** What of the pressure wants to be told. */
function judge(
  pressing: Pressing,
  deepest: ReturnType<typeof deepestOf>,
  input: PressingInput,
): readonly PourProblem[] {
  const { span, fresh, capacity, rules } = input;
  const problems: PourProblem[] = [];
  const { worst, judged, fastest, liftHead, wholeHead, soonest } = pressing;
  const { pour } = span;
  if (wholeHead !== null) {
    problems.push({
      kind: 'whole-head',
      pour,
      why: wholeHead,
      pressure: judged,
      ...(wholeHead === 'return' && soonest
        ? { wall: soonest.wall, lift: soonest.lift, minutes: soonest.minutes }
        : { wall: worst.wall, lift: wholeHead === 'deep' ? deepest.lift : worst.lift, rise: worst.rise }),
      depth: deepest.depth as Length,
      least: rules.count('pour.return.least'),
    });
  }
  if (capacity === null) problems.push({ kind: 'capacity-unsaid' });
  else if (fastest === 'none') {
    const least = pressureOn(pressing.school, fresh, 0, worst.height);
    problems.push({ kind: 'capacity-too-low', pour, least, capacity });
  } else if (judged > capacity) {
    problems.push({
      kind: 'over-capacity',
      pour,
      pressure: judged,
      capacity,
      wall: worst.wall,
      lift: worst.lift,
    });
  }
  if (capacity !== null && liftHead.value > capacity) {
    problems.push({
      kind: 'lift-over-capacity',
      pour,
      lift: deepest.lift,
      depth: deepest.depth as Length,
      pressure: liftHead.value,
      capacity,
    });
  }
  if (pressing.school === 'aci' && fresh.slump > ACI_MOST_SLUMP) {
    problems.push({ kind: 'slump-past-formula', slump: fresh.slump });
  }
  return problems;
}

/**
 * Pressure of a pour by both schools at the worst place, against the form's stated capacity; what rate and what lifts stay inside
 * it; and the head of a lift where the hose dwells. The rise of a place is the crew's rate over what is filled at its height: a tall
 * wall among low ones rises alone once they are full. Where the rise, a vibrated lift or the hose's return is past what the formulas
 * hold for, the whole head of the wall counts. [ACI 347R-14 §4.2.2; from memory]
 *
 * @returns a value of null where nothing is filled
 */
export function pressingOf(input: PressingInput): Judged<Pressing | null, PourProblem> {
  const { span, lifts, rising, fresh, rate, capacity, rules, soonest } = input;
  const own = (id: string): string => `pour.${span.pour}.${id}`;
  const school = rules.choice('pour.pressure') as PressureSchool;
  const most = rules.quantity('pour.rise.most');
  const { bands, stretches } = rising;
  const places = placesOf(stretches, input);
  const byFormula = ({ rise, height }: PressedPlace): number =>
    rise > most ? weightOf(fresh) * height : pressureOn(school, fresh, rise, height);
  const worst = worstOf(places, byFormula);
  const stretch = stretches.find((each) => each.lift === worst?.lift && each.bottom === worst.bottom);
  if (!worst || !stretch) return { value: null, problems: [] };
  const tallest = Math.max(...places.map(({ height }) => height));
  const deepest = deepestOf(lifts);
  const wholeHead = wholeHeadOf(worst, deepest, soonest, rules);
  const head = weightOf(fresh) * (wholeHead === 'rise' ? worst.height : tallest);
  const judged = wholeHead === null ? byFormula(worst) : Math.max(byFormula(worst), head);
  const rise = figureOf({
    id: own('rise'),
    title: `Fastest rise: ${worst.name}, lift ${String(worst.lift)}`,
    how: { op: 'quotient', name: 'rise', unit: 'rise', of: [rate, areaHow(stretch, rising)] },
    rules: ['pour.method', 'pour.rise.least'],
    pieces: { wall: worst.wall },
  });
  const pressing: Pressing = {
    rise,
    worst,
    wholeHead,
    soonest,
    rises: places,
    aci: figureOf({
      id: own('aci'),
      title: 'Pressure by ACI 347R-14',
      how: aciHow(fresh, rise.value, worst.height),
      rules: MIX_RULES,
      pieces: {},
    }),
    ciria: figureOf({
      id: own('ciria'),
      title: 'Pressure by CIRIA 108',
      how: ciriaHow(fresh, rise.value, worst.height),
      rules: MIX_RULES,
      pieces: {},
    }),
    head: figureOf({
      id: own('head'),
      title: 'The whole head, if everything stayed fluid',
      how: headHow('whole head', fresh, tallest),
      rules: ['pour.density'],
      pieces: {},
    }),
    school,
    judged,
    capacity,
    ...limitsOf(school, bands, stretches, input),
    liftHead: figureOf({
      id: own('liftHead'),
      title: 'Head of the deepest lift where the hose dwells',
      how: headHow('head of the lift', fresh, deepest.depth / 1e9),
      rules: ['pour.density', 'pour.lifts'],
      pieces: {},
    }),
    profile: profileOf(fresh, tallest, judged),
  };
  return { value: pressing, problems: judge(pressing, deepest, input) };
}
