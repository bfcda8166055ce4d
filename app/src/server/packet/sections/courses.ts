import type { Piece } from '@ombra/core/stages/courses';
import { wallsOf } from '@ombra/core/stages/outline';
import type { Content } from 'pdfmake/interfaces';
import type { PacketContext } from '../context';
import { courseHeading, felt, FELT, heading, note, table, text } from '../parts';

/** The pieces of a wall in a course, in the order in which they lie; its corners are those at its start. */
const piecesOf = (pieces: readonly Piece[], wall: string): readonly Piece[] =>
  pieces
    .filter((piece) => (piece.kind === 'corner' ? piece.wallAfter : piece.wall) === wall)
    .sort((a, b) => (a.kind === 'corner' ? -1 : a.start) - (b.kind === 'corner' ? -1 : b.start));

const cutsOf = (pieces: readonly Piece[]): readonly number[] =>
  pieces.flatMap((piece) => (piece.kind === 'cut' ? [piece.length] : []));

/** A course on a page: from above, then wall by wall what is laid whole, cut to which length, and turned which way. */
function coursePage(context: PacketContext, course: number): readonly Content[] {
  const { worked, t, say, inches, upright, drawing } = context;
  const pieces = worked.courses.pieces.filter((piece) => piece.course === course);
  const bars = worked.steel.bars.filter((bar) => bar.set.course === course && bar.course === course);
  const marks = new Map(
    worked.steel.schedule.flatMap(({ mark, bars: own }) => own.map((id) => [id, mark] as const)),
  );
  const counts = new Map<string, number>();
  for (const bar of bars) {
    const mark = marks.get(bar.id) ?? say(bar.use);
    counts.set(mark, (counts.get(mark) ?? 0) + bar.count);
  }
  const walls = wallsOf(worked.shell).filter(({ id }) => piecesOf(pieces, id).length > 0);
  return [
    courseHeading(heading(t('course', { number: course })), course),
    ...drawing(`course-${String(course)}`, { width: upright.width, height: upright.height * 0.5 }),
    table(
      [t('wall'), t('whole'), t('cuts'), t('corners')],
      walls.map((wall) => {
        const own = piecesOf(pieces, wall.id);
        const cuts = cutsOf(own).map((cut) => inches(cut));
        return [
          wall.name,
          String(own.filter(({ kind }) => kind === 'straight').length),
          { said: felt(cuts.join('   ')), style: { font: FELT, fontSize: 13 } },
          own
            .flatMap((piece) => (piece.kind === 'corner' ? [`${piece.corner} ${piece.hand}`] : []))
            .join(', '),
        ];
      }),
      { widths: ['auto', 'auto', '*', 'auto'], right: [1] },
    ),
    ...(counts.size === 0
      ? []
      : [
          text(
            `${t('set')}: ${[...counts].map(([mark, count]) => `${String(count)} × ${mark}`).join(' · ')}`,
          ),
        ]),
  ];
}

/** Every course on a page of its own. */
export function coursesSection(context: PacketContext): readonly Content[] {
  const { worked, plan, t, missing } = context;
  if (worked.courses.count === 0) return [note(missing)];
  return [
    note(`${t('insideView', { units: plan.units })} ${t('handsView')}`),
    ...Array.from({ length: worked.courses.count }, (_, index): Content => ({
      stack: [...coursePage(context, index + 1)],
      ...(index === 0 ? {} : { pageBreak: 'before' }),
    })),
  ];
}

/** Felt pen that is read from 3 m: capitals some 15 mm high, a two-hundredth of the distance. [common practice for signs; from memory] */
const POSTER = 60;

/** A card to hang on the wall for each course: the lengths to cut, wall by wall, large. */
export function cardsSection({ worked, t, inches, missing }: PacketContext): readonly Content[] {
  if (worked.courses.count === 0) return [note(missing)];
  return Array.from({ length: worked.courses.count }, (_, index): Content => {
    const pieces = worked.courses.pieces.filter((piece) => piece.course === index + 1);
    const walls = wallsOf(worked.shell).filter(({ id }) => piecesOf(pieces, id).length > 0);
    return {
      stack: [
        courseHeading(text(t('course', { number: index + 1 }), { fontSize: 40, bold: true }), index + 1),
        ...walls.map((wall): Content => {
          const cuts = cutsOf(piecesOf(pieces, wall.id)).map((cut) =>
            felt(inches(cut, true)).replaceAll(' ', '\u00a0'),
          );
          return {
            columns: [
              { width: 96, stack: [text(wall.name, { fontSize: 34, bold: true, margin: [0, 12, 0, 0] })] },
              {
                width: '*',
                stack: [
                  cuts.length === 0
                    ? text(t('noCuts'), { fontSize: 24, margin: [0, 20, 0, 0] })
                    : text(cuts.join('   '), { font: FELT, fontSize: POSTER, lineHeight: 0.9 }),
                ],
              },
            ],
            margin: [0, 2, 0, 2],
            unbreakable: true,
          };
        }),
      ],
      ...(index === 0 ? {} : { pageBreak: 'before' }),
    };
  });
}
