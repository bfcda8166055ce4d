import type { Content } from 'pdfmake/interfaces';
import { sideText } from '../../../stages/bracing/bracingWords';
import type { PacketContext } from '../context';
import { heading, note, strong, table } from '../parts';

/** Where every brace stands, the planks, and the gear to find. */
export function bracingSection({ worked, t, say, length, missing }: PacketContext): readonly Content[] {
  const { bracing } = worked;
  if (bracing.walls.length === 0) return [note(missing)];
  const several = bracing.pours.length > 1;
  return [
    note(t('braceOrder')),
    ...bracing.pours.flatMap(({ name, walls }): readonly Content[] => [
      ...(several ? [heading(name)] : []),
      table(
        [t('wall'), t('side'), t('stations'), t('planks')],
        walls.map((wall) => [
          { said: wall.name, style: { bold: true } },
          say(wall.way === 'waler' ? 'waler along the top, diagonals' : sideText(wall)),
          (wall.way === 'waler' ? wall.diagonals : wall.braces.map(({ at }) => at)).map(length).join(' · '),
          wall.planks.length === 0
            ? ''
            : `${String(wall.abreast)} × ${wall.planks.map((plank) => length(plank.length)).join(' + ')}`,
        ]),
        { widths: ['auto', 'auto', '*', '*'] },
      ),
    ]),
    heading(t('gear')),
    table(
      [t('part'), t('wanted'), t('onHand')],
      bracing.gear.map((line) => [
        say(line.name),
        String(line.wanted.value),
        line.onHand === null ? '' : String(line.onHand),
      ]),
      { right: [1, 2], widths: ['*', 'auto', 'auto'] },
    ),
    strong(t('caution.brace')),
    strong(t('caution.planks')),
  ];
}
