import type { UnitSystem } from './kernel/measure';
import {
  type HouseRules,
  type RuleBook,
  type RuleId,
  type RuleOverrides,
  isRuleId as inBook,
  layRules,
} from './kernel/rules';
import { STAGES } from './stages';
import { bestRules } from './trials/best/rules';

/** Every house rule, by its id, in the order of the stages. */
export const RULES: RuleBook = Object.assign(
  {},
  ...STAGES.map((stage) => stage.rules),
  bestRules,
) as RuleBook;

export const isRuleId = (id: string): id is RuleId => inBook(RULES, id);

/**
 * House rules with some set otherwise.
 *
 * @example houseRules({ 'courses.ear.longest': '5in' }).length('courses.ear.longest') // inches(5)
 */
export const houseRules = (overrides: RuleOverrides = {}, units: UnitSystem = 'imperial'): HouseRules =>
  layRules(RULES, overrides, units);

/** The rules of a plan. */
export const rulesOf = ({
  rules,
  units,
}: {
  readonly rules: RuleOverrides;
  readonly units: UnitSystem;
}): HouseRules => houseRules(rules, units);
