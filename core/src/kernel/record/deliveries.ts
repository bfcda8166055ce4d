import type { Entry } from './entry';
import { ofKind, standingEntries } from './history';

/** What came of an article, over all deliveries. */
export interface Delivered {
  readonly article: string;
  readonly counted: number;
  readonly broken: number;
  readonly short: number;
}

/**
 * What came, by article, in the order in which they were first counted.
 *
 * @example deliveredOf([]) // []
 */
export function deliveredOf(entries: readonly Entry[]): readonly Delivered[] {
  const all = new Map<string, Delivered>();
  for (const { body } of ofKind(standingEntries(entries), 'delivery')) {
    for (const { article, counted, broken, short } of body.lines) {
      const before = all.get(article) ?? { article, counted: 0, broken: 0, short: 0 };
      all.set(article, {
        article,
        counted: before.counted + counted,
        broken: before.broken + broken,
        short: before.short + short,
      });
    }
  }
  return [...all.values()];
}
