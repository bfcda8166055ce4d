import type { HouseRules } from '@ombra/core/kernel/rules';
import type { UnitSystem } from '@ombra/core/kernel/measure';
import { windOn } from '@ombra/core/stages/bracing';
import {
  type DayItem,
  type DayWeather,
  type DaysPlan,
  type Days,
  type EmptyNight,
  type PeopleField,
  type WeatherWatch,
  dayOf,
  dayText,
} from '@ombra/core/stages/days';

import { wallsOf } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/worked';
import { CloudSun, Hand } from 'lucide-react';
import { NumberField } from '../../ui/NumberField';
import { TableHead } from '../../ui/TableHead';
import { forceText } from '../bracing/bracingWords';
import { dayName, hoursName, timeName } from './dayWords';
import { takeAlong } from './takeAlong';
import { watchText, weatherText } from './weatherWords';

interface DayListProps {
  readonly jobId: string;
  readonly days: Days;
  readonly worked: WorkedPlan;
  readonly weather: ReadonlyMap<string, DayWeather>;
  readonly watches: readonly WeatherWatch[];
  readonly nights: readonly EmptyNight[];
  readonly units: UnitSystem;
  readonly rules: HouseRules;
  /** What the plan sets for a day of its own. */
  readonly said: DaysPlan;
  readonly open: string | null;
  readonly onOpen: (item: DayItem) => void;
  readonly onPeople: (of: PeopleField, day: string, people: number | null) => void;
  readonly onHolds: () => void;
}

/** Force in the leg that the night’s gusts press hardest, of the pour’s braces. */
function hardestLeg(worked: WorkedPlan, pour: string, gust: number, rules: HouseRules): number | null {
  const braced = worked.bracing.pours.find((each) => each.pour === pour)?.walls ?? [];
  const lengths = new Map(wallsOf(worked.shell).map((wall) => [wall.id, wall.length]));
  const legs = windOn(braced, lengths, gust, rules).map(({ worst }) => worst.leg);
  return legs.length === 0 ? null : Math.max(...legs);
}

/** The weather of a day, and what it asks for tonight. */
function DayWeatherLines({
  day,
  days,
  worked,
  weather,
  watches,
  nights,
  units,
  rules,
}: Omit<DayListProps, 'jobId' | 'said' | 'open' | 'onOpen' | 'onPeople' | 'onHolds'> & {
  readonly day: number;
}) {
  const met = days.first === null ? undefined : weather.get(dayText(days.first + day));
  const own = watches.filter((watch) => watch.day === day);
  const night = nights.find((each) => each.day === day);
  const leg = met && night?.braced === true ? hardestLeg(worked, night.pour, met.gust, rules) : null;
  return (
    <>
      {met && (
        <p className="text-sm text-quiet">
          <CloudSun aria-hidden="true" size={14} className="inline align-[-2px]" /> {weatherText(met, units)}
          {leg === null ? '' : ` · up to ${forceText(leg, units)} in a leg tonight`}
        </p>
      )}
      {own.map((watch) => (
        <p key={`${watch.kind} ${'item' in watch ? watch.item : ''}`} className="font-semibold text-check">
          {watchText(watch, days.first, units)}
        </p>
      ))}
    </>
  );
}

