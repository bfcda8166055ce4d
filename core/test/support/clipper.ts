import clipper from 'clipper-lib';

/** Units to the inch in the general-purpose polygon library, which works in whole numbers. */
const SCALE = 10_000;

type Spot = readonly [x: number, y: number];

/**
 * Plan area between two offsets of a polygon, in square inches, by a general-purpose polygon library.
 *
 * @param corners in inches
 * @param outer inches inward of the corners where the band begins; negative is outward
 * @param inner inches inward where it ends
 */
export function bandArea(corners: readonly Spot[], outer: number, inner: number): number {
  const path = corners.map(([x, y]) => ({ X: Math.round(x * SCALE), Y: Math.round(y * SCALE) }));
  const area = (inward: number): number => {
    if (inward === 0) return Math.abs(clipper.Clipper.Area(path));
    const offset = new clipper.ClipperOffset(100, 0.25);
    offset.AddPath(path, clipper.JoinType.jtMiter, clipper.EndType.etClosedPolygon);
    const solution: clipper.Path[] = [];
    offset.Execute(solution, -inward * SCALE);
    return solution.reduce((sum, found) => sum + Math.abs(clipper.Clipper.Area(found)), 0);
  };
  return (area(outer) - area(inner)) / SCALE ** 2;
}

/** A rectangle of the plan in inches. */
export type Rectangle = readonly [left: number, top: number, right: number, bottom: number];

/** Area that rectangles cover together, in square inches, by a general-purpose polygon library. */
export function unionArea(rectangles: readonly Rectangle[]): number {
  const join = new clipper.Clipper();
  for (const [left, top, right, bottom] of rectangles) {
    const path = (
      [
        [left, top],
        [right, top],
        [right, bottom],
        [left, bottom],
      ] as const
    ).map(([x, y]) => ({ X: Math.round(x * SCALE), Y: Math.round(y * SCALE) }));
    join.AddPath(path, clipper.PolyType.ptSubject, true);
  }
  const solution: clipper.Path[] = [];
  const filled = clipper.PolyFillType.pftNonZero;
  join.Execute(clipper.ClipType.ctUnion, solution, filled, filled);
  // Holes come the other way round, and take their area off.
  return Math.abs(solution.reduce((sum, path) => sum + clipper.Clipper.Area(path), 0)) / SCALE ** 2;
}

/**
 * Whether spots of the plan lie in a ring of concrete, at least so far from both its faces; by a general-purpose polygon library.
 *
 * @param outer corners of its outside face, in inches
 * @param inner corners of its inside face
 * @param cover inches
 */
export function withinRing(
  outer: readonly Spot[],
  inner: readonly Spot[],
  cover: number,
): (spot: Spot) => boolean {
  const shifted = (corners: readonly Spot[], inward: number): readonly clipper.Path[] => {
    const offset = new clipper.ClipperOffset(100, 0.25);
    const path = corners.map(([x, y]) => ({ X: Math.round(x * SCALE), Y: Math.round(y * SCALE) }));
    offset.AddPath(path, clipper.JoinType.jtMiter, clipper.EndType.etClosedPolygon);
    const solution: clipper.Path[] = [];
    offset.Execute(solution, -inward * SCALE);
    return solution;
  };
  const [around, hole] = [shifted(outer, cover), shifted(inner, -cover)];
  const holds = (paths: readonly clipper.Path[], [x, y]: Spot): boolean =>
    paths.some(
      (path) =>
        clipper.Clipper.PointInPolygon({ X: Math.round(x * SCALE), Y: Math.round(y * SCALE) }, path) !== 0,
    );
  return (spot) => holds(around, spot) && !holds(hole, spot);
}
