import type { CourseRow, Courses, Piece } from '../courses';
import { add, subtract } from '../measure';
import type { HouseRules } from '../rules';
import { type Levels, type Shell, wallsOf } from '../shell';
import { type Figure, type How, givenCount, givenLength, figureOf } from '../tally';
import { stockFor } from './cutToLength';

/** How the first course is held, tied and fixed, with what it takes. */
export interface FirstCourse {
  readonly joints: number;
  readonly ties: Figure;
  readonly hold: 'kickers' | 'track';
  /** Boards or lengths of track. */
  readonly held: Figure;
  readonly glue: 'two-courses-first' | 'as-laid' | 'foamed-last' | 'mortar';
  /** Cans of foam at the footing, or mortar by volume. */
  readonly fixed: Figure;
}

/** Stretches of wall that stand on the footing or the rock, from the rows of the courses. */
export const standingRows = (courses: Courses, levels: Levels): readonly CourseRow[] =>
  courses.rows.filter((row) =>
    (levels.walls[row.wall] ?? []).some(
      (span) => span.from < row.to && span.to > row.from && span.bottom === row.bottom,
    ),
  );

const figure = (id: string, title: string, how: How, rules: Figure['rules']): Figure =>
  figureOf(id, title, how, rules, { course: 1 });

/** What fixes the first course to its footing, by the crew's school. */
function fixing(rows: readonly CourseRow[], shell: Shell, rules: HouseRules): How {
  const walls = new Map(wallsOf(shell).map((wall) => [wall.id, wall]));
  const run = add(...rows.map((row) => subtract(row.to, row.from)));
  switch (rules.choice('footing.glue')) {
    case 'mortar':
      return {
        op: 'sum',
        name: 'mortar',
        unit: 'volume',
        of: rows.map((row): How => ({
          op: 'product',
          name: walls.get(row.wall)?.name ?? row.wall,
          unit: 'volume',
          of: [
            givenLength('panels', 2 * (walls.get(row.wall)?.skin ?? 0)),
            givenLength('bed', rules.length('footing.mortar.bed')),
            givenLength('length', row.to - row.from),
          ],
        })),
      };
    case 'foamed-last':
      return {
        op: 'quotient',
        name: 'cans',
        unit: 'ratio',
        of: [
          {
            op: 'sum',
            name: 'bead along both faces',
            unit: 'length',
            of: [givenLength('outside', run), givenLength('inside', run)],
          },
          givenLength('bead from a can', rules.length('footing.bead.perCan')),
        ],
      };
    default:
      return {
        op: 'quotient',
        name: 'cans',
        unit: 'ratio',
        of: [
          {
            op: 'product',
            name: 'spots',
            unit: 'count',
            of: [
              givenCount('sides', 2),
              givenCount('spots along it', Math.ceil(run / rules.length('order.foam.spacing'))),
            ],
          },
          givenCount('spots from a can', rules.count('order.foam.spotsPerCan')),
        ],
      };
  }
}

const GLUES = ['two-courses-first', 'as-laid', 'foamed-last', 'mortar'] as const;

/** The first course as it is held to its line, tied across its joints, and fixed down. */
export function firstCourseOf(
  shell: Shell,
  courses: Courses,
  levels: Levels,
  standing: readonly Piece[],
  rules: HouseRules,
): FirstCourse {
  const rows = standingRows(courses, levels);
  const lengths = rows.map((row) => subtract(row.to, row.from));
  const hold = rules.choice('footing.hold') === 'track' ? 'track' : 'kickers';
  const glue = GLUES.find((each) => each === rules.choice('footing.glue')) ?? 'two-courses-first';
  // Every piece meets the next one: as many joints as pieces round a closed outline.
  const joints = standing.length;
  const board = rules.length(hold === 'track' ? 'footing.track.length' : 'order.board.length');
  return {
    joints,
    ties: figure(
      'footing.zipTies',
      'ties across the joints of the first course',
      {
        op: 'product',
        name: 'ties',
        unit: 'count',
        of: [givenCount('a joint', rules.count('order.ties.perJoint')), givenCount('joints', joints)],
      },
      ['order.ties.perJoint'],
    ),
    hold,
    held: figure(
      'footing.held',
      hold === 'track' ? 'lengths of track along both faces' : 'kicker boards along both faces',
      // Both faces of every stretch.
      stockFor('boards', [...lengths, ...lengths], board),
      ['footing.hold', hold === 'track' ? 'footing.track.length' : 'order.board.length'],
    ),
    glue,
    fixed: figure(
      'footing.fixed',
      glue === 'mortar' ? 'mortar under the first course' : 'cans of foam at the footing',
      fixing(rows, shell, rules),
      [
        'footing.glue',
        ...(glue === 'mortar'
          ? (['footing.mortar.bed'] as const)
          : glue === 'foamed-last'
            ? (['footing.bead.perCan'] as const)
            : (['order.foam.spacing', 'order.foam.spotsPerCan'] as const)),
      ],
    ),
  };
}
