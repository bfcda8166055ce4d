import { type Length, PASCALS_PER_PSF } from '../measure';
import {
  ACI_MOST_SLUMP,
  type FreshConcrete,
  type PressureSchool,
  aciBranch,
  aciLeast,
  aciWallOf,
  ciriaTemperature,
  ciriaWallOf,
  fastestRise,
  pressureOn,
  weightCoefficient,
  weightOf,
} from '../pressure';
import type { HouseRules, RuleId } from '../rules';
import { type Figure, type How, evaluate, figureOf, given } from '../tally';
import type { PourProblem } from './problem';
import type { RoundSpan } from './rounds';
import type { PourSpan } from './spans';

/** What presses on the forms of a pour. Pressures in pascals, rises in m/h, rates in m³/h, times in minutes. */
export interface Pressing {
  /** Average rise: the crew's rate over the plan area that it fills. */
  readonly rise: Figure;
  readonly aci: Figure;
  readonly ciria: Figure;
  /** The whole head, if everything stayed fluid. */
  readonly head: Figure;
  readonly school: PressureSchool;
  /** By the job's school. */
  readonly judged: number;
  readonly capacity: number | null;
  /** Fastest rate that stays inside the capacity, and the shortest that each round may take then; null where any does, or none. */
  readonly fastest: number | 'any' | 'none' | null;
  readonly shortestRounds: readonly number[];
  /** Head of the deepest round where the hose dwells. */
  readonly roundHead: Figure;
  /** Pressure at heights above the pour's foot, in metres: the head from the top down to what the formula allows. */
  readonly profile: readonly { readonly up: number; readonly pressure: number }[];
}

const ratio = (name: string, value: number): How => given(name, 'ratio', value);

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
      ratio('pascals in a lb/ft²', PASCALS_PER_PSF),
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
      ratio('pascals in a kN/m²', 1000),
    ],
  };
}

/** Head of so much fluid concrete. */
const headHow = (name: string, fresh: FreshConcrete, metres: number): How => ({
  op: 'product',
  name,
  unit: 'pressure',
  of: [ratio('weight, N/m³', weightOf(fresh)), ratio('depth, m', metres)],
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

/**
 * Pressure of a pour by both schools, against the form's stated capacity; what rate and what rounds stay inside it; and the head of
 * a round where the hose dwells. The average rise stands for all walls: the rehearsal tells it place by place.
 *
 * @param rate cubic metres an hour
 * @param area plan area that is filled, as a tree in square metres
 * @param volumes of the rounds, cubic metres
 */
export function pressingOf(
  span: PourSpan,
  rounds: readonly RoundSpan[],
  volumes: readonly number[],
  fresh: FreshConcrete,
  rate: How,
  area: How,
  capacity: number | null,
  rules: HouseRules,
  problems: PourProblem[],
): Pressing {
  const own = (id: string): string => `pour.${span.stage}.${id}`;
  const school = rules.choice('pour.pressure') as PressureSchool;
  const height = (span.top - span.bottom) / 1e9;
  const rise = figureOf(
    own('rise'),
    'Average rise',
    { op: 'quotient', name: 'rise', unit: 'rise', of: [rate, area] },
    ['pour.method'],
    {},
  );
  const judged = pressureOn(school, fresh, rise.value, height);
  const deepest = rounds.reduce(
    (best, round, index) =>
      round.top - round.bottom > best.depth ? { depth: round.top - round.bottom, round: index + 1 } : best,
    { depth: 0, round: 1 },
  );
  const roundHead = figureOf(
    own('roundHead'),
    'Head of the deepest round where the hose dwells',
    headHow('head of the round', fresh, deepest.depth / 1e9),
    ['pour.density', 'pour.rounds'],
    {},
  );
  const fastestUp = capacity === null ? null : fastestRise(school, fresh, height, capacity);
  const fastest = typeof fastestUp === 'number' ? fastestUp * evaluate(area) : fastestUp;
  if (capacity === null) problems.push({ kind: 'capacity-unsaid' });
  else if (fastest === 'none') {
    const least = pressureOn(school, fresh, 0, height);
    problems.push({ kind: 'capacity-too-low', stage: span.stage, least, capacity });
  } else if (judged > capacity) {
    problems.push({ kind: 'over-capacity', stage: span.stage, pressure: judged, capacity });
  }
  if (capacity !== null && roundHead.value > capacity) {
    problems.push({
      kind: 'round-over-capacity',
      stage: span.stage,
      round: deepest.round,
      depth: deepest.depth as Length,
      pressure: roundHead.value,
      capacity,
    });
  }
  if (
    school === 'aci' &&
    aciBranch(aciWallOf(fresh, rise.value, height)) === 'head' &&
    fresh.slump > ACI_MOST_SLUMP
  ) {
    problems.push({ kind: 'slump-past-formula', slump: fresh.slump });
  }
  return {
    rise,
    aci: figureOf(own('aci'), 'Pressure by ACI 347R-14', aciHow(fresh, rise.value, height), MIX_RULES, {}),
    ciria: figureOf(
      own('ciria'),
      'Pressure by CIRIA 108',
      ciriaHow(fresh, rise.value, height),
      MIX_RULES,
      {},
    ),
    head: figureOf(
      own('head'),
      'The whole head, if everything stayed fluid',
      headHow('whole head', fresh, height),
      ['pour.density'],
      {},
    ),
    school,
    judged,
    capacity,
    fastest,
    shortestRounds: typeof fastest === 'number' ? volumes.map((volume) => (volume / fastest) * 60) : [],
    roundHead,
    profile: profileOf(fresh, height, judged),
  };
}
