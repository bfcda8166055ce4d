import { dayOf } from '@ombra/core/stages/days';
import { CalendarPlus } from 'lucide-react';
import { useState } from 'react';
import type { StageProps } from '../../frame/stage';
import { StageFrame, Summary, Working } from '../../frame/StageFrame';
import { RuleLines } from '../../rules/RuleLines';
import { DayList } from './DayList';
import { dayName, timeName } from './dayWords';
import { LaidLayer } from './LaidLayer';
import { DAYS_PANELS, DAYS_PANEL_NAMES } from './panels';
import { Timeline } from './Timeline';

/** The days of the job: what is done when, by how many, with the strip filling up as the clock is dragged. */
export function DaysStage({ job, place, onPlace, onStage }: StageProps) {
  const { worked, plan, edit, endMerge } = job;
  const [moment, setMoment] = useState<number | null>(null);
  if (!worked) return <Working />;
  const { days } = worked;
  const { items, first } = days;
  const last = Math.max(0, ...items.map(({ end }) => end));
  const clock = Math.min(moment ?? last, last);
  const pour = items.find(({ kind }) => kind === 'pour');
  const figures = items.map(({ work }) => work);
  return (
    <StageFrame
      job={job}
      place={place}
      onPlace={onPlace}
      onStage={onStage}
      stage="days"
      worked={worked}
      empty="No walls to plan days for yet"
      aside={{ heading: 'Walls', figure: () => '' }}
      strip={{ over: (frame) => <LaidLayer frame={frame} worked={worked} days={days} clock={clock} /> }}
      summary={({ onOpen }) => (
        <Summary
          said={
            first === null
              ? 'Enter the first day to plan by the calendar.'
              : 'Planned times: weather and trucks decide.'
          }
        >
          {days.manMinutes && (
            <>
              <button
                type="button"
                className="px-1 font-semibold underline decoration-dotted underline-offset-3"
                onClick={() => {
                  if (days.manMinutes) onOpen(days.manMinutes);
                }}
              >
                {Math.round(days.manMinutes.value / 60)}
              </button>{' '}
              man-hours ·{' '}
            </>
          )}
          {pour && (
            <>
              first pour <strong>{dayName(dayOf(pour.start), first)}</strong> ·{' '}
            </>
          )}
          done <strong>{dayName(dayOf(Math.max(0, last - 1)), first)}</strong>
        </Summary>
      )}
      tabs={{
        label: 'Days',
        panels: DAYS_PANELS,
        names: DAYS_PANEL_NAMES,
        tools: first !== null && (
          <a className="button" href={`/api/jobs/${job.id}/days.ics`} download>
            <CalendarPlus aria-hidden="true" size={16} /> Calendar file
          </a>
        ),
      }}
      figures={days.manMinutes ? [...figures, days.manMinutes] : figures}
    >
      {({ panel, open, onOpen }) => (
        <div className="grid grid-cols-[minmax(0,1fr)_290px] gap-6 max-lg:grid-cols-1">
          <div className="min-w-0">
            <label className="mb-2 flex flex-wrap items-center gap-x-3">
              <span className="heading">Wall as it stands on</span>
              <input
                type="range"
                className="min-w-40 grow accent-(--color-chalk)"
                aria-label="Moment at which the wall is shown"
                aria-valuetext={timeName(clock, first)}
                min={0}
                max={Math.max(1, last)}
                step={30}
                value={clock}
                onChange={(event) => {
                  setMoment(Number(event.currentTarget.value));
                }}
              />
              <span className="figures font-semibold">{timeName(clock, first)}</span>
            </label>
            {panel === 'line' ? (
              <Timeline
                days={days}
                clock={clock}
                open={items.find(({ work }) => work.id === open)?.id ?? null}
                onOpen={({ work }) => {
                  onOpen(work);
                }}
              />
            ) : (
              <DayList
                days={days}
                said={plan.days?.people ?? {}}
                open={open}
                onOpen={({ work }) => {
                  onOpen(work);
                }}
                onPeople={(day, people) => {
                  edit({ kind: 'set-people', day, people }, `people:${day}`);
                }}
              />
            )}
          </div>
          <div className="flex flex-col gap-3">
            <label className="block">
              <span className="heading mb-0.5 block">First day</span>
              <input
                type="date"
                className="field figures"
                value={plan.days?.start ?? ''}
                onChange={(event) => {
                  edit({ kind: 'set-days', change: { start: event.currentTarget.value } }, 'days-start');
                }}
                onBlur={endMerge}
              />
            </label>
            <RuleLines
              job={job}
              lines={[
                ['People', 'days.people'],
                ['Hours a day', 'days.hours'],
                ['Begins at', 'days.begin'],
                ['Week', 'days.week'],
                ['Stands straight, hours', 'days.wait.stand'],
                ['Braces stay on, hours', 'days.wait.braces'],
                ['Backfill waits, days', 'days.wait.backfill'],
              ]}
            />
            <p className="text-sm text-quiet">
              A pour with a date (Pour, Mix and day) is booked, and the work before it is planned to that day.
              Rates are house rules.
            </p>
          </div>
        </div>
      )}
    </StageFrame>
  );
}
