import type { Notice } from './notice';
import { type HouseRules, type RefusedRule, isRuleId } from '../rules/houseRules';

const REFUSALS: Readonly<Record<RefusedRule['reason'], string>> = {
  unknown: 'is no house rule that this Ombra knows; it is kept but not used.',
  unreadable: 'cannot be read; the default stands.',
  'out-of-range': 'is outside what the rule allows; the default stands.',
  'not-a-choice': 'is not one of the rule’s choices; the default stands.',
};

/** House rules of the plan that could not be used. */
export const ruleNotices = (rules: HouseRules): readonly Notice[] =>
  rules.refused.map(({ id, given, reason }): Notice => ({
    id: `rule:${id}`,
    severity: 'mind',
    place: { rule: id },
    where: 'House rules',
    what: `“${isRuleId(rules.book, id) ? `${id}: ${String(given)}` : id}” ${REFUSALS[reason]}`,
    fixes: [{ label: 'Take it out', edit: { kind: 'set-rule', rule: id, value: null } }],
  }));
