import { wallsOf } from '@ombra/core/stages/outline';
import type { Content } from 'pdfmake/interfaces';
import type { PacketContext } from '../context';
import { heading, note, table } from '../parts';

/** The footprint and every wall’s sizes. */
export function outlineSection({
  worked,
  t,
  length,
  inches,
  upright,
  drawing,
  missing,
}: PacketContext): readonly Content[] {
  const walls = wallsOf(worked.shell);
  if (walls.length === 0) return [note(missing)];
  return [
    ...drawing('plan', { width: upright.width, height: upright.height * 0.55 }),
    heading(t('walls')),
    table(
      [t('wall'), t('length'), t('core'), t('thickness')],
      walls.map((wall) => [
        wall.name,
        { said: length(wall.length), style: { bold: true } },
        inches(wall.core),
        inches(wall.thickness),
      ]),
      { right: [1, 2, 3] },
    ),
  ];
}
