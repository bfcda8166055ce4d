import type { CourseRow, Courses } from '../courses';
import type { PanelAndTieFamily } from '../../kernel/forms';
import { besideGaps } from '../../kernel/geometry/gaps';
import { type Length, add, ZERO } from '../../kernel/measure';
import { type PlacedOpening, overlap } from '../openings';
import type { Wall } from '../outline';
import { type How, givenCount } from '../../kernel/figures/how';
import { standsNextTo } from './rows';

interface Part {
  readonly id: string;
  readonly group: 'parts';
  readonly article: string;
  readonly core?: Length;
  readonly needed: How;
}

/** What openings leave of a row along its upper edge, where its ties lie. */
const stretchesAt = (row: CourseRow, openings: readonly PlacedOpening[]): readonly number[] =>
  besideGaps(
    row,
    openings
      .filter(({ wall, hole }) => wall === row.wall && hole.bottom < row.top && hole.top > row.top)
      .map(({ hole }) => hole),
  ).map(({ from, to }) => to - from);

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

/** What `panelParts` goes by. */
interface PanelPartsInput {
  readonly courses: Courses;
  readonly family: PanelAndTieFamily;
  readonly openings: readonly PlacedOpening[];
  readonly walls: ReadonlyMap<string, Pick<Wall, 'core'>>;
}

/**
 * What a panel system needs beside its panels, counted by course: ties as long as each core asks for at every joint between courses but in openings, split
 * ties at free ends and beside bucks, wire ties along the top and beside its butt joints, tracks at foot and head, a bracket at every corner and one at every end of an inside wall.
 * [common practice]
 */
export function panelParts({ courses, family, openings, walls }: PanelPartsInput): readonly Part[] {
  const numbers = Array.from({ length: courses.count }, (_, index) => index + 1);
  const rowsIn = (course: number) => courses.rows.filter((row) => row.course === course);
  const hasAbove = (row: (typeof courses.rows)[number]): boolean => standsNextTo(courses, row, 1);
  const lengthOf = (row: { readonly from: Length; readonly to: Length }): number => row.to - row.from;
  const sumOver = <Row>(rows: readonly Row[], of: (row: Row) => number): number =>
    rows.reduce((total, row) => total + of(row), 0);
  const coreOf = (row: CourseRow): Length => walls.get(row.wall)?.core ?? ZERO;
  const cores = [...new Set(courses.rows.map(coreOf))].sort((a, b) => a - b);
  const tiesOf = (core: Length) =>
    numbers.map((course) => ({
      course,
      value: sumOver(
        rowsIn(course).filter((row) => coreOf(row) === core && hasAbove(row)),
        (row) => sumOver(stretchesAt(row, openings), (length) => along(length, family.tieSpacing)),
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
    value: sumOver(
      rowsIn(course).filter((row) => !hasAbove(row)),
      (row) => {
        const pieces = courses.pieces.filter(
          (piece) => piece.kind !== 'corner' && piece.course === course && piece.wall === row.wall,
        );
        return along(lengthOf(row), family.topTieSpacing) + Math.max(0, pieces.length - 1);
      },
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
  const trackOf = (rows: typeof courses.rows, where: string): How => ({
    op: 'product',
    name: where,
    unit: 'length',
    of: [
      givenCount('faces', 2),
      {
        op: 'given',
        name: 'along the walls',
        unit: 'length',
        value: add(...rows.map((row) => lengthOf(row) as Length)),
      },
    ],
  });
  const feet = courses.rows.filter((row) => !standsNextTo(courses, row, -1));
  const heads = courses.rows.filter((row) => !hasAbove(row));
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
            needed: trackOf(feet, 'bottom track'),
          },
        ]
      : []),
    ...(family.track.top
      ? [
          {
            id: 'top-track',
            group: 'parts' as const,
            article: 'Top track',
            needed: trackOf(heads, 'top track'),
          },
        ]
      : []),
  ];
}
