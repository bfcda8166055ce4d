import type { Courses } from '../courses';
import type { PlacedInsert } from '../inserts';
import { type Length, add, nanometres, subtract } from '../measure';
import type { PlacedOpening } from '../openings';
import type { HouseRules } from '../rules';
import type { Wall } from '../shell';
import type { FaceEnd } from './faces';
import type { Wanted } from './layBraces';
import type { Side } from './problem';

/** What stands in an upright's way on a wall: openings, and what is set in it or goes through it. */
export function inTheWay(
  openings: readonly PlacedOpening[],
  inserts: readonly PlacedInsert[],
  side: Side,
  width: Length,
): (at: Length) => boolean {
  const half = width / 2;
  const taken = [
    ...openings.map(({ hole }) => [hole.from, hole.to] as const),
    ...inserts
      .filter((insert) => insert.round || insert.face === side)
      .flatMap((insert) =>
        insert.fixings.length > 0
          ? insert.fixings.map(({ at }) => [at, at] as const)
          : insert.kind === 'brick-ledge' || insert.kind === 'ledger'
            ? []
            : [[insert.rect.from, insert.rect.to] as const],
      ),
  ];
  return (at) => taken.some(([from, to]) => at > from - half && at < to + half);
}

/** Places where a wall must be held. */
export function wantedOn(
  wall: Wall,
  ends: readonly [FaceEnd, FaceEnd],
  openings: readonly PlacedOpening[],
  tees: readonly Length[],
  courses: Courses,
  rules: HouseRules,
): readonly Wanted[] {
  const off = rules.length('bracing.corner');
  const half = nanometres(rules.length('bracing.upright.width') / 2);
  const middle = nanometres(wall.length / 2);
  const [start, end] = ends;
  const atEnd = (face: FaceEnd, atStart: boolean): Wanted => {
    const at = atStart ? add(face.at, off) : subtract(face.at, off);
    const edge = atStart ? add(face.at, half) : subtract(face.at, half);
    return {
      at: (atStart ? Math.min(at, middle) : Math.max(at, middle)) as Length,
      why: face.how === 'free' ? 'bulkhead' : face.how === 'tee' ? 'tee' : 'corner',
      from: atStart ? edge : middle,
      to: atStart ? middle : edge,
      ...(face.corner ? { of: face.corner.letter } : {}),
    };
  };
  const seams = new Set(
    courses.weakJoints
      .filter((joint) => joint.wall === wall.id && joint.reasons.includes('seam'))
      .map((joint) => joint.at),
  );
  const near = rules.length('bracing.spacing.most');
  return [
    atEnd(start, true),
    atEnd(end, false),
    ...openings.flatMap(({ id, hole }): Wanted[] => [
      {
        at: subtract(hole.from, half),
        why: 'opening',
        from: subtract(hole.from, near),
        to: hole.from,
        of: id,
      },
      { at: add(hole.to, half), why: 'opening', from: hole.to, to: add(hole.to, near), of: id },
    ]),
    ...tees.map((at): Wanted => ({ at, why: 'tee', from: subtract(at, near), to: add(at, near) })),
    ...[...seams].map((at): Wanted => ({ at, why: 'seam', from: subtract(at, near), to: add(at, near) })),
  ];
}
