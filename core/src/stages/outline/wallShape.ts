import { type Point, step } from '../../kernel/geometry/point';
import { alongArc } from './arc';
import type { BuiltLoop } from './shell';
import { wallFace } from './wallFaces';

/** Sides that a stretch of an arc is drawn in. */
const ARC_SIDES = 8;

/** The inside face's points of a loop in walking order; an open one's faces are a single ring, out and back. */
function insideFace(built: BuiltLoop): readonly Point[] {
  return built.open
    ? [...built.faces.formOutside.slice(built.walls.length + 1)].reverse()
    : built.faces.formInside;
}

/** Where a wall starts on its outside and inside faces. */
export function wallStart(
  built: BuiltLoop,
  index: number,
): { readonly outer: Point; readonly inner: Point } | null {
  const outer = built.faces.formOutside[index];
  const inner = insideFace(built)[index];
  return outer && inner ? { outer, inner } : null;
}

/** A stretch of one wall over its whole thickness, from one share of its length to another; an arc in short sides. */
export function wallShape(built: BuiltLoop, index: number, from = 0, to = 1): readonly Point[] {
  const wall = built.walls[index];
  const start = wallStart(built, index);
  if (!wall || !start) return [];
  const { curve } = wall;
  if (!curve) {
    // Whole walls reach into their corners; stretches of them are cut square.
    if (from === 0 && to === 1) {
      const outside = wallFace(built, wall, 'formOutside');
      const inside = wallFace(built, wall, 'formInside');
      return [...outside, inside[1], inside[0]];
    }
    const at = (share: number, aside: number): Point =>
      step(start.outer, wall.heading, share * wall.length, aside);
    return [at(from, 0), at(to, 0), at(to, wall.thickness), at(from, wall.thickness)];
  }
  const shares = Array.from({ length: ARC_SIDES + 1 }, (_, side) => from + ((to - from) * side) / ARC_SIDES);
  const along = (corner: Point, radius: number): readonly Point[] =>
    shares.map((share) =>
      alongArc({ from: corner, heading: wall.heading, radius, sweep: curve.sweep, share }),
    );
  return [...along(start.outer, curve.outside), ...[...along(start.inner, curve.inside)].reverse()];
}
