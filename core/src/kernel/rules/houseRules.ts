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
  type Rule,
  type RuleId,
  defaultOf,
  takesLength,
  takesQuantity,
} from './rule';

/** Every rule there is, by its id. */
export type RuleBook = Readonly<Record<RuleId, Rule>>;

/**
 * Whether a book has a rule of that id.
 *
 * @example isRuleId(RULES, 'pour.allowance') // true
 */
export const isRuleId = (book: RuleBook, id: string): id is RuleId => Object.hasOwn(book, id);

/** A job's rules: what the job sets for itself over the defaults. */
export interface HouseRules {
  readonly length: (id: LengthRuleId) => Length;
  readonly count: (id: CountRuleId) => number;
  readonly choice: (id: ChoiceRuleId) => string;
  /** In the base unit of what it measures: cubic metres an hour, metres an hour. */
  readonly quantity: (id: QuantityRuleId) => number;
  /** The rules themselves: their sentences, reasons and limits. */
  readonly book: RuleBook;
  /** The same rules with others laid over them; `changed` and `refused` tell of those alone. */
  readonly with: (overrides: RuleOverrides) => HouseRules;
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

type Value = Length | number | string;

/** The ways to ask for a rule, by its kind. */
const askedOf = (
  of: (id: RuleId) => Value,
): Pick<HouseRules, 'length' | 'count' | 'choice' | 'quantity'> => ({
  length: (id) => of(id) as Length,
  count: (id) => of(id) as number,
  choice: (id) => of(id) as string,
  quantity: (id) => of(id) as number,
});

/** Rules over others: a value that is not said here is asked of what lies below. */
function layer(book: RuleBook, overrides: RuleOverrides, below: (id: RuleId) => Value): HouseRules {
  const values = new Map<RuleId, Value>();
  const refused: RefusedRule[] = [];
  for (const [id, given] of Object.entries(overrides)) {
    const taken: Taken = isRuleId(book, id) ? take(book[id], given) : { refused: 'unknown' };
    if ('refused' in taken) refused.push({ id, given, reason: taken.refused });
    else values.set(id as RuleId, taken.value);
  }
  const of = (id: RuleId): Value => values.get(id) ?? below(id);
  return {
    ...askedOf(of),
    book,
    with: (others) => layer(book, others, of),
    changed: new Set(values.keys()),
    refused,
  };
}

/**
 * The rules of a job. Overrides that cannot be used are listed in `refused`; their defaults stand.
 *
 * @param book every rule there is
 * @param overrides lengths as text with units, counts as whole numbers, choices by value
 * @param units of the job: a metric one has metric defaults
 * @example layRules(RULES, { 'courses.ear.longest': '5in' }).length('courses.ear.longest') // inches(5)
 */
export const layRules = (
  book: RuleBook,
  overrides: RuleOverrides = {},
  units: UnitSystem = 'imperial',
): HouseRules => layer(book, overrides, (id) => defaultOf(book[id], units));

/**
 * The same rules, each reading of one told before it is answered: what a stage has read is what it has to be worked again for.
 *
 * @param told gets the id and the value of a rule that is read; not of one that lies over these
 */
export function watchRules(rules: HouseRules, told: (id: RuleId, value: Value) => void): HouseRules {
  const values = new Map<RuleId, Value>();
  const of = (id: RuleId): Value => {
    let value = values.get(id);
    if (value === undefined) {
      value = valueOf(rules, id);
      values.set(id, value);
    }
    told(id, value);
    return value;
  };
  return { ...rules, ...askedOf(of), with: (others) => layer(rules.book, others, of) };
}

/**
 * What a rule says, whatever its kind.
 *
 * @example valueOf(rules, 'pour.allowance') // 7
 */
export function valueOf(rules: HouseRules, id: RuleId): Value {
  switch (rules.book[id].type) {
    case 'length':
      return rules.length(id as LengthRuleId);
    case 'count':
      return rules.count(id as CountRuleId);
    case 'choice':
      return rules.choice(id as ChoiceRuleId);
    case 'quantity':
      return rules.quantity(id as QuantityRuleId);
  }
}

/**
 * A rule's length, fine enough for 1/32 in; in inches while a crew would say it so.
 *
 * @example showRuleLength(inches(24), 'imperial') // '24″'
 */
export const showRuleLength = (length: Length, units: UnitSystem): string =>
  showLength(length, units, { style: length > inches(120) ? 'feet' : 'inches', partsPerInch: 64 });

/**
 * A rule as it holds in this job: its sentence with the job's own value, in the job's units.
 *
 * @example stateRule('pour.allowance', rules, 'imperial') // 'Order 7 % more than the drawings hold.'
 */
export function stateRule(id: RuleId, rules: HouseRules, units: UnitSystem): string {
  const rule = rules.book[id];
  const told = (): string => {
    if (rule.type === 'length') return showRuleLength(rules.length(id as LengthRuleId), units);
    if (rule.type === 'count') return String(rules.count(id as CountRuleId));
    if (rule.type === 'quantity') return writeQuantity(rules.quantity(id as QuantityRuleId), rule.of, units);
    const chosen = rules.choice(id as ChoiceRuleId);
    return rule.choices.find((choice) => choice.value === chosen)?.label ?? chosen;
  };
  return rule.statement.replace('{value}', told());
}
