import { type Length, ZERO, max, min } from '../../kernel/measure';
import type { HeightSpan } from '../outline';

/** What lies past the end of a segment: the wall's own end, more of the course at another height, the face of a footing step, open air, or nothing because a sloping top runs out there. */
export type SegmentEnd = 'wall-end' | 'joint' | 'footing' | 'free' | 'rake';

/** A stretch of a wall that stands in one course, with its heights above the lowest footing. */
export interface Segment {
  readonly from: Length;
  readonly to: Length;
  readonly bottom: Length;
  readonly top: Length;
  readonly start: SegmentEnd;
  readonly end: SegmentEnd;
}

/** What is left of a segment beside openings. */
export interface Stretch extends Omit<Segment, 'start' | 'end'> {
  readonly start: SegmentEnd | 'opening';
  readonly end: SegmentEnd | 'opening';
}

/** Why a wall does not go on past a station in a course: its footing is higher there, or its top lower. */
function beyond(span: HeightSpan | undefined, courseTop: Length): SegmentEnd {
  if (span !== undefined && span.bottom >= courseTop) return 'footing';
  return span?.cut ? 'rake' : 'free';
}

/** Up to where blocks are laid in a span: a sloping top is cut of whole courses. */
const laidTo = (span: HeightSpan): Length => span.cut?.over ?? span.top;

/**
 * The stretches of a wall that stand in the course between two heights. Neighbours of one height are one stretch; where a
 * course is cut lower for part of its length, the stretches meet in a joint.
 */
export function segmentsOf(
  spans: readonly HeightSpan[],
  courseBottom: Length,
  courseTop: Length,
  length: Length,
): readonly Segment[] {
  const cells = spans.flatMap((span) => {
    const bottom = max(span.bottom, courseBottom);
    const top = min(laidTo(span), courseTop);
    return top > bottom ? [{ from: span.from, to: span.to, bottom, top }] : [];
  });
  const merged: { from: Length; to: Length; bottom: Length; top: Length }[] = [];
  for (const cell of cells) {
    const last = merged.at(-1);
    if (last?.to === cell.from && last.bottom === cell.bottom && last.top === cell.top) last.to = cell.to;
    else merged.push({ ...cell });
  }
  return merged.map((cell, index): Segment => {
    const before = spans.findLast((span) => span.to <= cell.from);
    const after = spans.find((span) => span.from >= cell.to);
    const start =
      cell.from === ZERO
        ? 'wall-end'
        : merged[index - 1]?.to === cell.from
          ? 'joint'
          : beyond(before, courseTop);
    const end =
      cell.to === length
        ? 'wall-end'
        : merged[index + 1]?.from === cell.to
          ? 'joint'
          : beyond(after, courseTop);
    return { ...cell, start, end };
  });
}
