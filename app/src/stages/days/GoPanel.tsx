import type { Figure } from '@ombra/core/kernel/figures';
import type { UnitSystem } from '@ombra/core/kernel/measure';
import type { HouseRules } from '@ombra/core/kernel/rules';
import {
  type DayWeather,
  type Days,
  type GoLine,
  type GoOrNot,
  type GoState,
  type Minded,
  DAY,
  goOrNot,
} from '@ombra/core/stages/days';
import type { WorkedPour } from '@ombra/core/stages/pour';
import { CircleAlert, CircleCheck, CircleDashed, OctagonX } from 'lucide-react';
import { dayName, timeName } from './dayWords';
import { rainText, weatherText } from './weatherWords';

const LOOKS: Readonly<
  Record<GoState, { readonly word: string; readonly colour: string; readonly Icon: typeof CircleCheck }>
> = {
  go: { word: 'go', colour: 'text-tip', Icon: CircleCheck },
  look: { word: 'look first', colour: 'text-check', Icon: CircleAlert },
  stop: { word: 'not yet', colour: 'text-stop', Icon: OctagonX },
  unknown: { word: 'not known', colour: 'text-quiet', Icon: CircleDashed },
};

const VERDICTS: Readonly<Record<GoState, string>> = {
  go: 'Go',
  look: 'Look at these first',
  stop: 'Not yet',
  unknown: 'Ask first',
};

const NAMES: Readonly<Record<GoLine['of'], string>> = {
  work: 'Work before it',
  holds: 'Hold points',
  people: 'People',
  weather: 'Weather',
  access: 'Way for trucks and pump',
  trucks: 'Trucks',
  dark: 'Daylight',
};

/** What the weather asks for. */
const MINDS: Readonly<Record<Minded, string>> = {
  lightning: 'Thunderstorms stop a pour: booms are tall.',
  cold: 'Cold: have covers ready, and warm concrete ordered.',
  hot: 'Hot: the working time is shorter.',
  rain: 'Rain: cover what is fresh, and check the way.',
  wind: 'Wind: look over boom, planks and braces.',
};

/** What one matter says, in words. */
function lineText(line: GoLine, go: GoOrNot, units: UnitSystem): string {
  switch (line.of) {
    case 'work':
      if (line.state === 'unknown') return 'The log says nothing of the work yet.';
      return line.left.length === 0
        ? 'All recorded as done.'
        : `Not recorded as done: ${line.left.join(', ')}.`;
    case 'holds':
      return line.open.length === 0
        ? 'All signed.'
        : `Not signed: ${line.open.map(({ name }) => name).join(', ')}.`;
    case 'people':
      return `${String(line.there)} that day, ${String(line.wanted)} wanted${line.newcomers > 0 ? `; ${String(line.newcomers)} of them new to this work` : ''}.`;
    case 'weather': {
      const { weather } = line;
      if (!weather) return 'No forecast for that day.';
      return [`${weatherText(weather, units)}.`, ...line.minds.map((each) => MINDS[each])].join(' ');
    }
    case 'access':
      return line.rain === null
        ? 'No word of the rain before it. Walk the way tonight.'
        : `${rainText(line.rain, units)} of rain in the days before${line.state === 'look' ? ': walk the way tonight, and scrape off what is greasy' : ''}.`;
    case 'trucks':
      return `${String(line.loads)} ${line.loads === 1 ? 'load' : 'loads'} planned. Confirm order, spacing and balance with the plant.`;
    case 'dark':
      return `Done by ${timeName(go.day * DAY + line.finish, null).split(', ')[1] ?? ''}${line.dark === null ? '' : `, dark at ${line.dark}`}.`;
  }
}

interface GoPanelProps {
  readonly days: Days;
  readonly pours: readonly WorkedPour[];
  readonly weather: ReadonlyMap<string, DayWeather>;
  readonly logged: boolean;
  readonly units: UnitSystem;
  readonly rules: HouseRules;
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
}

/** The evening before a pour: what speaks for it, what must be looked at, what a day later costs. */
export function GoPanel({ days, pours, weather, logged, units, rules, open, onOpen }: GoPanelProps) {
  const cards = pours.flatMap((pour) => {
    const go = goOrNot({
      days,
      pour: { pour: pour.span.pour, crew: pour.crew, loads: pour.day.loads.length },
      weather,
      logged,
      rules,
    });
    return go ? [go] : [];
  });
  if (cards.length === 0) return <p>No pour is planned yet.</p>;
  return (
    <div className="flex flex-col gap-6">
      {cards.map((go) => {
        const verdict = LOOKS[go.verdict];
        const gravest = go.lines.filter(({ state }) => state === go.verdict).length;
        return (
          <section key={go.pour} aria-label={`${go.name}: go or not`} className="max-w-3xl">
            <h3 className="flex flex-wrap items-center gap-2 text-xl font-semibold">
              <verdict.Icon aria-hidden="true" className={verdict.colour} />
              {go.name}, {dayName(go.day, days.first)}:{' '}
              <span className={verdict.colour}>
                {VERDICTS[go.verdict]}
                {go.verdict === 'go' ? '' : ` (${String(gravest)})`}
              </span>
            </h3>
            <table className="w-full border-collapse">
              <tbody>
                {go.lines.map((line) => {
                  const { word, colour, Icon } = LOOKS[line.state];
                  return (
                    <tr key={line.of} className="border-b border-line align-top">
                      <th scope="row" className="w-44 px-1 py-1 text-left font-semibold">
                        {NAMES[line.of]}
                      </th>
                      <td className={`w-36 px-1 py-1 ${colour}`}>
                        <Icon aria-hidden="true" size={15} className="inline align-[-2px]" /> {word}
                      </td>
                      <td className="px-1 py-1">{lineText(line, go, units)}</td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
            {go.slip && (
              <p className="mt-1">
                A day later costs{' '}
                <button
                  type="button"
                  className="figures px-1 font-semibold underline decoration-dotted underline-offset-3"
                  aria-expanded={open === go.slip.id}
                  onClick={() => {
                    if (go.slip) onOpen(go.slip);
                  }}
                >
                  {Math.round(go.slip.value)}
                </button>{' '}
                for crew and braces. Trucks called off late are paid for too.
              </p>
            )}
          </section>
        );
      })}
      <p className="max-w-[72ch] text-sm text-quiet">
        Simulated weather: check a real forecast. The site, the plant, the inspector and your own eyes decide.
      </p>
    </div>
  );
}
