import { evaluate } from './how';
import type { RuleId } from '../rules';
import type { How, PieceSelector, QuantityUnit } from './how';

/** A number with its why: how it was worked out, by which rules, and which pieces it counts. */
export interface Figure {
  /** `course.3.straight`, `total.coreVolume`. */
  readonly id: string;
  /** What it is, as a heading: `whole blocks in course 3`. */
  readonly title: string;
  readonly value: number;
  readonly unit: QuantityUnit;
  readonly how: How;
  readonly rules: readonly RuleId[];
  readonly pieces: PieceSelector;
}

/** What `figureOf` goes by. */
interface FigureOfInput {
  readonly id: string;
  readonly title: string;
  readonly how: How;
  readonly rules: readonly RuleId[];
  readonly pieces: PieceSelector;
}

/**
 * A figure from its tree: value and unit follow from how it was worked out.
 *
 * @example figureOf({ id: 'a', title: 'A', how: givenCount('blocks', 3), rules: [], pieces: {} }).value // 3
 */
export const figureOf = ({ id, title, how, rules, pieces }: FigureOfInput): Figure => ({
  id,
  title,
  value: evaluate(how),
  unit: how.unit,
  how,
  rules,
  pieces,
});
