import { type How, roundedUp } from '../../kernel/figures/how';
import type { Length } from '../../kernel/measure';
import type { RuleId } from '../../kernel/rules';

/** One article to order: what is needed, what is spare, and how it comes. */
export interface OrderLine {
  readonly id: string;
  readonly group: 'forms' | 'parts' | 'fixings';
  /** Plain name: `Straight`, `Corner, left-hand`. */
  readonly article: string;
  /** Core that it is made for; null where it serves any. */
  readonly core: Length | null;
  /** What is needed, worked out. */
  readonly needed: How;
  readonly spare: number;
  /** Pieces in a bundle, where the family says. */
  readonly bundle: number | null;
  readonly bundles: number | null;
  /** What is ordered: needed and spare, rounded up to bundles; a length for what is bought by length. */
  readonly ordered: number;
  readonly massKilograms: number | null;
  readonly rules: readonly RuleId[];
}

/** What is needed in whole pieces; a sum of parts that comes to a whole number but for float noise is that number. */
export const wholePieces = (needed: number): number => roundedUp(needed, 1);

/** An article before its spares and bundles are known. */
export interface Article {
  readonly id: string;
  readonly group: OrderLine['group'];
  readonly article: string;
  readonly core?: Length;
  readonly needed: How;
  readonly rules?: readonly RuleId[];
  /** Bundled and weighed as the family states it. */
  readonly isForm?: boolean;
  /** Share of a whole piece's mass. */
  readonly massShare?: number;
}
