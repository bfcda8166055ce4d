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

/** A straight side of what shapes cover together, in inches, and at how many of its ends that has a corner that points outward. */
export interface CoveredSide {
  readonly length: number;
  readonly outwardCorners: number;
}

/**
 * The sides of a footing of one width round an outline, with what joins it inside, by a general-purpose polygon library.
 *
 * @param corners of the outline, clockwise with y down, in inches
 * @param out inches that the footing shows outside of the outline
 * @param inward inches from the outline to its inner edge
 * @param joining rectangles of footings within it
 */
export function footingSides(
  corners: readonly Spot[],
  { out, inward }: { readonly out: number; readonly inward: number },
  joining: readonly Rectangle[] = [],
): readonly CoveredSide[] {
  const scaled = ([x, y]: Spot) => ({ X: Math.round(x * SCALE), Y: Math.round(y * SCALE) });
  const offsetBy = (by: number): readonly clipper.Path[] => {
    const offset = new clipper.ClipperOffset(100, 0.25);
    offset.AddPath(corners.map(scaled), clipper.JoinType.jtMiter, clipper.EndType.etClosedPolygon);
    const solution: clipper.Path[] = [];
    offset.Execute(solution, by * SCALE);
    return solution;
  };
  const cut = new clipper.Clipper();
  for (const path of offsetBy(out)) cut.AddPath(path, clipper.PolyType.ptSubject, true);
  for (const path of offsetBy(-inward)) cut.AddPath(path, clipper.PolyType.ptClip, true);
  const ring: clipper.Path[] = [];
  const filled = clipper.PolyFillType.pftNonZero;
  cut.Execute(clipper.ClipType.ctDifference, ring, filled, filled);
  const join = new clipper.Clipper();
  for (const path of ring) join.AddPath(path, clipper.PolyType.ptSubject, true);
  for (const [left, top, right, bottom] of joining) {
    const path = [scaled([left, top]), scaled([right, top]), scaled([right, bottom]), scaled([left, bottom])];
    join.AddPath(path, clipper.PolyType.ptSubject, true);
  }
  const solution: clipper.Path[] = [];
  join.Execute(clipper.ClipType.ctUnion, solution, filled, filled);
  // What is covered lies on the same hand of every side, round the whole and round its holes.
  return solution.flatMap((path) => {
    const at = (index: number) => path[(index + path.length) % path.length] as { X: number; Y: number };
    const outward = (index: number): number => {
      const [before, here, after] = [at(index - 1), at(index), at(index + 1)];
      return (here.X - before.X) * (after.Y - here.Y) - (here.Y - before.Y) * (after.X - here.X) > 0 ? 1 : 0;
    };
    return path.map((_, index) => ({
      length: Math.hypot(at(index + 1).X - at(index).X, at(index + 1).Y - at(index).Y) / SCALE,
      outwardCorners: outward(index) + outward(index + 1),
    }));
  });
}
