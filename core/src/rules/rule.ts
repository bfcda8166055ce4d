import type { Length, UnitSystem } from '../measure';

/** Where a rule comes from. `fromMemory` marks a publication quoted without the text at hand. */
export type RuleSource =
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

/** What a rule says where the job says nothing. */
export const defaultOf = (rule: Rule, units: UnitSystem): Length | number | string =>
  rule.type !== 'count' && units === 'metric' ? (rule.metric ?? rule.default) : rule.default;

/** Whether a rule takes a length. */
export const takesLength = (rule: LengthRule, length: Length): boolean =>
  (length >= rule.least && length <= rule.most) || (rule.orNone === true && length === 0);

export interface CountRule extends RuleCommon {
  readonly type: 'count';
  readonly default: number;
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
export type Rule = LengthRule | CountRule | ChoiceRule;

/** `common practice`, `our own rule` or the standard's name, as shown beside a figure. */
export function sourceText(source: RuleSource): string {
  if (source.kind === 'standard') return source.fromMemory ? `${source.name} (from memory)` : source.name;
  return source.kind === 'ours' ? 'our own rule' : 'common practice';
}
