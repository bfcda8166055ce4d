import type { PourDay } from './plan';
import type { FreshConcrete } from './pressure';
import type { Judged } from '../../kernel/judged';
import type { HouseRules } from '../../kernel/rules';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import { givenCount } from '../../kernel/figures/how';
import type { PourMethod } from './stops';
import type { PourProblem } from './problem';

/** Fahrenheit at which nobody pours, and at which no formula for concrete was made. */
const AIR_RANGE = [-40, 130] as const;
const CONCRETE_RANGE = [35, 115] as const;
/** Air under which fresh concrete in thin sections must come warm. [ACI 306; from memory] */
export const COLD_AIR = 40;
/** Temperature for which crews tell their working time, °F. [common practice] */
const USUAL = 70;

/** Chemistry coefficient. [ACI 347R-14 table 4.2.2.1a(b); from memory] */
export function chemistryOf(cement: string, admixture: string): number {
  if (cement === 'high-blend') return 1.4;
  const retarded = admixture === 'retarder';
  if (cement === 'blend') return retarded ? 1.4 : 1.2;
  return retarded ? 1.2 : 1;
}

/**
 * C2 of CIRIA 108: plain, retarded or blended, and blends with more slag or ash. [CIRIA Report 108; from memory]
 *
 * @example ciriaMaterial('plain', 'none') // 0.3
 */
export function ciriaMaterial(cement: string, admixture: string): number {
  if (cement === 'high-blend') return 0.6;
  return cement === 'blend' || admixture === 'retarder' ? 0.45 : 0.3;
}

/**
 * Minutes that a layer may wait for the next one at a temperature: the crew's own figure at 70 °F, halved or doubled for every so
 * many degrees. [common practice; the slope is ours]
 *
 * @example workingMinutes(70, rules) // 75
 */
export function workingMinutes(fahrenheit: number, rules: HouseRules): number {
  const halves = rules.quantity('pour.work.halves');
  const retarded = rules.choice('pour.mix.admixture') === 'retarder';
  return (
    rules.count('pour.work.minutes') *
    2 ** ((USUAL - fahrenheit) / halves) *
    (retarded ? 1 + rules.count('pour.work.retarder') / 100 : 1)
  );
}

/** Slumps that a way of placing goes with, in inches, least and most. [common practice] */
const SLUMPS: Readonly<Record<PourMethod, readonly [number, number]>> = {
  pump: [5, 7],
  chute: [4, 6],
  conveyor: [4, 6],
  holes: [7, 8],
};

/** Sets of cylinders for so much of something, one for each begun part of it; a whole part is not begun by what rounding adds. */
const setsFor = (amount: number, each: number): number => Math.ceil(amount / each - 1e-9);

/** What is ordered, what may be taken, and what is tested. */
export interface MixCard {
  /** Degrees Fahrenheit; null where nobody has said. */
  readonly air: number | null;
  readonly concrete: number;
  readonly slump: { readonly ordered: number; readonly least: number; readonly most: number };
  /** Slumps usual for the way of placing. */
  readonly usualSlump: readonly [number, number];
  /** Degrees between which a load is taken. */
  readonly temperature: { readonly least: number | null; readonly most: number };
  readonly chemistry: number;
  readonly c2: number;
  readonly working: number;
  readonly discharge: number;
  /** Sets of cylinders. */
  readonly sets: Figure;
  /** Null where the figures are out of any range. */
  readonly fresh: FreshConcrete | null;
}

/**
 * The mix of a pour.
 *
 * @param of what is placed how: `volume` cubic metres that are ordered, `face` square feet of wall, one face
 */
export function mixOf(
  pour: string,
  said: PourDay | undefined,
  { method, volume, face }: { readonly method: PourMethod; readonly volume: number; readonly face: number },
  rules: HouseRules,
): Judged<MixCard, PourProblem> {
  const problems: PourProblem[] = [];
  const air = said?.air ?? null;
  const concrete = said?.concrete ?? rules.quantity('pour.mix.temperature');
  const inside = (value: number, [least, most]: readonly [number, number]): boolean =>
    value >= least && value <= most;
  const airFits = air === null || inside(air, AIR_RANGE);
  const concreteFits = inside(concrete, CONCRETE_RANGE);
  if (!airFits) problems.push({ kind: 'temperature-absurd', pour, of: 'air', degrees: air });
  if (!concreteFits) problems.push({ kind: 'temperature-absurd', pour, of: 'concrete', degrees: concrete });
  const coldest = rules.quantity('pour.mix.coldest');
  const hottest = rules.quantity('pour.mix.hottest');
  const cold = air !== null && air < COLD_AIR;
  if (concreteFits && cold && concrete < coldest) {
    problems.push({ kind: 'too-cold', pour, degrees: concrete, limit: coldest });
  }
  if (concreteFits && concrete > hottest) {
    problems.push({ kind: 'too-hot', pour, degrees: concrete, limit: hottest });
  }
  const [cement, admixture] = [rules.choice('pour.mix.cement'), rules.choice('pour.mix.admixture')];
  const slump = rules.quantity('pour.mix.slump');
  const within = rules.quantity('pour.mix.slump.within');
  const chemistry = chemistryOf(cement, admixture);
  const c2 = ciriaMaterial(cement, admixture);
  const value: MixCard = {
    air: airFits ? air : null,
    concrete,
    slump: { ordered: slump, least: Math.max(0, slump - within), most: slump + within },
    usualSlump: SLUMPS[method],
    temperature: { least: cold ? coldest : null, most: hottest },
    chemistry,
    c2,
    working: concreteFits ? workingMinutes(concrete, rules) : rules.count('pour.work.minutes'),
    discharge: rules.count('pour.discharge.most'),
    sets: figureOf({
      id: `pour.${pour}.sets`,
      title: 'Sets of cylinders',
      how: {
        op: 'greatest',
        name: 'sets',
        unit: 'count',
        of: [
          givenCount('a day', 1),
          givenCount('for the concrete', setsFor(volume, rules.quantity('pour.test.yards'))),
          givenCount('for the face of the walls', setsFor(face, rules.quantity('pour.test.feet'))),
        ],
      },
      rules: ['pour.test.yards', 'pour.test.feet'],
      pieces: {},
    }),
    fresh: concreteFits
      ? { weight: rules.quantity('pour.density'), temperature: concrete, slump, chemistry, c2 }
      : null,
  };
  return { value, problems };
}
