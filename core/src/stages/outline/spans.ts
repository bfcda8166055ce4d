import { type Length, ZERO, add, subtract } from '../../kernel/measure';
import { type HeightSpan, type Levels, middleOfCourse } from './levels';
import type { Pour } from './plan';
import { pourName } from './pourName';

/** What is poured in one go: a pour of the job, from one height to another above the lowest footing. */
export interface PourSpan {
  readonly pour: string;
  readonly name: string;
  readonly fromCourse: number;
  readonly toCourse: number;
  /** Whether no pour lies below it: what reaches down past its foot is its own. */
  readonly lowest: boolean;
  readonly bottom: Length;
  readonly top: Length;
  /** Stops in the middle of a block, so that the joint lies inside the foam and walls go on. */
  readonly stopsMidBlock: boolean;
}

/** The pours of a job, the lowest first; a pour that stops half way up its last block leaves the upper half to the next. */
export function pourSpans(pours: readonly Pour[], levels: Levels): readonly PourSpan[] {
  const { tops, courses } = levels;
  const foot = tops[0] ?? ZERO;
  let bottom = foot;
  return pours.flatMap((pour, index): PourSpan[] => {
    const last = index === pours.length - 1;
    const toCourse = last ? courses : Math.min(pour.toCourse, courses);
    const half = !last && pour.top === 'half';
    const top = half ? middleOfCourse(tops, toCourse) : (tops[toCourse] ?? bottom);
    if (top <= bottom) return [];
    const span: PourSpan = {
      pour: pour.id,
      name: pourName(pours, pour.id, 'Walls'),
      fromCourse: Math.max(
        1,
        tops.findIndex((each) => each > bottom),
      ),
      toCourse,
      lowest: bottom === foot,
      bottom,
      top,
      stopsMidBlock: half,
    };
    bottom = top;
    return [span];
  });
}

/**
 * Whether what begins at a height begins in a pour: one that ends where the next begins has not what stands on it, and the lowest has
 * what reaches down into the footing.
 */
export const startsIn =
  ({ lowest, bottom, top }: Pick<PourSpan, 'lowest' | 'bottom' | 'top'>) =>
  (height: number): boolean =>
    (lowest || height >= bottom) && height < top;

/**
 * Whether what ends at a height ends in a pour: one that stops at that height ends it, and the next only begins there.
 *
 * @example endsIn({ bottom: ZERO, top: feet(4) })(feet(4)) // true
 */
export const endsIn =
  ({ bottom, top }: Pick<PourSpan, 'bottom' | 'top'>) =>
  (height: number): boolean =>
    height > bottom && height <= top;

/**
 * How much of a wall's length is filled in a pour: not where it ended with the pour below, nor where it begins above this one.
 *
 * @example lengthIn({ bottom: feet(4), top: feet(8) }, [{ from: ZERO, to: feet(20), bottom: ZERO, top: feet(4) }]) // ZERO
 */
export const lengthIn = (
  { bottom, top }: Pick<PourSpan, 'bottom' | 'top'>,
  wall: readonly HeightSpan[],
): Length =>
  add(
    ...wall
      .filter((each) => each.bottom < top && (each.cut?.over ?? each.top) > bottom)
      .map(({ from, to }) => subtract(to, from)),
  );
