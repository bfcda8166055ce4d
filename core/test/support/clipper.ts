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
