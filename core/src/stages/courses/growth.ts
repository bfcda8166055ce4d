import { type Length, readLength, subtract, times } from '../../kernel/measure';
import { parityOf } from './corners';
import type { CourseFinding } from './piece';
import type { LaidWall, Laying } from './walls';

/** How much longer a row is expected to come out than planned: the allowance for every piece in it. [common practice] */
export const expectedGrowth = (pieces: number, laying: Pick<Laying, 'rules'>): Length =>
  times(laying.rules.length('courses.growth.perPiece'), pieces);

/**
 * What the tape said of a wall, course by course: how much it has grown, and to what the piece at the trimming joint is cut
 * so that the wall comes out right. A row without a cut is trimmed at its middle joint, so even a lucky wall has one.
 */
export function asLaidFindings(laid: LaidWall, courses: number, laying: Laying): readonly CourseFinding[] {
  const { wall, rows } = laid;
  const pulled = new Map(
    [
      ...(laying.rows.get(wall.id)?.asLaid ?? []),
      // What the log says of a course is newer than what the plan was told.
      ...laying.laid.pulled.filter((each) => each.wall === wall.id),
    ].map((each) => [each.course, each]),
  );
  return [...pulled.values()].flatMap((entry): CourseFinding[] => {
    const reading = readLength(entry.length, laying.units);
    if (
      !reading.ok ||
      reading.length <= 0 ||
      entry.course < 1 ||
      entry.course > courses ||
      !Number.isInteger(entry.course)
    ) {
      return [{ kind: 'as-laid-unreadable', wall: wall.id, course: entry.course, text: entry.length }];
    }
    const row = rows[parityOf(entry.course + 1)];
    const by = subtract(reading.length, wall.length);
    const allowed = expectedGrowth(row.pieces.length, laying);
    const trimmed = row.pieces.find((piece) => piece.start + piece.length === row.fill.trimAt);
    return [
      {
        kind: 'as-laid',
        wall: wall.id,
        course: entry.course,
        by,
        allowed,
        trimAt: row.fill.trimAt,
        cutTo: trimmed ? subtract(trimmed.length, by) : null,
      },
    ];
  });
}
