import { type FamilyFile, findFamily, inWordsOf } from './kernel/forms';
import type { UnitSystem } from './kernel/measure';
import {
  type HouseRules,
  type Rule,
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

/** The same rules in the words of cell blocks, which have no webs and no ears. */
const CELL_RULES = Object.fromEntries(
  Object.values<Rule>(RULES).map((rule): readonly [string, Rule] => {
    const told = (text: string): string => inWordsOf('cell', text);
    const common = { statement: told(rule.statement), reason: told(rule.reason) };
    if (rule.type !== 'choice') return [rule.id, { ...rule, ...common }];
    const choices = rule.choices.map((choice) => ({ ...choice, label: told(choice.label) }));
    return [rule.id, { ...rule, ...common, choices }];
  }),
) as RuleBook;

/** What of a plan its rules go by. */
interface RulesOfInput {
  readonly rules: RuleOverrides;
  readonly units: UnitSystem;
  readonly family?: string;
  readonly families?: readonly FamilyFile[];
}

/**
 * The rules of a plan, in the words of its forms.
 *
 * @example rulesOf(plan).length('courses.ear.longest') // inches(4)
 */
export function rulesOf({ rules, units, family, families }: RulesOfInput): HouseRules {
  const own = families?.find(({ id }) => id === family)?.kind;
  const kind = own ?? findFamily(family ?? '')?.kind;
  return layRules(kind === 'cell' ? CELL_RULES : RULES, rules, units);
}
