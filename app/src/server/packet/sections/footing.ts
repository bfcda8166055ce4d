import { type TapeMark } from '@ombra/core/stages/footing';
import { wallsOf } from '@ombra/core/stages/outline';
import type { Content } from 'pdfmake/interfaces';
import { markText } from '../../../stages/footing/markText';
import type { PacketContext } from '../context';
import { heading, note, table } from '../parts';

/** Chalk lines, diagonals with room for what the tape reads, and the marks along each wall. */
export function footingSection({
  worked,
  plan,
  t,
  say,
  length,
  inches,
  missing,
}: PacketContext): readonly Content[] {
  const { bases, square, tape } = worked.footing;
  const walls = wallsOf(worked.shell);
  if (walls.length === 0) return [note(missing)];
  const nameOf = (id: string): string => walls.find((wall) => wall.id === id)?.name ?? '';
  const spot = (each: {
    readonly letter: string | null;
    readonly wall: string;
    readonly at: number;
  }): string => each.letter ?? `${length(each.at)}, ${nameOf(each.wall)}`;
  const diagonals = [...square.rectangles.flatMap((each) => each.diagonals), ...square.diagonals];
  const marksOf = (wall: string): readonly TapeMark[] => tape.filter((mark) => mark.wall === wall);
  return [
    ...(bases.kind === 'rock'
      ? []
      : [
          heading(t('chalk')),
          table(
            [t('wall'), t('width'), t('outer'), t('inner')],
            bases.loops
              .flatMap((loop) => loop.walls)
              .map((base) => [
                base.name,
                inches(base.width),
                { said: inches(base.outer), style: { bold: true } },
                { said: inches(base.inner), style: { bold: true } },
              ]),
            { right: [1, 2, 3] },
          ),
        ]),
    ...(diagonals.length === 0
      ? []
      : [
          heading(t('diagonals')),
          table(
            [t('from'), t('to'), t('length'), t('read')],
            diagonals.map(({ from, to, length: pull }) => [
              spot(from),
              spot(to),
              { said: length(pull), style: { bold: true } },
              '',
            ]),
            { right: [2], widths: ['auto', 'auto', 'auto', '*'] },
          ),
        ]),
    heading(t('tape')),
    table(
      [t('wall'), t('tape')],
      walls.map((wall) => [
        wall.name,
        marksOf(wall.id)
          .map((mark) => `${length(mark.at)} ${say(markText(mark, plan.units))}`)
          .join(' · '),
      ]),
    ),
  ];
}
