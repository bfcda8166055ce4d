import { type Courses, jointsHow, blockJoints, standsOnFooting } from '../courses';
import { besideGaps } from '../../kernel/geometry/gaps';
import { type Length, add } from '../../kernel/measure';
import type { HouseRules } from '../../kernel/rules';
import { type FaceRuns, type Levels, type Shell, type Wall, faceRuns, partedFaces, wallIn } from '../outline';
import { type Figure, figureOf } from '../../kernel/figures/figure';
import { type How, evaluate, givenCount, givenLength } from '../../kernel/figures/how';
import { stockFor } from './cutToLength';

/** How the first course is held, tied and fixed, with what it takes. */
export interface FirstCourse {
  readonly joints: number;
  readonly ties: Figure;
  /** Insulated footing forms hold it themselves. */
  readonly hold: 'kickers' | 'track' | 'forms';
  /** Boards or lengths of track; none in footing forms. */
  readonly held: Figure;
  readonly glue: 'two-courses-first' | 'as-laid' | 'foamed-last' | 'mortar';
  /** Cans of foam at the footing, or mortar by volume; none in footing forms: there the list of forms counts the bead. */
  readonly fixed: Figure;
}

/** A stretch of a wall whose blocks stand on the footing or the rock. */
interface StandingStretch {
  readonly wall: string;
  readonly from: Length;
  readonly to: Length;
  readonly bottom: Length;
}

/** What the first course must know of an opening: where its hole lies. */
interface Doorway {
  readonly worked: boolean;
  readonly wall: string;
  readonly hole: { readonly from: Length; readonly to: Length; readonly bottom: Length };
}

/** What openings down to the footing leave of a stretch: no blocks stand there, and no board or track runs through a doorway. */
const besideDoors = (stretch: StandingStretch, openings: readonly Doorway[]): readonly StandingStretch[] =>
  besideGaps(
    stretch,
    openings
      .filter((each) => each.worked && each.wall === stretch.wall && each.hole.bottom <= stretch.bottom)
      .map(({ hole }) => hole),
  ).map((left) => ({ ...stretch, ...left }));

/** What of every row of the courses stands on the footing or the rock: a row that runs on over a lower course stands on that one. */
const standingStretches = (
  courses: Courses,
  levels: Levels,
  openings: readonly Doorway[],
): readonly StandingStretch[] =>
  courses.rows.flatMap((row) =>
    (levels.walls[row.wall] ?? []).flatMap((span): readonly StandingStretch[] => {
      // A row may run past its wall's own end, round an inside corner.
      const from = span.from === 0 ? row.from : Math.max(span.from, row.from);
      const last = span === levels.walls[row.wall]?.at(-1);
      const to = last ? row.to : Math.min(span.to, row.to);
      return span.bottom === row.bottom && to > from
        ? besideDoors(
            { wall: row.wall, from: from as Length, to: to as Length, bottom: row.bottom },
            openings,
          )
        : [];
    }),
  );

const figure = (id: string, title: string, how: How, rules: Figure['rules']): Figure =>
  figureOf({ id, title, how, rules, pieces: { course: 1 } });

/** A stretch that stands on the footing, with its wall and its lengths on both faces. */
interface FacedStretch {
  readonly of: Wall;
  readonly faces: FaceRuns;
}

const faced = (rows: readonly StandingStretch[], { loops }: Shell): readonly FacedStretch[] =>
  rows.flatMap((row) => {
    const found = wallIn(loops, row.wall);
    return found ? [{ of: found.wall, faces: faceRuns(found.built, found.wall, row) }] : [];
  });

const bothFaces = (name: string, outside: Length, inside: Length): How => ({
  op: 'sum',
  name,
  unit: 'length',
  of: [givenLength('outside', outside), givenLength('inside', inside)],
});

/** What fixes the first course to its footing, by the crew's school. */
function fixing(rows: readonly FacedStretch[], rules: HouseRules): How {
  const outside = add(...rows.map(({ faces }) => faces.outside));
  const inside = add(...rows.map(({ faces }) => faces.inside));
  switch (rules.choice('footing.glue')) {
    case 'mortar':
      return {
        op: 'sum',
        name: 'mortar',
        unit: 'volume',
        of: rows.map((row): How => ({
          op: 'product',
          name: row.of.name,
          unit: 'volume',
          of: [
            givenLength('panel', row.of.skin),
            givenLength('bed', rules.length('footing.mortar.bed')),
            bothFaces('under both panels', row.faces.outside, row.faces.inside),
          ],
        })),
      };
    case 'foamed-last':
      return {
        op: 'quotient',
        name: 'cans',
        unit: 'ratio',
        of: [
          bothFaces('bead along both faces', outside, inside),
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
            op: 'sum',
            name: 'spots',
            unit: 'count',
            of: [
              givenCount('along the outside', Math.ceil(outside / rules.length('order.foam.spacing'))),
              givenCount('along the inside', Math.ceil(inside / rules.length('order.foam.spacing'))),
            ],
          },
          givenCount('spots from a can', rules.count('order.foam.spotsPerCan')),
        ],
      };
  }
}

const GLUES = ['two-courses-first', 'as-laid', 'foamed-last', 'mortar'] as const;

/** What `firstCourseOf` goes by. */
interface FirstCourseOfInput {
  readonly shell: Shell;
  readonly courses: Courses;
  readonly levels: Levels;
  readonly openings: readonly Doorway[];
  /** Whether insulated footing forms hold it. */
  readonly inForms: boolean;
  readonly rules: HouseRules;
}

/** The first course as it is held to its line, tied across its joints, and fixed down. */
export function firstCourseOf({
  shell,
  courses,
  levels,
  openings,
  inForms,
  rules,
}: FirstCourseOfInput): FirstCourse {
  const standing = inForms ? [] : standingStretches(courses, levels, openings);
  const rows = faced(standing, shell);
  const hold = inForms ? 'forms' : rules.choice('footing.hold') === 'track' ? 'track' : 'kickers';
  const glue = GLUES.find((each) => each === rules.choice('footing.glue')) ?? 'two-courses-first';
  const joints = jointsHow('joints', blockJoints(courses.rows, levels).filter(standsOnFooting), shell);
  const board = rules.length(hold === 'track' ? 'footing.track.length' : 'order.board.length');
  return {
    joints: evaluate(joints),
    ties: figure(
      'footing.zipTies',
      'ties across the joints of the first course',
      {
        op: 'product',
        name: 'ties',
        unit: 'count',
        of: [givenCount('a joint', rules.count('order.ties.perJoint')), joints],
      },
      ['order.ties.perJoint'],
    ),
    hold,
    held: figure(
      'footing.held',
      hold === 'track' ? 'lengths of track along both faces' : 'kicker boards along both faces',
      stockFor(
        'boards',
        standing.flatMap((row) => {
          const { outside, inside } = partedFaces(shell, levels, { ...row, height: row.bottom });
          return [...outside, ...inside];
        }),
        board,
      ),
      ['footing.hold', hold === 'track' ? 'footing.track.length' : 'order.board.length'],
    ),
    glue,
    fixed: figure(
      'footing.fixed',
      glue === 'mortar' ? 'mortar under the first course' : 'cans of foam at the footing',
      fixing(rows, rules),
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
