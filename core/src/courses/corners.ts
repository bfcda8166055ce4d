import type { FlatWallFamily } from '../forms';
import { type Length, add } from '../measure';
import type { Corner, Wall } from '../shell';
import type { CornerPiece, Hand } from './piece';
import { type WebRules, websOfWhole } from './webs';

/** Which of a corner's two walls the long leg lies on. */
export type LongLegOn = 'before' | 'after';

/**
 * The long leg's wall in a course. Course 1 leads as the house rule says, the same way round at every corner; each next
 * course swaps.
 */
export function longLegOn(course: number, lead: string): LongLegOn {
  const firstCourse: LongLegOn = lead === 'ending-wall' ? 'before' : 'after';
  const swapped: LongLegOn = firstCourse === 'after' ? 'before' : 'after';
  return course % 2 === 1 ? firstCourse : swapped;
}

/**
 * Hand of the piece, seen from its own outer (convex) side: long leg to the left is LH. On an outside corner that side
 * is the outside of the job, where the wall after the corner lies to the left; on an inside corner it is the inside.
 */
export function handOf(corner: Corner, long: LongLegOn): Hand {
  const longToLeft = (corner.kind === 'outside') === (long === 'after');
  return longToLeft ? 'LH' : 'RH';
}

/**
 * A leg's length along the outside face of the form: as listed on an outside corner, shorter by the other wall's
 * thickness on an inside one.
 *
 * @param thickness of the wall that the leg passes at the corner
 */
export function legOnFace(family: FlatWallFamily, corner: Corner, long: boolean, thickness: Length): Length {
  const base = long ? family.corner90.long : family.corner90.short;
  return corner.kind === 'outside' ? add(base, thickness) : base;
}

/** Webs of a leg, back from the corner along the outside face: they keep the block's pattern from the leg's free end. */
function websOfLeg(family: FlatWallFamily, leg: Length, long: boolean, webs: WebRules): readonly Length[] {
  const free = long ? family.corner90.long : family.corner90.short;
  return websOfWhole(free, webs).map((fromEnd) => (leg - fromEnd) as Length);
}

/** The corner piece of one course, between the wall that ends there and the wall that starts there. */
export function cornerPiece(
  family: FlatWallFamily,
  corner: Corner,
  before: Wall,
  after: Wall,
  course: number,
  long: LongLegOn,
  webs: WebRules,
): CornerPiece {
  const legBefore = legOnFace(family, corner, long === 'before', after.thickness);
  const legAfter = legOnFace(family, corner, long === 'after', before.thickness);
  return {
    kind: 'corner',
    id: `${String(course)}:${corner.letter}`,
    course,
    corner: corner.letter,
    hand: handOf(corner, long),
    wallBefore: before.id,
    legBefore,
    websBefore: websOfLeg(family, legBefore, long === 'before', webs),
    wallAfter: after.id,
    legAfter,
    websAfter: websOfLeg(family, legAfter, long === 'after', webs),
    station: corner.station,
  };
}
