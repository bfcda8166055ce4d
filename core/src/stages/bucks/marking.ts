import { type Length, nanometres, subtract, ZERO } from '../../kernel/measure';
import { type PlacedOpening, centreOf } from '../openings';
import { type BuiltLoop, type Levels, type Wall, cornerReach } from '../outline';

/** A height told by the courses: so much above the top of a course; course 0 is the foot of the lowest. */
export interface ByCourse {
  readonly course: number;
  readonly plus: Length;
}

/** Where an opening is marked, from one corner of its wall. */
export interface MarkFrom {
  readonly corner: string;
  /** To the middle along the form's outside face, and along its inside face from the corner there. */
  readonly outside: Length;
  readonly inside: Length;
  /** To the near edge of the hole in the foam, outside. */
  readonly hole: Length;
}

/** What is written on the wall for one opening. */
export interface Marking {
  readonly from: readonly [MarkFrom, MarkFrom];
  /** Foot and head of the hole in the foam, by courses and above the lowest footing. */
  readonly foot: ByCourse;
  readonly head: ByCourse;
  /** The rough opening's own. */
  readonly sill: ByCourse;
  readonly roughHead: ByCourse;
}

/** A height by the courses under it. */
function byCourse(levels: Pick<Levels, 'tops'>, height: Length): ByCourse {
  const course = Math.max(
    0,
    levels.tops.findLastIndex((top) => top <= height),
  );
  return { course, plus: subtract(height, levels.tops[course] ?? ZERO) };
}

/** How an opening is marked on the foam: from both corners, outside and inside, and up from the courses. */
export function markingOf(opening: PlacedOpening, built: BuiltLoop, wall: Wall, levels: Levels): Marking {
  const middle = centreOf(opening.finished);
  const from = (atStart: boolean): MarkFrom => {
    const outside = nanometres(atStart ? middle : wall.length - middle);
    return {
      corner: atStart ? wall.from : wall.to,
      outside,
      inside: subtract(outside, cornerReach(built, wall, atStart)),
      hole: atStart ? opening.hole.from : subtract(wall.length, opening.hole.to),
    };
  };
  return {
    from: [from(true), from(false)],
    foot: byCourse(levels, opening.hole.bottom),
    head: byCourse(levels, opening.hole.top),
    sill: byCourse(levels, opening.finished.bottom),
    roughHead: byCourse(levels, opening.finished.top),
  };
}
