import { TROUBLES } from '@ombra/core/kernel/record';
import { type WorkedPour, clockText, hoursOf, liftHours, machineOf } from '@ombra/core/stages/pour';
import type { Content } from 'pdfmake/interfaces';
import { TROUBLE_NAMES } from '../../../stages/days/log/entryWords';
import { TROUBLE_CARDS } from '../../../stages/pour/board/troubleCards';
import { METHOD_STARTS, degreesText, slumpText } from '../../../stages/pour/pourWords';
import type { PacketContext } from '../context';
import { heading, note, strong, table, text, tick } from '../parts';

const at = (pour: WorkedPour, minutes: number): string => clockText(pour.start + minutes);

const STOPS = ['stop.lightning', 'stop.wind', 'stop.bulge', 'stop.truck', 'stop.people'] as const;

const stopWhen = ({ t, rules }: PacketContext): Content => ({
  unbreakable: true,
  stack: [
    heading(t('stop')),
    ...STOPS.map((key) => text(`• ${t(key, { minutes: rules.count('pour.lightning.wait') })}`)),
  ],
});

const poured = ({ worked }: PacketContext): readonly WorkedPour[] =>
  worked.pour.pours.filter(({ volumes }) => volumes.walls.length > 0);

/** Pours one after the other, each begun on a page of its own. */
const byPour = (
  context: PacketContext,
  page: (pour: WorkedPour) => readonly Content[],
): readonly Content[] => {
  const pours = poured(context);
  if (pours.length === 0) return [note(context.missing)];
  return pours.map((pour, index): Content => ({
    stack: [...(pours.length > 1 ? [heading(context.say(pour.span.name))] : []), ...page(pour)],
    ...(index === 0 ? {} : { pageBreak: 'before' }),
  }));
};

/** For whoever places: the clock, the lifts, the loads, signals, and when to stop. */
export const hoseSection = (context: PacketContext): readonly Content[] =>
  byPour(context, (pour) => {
    const { t, say, volume, length, rules, words, worked } = context;
    const { mix, volumes } = pour;
    const machine = machineOf(pour.method);
    const times = liftHours(pour);
    return [
      text(
        [
          pour.date === null ? '____________' : words.date(pour.date),
          ...(machine === null ? [] : [t(machine, { time: at(pour, -rules.count('pour.pump.lead')) })]),
          t('firstTruck', { time: at(pour, 0) }),
          t('done', { time: at(pour, pour.clock.finish) }),
        ].join(' · '),
        { bold: true },
      ),
      text(t('crew', { method: say(METHOD_STARTS[pour.method]), count: pour.crew })),
      heading(t('order', { volume: volume(volumes.ordered.value) })),
      table(
        [t('lift'), t('upTo'), t('hours'), t('concrete')],
        pour.lifts.map((lift, index) => {
          const hours = times[index];
          return [
            String(index + 1),
            length(lift.top),
            hours ? `${at(pour, hours.from)}–${at(pour, hours.to)}` : '',
            { said: volume(volumes.lifts[index]?.whole.value ?? 0), style: { bold: true } },
          ];
        }),
        { right: [1, 3] },
      ),
      text(t('waits', { minutes: mix.working })),
      heading(t('loads')),
      table(
        [t('load'), t('brings'), t('due'), t('arrived'), t('slump'), t('temperature')],
        volumes.loads.map((load, index) => [
          String(index + 1),
          volume(load),
          at(pour, index * pour.day.spacing),
          '',
          '',
          '',
        ]),
        { right: [1, 2] },
      ),
      text(
        `${t('slump')} ${slumpText(mix.slump.least, worked.units)}–${slumpText(mix.slump.most, worked.units)} · ${mix.temperature.least === null ? '' : `${degreesText(mix.temperature.least, worked.units)} – `}${degreesText(mix.temperature.most, worked.units)}`,
      ),
      heading(t('signals')),
      text(t('signal.one')),
      text(t('signal.hands')),
      stopWhen(context),
      strong(t('soft')),
      strong(t('caution.concrete')),
    ];
  });

/** For whoever stands below: which side when, what to look for, and when to shout. */
export const watchSection = (context: PacketContext): readonly Content[] =>
  byPour(context, (pour) => {
    const { t, plan } = context;
    const lifts = pour.lifts.map((_, index) => index + 1);
    const worst = pour.pressing?.worst;
    const nameOf = (wall: string): string =>
      pour.volumes.walls.find((each) => each.wall === wall)?.name ?? '';
    return [
      text(t('watchLine')),
      heading(t('whenAt')),
      table(
        [t('wall'), t('who'), ...lifts.map((lift) => `${t('lift')} ${String(lift)}`)],
        pour.volumes.walls.map(({ wall, name }) => [
          { said: name, style: { bold: true } },
          plan.pour?.watchers?.[wall] ?? '',
          ...lifts.map((lift) => {
            const hours = hoursOf(pour, (stop) => stop.wall === wall && stop.lift === lift);
            return hours ? at(pour, hours.from) : '';
          }),
        ]),
        { widths: ['auto', 130, ...lifts.map(() => '*')] },
      ),
      ...(worst ? [strong(t('hardest', { wall: nameOf(worst.wall), lift: worst.lift }))] : []),
      heading(t('watch.look')),
      tick(t('watch.bulge')),
      tick(t('watch.joint')),
      tick(t('watch.line')),
      strong(t('watch.call')),
      strong(t('caution.burst')),
      stopWhen(context),
    ];
  });

/** What is done when something goes wrong, a card each, its caution first. */
export const troubleSection = ({ t, say }: PacketContext): readonly Content[] => [
  note(t('trouble.before')),
  ...TROUBLES.map((trouble): Content => {
    const { caution, steps, layers } = TROUBLE_CARDS[trouble];
    return {
      unbreakable: true,
      stack: [
        heading(say(TROUBLE_NAMES[trouble])),
        strong(say(caution)),
        ...steps.map(({ who, does }, index) => text(`${String(index + 1)}. ${say(who)}: ${say(does)}`)),
        note(say(layers)),
      ],
    };
  }),
];
