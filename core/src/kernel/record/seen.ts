import type { Tick } from './record';

/** A line of a hold point. */
export interface SeenLine {
  readonly id: string;
  readonly what: string;
}

/** What was ticked of the lines of hold points. */
export interface Seen {
  readonly done: (point: string, line: SeenLine) => boolean;
  /** What a line was when it was ticked, where it reads differently now; null otherwise. */
  readonly was: (point: string, line: SeenLine) => string | null;
}

/**
 * What was ticked. A tick holds as long as its line reads the same.
 *
 * @param before ids that were ticked in the plan before there was a log
 * @example seenOf([], ['glue']).done('two-courses', { id: 'glue', what: 'Glued.' }) // true
 */
export function seenOf(ticks: readonly Tick[], before: readonly string[]): Seen {
  const byLine = new Map(ticks.map((tick) => [`${tick.point}|${tick.line}`, tick]));
  const tickOf = (point: string, { id }: SeenLine): Tick | undefined => byLine.get(`${point}|${id}`);
  return {
    done: (point, line) => {
      const tick = tickOf(point, line);
      return tick ? tick.done && tick.what === line.what : before.includes(line.id);
    },
    was: (point, line) => {
      const tick = tickOf(point, line);
      return tick?.done === true && tick.what !== line.what ? tick.what : null;
    },
  };
}
