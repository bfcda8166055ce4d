import { RULES, rulesOf } from '@ombra/core/rules';
import { type Figure, showMinutes, showQuantity } from '@ombra/core/kernel/figures';
import type { ChoiceRuleId, RuleId } from '@ombra/core/kernel/rules';
import type { WorkedPour } from '@ombra/core/stages/pour';
import { CloudSun } from 'lucide-react';
import { AskBox } from '../../ui/AskBox';
import { NumberField } from '../../ui/NumberField';
import type { Job } from '../../job/useJob';
import { RuleLines } from '../../rules/RuleLines';
import { FigureRow } from '../../frame/figures/FigureRow';
import { degreesText, fromScale, inScale, loadText, slumpText, METHOD_WORDS, timeOf } from './pourWords';
import type { DayEdit } from './dayEdit';

interface MixPanelProps {
  readonly job: Job;
  readonly pour: WorkedPour;
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
  readonly set: DayEdit;
}

const LINES: readonly (readonly [string, RuleId])[] = [
  ['Strength', 'pour.mix.strength'],
  ['Stone', 'pour.mix.stone'],
  ['Slump ordered', 'pour.mix.slump'],
  ['taken within', 'pour.mix.slump.within'],
  ['Flow from', 'pour.mix.admixture'],
  ['Cement', 'pour.mix.cement'],
  ['Air', 'pour.mix.air'],
  ['Weighs', 'pour.density'],
  ['Working time at 70 °F, min', 'pour.work.minutes'],
];

interface DayAhead {
  readonly date: string;
  readonly low: number;
  readonly high: number;
  readonly dark: string;
  readonly lightning: boolean;
}

/** What the weather says of a day; null where that is not what came. */
function readDay(said: unknown): DayAhead | null {
  const { day } = (said ?? {}) as { readonly day?: Partial<DayAhead> };
  const fits =
    typeof day?.low === 'number' &&
    typeof day.high === 'number' &&
    typeof day.dark === 'string' &&
    typeof day.lightning === 'boolean';
  return fits ? (day as DayAhead) : null;
}

/** The weather of the pour's day from the stand-in that ships with the application. */
function AskWeather({ job, pour, set }: Pick<MixPanelProps, 'job' | 'pour' | 'set'>) {
  const { units } = job.plan;
  return (
    <AskBox
      label="Ask the weather"
      Icon={CloudSun}
      url={`/api/weather${pour.date === null ? '' : `?date=${pour.date}`}`}
      read={readDay}
      who="The weather"
    >
      {(day) => (
        <>
          <p>
            {day.date}: {degreesText(day.low, units)} in the morning, up to {degreesText(day.high, units)},
            dark at {day.dark}
            {day.lightning ? '; thunderstorms about: lightning stops a pour' : ''}.
          </p>
          <button
            type="button"
            className="button"
            onClick={() => {
              set({ air: day.low, dark: day.dark });
            }}
          >
            Use these
          </button>
          <p className="text-sm text-quiet">Simulated weather. Check a real forecast.</p>
        </>
      )}
    </AskBox>
  );
}

/** The mix in one sentence. */
export function mixText({ mix }: WorkedPour, plan: Job['plan']): string {
  const rules = rulesOf(plan);
  const label = (id: ChoiceRuleId): string => {
    const rule = RULES[id];
    const value = rules.choice(id);
    return rule.type === 'choice'
      ? (rule.choices.find((choice) => choice.value === value)?.label ?? value)
      : value;
  };
  return `${label('pour.mix.strength')}, stone ${label('pour.mix.stone')}, slump ${slumpText(mix.slump.ordered, plan.units)}, ${label('pour.mix.cement')}, ${label('pour.mix.air')}; it flows with ${label('pour.mix.admixture')}.`;
}

/** What is ordered, as it is told on the phone. */
export function phoneText(pour: WorkedPour, plan: Job['plan']): readonly string[] {
  const { mix, volumes, day } = pour;
  const { loads } = volumes;
  const { units } = plan;
  const each =
    loads.length > 1
      ? `, ${loadText(loads[0] ?? 0, units)} each, one every ${String(day.spacing)} min; we call for the last one as a balance`
      : '';
  const least =
    mix.temperature.least === null ? '' : `, ${degreesText(mix.temperature.least, units)} at least`;
  return [
    `${showQuantity(volumes.ordered.value, 'volume', units)} for ${pour.date ?? 'the day'}, first truck at ${timeOf(pour, 0)}.`,
    `${String(loads.length)} ${loads.length === 1 ? 'load' : 'loads'}${each}.`,
    mixText(pour, plan),
    `At ${degreesText(mix.concrete, units)}${least}. Placed by ${METHOD_WORDS[pour.method]}. No water added unless we say so.`,
  ];
}

