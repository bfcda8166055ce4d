import type { Notice } from './notice';
import { type HouseRules, type RefusedRule, isRuleId } from '../rules/houseRules';

const REFUSALS: Readonly<Record<RefusedRule['reason'], string>> = {
  unknown: 'is not a house rule in this version of Ombra. Kept, but not used.',
  unreadable: 'cannot be read. The default is used.',
  'out-of-range': 'is outside the range of the rule. The default is used.',
  'not-a-choice': 'is not one of the rule’s choices. The default is used.',
};

/** House rules of the plan that could not be used. */
export const ruleNotices = (rules: HouseRules): readonly Notice[] =>
  rules.refused.map(({ id, given, reason }): Notice => ({
    id: `rule:${id}`,
    kind: 'rule',
    about: 'House rules that cannot be used',
    severity: 'check',
    place: { rule: id },
    where: 'House rules',
    what: `“${isRuleId(rules.book, id) ? `${id}: ${String(given)}` : id}” ${REFUSALS[reason]}`,
    fixes: [{ label: 'Remove it', edit: { kind: 'set-rule', rule: id, value: null } }],
  }));
