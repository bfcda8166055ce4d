import type { Length } from '../measure';

/** A stretch along a wall. */
export interface Run {
  readonly from: Length;
  readonly to: Length;
}

/**
 * What gaps leave of a stretch, in order; gaps may overlap each other and its ends.
 *
 * @example besideGaps({ from: feet(0), to: feet(9) }, [{ from: feet(3), to: feet(5) }]) // [{ from: feet(0), to: feet(3) }, { from: feet(5), to: feet(9) }]
 */
export function besideGaps({ from, to }: Run, gaps: readonly Run[]): readonly Run[] {
  const left: Run[] = [];
  let start = from;
  for (const gap of [...gaps].sort((a, b) => a.from - b.from)) {
    if (gap.to <= start || gap.from >= to) continue;
    if (gap.from > start) left.push({ from: start, to: gap.from });
    start = gap.to;
  }
  return start < to ? [...left, { from: start, to }] : left;
}
