import { runPastCorner } from '../../kernel/geometry/offset';
import { type Point, footOn } from '../../kernel/geometry/point';
import { type Length, nanometres } from '../../kernel/measure';
import { arcPoints, radiusAt } from './arc';
import type { BuiltLoop, Corner, Faces, Wall } from './shell';

/** How far inside the form's outside face a face lies. */
function depthOf({ skin, core, thickness }: Wall, face: keyof Faces): number {
  return { formOutside: 0, concreteOutside: skin, concreteInside: skin + core, formInside: thickness }[face];
}

/**
 * Where one layer of a wall begins and ends on the plan, from corner to corner. On an arc these are the ends of its chord. Where
 * the next wall goes straight on at another depth, the end lies beside that one's start.
 *
 * @param face of the closed loop’s four; an open walk keeps its inside faces on the way back of its rings
 */
export function wallFace(built: BuiltLoop, wall: Wall, face: keyof Faces): readonly [Point, Point] {
  const index = built.walls.indexOf(wall);
  const inner = face === 'concreteInside' || face === 'formInside';
  const ring =
    face === 'formOutside' || face === 'formInside' ? built.faces.formOutside : built.faces.concreteOutside;
  const at = (corner: number): Point => {
    if (!built.open) return built.faces[face][corner % built.walls.length] as Point;
    return ring[inner ? ring.length - 1 - corner : corner] as Point;
  };
  const [from, next] = [at(index), at(index + 1)];
  const after = built.corners.find((corner) => corner.wallBefore === wall.id);
  if (after?.kind !== 'straight') return [from, next];
  const { curve, heading } = wall;
  if (!curve) return [from, footOn({ from, heading }, next)];
  const radius = radiusAt(curve.outside, curve.sweep, depthOf(wall, face));
  return [from, arcPoints(from, heading, radius, curve.sweep).at(-1) as Point];
}

/** A face all round a closed outline, with both corners where walls in one line lie at different depths. */
export const faceRing = (built: BuiltLoop, face: keyof Faces): readonly Point[] =>
  built.walls.flatMap((wall) => wallFace(built, wall, face));

/**
 * How much later a wall's inside face begins, or how much sooner it ends, than its outside face at its corner with another wall:
 * by that one's thickness at a square outside corner, by T · tan(θ/2) between walls as thick as each other. Below zero at an inside
 * corner, and where a thin wall meets a thick one at a shallow angle. [intersection of the two inside lines]
 */
export const insideLater = ({ turn }: Pick<Corner, 'turn'>, own: Wall, other: Wall): Length =>
  nanometres(runPastCorner(turn, own.thickness, other.thickness));
