import { type How, givenCount, givenLength } from '../../kernel/figures/how';
import { besideGaps } from '../../kernel/geometry/gaps';
import { type Length, type UnitSystem, add, showLength, subtract } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { type CourseRow, type Courses, blockJoints, endsWall, jointsHow } from '../courses';
import type { FirstCourse } from '../footing';
import type { PlacedOpening } from '../openings';
import type { Levels, Shell } from '../outline';
import type { Pour } from '../outline/plan';
import type { Article } from './article';
import { besideOpenings, openTo, takesTop } from './rows';

/** How long the interlock is that lies open on top of a row: beside openings, and not where the saw takes it away at a slope. */
function interlockOver(
  row: CourseRow,
  tops: ReadonlySet<number>,
  { levels, openings, courses }: Pick<FixingsInput, 'levels' | 'openings' | 'courses'>,
): Length {
  const sawn = (levels.walls[row.wall] ?? []).filter((span) => span.cut !== undefined);
  const over = tops.has(row.course) ? [row] : openTo(courses.rows, row, 1);
  const open = besideOpenings(over, row, openings, takesTop(row)).flatMap((run) => besideGaps(run, sawn));
  return add(...open.map((run) => subtract(run.to, run.from)));
}

/** What `fixings` goes by. */
interface FixingsInput {
  readonly shell: Shell;
  readonly levels: Levels;
  readonly openings: readonly PlacedOpening[];
  readonly courses: Courses;
  readonly first: FirstCourse;
  readonly rules: HouseRules;
  readonly pours: readonly Pour[];
  readonly units: UnitSystem;
}

/** Glue, ties, clips, kicker boards and tape by their rates. */
export function fixings({
  shell,
  levels,
  openings,
  courses,
  first,
  rules,
  pours,
  units,
}: FixingsInput): readonly Article[] {
  const tops = new Set([...pours.map((pour) => pour.toCourse), courses.count]);
  const joints = blockJoints(courses.rows, levels);
  const clipped = joints.filter((joint) => tops.has(joint.course) || endsWall(joint));
  const upper = joints.filter(({ course }) => course > 1);
  const above: How = {
    op: 'quotient',
    name: 'at the joints above the first course',
    unit: 'ratio',
    of: [
      jointsHow('spots', upper, shell),
      givenCount('spots from a can', rules.count('order.foam.spotsPerCan')),
    ],
  };
  const glued = first.glue !== 'mortar' && first.hold !== 'forms';
  const foam: How = {
    op: 'sum',
    name: 'cans',
    unit: 'ratio',
    of: [...(glued ? [{ ...first.fixed.how, name: 'at the footing' }] : []), above],
  };
  const topLength = add(
    ...courses.rows.map((row) => interlockOver(row, tops, { levels, openings, courses })),
  );
  return [
    {
      id: 'foam',
      group: 'fixings',
      article: 'Foam glue, cans',
      needed: foam,
      rules: [...(glued ? first.fixed.rules : []), 'order.foam.spotsPerCan'],
    },
    {
      id: 'zip-ties',
      group: 'fixings',
      article: 'Zip ties for the first course',
      needed: first.ties.how,
      rules: first.ties.rules,
    },
    {
      id: 'clips',
      group: 'fixings',
      article: 'Clips for the top course of each pour',
      needed: {
        op: 'product',
        name: 'clips',
        unit: 'count',
        of: [
          givenCount('a joint', rules.count('order.clips.perJoint')),
          jointsHow('joints of top courses', clipped, shell),
        ],
      },
      rules: ['order.clips.perJoint'],
    },
    ...(first.hold === 'forms'
      ? []
      : [
          {
            id: first.hold,
            group: 'fixings' as const,
            article:
              first.hold === 'track'
                ? `Track, lengths of ${showLength(rules.length('footing.track.length'), units)}, both faces`
                : `Kicker boards of ${showLength(rules.length('order.board.length'), units)}, both sides of the footing`,
            needed: first.held.how,
            rules: first.held.rules,
          },
        ]),
    {
      id: 'tape',
      group: 'fixings',
      article: 'Tape over the top interlock',
      needed: givenLength('top courses', topLength),
    },
  ];
}
