import { type Length, type TypedQuantity, type UnitSystem, NANOMETRES_PER_MILLIMETRE } from '../measure';

/** Where a rule comes from. `fromMemory` marks a publication quoted without the text at hand. */
type RuleSource =
  | { readonly kind: 'common practice' }
  | { readonly kind: 'ours' }
  | { readonly kind: 'standard'; readonly name: string; readonly fromMemory?: true };

interface RuleCommon {
  /** Lasting name, used in plan files and on why cards: `courses.ear.longest`. */
  readonly id: string;
  /** The rule in one plain sentence; `{value}` stands where its value goes. */
  readonly statement: string;
  /** Why crews keep it. */
  readonly reason: string;
  readonly source: RuleSource;
}

export interface LengthRule extends RuleCommon {
  readonly type: 'length';
  readonly default: Length;
  /** The default of a metric job, where it is no round figure. */
  readonly metric?: Length;
  readonly least: Length;
  readonly most: Length;
  /** Nothing at all is allowed too, and means something of its own, told in its sentence. */
  readonly orNone?: true;
}

/**
 * Ids of the rules of each kind. They are empty here: every stage adds its own rules beside them (`declare module`), so that
 * a misspelt id does not compile and nothing has to list all stages.
 */
export interface LengthRules {}
export interface CountRules {}
export interface ChoiceRules {}
export interface QuantityRules {}

export type LengthRuleId = Extract<keyof LengthRules, string>;
export type CountRuleId = Extract<keyof CountRules, string>;
export type ChoiceRuleId = Extract<keyof ChoiceRules, string>;
export type QuantityRuleId = Extract<keyof QuantityRules, string>;
export type RuleId = LengthRuleId | CountRuleId | ChoiceRuleId | QuantityRuleId;

/** Steps that metric crews measure in, by size: up to each, in millimetres. [ours] */
const METRIC_STEPS: readonly (readonly [upTo: number, step: number])[] = [
  [5, 0.5],
  [15, 1],
  [100, 5],
  [300, 10],
  [1200, 50],
  [2400, 100],
  [Infinity, 300],
];

/** Rules that follow the blocks' own module, whichever units a job is in. */
const OF_THE_MODULE = /^(courses|offcuts|outline)\./;

/**
 * A length in a metric step: 750 mm for 30 in.
 *
 * @example metricStep(inches(30)) // millimetres(750)
 */
export function metricStep(length: Length): Length {
  const plain = length / NANOMETRES_PER_MILLIMETRE;
  const [, step] = METRIC_STEPS.find(([upTo]) => plain < upTo) ?? [0, 1];
  return (Math.round(plain / step) * step * NANOMETRES_PER_MILLIMETRE) as Length;
}

/**
 * What a rule says where the job says nothing. A metric job has its lengths in metric steps, but for those that follow the
 * blocks' module.
 *
 * @example defaultOf(RULES['steel.vertical.spacing'], 'metric') // millimetres(600)
 */
export function defaultOf(rule: Rule, units: UnitSystem): Length | number | string {
  if (units === 'imperial' || rule.type === 'count') return rule.default;
  if (rule.type !== 'length') return rule.metric ?? rule.default;
  return rule.metric ?? (OF_THE_MODULE.test(rule.id) ? rule.default : metricStep(rule.default));
}

/**
 * Whether a rule takes a length.
 *
 * @example takesLength(RULES['steel.vertical.spacing'], inches(200)) // false
 */
export const takesLength = (rule: LengthRule, length: Length): boolean =>
  (length >= rule.least && length <= rule.most) || (rule.orNone === true && length === 0);

/**
 * Whether a rule takes a quantity, but for what rounding makes of its limits.
 *
 * @example takesQuantity(RULES['pour.mix.slump'], 12) // false
 */
export const takesQuantity = (rule: QuantityRule, value: number): boolean =>
  value >= rule.least * (1 - 1e-9) && value <= rule.most * (1 + 1e-9);

export interface CountRule extends RuleCommon {
  readonly type: 'count';
  readonly default: number;
  readonly least: number;
  readonly most: number;
}

/** A quantity with a unit, told in the base: cubic metres an hour, metres an hour. */
export interface QuantityRule extends RuleCommon {
  readonly type: 'quantity';
  readonly of: TypedQuantity;
  readonly default: number;
  /** The default of a metric job, a round figure there. */
  readonly metric: number;
  readonly least: number;
  readonly most: number;
}

export interface ChoiceRule extends RuleCommon {
  readonly type: 'choice';
  readonly default: string;
  /** The default of a metric job, where it differs. */
  readonly metric?: string;
  readonly choices: readonly { readonly value: string; readonly label: string }[];
}

/** A house rule: a figure or choice of the trade that a job may set for itself. */
export type Rule = LengthRule | CountRule | QuantityRule | ChoiceRule;

/**
 * `common practice`, `our own rule` or the standard's name, as shown beside a figure.
 *
 * @example sourceText({ kind: 'standard', name: 'ASTM C94', fromMemory: true }) // 'ASTM C94 (from memory)'
 */
export function sourceText(source: RuleSource): string {
  if (source.kind === 'standard') return source.fromMemory ? `${source.name} (from memory)` : source.name;
  return source.kind === 'ours' ? 'our own rule' : 'common practice';
}
