import type { CountRuleId, HouseRules, QuantityRuleId } from '../../kernel/rules';
import { type How, given } from '../../kernel/figures/how';
import type { PourMethod } from './stops';

const RATES: Readonly<Record<PourMethod, QuantityRuleId>> = {
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

export const rateRule = (method: PourMethod): QuantityRuleId => RATES[method];
export const crewRule = (method: PourMethod): CountRuleId => CREWS[method];

/** What a crew places in an hour by a method, in cubic metres. */
export const rateOf = (method: PourMethod, rules: HouseRules): number => rules.quantity(RATES[method]);

/** The same as a figure's term. */
export const rateHow = (method: PourMethod, rules: HouseRules): How =>
  given('placing rate', 'flow', rateOf(method, rules));

export const crewOf = (method: PourMethod, rules: HouseRules): number => rules.count(CREWS[method]);

/** What is hired to place with. */
export type PlacingMachine = 'pump' | 'conveyor';

const MACHINES: Readonly<Record<PourMethod, PlacingMachine | null>> = {
  pump: 'pump',
  chute: null,
  conveyor: 'conveyor',
  // They are filled by a pump’s hose.
  holes: 'pump',
};

/** The machine that is hired for a pour; none where trucks place by themselves. */
export const machineOf = (method: PourMethod): PlacingMachine | null => MACHINES[method];
