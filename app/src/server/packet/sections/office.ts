import { evaluate } from '@ombra/core/kernel/figures';
import { orderOf } from '@ombra/core/orderOf';
import { dayOf, dayText } from '@ombra/core/stages/days';
import { wholePieces } from '@ombra/core/stages/order';
import type { Content } from 'pdfmake/interfaces';
import type { PacketContext } from '../context';
import { heading, note, strong, table, text, tick } from '../parts';

/** What to buy, what of it stands where, and the tally. */
export function orderSection(context: PacketContext): readonly Content[] {
  const { worked, plan, t, say, length, inches, mass, volume, missing } = context;
  const order = orderOf(plan, worked);
  if (order.lines.length === 0) return [note(missing)];
  const { courses, total } = worked.tally;
  const cells = (row: (typeof courses)[number] | typeof total): readonly string[] => [
    String(row.straight.value),
    String(row.cut.value),
    String(row.cornerLH.value),
    String(row.cornerRH.value),
    volume(row.coreVolume.value),
  ];
  return [
    heading(t('orderList')),
    table(
      [t('article'), t('core'), t('needed'), t('spare'), t('bundles'), t('toOrder'), t('weight')],
      order.lines.map((line) => {
        const amount = (value: number): string =>
          line.needed.unit === 'length' ? length(value) : String(wholePieces(value));
        return [
          say(line.article),
          line.core === null ? '' : inches(line.core),
          amount(evaluate(line.needed)),
          line.spare === 0 ? '' : String(line.spare),
          line.bundles === null ? '' : `${String(line.bundles)} × ${String(line.bundle)}`,
          { said: amount(line.ordered), style: { bold: true } },
          line.massKilograms === null ? '' : mass(line.massKilograms),
        ];
      }),
      { right: [1, 2, 3, 4, 5, 6], widths: ['*', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto'] },
    ),
    ...(order.staging.length === 0
      ? []
      : [
          heading(t('bundlesBy')),
          text(order.staging.map(({ name, bundles }) => `${name}: ${String(bundles)}`).join(' · ')),
        ]),
    heading(t('tally')),
    table(
      [t('course', { number: '' }).trim(), t('blocks'), t('cutPieces'), t('left'), t('right'), t('core')],
      [
        ...courses.map((row) => [String(row.course), ...cells(row)]),
        [t('total'), ...cells(total)].map((said) => ({ said, style: { bold: true } })),
      ],
      { right: [1, 2, 3, 4, 5] },
    ),
    strong(`${t('toBuy')}: ${String(total.blocksBought.value)}`),
  ];
}

/** The days ahead: what begins and ends when, with how many hours of work. */
export function daysSection({ worked, t, say, words, missing }: PacketContext): readonly Content[] {
  const { items, first, holds } = worked.days;
  if (items.length === 0) return [note(missing)];
  const day = (minutes: number): string =>
    first === null
      ? t('dayNumber', { number: dayOf(minutes) + 1 })
      : words.date(dayText(first + dayOf(minutes)));
  return [
    table(
      [t('work'), t('starts'), t('ends'), t('manHours'), t('signedFirst')],
      items.map((item) => [
        say(item.name),
        day(item.start),
        day(item.end),
        words.number(item.work.value / 60, 1),
        holds
          .filter(({ before }) => before === item.id)
          .map(({ name }) => say(name))
          .join(', '),
      ]),
      { right: [3], widths: ['*', 'auto', 'auto', 'auto', '*'] },
    ),
  ];
}

/** Every hold point with its lines, to be signed. */
export function holdsSection({ worked, t, say, words, missing }: PacketContext): readonly Content[] {
  const { holds } = worked.days;
  if (holds.length === 0) return [note(missing)];
  return [
    note(t('holdsLine')),
    ...holds.map((hold): Content => ({
      unbreakable: hold.lines.length < 25,
      stack: [
        heading(say(hold.name)),
        text(
          [
            t('by', { who: say(hold.who) }),
            ...(hold.tolerance === null ? [] : [t('tolerance', { text: say(hold.tolerance) })]),
            ...(hold.picture ? [t('picture')] : []),
          ].join(' · '),
          { style: 'note' },
        ),
        ...hold.lines.map(({ id, what }) => tick(say(what), hold.ticked.includes(id))),
        hold.state === 'signed' && hold.signature
          ? strong(t('signedBy', { who: hold.signature.by, date: words.date(hold.signature.at) }))
          : text(`${t('sign')}: ______________________________________________`, { margin: [0, 6, 0, 4] }),
      ],
    })),
  ];
}
