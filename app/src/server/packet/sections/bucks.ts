import { heightOf, widthOf } from '@ombra/core/stages/openings';
import type { Content } from 'pdfmake/interfaces';
import type { PacketContext } from '../context';
import { felt, FELT, heading, note, table } from '../parts';

/** Openings to mark and cut, members of their bucks, and the lumber. */
export function bucksSection({ worked, t, say, length, inches, missing }: PacketContext): readonly Content[] {
  const { openings, bucks } = worked;
  const shown = openings.placed.filter((opening) => opening.worked);
  if (shown.length === 0) return [note(missing)];
  const buckOf = new Map(bucks.bucks.map((buck) => [buck.opening, buck]));
  const size = (shape: Parameters<typeof widthOf>[0] & Parameters<typeof heightOf>[0]): string =>
    `${inches(widthOf(shape))} × ${inches(heightOf(shape))}`;
  return [
    note(t('squareBucks')),
    table(
      [t('opening'), t('wall'), t('rough'), t('hole'), t('buck')],
      shown.map((opening) => [
        { said: opening.name, style: { bold: true } },
        [
          opening.wallName,
          ...(buckOf.get(opening.id)?.marking.from ?? []).map(({ corner, outside }) =>
            t('fromCorner', { length: length(outside), corner }),
          ),
        ].join(', '),
        size(opening.finished),
        { said: felt(size(opening.hole)), style: { font: FELT } },
        say(opening.buck.name),
      ]),
      { widths: ['auto', '*', 'auto', 'auto', 'auto'] },
    ),
    heading(t('cuts')),
    table(
      [t('opening'), t('part'), t('count'), t('length'), t('width')],
      bucks.bucks.flatMap(({ name, members }) =>
        members.map((member, index) => [
          index === 0 ? name : '',
          say(member.part),
          String(member.count),
          { said: felt(inches(member.length)), style: { font: FELT, fontSize: 12 } },
          member.width === null ? '' : inches(member.width),
        ]),
      ),
      { right: [2, 3, 4], widths: ['*', '*', 'auto', 'auto', 'auto'] },
    ),
    heading(t('lumber')),
    table(
      [t('board'), t('stockLength'), t('boards')],
      bucks.lumber.map((list) => [
        [say(list.name), ...(list.board === null ? [] : [list.board])].join(', '),
        length(list.stock),
        String(list.lengths.length),
      ]),
      { right: [1, 2], widths: ['*', 'auto', 'auto'] },
    ),
  ];
}
