import { nanometres } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import type { BoltRules } from '../../kernel/stock/layBolts';

/** How anchor bolts stand on a plate, as the job has it. [IRC R403.1.6; from memory] */
export const boltRules = (rules: HouseRules): BoltRules => ({
  spacing: rules.length('topoff.bolt.spacing'),
  nearest: nanometres(rules.count('topoff.bolt.diameters') * rules.length('topoff.bolt.diameter')),
  farthest: rules.length('topoff.bolt.end'),
  least: rules.count('topoff.bolt.least'),
});
