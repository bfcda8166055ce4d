import { type Length, add } from '../measure';
import type { CutRules, RunCuts } from './rest';
import { websOfCut, websOfWhole } from './webs';

/** A block of a row before it belongs to a course: its place is counted from the start of the clear run. */
export interface RowPiece {
  readonly kind: 'straight' | 'cut';
  readonly start: Length;
  readonly length: Length;
  readonly webs: readonly Length[];
  readonly cutEnds: { readonly start: boolean; readonly end: boolean };
}

/** Whole blocks before the cuts: half of them, so that the cuts lie as near the middle as can be. */
export const blocksBeforeCuts = (cuts: RunCuts): number => Math.floor(cuts.whole / 2);

/** Fewest whole blocks between the cuts and a corner; infinite where nothing is cut. */
export const blocksBesideCuts = (cuts: RunCuts): number =>
  cuts.cuts.length === 0 ? Number.POSITIVE_INFINITY : blocksBeforeCuts(cuts);

/**
 * A row of blocks between two corner legs: whole blocks with the cuts in the middle. A single filler keeps its whole end
 * towards the row's start; two cuts face each other with their cut ends.
 */
export function layRow(cuts: RunCuts, rules: CutRules): readonly RowPiece[] {
  const pieces: RowPiece[] = [];
  let at = 0 as Length;
  const wholeWebs = websOfWhole(rules.block, rules.webs);
  const whole = (count: number): void => {
    for (let index = 0; index < count; index++) {
      pieces.push({
        kind: 'straight',
        start: at,
        length: rules.block,
        webs: wholeWebs,
        cutEnds: { start: false, end: false },
      });
      at = add(at, rules.block);
    }
  };
  const before = blocksBeforeCuts(cuts);
  whole(before);
  cuts.cuts.forEach((length, index) => {
    const facesBack = index === 1;
    const webs = websOfCut(length, rules.webs);
    pieces.push({
      kind: 'cut',
      start: at,
      length,
      webs: facesBack ? webs.map((web) => (length - web) as Length).reverse() : webs,
      cutEnds: { start: facesBack, end: !facesBack },
    });
    at = add(at, length);
  });
  whole(cuts.whole - before);
  return pieces;
}
