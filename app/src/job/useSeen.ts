import { useMemo } from 'react';
import type { Job } from './useJob';

/** A line of a hold point. */
interface Line {
  readonly id: string;
  readonly what: string;
}

/**
 * What was ticked of the hold points’ lines, and how to tick one: an entry of the log each. A tick holds as long as its line reads the
 * same.
 *
 * @param before ids that were ticked in the plan before there was a log
 */
export function useSeen(job: Job, before: readonly string[]) {
  const { log } = job;
  const ticks = log.onSite?.record.ticks;
  return useMemo(() => {
    const byLine = new Map((ticks ?? []).map((tick) => [`${tick.point}|${tick.line}`, tick]));
    const tickOf = (point: string, { id }: Line) => byLine.get(`${point}|${id}`);
    return {
      done: (point: string, line: Line): boolean => {
        const tick = tickOf(point, line);
        return tick ? tick.done && tick.what === line.what : before.includes(line.id);
      },
      /** What a line was when it was ticked, where it reads differently now. */
      was: (point: string, line: Line): string | null => {
        const tick = tickOf(point, line);
        return tick?.done === true && tick.what !== line.what ? tick.what : null;
      },
      set: (point: string, { id, what }: Line, done: boolean): void => {
        log.write('tick', { point, line: id, what, done });
      },
    };
  }, [ticks, before, log]);
}
