import type { Plan } from '../../src/kernel/plan';
import type { Flush, WalkRow } from '../../src/stages/outline/plan';
import { planOf, withCourses } from './plans';

/** A part of the front wall, in inches. */
export interface Part {
  readonly length: number;
  readonly core: number;
  readonly flush?: Flush;
}

/** A hall whose front is one line of several parts; its other walls have the job's core of 8 in. */
export function hall(parts: readonly Part[], depth: number, change: Partial<Plan> = {}): Plan {
  const width = parts.reduce((sum, part) => sum + part.length, 0);
  const front = parts.map(({ length, core, flush }, index): WalkRow => ({
    id: `f${String(index + 1)}`,
    length: `${String(length)}in`,
    turn: index < parts.length - 1 ? 'straight on' : 'right 90',
    core: `${String(core)}in`,
    ...(flush ? { flush } : {}),
  }));
  const others = [depth, width, depth].map((length, index): WalkRow => ({
    id: `o${String(index + 1)}`,
    length: `${String(length)}in`,
    turn: 'right 90',
  }));
  const job = planOf([], { ...withCourses(6), ...change });
  return { ...job, loops: [{ id: 'loop', closed: true, walk: [...front, ...others] }] };
}