/** The mix that is ordered, the day that it is placed on, what may be taken and what is tested. */
export function MixPanel({ job, pour, open, onOpen, set }: MixPanelProps) {
  const { plan } = job;
  const own = plan.pour?.pours?.[pour.span.pour];
  const { mix } = pour;
  const scale = plan.units === 'imperial' ? '°F' : '°C';
  const [least, most] = plan.units === 'imperial' ? [-200, 300] : [-120, 140];
  const outside = mix.slump.ordered < mix.usualSlump[0] || mix.slump.ordered > mix.usualSlump[1];
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_330px] gap-6 max-lg:grid-cols-1">
      <div className="flex min-w-0 flex-col gap-4">
        <section aria-label="The day">
          <h3 className="heading">The day</h3>
          <div className="grid grid-cols-5 gap-2 max-md:grid-cols-2">
            {(
              [
                ['Date', 'date', 'date'],
                ['First truck', 'start', 'time'],
                ['Dark at', 'dark', 'time'],
              ] as const
            ).map(([label, key, type]) => (
              <label key={key} className="block">
                <span className="heading mb-0.5 block">{label}</span>
                <input
                  type={type}
                  className="field figures"
                  value={own?.[key] ?? ''}
                  onChange={(event) => {
                    set({ [key]: event.currentTarget.value || null }, key);
                  }}
                  onBlur={job.endMerge}
                />
              </label>
            ))}
            {(
              [
                [`Air, ${scale}`, 'air', own?.air],
                [`Concrete, ${scale}`, 'concrete', own?.concrete],
              ] as const
            ).map(([label, key, value]) => (
              <NumberField
                key={key}
                label={label}
                value={value === undefined ? null : inScale(value, plan.units)}
                placeholder={key === 'concrete' ? String(inScale(mix.concrete, plan.units)) : 'not said'}
                least={least}
                most={most}
                onSet={(degrees) => {
                  set({ [key]: degrees === null ? null : fromScale(degrees, plan.units) }, key);
                }}
                onLeave={job.endMerge}
              />
            ))}
          </div>
          <div className="mt-2">
            <AskWeather job={job} pour={pour} set={set} />
          </div>
        </section>
        <section aria-label="On the phone" className="lifted p-3">
          <h3 className="heading">What to say to the plant</h3>
          {phoneText(pour, plan).map((line) => (
            <p key={line}>{line}</p>
          ))}
        </section>
        <section aria-label="Accept or send back">
          <h3 className="heading">Accept or send back, truck by truck</h3>
          <ul className="figures list-disc pl-5 text-[17px]">
            <li>
              slump {slumpText(mix.slump.least, plan.units)} to {slumpText(mix.slump.most, plan.units)} (ASTM
              C143); for {METHOD_WORDS[pour.method]} crews order {slumpText(mix.usualSlump[0], plan.units)} to{' '}
              {slumpText(mix.usualSlump[1], plan.units)}
              {outside && <strong className="text-check"> — the order lies outside that</strong>}
            </li>
            <li>
              {mix.temperature.least === null
                ? ''
                : `${degreesText(mix.temperature.least, plan.units)} at least, `}
              {degreesText(mix.temperature.most, plan.units)} at the most
            </li>
            <li>discharged within {mix.discharge} min of batching, unless you agree otherwise (ASTM C94)</li>
            <li>its ticket says what was ordered</li>
          </ul>
        </section>
        <section aria-label="Tests">
          <h3 className="heading">Tests</h3>
          <FigureRow figure={mix.sets} name={mix.sets.title} units={plan.units} open={open} onOpen={onOpen} />
          <p className="mt-1 text-[15px]">
            Sampled from the middle of a load (ASTM C172); slump, temperature and, where air is put in, air
            with every set, and of every truck that looks different. Where the drawings ask for tests, a
            certified technician takes them.
          </p>
        </section>
      </div>
      <section aria-label="The mix">
        <h3 className="heading">The mix</h3>
        <RuleLines job={job} lines={LINES} />
        <p className="mt-2 text-[15px]">
          At {degreesText(mix.concrete, plan.units)} a layer may wait{' '}
          <strong>{showMinutes(mix.working)}</strong> for the next. Less when hot, more when cold. An
          estimate: set it from the mix you get.
        </p>
        <p className="mt-1 text-sm text-quiet">
          Cc {mix.chemistry.toFixed(1)} (ACI 347R-14), C2 {mix.c2.toFixed(2)} (CIRIA 108), both from memory.
          Wet concrete burns skin and eyes: gloves, glasses, clean water.
        </p>
      </section>
    </div>
  );
}
