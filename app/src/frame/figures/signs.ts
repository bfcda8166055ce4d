import type { ExplainedLine } from '@ombra/core/kernel/figures';

/** What stands between the terms of a line. */
export const SIGNS: Readonly<Record<ExplainedLine['op'], string>> = {
  sum: '+',
  difference: '−',
  product: '×',
  quotient: '÷',
  'whole-part': '',
  'rounded-up': 'in steps of',
  least: 'or',
  greatest: 'or',
};

/** What stands before the terms of an operation that has no sign between them. */
export const BEFORE: Readonly<Partial<Record<ExplainedLine['op'], string>>> = {
  'whole-part': 'whole part of ',
  'rounded-up': 'up to the next, ',
  least: 'the least of ',
  greatest: 'the greatest of ',
};
