import { dayOf, emptyNights, watchWeather } from '@ombra/core/stages/days';
import { rulesOf } from '@ombra/core/rules';
import { wallsOf } from '@ombra/core/stages/outline';
import { CalendarPlus } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import type { StageProps } from '../../frame/stage';
import { StageFrame, Summary, Working } from '../../frame/StageFrame';
import { NothingStands } from '../../frame/walls/NothingStands';
import { DayList } from './DayList';
import { dayName, timeName } from './dayWords';
import { GoPanel } from './GoPanel';
import { HoldPanel } from './HoldPanel';
import { LaidLayer } from './LaidLayer';
import { LogPanel } from './log/LogPanel';
import { useTapping } from './log/useTapping';
import { DAYS_PANELS, DAYS_PANEL_NAMES } from './panels';
import { PlanSide } from './PlanSide';
import { RatesPanel } from './RatesPanel';
import { RecordLayer } from './RecordLayer';
import { RecordOnPlan } from './RecordOnPlan';
import { Timeline } from './Timeline';
import { useWeather } from './useWeather';

/** The days of the job: what is done when and by how many, and what the site’s log says of it. */
export function DaysStage({ job, place, onPlace, onStage }: StageProps) {
  const { worked, plan, edit, log } = job;
  const [moment, setMoment] = useState<number | null>(null);
  const tapping = useTapping();
  const rules = useMemo(() => rulesOf(plan), [plan]);
  const weather = useWeather(worked?.days.first ?? null, worked?.days.people.length ?? 0);
  const days = worked?.days;
  const watches = useMemo(() => (days ? watchWeather(days, weather, rules) : []), [days, weather, rules]);
  const nights = useMemo(() => (days ? emptyNights(days) : []), [days]);
  const inLog = (place.panels['days'] ?? 'line') === 'log';
  // The log has an address of its own, to be kept and shared.
  useEffect(() => {
    const path = `/jobs/${job.id}/days${inLog ? '/log' : ''}`;
    if (location.pathname !== path) history.replaceState(null, '', path);
  }, [job.id, inLog]);
  if (!worked || !days) return <Working />;
  // A job whose outline does not stand just now still has its log.
  if (worked.courses.count === 0 || wallsOf(worked.shell).length === 0) {
    return (
      <div className="flex flex-col gap-4">
        <NothingStands title="No walls to plan days for yet" />
        <div className="px-6 pb-6">
          <LogPanel job={job} worked={worked} tapping={tapping} onHolds={() => undefined} />
        </div>
      </div>
    );
  }
  const { items, first, holds, hires } = days;
  const last = Math.max(0, ...items.map(({ end }) => end));
  const clock = Math.min(moment ?? last, last);
  const pour = items.find(({ kind }) => kind === 'pour');
  const figures = [
    ...items.map(({ work }) => work),
    ...hires.flatMap(({ money, slip }) => [money, slip]),
    ...(days.manMinutes ? [days.manMinutes] : []),
    ...(days.forecast ? [days.forecast.left] : []),
  ];
  const shown = place.panels['days'] ?? 'line';
  const ahead = shown === 'line' || shown === 'list';
  const laid = log.onSite?.laid.rows ?? [];
  const unsigned = holds.filter(({ state }) => state !== 'signed').length;
  const toPanel = (panel: string): void => {
    onPlace({ panels: { days: panel } });
  };
  return (
    <StageFrame
      job={job}
      place={place}
      onPlace={onPlace}
      onStage={onStage}
      stage="days"
      worked={worked}
      empty="No walls to plan days for yet"
      aside={{
        heading: 'Walls: courses recorded',
        figure: ({ id }) => {
          const stands = laid.filter(({ wall }) => wall === id).length;
          return stands === 0 ? '' : String(stands);
        },
        over: (frame) => (
          <RecordOnPlan shell={worked.shell} courses={worked.courses} laid={laid} frame={frame} />
        ),
      }}
      strip={{
        over: (frame) => (
          <>
            {ahead && <LaidLayer frame={frame} worked={worked} days={days} clock={clock} />}
            <RecordLayer
              frame={frame}
              worked={worked}
              laid={laid}
              {...(shown === 'log' && tapping.course !== null
                ? { tapping: { course: tapping.course, chosen: tapping.chosen, onTap: tapping.tap } }
                : {})}
            />
          </>
        ),
      }}
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
        counts: { ...(unsigned > 0 ? { holds: String(unsigned) } : {}) },
        tools: first !== null && (
          <a className="button" href={`/api/jobs/${job.id}/days.ics`} download>
            <CalendarPlus aria-hidden="true" size={16} /> Calendar file
          </a>
        ),
      }}
      figures={figures}
    >
      {({ panel, open, onOpen }) => (
        <>
          {(panel === 'line' || panel === 'list') && (
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
                    jobId={job.id}
                    days={days}
                    worked={worked}
                    weather={weather}
                    watches={watches}
                    nights={nights}
                    units={plan.units}
                    rules={rules}
                    said={plan.days ?? {}}
                    open={open}
                    onOpen={({ work }) => {
                      onOpen(work);
                    }}
                    onPeople={(of, day, people) => {
                      edit({ kind: 'set-people', of, day, people }, `${of}:${day}`);
                    }}
                    onHolds={() => {
                      toPanel('holds');
                    }}
                  />
                )}
              </div>
              <PlanSide job={job} days={days} open={open} onOpen={onOpen} />
            </div>
          )}
          {panel === 'go' && (
            <GoPanel
              days={days}
              pours={worked.pour.pours}
              weather={weather}
              logged={(log.onSite?.record.work.length ?? 0) > 0}
              units={plan.units}
              rules={rules}
              open={open}
              onOpen={onOpen}
            />
          )}
          {panel === 'log' && (
            <LogPanel
              job={job}
              worked={worked}
              tapping={tapping}
              onHolds={() => {
                toPanel('holds');
              }}
            />
          )}
          {panel === 'holds' && (
            <HoldPanel
              job={job}
              holds={holds}
              nameOf={(id) => items.find((item) => item.id === id)?.name ?? null}
            />
          )}
          {panel === 'rates' && <RatesPanel job={job} />}
        </>
      )}
    </StageFrame>
  );
}
