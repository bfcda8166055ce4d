import type { Content } from 'pdfmake/interfaces';
import type { PacketContext } from '../context';
import { heading, note, strong, table, text, tick } from '../parts';

const CAUTIONS = [
  'caution.brace',
  'caution.planks',
  'caution.burst',
  'caution.concrete',
  'caution.bars',
  'caution.fill',
] as const;

/** Rows for names that are written by hand. */
const HANDS = 5;
/** Most stop notices told by name. */
const MOST_STOPS = 6;

/** The first page: the job, its state, what the packet holds, who is there, and what can hurt. */
export function coverSection({ job, worked, plan, t, say, words }: PacketContext): readonly Content[] {
  const stops = worked.notices.filter(({ severity }) => severity === 'stop');
  const named = Object.values(plan.pour?.watchers ?? {}).filter((name) => name !== '');
  return [
    text(plan.name, { fontSize: 26, bold: true }),
    text(
      [
        t('units', { units: plan.units }),
        t('courses', { count: worked.courses.count }),
        ...(worked.shell.family ? [say(worked.shell.family.name)] : []),
      ].join(' · '),
    ),
    text(t('state', { state: job.version, date: words.date(job.savedAt) }), { bold: true }),
    ...(stops.length === 0
      ? []
      : [
          strong(t('fixFirst', { count: stops.length })),
          ...stops.slice(0, MOST_STOPS).map(({ where, what }) => text(`• ${where}: ${what}`)),
        ]),
    heading(t('contents')),
    { toc: { id: 'contents', numberStyle: { bold: true } } },
    heading(t('cautions')),
    ...CAUTIONS.map((key) => tick(t(key))),
    heading(t('people')),
    table(
      [t('name'), t('role'), t('phone')],
      [
        ...[...new Set(named)].map((name) => [name, t('watch'), '']),
        ...Array.from({ length: HANDS }, () => [' ', '', '']),
      ],
      { widths: ['*', '*', '*'] },
    ),
    note(t('caution')),
  ];
}
