import { CUBIC_METRES_PER_CUBIC_YARD } from '../measure';
import type { CountRuleId, HouseRules } from '../rules';
import { type How, given, givenCount } from '../tally';
import type { PourMethod } from './stops';

const RATES: Readonly<Record<PourMethod, CountRuleId>> = {
  pump: 'pour.rate.pump',
  chute: 'pour.rate.chute',
  conveyor: 'pour.rate.conveyor',
  holes: 'pour.rate.holes',
};

const CREWS: Readonly<Record<PourMethod, CountRuleId>> = {
  pump: 'pour.crew.pump',
  chute: 'pour.crew.chute',
  conveyor: 'pour.crew.conveyor',
  holes: 'pour.crew.holes',
};

export const rateRule = (method: PourMethod): CountRuleId => RATES[method];
export const crewRule = (method: PourMethod): CountRuleId => CREWS[method];

/** What a crew places in an hour by a method, as a tree in cubic metres an hour. */
export const rateHow = (method: PourMethod, rules: HouseRules): How => ({
  op: 'product',
  name: 'placing rate',
  unit: 'flow',
  of: [
    givenCount('yd³ an hour', rules.count(RATES[method])),
    given('m³ in a yd³', 'ratio', CUBIC_METRES_PER_CUBIC_YARD),
  ],
});

export const rateOf = (method: PourMethod, rules: HouseRules): number =>
  rules.count(RATES[method]) * CUBIC_METRES_PER_CUBIC_YARD;

export const crewOf = (method: PourMethod, rules: HouseRules): number => rules.count(CREWS[method]);

/** Whether a pump or a conveyor is hired for it. */
export const isHired = (method: PourMethod): boolean => method !== 'chute';
