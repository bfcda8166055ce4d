import {
  type ScheduleLine,
  cutListByCourse,
  leastUnwatched,
  massOfBars,
  sizeOf,
} from '@ombra/core/stages/steel';
import type { Content } from 'pdfmake/interfaces';
import type { PacketContext } from '../context';
import { heading, note, table } from '../parts';

/** What goes in course by course, and every wall with its bars. */
export function steelSection(context: PacketContext): readonly Content[] {
  const { worked, t, say, inches, upright, drawing, missing } = context;
  const { steel } = worked;
  if (steel.bars.length === 0) return [note(missing)];
  const moments = cutListByCourse(steel.bars, steel.schedule);
  const walls = worked.shell.loops.flatMap(({ built }) => built?.walls ?? []);
  return [
    note(t('drawingsDecide')),
    heading(t('byCourse')),
    table(
      [t('when'), t('mark'), t('use'), t('size'), t('cut'), t('count')],
      moments.flatMap(({ course, when, lines }) =>
        lines.map((line, index) => [
          index > 0 ? '' : course === 0 ? t('withFooting') : t(when, { number: course }),
          { said: line.mark, style: { bold: true } },
          say(line.use),
          line.size,
          inches(line.cut),
          String(line.count),
        ]),
      ),
      { right: [4, 5], widths: ['auto', 'auto', '*', 'auto', 'auto', 'auto'] },
    ),
    heading(t('walls')),
    note(t('insideView', { units: worked.units })),
    ...walls.flatMap((wall): Content[] => [
      {
        unbreakable: true,
        stack: [
          heading(wall.name),
          ...drawing(`wall-${wall.from}-${wall.to}`, {
            width: upright.width,
            height: upright.height * 0.3,
            layers: new Set(['form face', 'opening', 'buck', 'bar', 'dimension']),
          }),
        ],
      },
    ]),
  ];
}

/** A bar’s shape, drawn small from its legs and turns. */
function shapeSvg({ legs, bends }: ScheduleLine): string {
  let [x, y, turn] = [0, 0, 0];
  const points: (readonly [number, number])[] = [[0, 0]];
  legs.forEach((leg, index) => {
    // Long legs are drawn shorter, so that a hook can still be seen beside them.
    const drawn = Math.sqrt(leg);
    x += drawn * Math.cos(turn);
    y -= drawn * Math.sin(turn);
    points.push([x, y]);
    turn += ((bends[index] ?? 0) * Math.PI) / 180;
  });
  const xs = points.map(([px]) => px);
  const ys = points.map(([, py]) => py);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const scale = Math.min(
    80 / Math.max(Math.max(...xs) - left, 1),
    26 / Math.max(Math.max(...ys) - top, 1),
    80 / Math.max(...legs.map(Math.sqrt), 1),
  );
  // A straight bar needs no more than its line.
  const height = bends.length === 0 ? 10 : 34;
  const path = points
    .map(([px, py]) => `${((px - left) * scale + 4).toFixed(1)} ${((py - top) * scale + 4).toFixed(1)}`)
    .join('L');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="90" height="${String(height)}" viewBox="0 0 90 ${String(height)}"><path d="M${path}" fill="none" stroke="#000000" stroke-width="1.6"/></svg>`;
}

/** For whoever cuts and bends: every mark with its shape, and the stock it comes out of. */
export function shopSection({
  worked,
  t,
  say,
  inches,
  length,
  mass,
  missing,
}: PacketContext): readonly Content[] {
  const { steel } = worked;
  if (steel.schedule.length === 0) return [note(missing)];
  const head = [t('mark'), t('use'), t('size'), t('shape'), '', t('legs'), t('cut'), t('count'), t('weight')];
  const body = steel.schedule.map((line) => {
    const legs =
      line.legs.length === 1
        ? t('straight')
        : line.legs
            .map((leg, index) => {
              const bend = line.bends[index];
              return bend === undefined ? inches(leg) : `${inches(leg)}, ${String(Math.round(bend))}°, `;
            })
            .join('');
    return [
      { text: line.mark, bold: true },
      { text: say(line.use) },
      { text: line.size },
      { text: line.shape },
      { svg: shapeSvg(line) },
      { text: legs },
      { text: inches(line.cut), alignment: 'right', bold: true },
      { text: String(line.count), alignment: 'right', bold: true },
      { text: mass(massOfBars(sizeOf(line.size), line.cut, line.count)), alignment: 'right' },
    ];
  });
  return [
    note(t('shopLine')),
    heading(t('schedule')),
    {
      table: {
        headerRows: 1,
        dontBreakRows: true,
        widths: ['auto', 'auto', 'auto', 'auto', 'auto', '*', 'auto', 'auto', 'auto'],
        body: [head.map((each) => ({ text: each, style: 'head' })), ...body],
      },
      layout: 'ruled',
      margin: [0, 2, 0, 8],
    } as Content,
    heading(t('stock')),
    table(
      [t('size'), t('stockLength'), t('barsToBuy'), t('weight')],
      steel.stock
        .map(leastUnwatched)
        .map((own) => [own.size, length(own.stock), String(own.lengths.length), mass(own.mass.value)]),
      { right: [1, 2, 3] },
    ),
  ];
}
