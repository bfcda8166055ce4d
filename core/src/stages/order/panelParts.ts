import type { CourseRow, Courses, WallPiece } from '../courses';
import type { PanelAndTieFamily } from '../../kernel/forms';
import { type Run, besideGaps } from '../../kernel/geometry/gaps';
import { type Length, add, nanometres, ZERO } from '../../kernel/measure';
import { type PlacedOpening, overlap } from '../openings';
import { type Levels, type Shell, partedFaces, wallIn } from '../outline';
import { type How, givenCount, givenLength } from '../../kernel/figures/how';
import { besideOpenings, openTo, takesTop } from './rows';

interface Part {
  readonly id: string;
  readonly group: 'parts';
  readonly article: string;
  readonly core?: Length;
  readonly needed: How;
}

/** Ties along a length: one at every spacing, and one at its end. */
const along = (length: number, spacing: Length): number => Math.floor(length / spacing) + 1;

const byCourse = (
  name: string,
  rows: readonly { readonly course: number; readonly value: number }[],
): How => ({
  op: 'sum',
  name,
  unit: 'count',
  of: rows.filter((row) => row.value > 0).map((row) => givenCount(`course ${String(row.course)}`, row.value)),
});

/** Joints along a run of a row at which two panels of its own wall meet: corners have brackets. */
function buttsIn({ pieces }: Courses, { course, wall }: CourseRow, { from, to }: Run): number {
  const own = pieces.filter(
    (piece): piece is WallPiece => piece.kind !== 'corner' && piece.course === course && piece.wall === wall,
  );
  const ends = new Set(own.map((piece) => piece.start + piece.length));
  return own.filter(({ start }) => start > from && start < to && ends.has(start)).length;
}

/** What `panelParts` goes by. */
interface PanelPartsInput {
  readonly courses: Courses;
  /** Of the whole job: where those of the courses stand on others, or go on, they need no track. */
  readonly rows: readonly CourseRow[];
  readonly family: PanelAndTieFamily;
  readonly openings: readonly PlacedOpening[];
  readonly shell: Pick<Shell, 'loops'>;
  readonly levels: Levels;
}

/**
 * What a panel system needs beside its panels, counted by course: ties as long as each core asks for at every joint between courses but in openings, split
 * ties at free ends and beside bucks, wire ties along the top and beside its butt joints, tracks at foot and head, a bracket at every corner and one at every end of an inside wall.
 * [common practice]
 */
export function panelParts({
  courses,
  rows,
  family,
  openings,
  shell,
  levels,
}: PanelPartsInput): readonly Part[] {
  const numbers = Array.from({ length: courses.count }, (_, index) => index + 1);
  const rowsIn = (course: number) => courses.rows.filter((row) => row.course === course);
  // Along the joint above a row, where its ties lie, an opening whose head is there has none of its own.
  const tied = (row: CourseRow): readonly Run[] =>
    besideOpenings(
      besideGaps(row, openTo(rows, row, 1)),
      row,
      openings,
      (hole) => hole.bottom < row.top && hole.top > row.top,
    );
  const headsOf = (row: CourseRow): readonly Run[] =>
    besideOpenings(openTo(rows, row, 1), row, openings, takesTop(row));
  const feetOf = (row: CourseRow): readonly Run[] =>
    besideOpenings(
      openTo(rows, row, -1),
      row,
      openings,
      (hole) => hole.bottom <= row.bottom && hole.top > row.bottom,
    );
  const sumOver = <Row>(all: readonly Row[], of: (row: Row) => number): number =>
    all.reduce((total, row) => total + of(row), 0);
  const coreOf = (row: CourseRow): Length => wallIn(shell.loops, row.wall)?.wall.core ?? ZERO;
  const cores = [...new Set(courses.rows.map(coreOf))].sort((a, b) => a - b);
  const tiesOf = (core: Length) =>
    numbers.map((course) => ({
      course,
      value: sumOver(
        rowsIn(course).filter((row) => coreOf(row) === core),
        (row) => sumOver(tied(row), ({ from, to }) => along(to - from, family.tieSpacing)),
      ),
    }));
  const split = numbers.map((course) => ({
    course,
    value: sumOver(
      rowsIn(course),
      (row) =>
        (row.start === 'free' ? 1 : 0) +
        (row.end === 'free' ? 1 : 0) +
        2 * openings.filter((opening) => opening.wall === row.wall && overlap(opening.hole, row)).length,
    ),
  }));
  const top = numbers.map((course) => ({
    course,
    value: sumOver(rowsIn(course), (row) =>
      sumOver(
        headsOf(row),
        (run) => along(run.to - run.from, family.topTieSpacing) + buttsIn(courses, row, run),
      ),
    ),
  }));
  const brackets = numbers.map((course) => ({
    course,
    value: courses.pieces.filter((piece) => piece.kind === 'corner' && piece.course === course).length,
  }));
  const tees = numbers.map((course) => ({
    course,
    value: sumOver(rowsIn(course), (row) => (row.start === 'tee' ? 1 : 0) + (row.end === 'tee' ? 1 : 0)),
  }));
  const trackOf = (
    where: string,
    runsOf: (row: CourseRow) => readonly Run[],
    heightOf: (row: CourseRow) => Length,
  ): How => {
    const faces = courses.rows.flatMap((row) =>
      runsOf(row).map((run) => partedFaces(shell, levels, { ...run, wall: row.wall, height: heightOf(row) })),
    );
    return {
      op: 'sum',
      name: where,
      unit: 'length',
      of: [
        givenLength('along the outside', add(...faces.flatMap(({ outside }) => outside))),
        givenLength('along the inside', add(...faces.flatMap(({ inside }) => inside))),
      ],
    };
  };
  return [
    ...cores.map((core) => ({
      id: cores.length === 1 ? 'ties' : `ties:${String(core)}`,
      group: 'parts' as const,
      article: 'Ties',
      core,
      needed: byCourse('ties', tiesOf(core)),
    })),
    ...(split.some((each) => each.value > 0)
      ? [
          {
            id: 'split-ties',
            group: 'parts' as const,
            article: 'Split ties, at free ends and beside bucks',
            needed: byCourse('split ties', split),
          },
        ]
      : []),
    { id: 'top-ties', group: 'parts', article: 'Top ties', needed: byCourse('top ties', top) },
    { id: 'brackets', group: 'parts', article: 'Corner brackets', needed: byCourse('brackets', brackets) },
    ...(tees.some((each) => each.value > 0)
      ? [
          {
            id: 'tee-brackets',
            group: 'parts' as const,
            article: 'T brackets',
            needed: byCourse('T brackets', tees),
          },
        ]
      : []),
    ...(family.track.bottom
      ? [
          {
            id: 'bottom-track',
            group: 'parts' as const,
            article: 'Bottom track',
            needed: trackOf('bottom track', feetOf, ({ bottom }) => bottom),
          },
        ]
      : []),
    ...(family.track.top
      ? [
          {
            id: 'top-track',
            group: 'parts' as const,
            article: 'Top track',
            needed: trackOf('top track', headsOf, ({ top }) => nanometres(top - 1)),
          },
        ]
      : []),
  ];
}
