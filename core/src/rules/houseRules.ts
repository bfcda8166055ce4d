import {
  type Length,
  type UnitSystem,
  inches,
  readLength,
  readQuantity,
  showLength,
  writeQuantity,
} from '../measure';
import {
  type ChoiceRuleId,
  type CountRuleId,
  type LengthRuleId,
  type QuantityRuleId,
  RULES,
  type RuleId,
  isRuleId,
} from './registry';
import { type Rule, defaultOf, takesLength, takesQuantity } from './rule';

/** A job's rules: what the job sets for itself over the defaults. */
export interface HouseRules {
  readonly length: (id: LengthRuleId) => Length;
  readonly count: (id: CountRuleId) => number;
  readonly choice: (id: ChoiceRuleId) => string;
  /** In the base unit of what it measures: cubic metres an hour, metres an hour. */
  readonly quantity: (id: QuantityRuleId) => number;
  /** The job's own values, for the rules page and for notices. */
  readonly changed: ReadonlySet<RuleId>;
  /** Overrides that could not be used; the default stands in their place. */
  readonly refused: readonly RefusedRule[];
}

/** An override of the plan that a rule cannot take, and what it would take. */
export interface RefusedRule {
  readonly id: string;
  readonly given: string | number;
  readonly reason: 'unknown' | 'unreadable' | 'out-of-range' | 'not-a-choice';
}

/** The plan's own form of overrides: rule id → a length or a quantity in trade notation, a count, or a choice. */
export type RuleOverrides = Readonly<Record<string, string | number>>;

type Taken = { readonly value: Length | number | string } | { readonly refused: RefusedRule['reason'] };

function take(rule: Rule, given: string | number): Taken {
  if (rule.type === 'choice') {
    return rule.choices.some((choice) => choice.value === given)
      ? { value: String(given) }
      : { refused: 'not-a-choice' };
  }
  if (rule.type === 'count') {
    if (typeof given !== 'number' || !Number.isInteger(given)) return { refused: 'unreadable' };
    return given >= rule.least && given <= rule.most ? { value: given } : { refused: 'out-of-range' };
  }
  if (rule.type === 'quantity') {
    // A bare number is in feet and yards, as such rules were written once.
    const value = readQuantity(String(given), rule.of, 'imperial');
    if (value === null) return { refused: 'unreadable' };
    return takesQuantity(rule, value) ? { value } : { refused: 'out-of-range' };
  }
  const reading = readLength(String(given), 'imperial');
  if (!reading.ok || typeof given === 'number') return { refused: 'unreadable' };
  return takesLength(rule, reading.length) ? { value: reading.length } : { refused: 'out-of-range' };
}

/**
 * The rules of a job. Overrides that cannot be used are listed in `refused`; their defaults stand.
 *
 * @param overrides lengths as text with units, counts as whole numbers, choices by value
 * @param units of the job: a metric one has metric defaults
 * @example houseRules({ 'courses.ear.longest': '5in' }).length('courses.ear.longest') // inches(5)
 */
export function houseRules(overrides: RuleOverrides = {}, units: UnitSystem = 'imperial'): HouseRules {
  const values = new Map<RuleId, Length | number | string>();
  const refused: RefusedRule[] = [];
  for (const [id, given] of Object.entries(overrides)) {
    const taken: Taken = isRuleId(id) ? take(RULES[id], given) : { refused: 'unknown' };
    if ('refused' in taken) refused.push({ id, given, reason: taken.refused });
    else values.set(id as RuleId, taken.value);
  }
  return {
    length: (id) => (values.get(id) ?? defaultOf(RULES[id], units)) as Length,
    count: (id) => (values.get(id) ?? RULES[id].default) as number,
    choice: (id) => (values.get(id) ?? defaultOf(RULES[id], units)) as string,
    quantity: (id) => (values.get(id) ?? defaultOf(RULES[id], units)) as number,
    changed: new Set(values.keys()),
    refused,
  };
}

/** The rules of a plan. */
export const rulesOf = ({
  rules,
  units,
}: {
  readonly rules: RuleOverrides;
  readonly units: UnitSystem;
}): HouseRules => houseRules(rules, units);

/** A rule's length, fine enough for 1/32 in; in inches while a crew would say it so. */
export const showRuleLength = (length: Length, units: UnitSystem): string =>
  showLength(length, units, { style: length > inches(120) ? 'feet' : 'inches', partsPerInch: 64 });

/** A rule as it holds in this job: its sentence with the job's own value, in the job's units. */
export function stateRule(id: RuleId, rules: HouseRules, units: UnitSystem): string {
  const rule = RULES[id];
  const value = (): string => {
    if (rule.type === 'length') {
      return showRuleLength(rules.length(id as LengthRuleId), units);
    }
    if (rule.type === 'count') return String(rules.count(id as CountRuleId));
    if (rule.type === 'quantity') {
      return writeQuantity(rules.quantity(id as QuantityRuleId), rule.of, units);
    }
    const chosen = rules.choice(id as ChoiceRuleId);
    return rule.choices.find((choice) => choice.value === chosen)?.label ?? chosen;
  };
  return rule.statement.replace('{value}', value());
}
