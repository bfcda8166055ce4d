import { type How, givenCount } from '../../kernel/figures/how';
import { type Length, ZERO, max, min } from '../../kernel/measure';
import { type HeightSpan, type Levels, type Shell, wallsOf } from '../outline';
import type { CourseRow } from './layCourses';

/** A joint between two blocks of one course. */
export interface Joint {
  readonly course: number;
  readonly wall: string;
  /** From the wall's first corner. */
  readonly at: Length;
  /** What of its wall stands on either side of it. */
  readonly beside: readonly HeightSpan[];
  /** Bottom and top of its course there, above the lowest footing. */
  readonly bottom: Length;
  readonly top: Length;
}

/** Joints of some rows, with the heights of the wall at each of them. */
export const blockJoints = (rows: readonly CourseRow[], levels: Levels): readonly Joint[] =>
  rows.flatMap(({ course, wall, joints, bottom, top }) => {
    const spans = levels.walls[wall] ?? [];
    const end = spans.at(-1)?.to ?? ZERO;
    return joints.map((at): Joint => {
      // A mitre may lie past the end of its wall's own face.
      const on = max(ZERO, min(at, end));
      return {
        course,
        wall,
        at,
        beside: spans.filter(({ from, to }) => from <= on && on <= to),
        bottom,
        top,
      };
    });
  });

/** Whether its blocks stand on the footing or the rock. */
export const standsOnFooting = ({ beside, bottom }: Joint): boolean =>
  beside.some((span) => span.bottom === bottom);

/** Whether no course of the wall lies over it. */
export const endsWall = ({ beside, top }: Joint): boolean =>
  beside.some((span) => (span.cut?.over ?? span.top) <= top);

/** How many joints there are, wall by wall. */
export function jointsHow(name: string, joints: readonly Joint[], shell: Shell): How {
  const parts = wallsOf(shell).flatMap((wall): How[] => {
    const own = joints.filter((joint) => joint.wall === wall.id).length;
    return own === 0 ? [] : [givenCount(wall.name, own)];
  });
  return parts.length === 0 ? givenCount(name, 0) : { op: 'sum', name, unit: 'count', of: parts };
}
