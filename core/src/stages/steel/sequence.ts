import type { Bar } from './bar';

/** What goes in at one moment of the laying. */
export interface SequenceStep {
  /** 0 for the footing. */
  readonly course: number;
  /** Before the course is laid, in it, or once it is laid. */
  readonly when: Bar['set']['when'];
  readonly what: readonly { readonly use: Bar['use']; readonly count: number }[];
}

const ORDER: readonly Bar['set']['when'][] = ['before', 'in', 'after'];

const momentOf = (bar: Bar): string => `${String(bar.set.course)}:${bar.set.when}`;

/** All bars by the moment at which they go in, from the footing up. */
export function byMoment(bars: readonly Bar[]): readonly (readonly [Bar['set'], readonly Bar[]])[] {
  const groups = new Map<string, Bar[]>();
  for (const bar of bars) {
    const group = groups.get(momentOf(bar));
    if (group) group.push(bar);
    else groups.set(momentOf(bar), [bar]);
  }
  return [...groups.values()]
    .flatMap((group) => (group[0] ? [[group[0].set, group] as const] : []))
    .sort(([a], [b]) => a.course - b.course || ORDER.indexOf(a.when) - ORDER.indexOf(b.when));
}

/** Which steel goes in before, in or after which course, with counts. */
export const sequenceOf = (bars: readonly Bar[]): readonly SequenceStep[] =>
  byMoment(bars).map(([{ course, when }, group]) => {
    const counts = new Map<Bar['use'], number>();
    for (const bar of group) counts.set(bar.use, (counts.get(bar.use) ?? 0) + bar.count);
    return { course, when, what: [...counts].map(([use, count]) => ({ use, count })) };
  });