/** Day by day: who is there, what is done with which pieces and sheets, what the weather asks for, and how far work may slide. */
export function DayList(props: DayListProps) {
  const { jobId, days, worked, said, open, onOpen, onPeople, onHolds } = props;
  const { items, people, newcomers, first, holds } = days;
  const shown = people
    .map((there, day) => ({
      day,
      there,
      own: items.filter((item) => dayOf(item.start) <= day && day <= dayOf(item.end - 1)),
    }))
    // Days off are listed too: that is where a helper on a Saturday is written.
    .filter(({ own }) => first !== null || own.length > 0);
  return (
    <div className="flex flex-col gap-4">
      {shown.map(({ day, there, own }) => {
        const date = first === null ? null : dayText(first + day);
        const waiting = holds.filter(
          ({ before, state }) => state !== 'signed' && own.some((item) => item.id === before),
        );
        const along = takeAlong(worked, own);
        return (
          <section key={day} aria-label={dayName(day, first)} className="border-b border-ink pb-2">
            <div className="flex flex-wrap items-end gap-x-4">
              <h3 className="min-w-32 text-lg font-semibold">{dayName(day, first)}</h3>
              {date === null ? (
                <span className="text-quiet">{there} people</span>
              ) : (
                <>
                  <div className="w-24">
                    <NumberField
                      label="people"
                      value={said.people?.[date] ?? null}
                      placeholder={String(there)}
                      least={0}
                      most={60}
                      whole
                      onSet={(count) => {
                        onPeople('people', date, count);
                      }}
                    />
                  </div>
                  <div className="w-24">
                    <NumberField
                      label="of them new"
                      value={said.newcomers?.[date] ?? null}
                      placeholder={String(newcomers[day] ?? 0)}
                      least={0}
                      most={60}
                      whole
                      onSet={(count) => {
                        onPeople('newcomers', date, count);
                      }}
                    />
                  </div>
                </>
              )}
            </div>
            <DayWeatherLines {...props} day={day} />
            {waiting.length > 0 && (
              <p>
                <Hand aria-hidden="true" size={15} className="inline align-[-2px] text-check" /> To sign
                first: {waiting.map(({ name }) => name).join(', ')}.{' '}
                <button type="button" className="underline" onClick={onHolds}>
                  Hold points
                </button>
              </p>
            )}
            {own.length === 0 && (
              <p className="text-quiet">{there === 0 ? 'A day off.' : 'A wait; no work to do.'}</p>
            )}
            {own.length > 0 && (
              <table className="figures w-full border-collapse">
                <TableHead
                  names={['what', 'from', 'to', 'man-hours', 'may slide']}
                  left={['what', 'from', 'to']}
                />
                <tbody>
                  {own.map((item) => (
                    <tr key={item.id} className="border-b border-line">
                      <th scope="row" className="px-1 text-left font-semibold">
                        {item.name}
                        {item.done > 0 && (
                          <span className="text-sm text-record">
                            {' '}
                            {item.done >= 1 ? 'done' : `${String(Math.round(item.done * 100))} % done`}
                            {item.took === null ? '' : ` in ${(item.took / 60).toFixed(1)} man-hours`}
                          </span>
                        )}
                        {item.needs.length > 0 && (
                          <span className="block text-sm font-normal text-quiet">
                            with {item.needs.join(', ')}
                          </span>
                        )}
                        {item.stops.length > 0 && (
                          <span className="block text-sm font-normal text-quiet">
                            not in {item.stops.join(', ')}
                          </span>
                        )}
                      </th>
                      <td className="px-1 whitespace-nowrap">{timeName(item.start, first)}</td>
                      <td className="px-1 whitespace-nowrap">{timeName(item.end, first)}</td>
                      <td className="px-1 text-right">
                        {item.work.value > 0 ? (
                          <button
                            type="button"
                            className={`px-1 underline decoration-dotted underline-offset-3 ${open === item.work.id ? 'bg-chalk-wash text-chalk' : ''}`}
                            aria-expanded={open === item.work.id}
                            aria-label={`Work of ${item.name}: ${(item.work.value / 60).toFixed(1)} man-hours. Why?`}
                            onClick={() => {
                              onOpen(item);
                            }}
                          >
                            {(item.work.value / 60).toFixed(1)}
                          </button>
                        ) : (
                          '–'
                        )}
                      </td>
                      <td className={`px-1 text-right ${item.free < 0 ? 'font-semibold text-stop' : ''}`}>
                        {item.free < 0
                          ? `${hoursName(-item.free)} short`
                          : item.free < 1
                            ? 'nothing'
                            : hoursName(item.free)}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
            {along.pieces.length > 0 && <p className="text-sm">Pieces: {along.pieces.join(' · ')}</p>}
            {along.sheets.length > 0 && (
              <p className="text-sm">
                Take along:{' '}
                {along.sheets.map(({ path, name }, index) => (
                  <span key={path}>
                    {index > 0 && ', '}
                    <a className="underline" href={`/jobs/${jobId}/sheets/${path}`}>
                      {name}
                    </a>
                  </span>
                ))}
              </p>
            )}
          </section>
        );
      })}
    </div>
  );
}
