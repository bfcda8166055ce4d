import { type SeenLine, seenOf } from '@ombra/core/kernel/record';
import { useMemo } from 'react';
import type { Job } from './useJob';

/**
 * What was ticked of the hold points’ lines, and how to tick one: an entry of the log each.
 *
 * @param before ids that were ticked in the plan before there was a log
 */
export function useSeen(job: Job, before: readonly string[]) {
  const { log } = job;
  const ticks = log.onSite?.record.ticks;
  return useMemo(
    () => ({
      ...seenOf(ticks ?? [], before),
      set: (point: string, { id, what }: SeenLine, done: boolean): void => {
        log.write('tick', { point, line: id, what, done });
      },
    }),
    [ticks, before, log],
  );
}
