import { applyEdit } from '../plan';
import { rulesOf } from '../rules';
import { writeQuantity } from '../kernel/measure';
import type { Plan, PlanEdit } from '../kernel/plan';
import type { WorkedPour } from '../stages/pour';
import { type Ordered, type SearchSteps, bestTrucks, riskOf } from '../stages/pour/rehearsal';
import type { HouseRules } from '../kernel/rules';
import { work } from '../work';

/** Another way to pour, where no trucks come well with this one. */
export type RemedyKind = 'lifts' | 'retarder' | 'smaller-loads' | 'method' | 'more-hands';

/** What a remedy changes, and what the day comes to with the best trucks for it. */
export interface Remedy {
  readonly kind: RemedyKind;
  /** What it is changed to: a choice of the rule, a number of people, a truck's load. */
  readonly to: string;
  readonly edits: readonly PlanEdit[];
  /** Null where the pour cannot be worked so. */
  readonly best: Ordered | null;
}

/** Where the trying of remedies stands. */
export interface RemedySearch {
  readonly done: number;
  readonly of: number;
  /** The least risky first, then the cheapest. */
  readonly tried: readonly Remedy[];
}

type Candidate = Omit<Remedy, 'best'>;

/** Remedies are searched more coarsely: each asks for the whole job to be worked again. */
const COARSE: SearchSteps = { spacing: 15, days: 80 };
/** Hands that are added, and by how much the crew places more for each, as a share. [ours] */
const HANDS = 2;
const BY_HAND = 0.1;
/** Share of a truck that a smaller load is. [ours] */
const SMALLER = 2 / 3;

const setRule = (rule: string, value: string | number): PlanEdit => ({ kind: 'set-rule', rule, value });

/** What crews would try, in this job's terms; what it does already is left out. */
function candidatesOf(plan: Plan, pour: WorkedPour, rules: HouseRules): readonly Candidate[] {
  const { method } = pour;
  const lifts = ['two', 'three', 'low-first'].filter((each) => each !== rules.choice('pour.lifts'));
  const truck = rules.quantity('pour.truck.load');
  const smaller = writeQuantity(Math.max(1, truck * SMALLER), 'concrete', plan.units);
  const crewRule = method === 'holes' ? 'pour.crew.holes' : (`pour.crew.${method}` as const);
  const rateRule = method === 'holes' ? 'pour.rate.holes' : (`pour.rate.${method}` as const);
  const hands = rules.count(crewRule) + HANDS;
  const faster = rules.quantity(rateRule) * (1 + HANDS * BY_HAND);
  const methods = (['pump', 'conveyor', 'chute'] as const).filter(
    (each) => each !== method && method !== 'holes',
  );
  const found: readonly (Candidate | null)[] = [
    ...lifts.map((to): Candidate => ({ kind: 'lifts', to, edits: [setRule('pour.lifts', to)] })),
    ...(rules.choice('pour.mix.admixture') === 'retarder'
      ? []
      : [{ kind: 'retarder' as const, to: 'retarder', edits: [setRule('pour.mix.admixture', 'retarder')] }]),
    truck > 1.5 ? { kind: 'smaller-loads', to: smaller, edits: [setRule('pour.truck.load', smaller)] } : null,
    ...methods.map((to): Candidate => ({ kind: 'method', to, edits: [setRule('pour.method', to)] })),
    {
      kind: 'more-hands',
      to: String(hands),
      edits: [setRule(crewRule, hands), setRule(rateRule, writeQuantity(faster, 'flow', plan.units))],
    },
  ];
  return found.filter((each) => each !== null);
}

/** The best trucks of a pour, whatever it takes to find them. */
function bestOfPour(pour: WorkedPour, seed: number, mostOdds: number): Ordered | null {
  const steps = bestTrucks(pour.day, seed, mostOdds, COARSE);
  for (;;) {
    const step = steps.next();
    if (step.done === true) return step.value.best;
  }
}

/**
 * What other ways to pour would do, each with the best trucks for it: other lifts, a retarder, smaller loads, another method,
 * more hands. For a pour for which no trucks come well.
 *
 * @param id the pour's id
 * @param mostOdds share of days that is taken for what must not happen
 */
export function* remediesOf(
  plan: Plan,
  id: string,
  seed: number,
  mostOdds: number,
): Generator<RemedySearch, RemedySearch> {
  const pourOf = (each: Plan): WorkedPour | undefined =>
    work(each).pour.pours.find(({ span }) => span.pour === id);
  const pour = pourOf(plan);
  const candidates = pour ? candidatesOf(plan, pour, rulesOf(plan)) : [];
  const tried: Remedy[] = [];
  const state = (): RemedySearch => ({
    done: tried.length,
    of: candidates.length,
    tried: [...tried].sort(
      (a, b) =>
        (a.best ? riskOf(a.best) : Infinity) - (b.best ? riskOf(b.best) : Infinity) ||
        (a.best?.cost ?? Infinity) - (b.best?.cost ?? Infinity),
    ),
  });
  for (const candidate of candidates) {
    const changed = candidate.edits.reduce<Plan>((each, edit) => applyEdit(each, edit), plan);
    const other = pourOf(changed);
    tried.push({ ...candidate, best: other ? bestOfPour(other, seed, mostOdds) : null });
    yield state();
  }
  return state();
}
