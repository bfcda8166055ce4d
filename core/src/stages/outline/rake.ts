import { type Length, nanometres } from '../../kernel/measure';

/** A point of a sloping top: a station of the wall, and the height there above the lowest footing. */
export interface SlopePoint {
  readonly at: Length;
  readonly top: Length;
}

/**
 * Height of a sloping top at a station: straight from point to point, level before the first and after the last.
 *
 * @param points in the order of their stations, at least one
 * @example slopeAt([{ at: ZERO, top: feet(16) }, { at: feet(30), top: feet(22) }], feet(15)) // feet(19)
 */
export function slopeAt(points: readonly SlopePoint[], at: number): number {
  const after = points.findIndex((point) => point.at > at);
  if (after <= 0) return (after < 0 ? points.at(-1) : points[0])?.top ?? 0;
  const [before, next] = [points[after - 1] as SlopePoint, points[after] as SlopePoint];
  return before.top + ((next.top - before.top) * (at - before.at)) / (next.at - before.at);
}

/** A stretch of a sloping top within one course. */
export interface RakedStretch {
  readonly from: Length;
  readonly to: Length;
  /** Top of the last whole course under the slope there, and of the course that it is cut in. */
  readonly under: Length;
  readonly over: Length;
  /** Heights of the slope at its two ends. */
  readonly slope: readonly [from: Length, to: Length];
}

/**
 * A sloping top parted where it passes from course to course, at its own points, and at further stations.
 *
 * @param tops bottom of course 1 and the top of every course
 * @param also stations at which it is parted besides
 */
export function rakedStretches(
  points: readonly SlopePoint[],
  tops: readonly Length[],
  length: Length,
  also: readonly Length[],
): readonly RakedStretch[] {
  const crossings = points.slice(1).flatMap((next, index) => {
    const before = points[index] as SlopePoint;
    const rise = next.top - before.top;
    if (rise === 0) return [];
    return tops
      .filter((top) => top > Math.min(before.top, next.top) && top < Math.max(before.top, next.top))
      .map((top) => nanometres(before.at + ((next.at - before.at) * (top - before.top)) / rise));
  });
  const stations = [...new Set([0, ...also, ...points.map(({ at }) => at), ...crossings, length])]
    .filter((at) => at >= 0 && at <= length)
    .sort((a, b) => a - b);
  return stations.slice(1).map((to, index): RakedStretch => {
    const from = stations[index] ?? 0;
    const middle = slopeAt(points, (from + to) / 2);
    const ends = [slopeAt(points, from), slopeAt(points, to)] as const;
    const level = ends[0] === ends[1];
    const under = tops.findLast((top) => top <= middle) ?? (0 as Length);
    const over = level && under === middle ? under : (tops.find((top) => top >= middle) ?? under);
    return {
      from: from as Length,
      to: to as Length,
      under,
      over,
      slope: [nanometres(ends[0]), nanometres(ends[1])],
    };
  });
}
