import type { Judged } from '../../kernel/judged';
import { type Length, type UnitSystem, inches, readLength, ZERO } from '../../kernel/measure';
import type { StockOnHand } from './plan';
import { type HouseRules, metricStep } from '../../kernel/rules';
import type { MadeUpright } from './brace';
import type { BracingProblem } from './problem';

/** Planks and uprights where the job says nothing of its own: lengths that yards keep, as many as are wanted. */
const USUAL = { plank: [8, 10, 12, 16], upright: [8, 10, 12] } as const;

/** The usual lengths, as yards keep them where the job is: whole feet, or metric steps. */
export const usualLengths = (what: keyof typeof USUAL, units: UnitSystem): readonly Length[] =>
  USUAL[what].map((feet) => {
    const length = inches(feet * 12);
    return units === 'metric' ? metricStep(length) : length;
  });

/** Planks or uprights of one length; as many as are wanted where the count is infinite. */
export interface Stock {
  readonly length: Length;
  readonly count: number;
}

/** The stock that a job says it has; the usual lengths where it says none that can be read. */
export function readStock(
  list: readonly StockOnHand[] | undefined,
  what: 'plank' | 'upright',
  units: UnitSystem,
): Judged<readonly Stock[], BracingProblem> {
  const problems: BracingProblem[] = [];
  const usual = usualLengths(what, units).map((length) => ({ length, count: Infinity }));
  if (!list || list.length === 0) return { value: usual, problems };
  const stock = new Map<Length, number>();
  for (const each of list) {
    const reading = readLength(each.length, units);
    if (!reading.ok || reading.length <= 0) {
      problems.push({ kind: 'stock-unreadable', what, text: each.length });
      continue;
    }
    stock.set(reading.length, (stock.get(reading.length) ?? 0) + (each.count ?? Infinity));
  }
  const read = [...stock].map(([length, count]) => ({ length, count })).sort((a, b) => a.length - b.length);
  return { value: read.length === 0 ? usual : read, problems };
}

/**
 * The shortest upright that reaches into the last course, joined where none is long enough; the longest that can be made where
 * none reaches.
 */
export function uprightFor(
  height: Length,
  course: Length,
  stock: readonly Stock[],
  rules: HouseRules,
): MadeUpright {
  const extension = rules.length('bracing.extension');
  const made = stock.flatMap(({ length }) =>
    Array.from({ length: rules.count('bracing.extensions') + 1 }, (_, extensions) => ({
      length,
      extensions,
      whole: length + extensions * extension,
    })),
  );
  const [best] = made
    .filter(({ whole }) => whole > height - course)
    .sort((a, b) => a.extensions - b.extensions || a.whole - b.whole);
  const [longest] = [...made].sort((a, b) => b.whole - a.whole);
  const { length, extensions } = best ?? longest ?? { length: ZERO, extensions: 0 };
  return { length, extensions };
}
