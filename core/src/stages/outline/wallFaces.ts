import type { Point } from '../../kernel/geometry/point';
import type { BuiltLoop, Faces, Wall } from './shell';

/**
 * Where one layer of a wall begins and ends on the plan, from corner to corner. On an arc these are the ends of its chord.
 *
 * @param face of the closed loop’s four; an open walk keeps its inside faces on the way back of its rings
 */
export function wallFace(built: BuiltLoop, wall: Wall, face: keyof Faces): readonly [Point, Point] {
  const index = built.walls.indexOf(wall);
  if (!built.open) {
    const points = built.faces[face];
    return [points[index] as Point, points[(index + 1) % points.length] as Point];
  }
  const inner = face === 'concreteInside' || face === 'formInside';
  const ring =
    face === 'formOutside' || face === 'formInside' ? built.faces.formOutside : built.faces.concreteOutside;
  const at = (corner: number): Point => ring[inner ? ring.length - 1 - corner : corner] as Point;
  return [at(index), at(index + 1)];
}
