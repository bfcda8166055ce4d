import { rulesOf } from '@ombra/core/rules';
import { showMinutes, showPressure, showVolume } from '@ombra/core/kernel/figures';
import type { PlanEdit } from '@ombra/core/kernel/plan';
import type { WorkedPour } from '@ombra/core/stages/pour';
import {
  type DayEvent,
  type DayEventKind,
  type Ordered,
  type SpacingWhy,
  EVENT_ANSWERS,
  spacingWhy,
  USUAL_MINUTES,
} from '@ombra/core/stages/pour/rehearsal';
import type { Remedy } from '@ombra/core/trials/remedies';
import { Dices, Pause, Play, RotateCcw, Square, X } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import type { Job } from '../../job/useJob';
import { ANSWER_WORDS, EVENT_WORDS, METHOD_STARTS, oddsText, timeOf } from './pourWords';
import { TruckLanes } from './TruckLanes';
import { type Played, SPEEDS, stopAt } from './usePlayed';
import { type Rehearsal, DAYS } from './useRehearsal';

/** Charts are fetched where they are. */
const OddsCharts = lazy(() => import('./OddsCharts'));

interface RehearsalPanelProps {
  readonly job: Job;
  readonly pour: WorkedPour;
  readonly played: Played;
  readonly rehearsal: Rehearsal;
  readonly seed: number;
}

const KINDS = Object.keys(EVENT_ANSWERS) as readonly DayEventKind[];

/** Troubles thrown into the day at the minute where its clock stands, each with the crew's answer. */
function Troubles({ pour, played }: Pick<RehearsalPanelProps, 'pour' | 'played'>) {
  const [kind, setKind] = useState<DayEventKind>('late');
  const [answer, setAnswer] = useState<string>(EVENT_ANSWERS.late[0]);
  const { events, at, setEvents } = played;
  return (
    <section aria-label="Troubles">
      <h3 className="heading">Add trouble at {timeOf(pour, at)}</h3>
      <div className="flex flex-wrap gap-1">
        <select
          className="field w-auto!"
          aria-label="Trouble"
          value={kind}
          onChange={(event) => {
            const next = event.currentTarget.value as DayEventKind;
            setKind(next);
            setAnswer(EVENT_ANSWERS[next][0]);
          }}
        >
          {KINDS.map((each) => (
            <option key={each} value={each}>
              {EVENT_WORDS[each]}, {USUAL_MINUTES[each]} min
            </option>
          ))}
        </select>
        <select
          className="field w-auto!"
          aria-label="The crew’s answer"
          value={answer}
          onChange={(event) => {
            setAnswer(event.currentTarget.value);
          }}
        >
          {EVENT_ANSWERS[kind].map((each) => (
            <option key={each} value={each}>
              {ANSWER_WORDS[`${kind}:${each}`]}
            </option>
          ))}
        </select>
        <button
          type="button"
          className="button strong"
          onClick={() => {
            setEvents([...events, { kind, at, answer, minutes: USUAL_MINUTES[kind] } as DayEvent]);
          }}
        >
          Add trouble
        </button>
      </div>
      <ul className="figures mt-1 text-[16px]">
        {events.map((event, index) => (
          <li key={index} className="flex items-center gap-2">
            <span>
              {timeOf(pour, event.at)} {EVENT_WORDS[event.kind]}:{' '}
              {ANSWER_WORDS[`${event.kind}:${event.answer}`]}
            </span>
            <button
              type="button"
              className="button plain px-1"
              aria-label={`Remove ${EVENT_WORDS[event.kind]} at ${timeOf(pour, event.at)}`}
              onClick={() => {
                setEvents(events.filter((_, each) => each !== index));
              }}
            >
              <X aria-hidden="true" size={14} />
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What the day has come to where its clock stands, and at its end. */
function Now({ job, pour, played }: Pick<RehearsalPanelProps, 'job' | 'pour' | 'played'>) {
  const { run, at } = played;
  const { units } = job.plan;
  const number = stopAt(run, at);
  const stop = number === null ? undefined : pour.stops[number];
  const placed = run.placed.reduce((sum, each) => {
    const share = Math.min(1, Math.max(0, (at - each.from) / Math.max(each.to - each.from, 1e-9)));
    return sum + (pour.stops[each.stop]?.volume ?? 0) * share;
  }, 0);
  const waiting = run.trips.filter((trip) => trip.arrived <= at && trip.from > at).length;
  const idle = run.idle.find((each) => each.from <= at && at < each.to && each.why !== 'change');
  return (
    <p className="figures text-[17px]" role="status">
      <strong>{timeOf(pour, at)}</strong>{' '}
      {stop ? `lift ${String(stop.lift)}, ${stop.name}` : 'nothing placed yet'} ·{' '}
      {showVolume(placed, units, 1)} placed · {waiting} {waiting === 1 ? 'truck waits' : 'trucks wait'}
      {idle ? ' · crew idle' : ''}
      <span className="text-quiet">
        {' '}
        — last concrete {timeOf(pour, run.finish)}, all done {timeOf(pour, run.done)}, longest wait of a layer{' '}
        {Math.round(run.gap)} min of {Math.round(pour.day.working)}
      </span>
      {run.cold.length > 0 && <strong className="text-stop">, cold joint</strong>}
      {run.age > pour.day.discharge && (
        <strong className="text-stop">, a load {Math.round(run.age)} min old</strong>
      )}
      {!run.complete && (
        <strong className="text-stop">, called off: bulkheads where the concrete stopped</strong>
      )}
      {run.pressure !== null && (
        <span className="text-quiet">, up to {showPressure(run.pressure, units)} on the forms</span>
      )}
      {run.pressure !== null && pour.day.capacity !== null && run.pressure > pour.day.capacity && (
        <strong className="text-stop">, over their {showPressure(pour.day.capacity, units)}</strong>
      )}
    </p>
  );
}

/** Why the trucks should come as they should. */
function whyText(pour: WorkedPour, why: SpacingWhy, spacing: number): string {
  const load = `${METHOD_STARTS[pour.method]} a full truck takes the crew ${showMinutes(why.service)} including the changeover`;
  const last = why.lastWaits > 0 ? `, the last one ${showMinutes(why.lastWaits)}` : '';
  return why.grows > 0
    ? `${load}: at ${String(spacing)} min each truck waits ${showMinutes(why.grows)} longer than the last${last}.`
    : `${load}: at ${String(spacing)} min the crew has ${showMinutes(-why.grows)} to spare for a late one.`;
}

const orderText = (pour: WorkedPour, each: Ordered): string =>
  `${String(each.trucks)} ${each.trucks === 1 ? 'truck' : 'trucks'}, one every ${String(each.spacing)} min: ${riskText(each)}, last concrete about ${timeOf(pour, each.finish)}, trucks wait ${showMinutes(each.waited)}, crew idle ${showMinutes(each.stood)}, waiting costs ${each.waitCost.toFixed(0)}`;

/** The odds of what must not happen. */
const riskText = ({ cold, overAge, over }: Ordered): string =>
  `cold joint ${oddsText(cold)}, load too old ${oddsText(overAge)}${over > 0 ? `, forms over their capacity ${oddsText(over)}` : ''}`;

/** What a remedy is, in a crew's words. */
function remedyText({ kind, to }: Remedy): string {
  switch (kind) {
    case 'lifts':
      return (
        { two: 'Two equal lifts', three: 'Three equal lifts' }[to] ?? 'A low first lift, then higher ones'
      );
    case 'retarder':
      return 'A retarder in the mix';
    case 'smaller-loads':
      return `Loads of ${to}`;
    case 'method':
      return `${METHOD_STARTS[to as WorkedPour['method']]} instead`;
    case 'more-hands':
      return `${to} people at the hose`;
  }
}

/** Other ways to pour, where no trucks come well: what each would do, and a button that takes it. */
function Remedies({ job, pour, rehearsal }: Pick<RehearsalPanelProps, 'job' | 'pour' | 'rehearsal'>) {
  const { remedies, day } = rehearsal;
  if (remedies?.day !== day) return null;
  return (
    <section aria-label="What else helps" className="mt-2">
      <h4 className="heading">No truck plan works as it is. Other ways, with the best trucks for each</h4>
      <ul>
        {remedies.value.tried.map((remedy) => (
          <li
            key={`${remedy.kind}:${remedy.to}`}
            className="flex items-start justify-between gap-2 border-b border-line py-1"
          >
            <span>
              <strong>{remedyText(remedy)}</strong>:{' '}
              {remedy.best ? orderText(pour, remedy.best) : 'not possible'}
            </span>
            {remedy.best && (
              <button
                type="button"
                className="button shrink-0"
                aria-label={`Use this: ${remedyText(remedy)}`}
                onClick={() => {
                  job.edit({
                    kind: 'all',
                    edits: [...remedy.edits, ...(remedy.best ? trucksEdits(remedy.best) : [])],
                  });
                }}
              >
                Use this
              </button>
            )}
          </li>
        ))}
      </ul>
      <p className="text-sm text-quiet">
        Ask the plant before adding a retarder, and check the pressure again after every change of lifts or
        pace.
      </p>
    </section>
  );
}

const trucksEdits = ({ trucks, spacing }: Ordered): readonly PlanEdit[] => [
  { kind: 'set-rule', rule: 'pour.truck.count', value: trucks },
  { kind: 'set-rule', rule: 'pour.truck.spacing', value: spacing },
];

/** The best order of trucks that was found, beside today's. */
function Trucks({ job, pour, rehearsal }: Pick<RehearsalPanelProps, 'job' | 'pour' | 'rehearsal'>) {
  const { state, trucks, findTrucks } = rehearsal;
  const { day } = pour;
  const stale = trucks !== null && trucks.day !== rehearsal.day;
  const best = trucks?.value.best ?? null;
  const today = trucks?.value.tried.find(
    (each) => each.trucks === day.trucks && each.spacing === day.spacing,
  );
  return (
    <section aria-label="Best trucks">
      <h3 className="heading">Best truck spacing and number</h3>
      <button
        type="button"
        className="button"
        disabled={state.kind === 'trucks' || state.kind === 'remedies'}
        onClick={findTrucks}
      >
        Find the best trucks
      </button>
      {best && (
        <div className={stale ? 'text-quiet' : ''} role="status">
          {stale && <p className="text-check">The pour has changed. Search again.</p>}
          <p className="mt-1">
            <strong>Best: {orderText(pour, best)}.</strong>
          </p>
          {today && <p>As planned: {orderText(pour, today)}.</p>}
          <p>{whyText(pour, spacingWhy(day, best.spacing), best.spacing)}</p>
          {best.spacing !== 30 && <p className="text-quiet">{whyText(pour, spacingWhy(day, 30), 30)}</p>}
          {(best.trucks !== day.trucks || best.spacing !== day.spacing) && (
            <button
              type="button"
              className="button strong mt-1"
              onClick={() => {
                job.edit({ kind: 'all', edits: trucksEdits(best) });
              }}
            >
              Use this plan
            </button>
          )}
          <Remedies job={job} pour={pour} rehearsal={rehearsal} />
        </div>
      )}
    </section>
  );
}

/** Where cold joints came, wall by wall. */
function coldWhere(pour: WorkedPour, coldAt: readonly number[], days: number): string {
  const walls = new Map<string, number>();
  coldAt.forEach((count, part) => {
    const slice = pour.slices[part % pour.slices.length];
    if (slice && count > 0) walls.set(slice.name, Math.max(walls.get(slice.name) ?? 0, count));
  });
  const worst = [...walls].sort((a, b) => b[1] - a[1]).slice(0, 3);
  return worst.length === 0
    ? ''
    : `, most in ${worst.map(([name, count]) => `${name} (${oddsText(count / days)})`).join(', ')}`;
}

/** Tries the day out: one run on strip and plan with its clock and its troubles, ten thousand for the odds, and the best trucks. */
export function RehearsalPanel({ job, pour, played, rehearsal, seed }: RehearsalPanelProps) {
  const { run, at, playing, speed, goTo, play, setSpeed } = played;
  const { state, odds, playMany, stop } = rehearsal;
  const busy = state.kind === 'odds' || state.kind === 'trucks' || state.kind === 'remedies';
  const done =
    state.kind === 'odds'
      ? state.done / DAYS
      : state.kind === 'trucks' || state.kind === 'remedies'
        ? (state.search?.done ?? 0) / (state.search?.of ?? 1)
        : 0;
  const stale = odds !== null && odds.day !== rehearsal.day;
  const mostOdds = rulesOf(job.plan).count('pour.odds.most') / 100;
  const lines =
    odds === null
      ? []
      : ([
          [`A cold joint${coldWhere(pour, odds.value.coldAt, odds.value.days)}`, odds.value.cold, true],
          [`A load past its ${String(pour.day.discharge)} minutes`, odds.value.overAge, true],
          ['Trucks that charge for waiting', odds.value.waits, false],
          ['An extra load', odds.value.extraLoad, false],
          ...(odds.value.refused > 0 ? [['A load sent back', odds.value.refused, false] as const] : []),
          ...(odds.value.over === null
            ? []
            : [['Forms over their capacity', odds.value.over, true] as const]),
          ...(odds.value.dark === null ? [] : [['Not done by dark', odds.value.dark, true] as const]),
        ] as const);
  return (
    <div className="flex flex-col gap-3">
      <section aria-label="One day" className="flex flex-col gap-1">
        <div className="flex flex-wrap items-center gap-1.5">
          <button
            type="button"
            className="button strong"
            onClick={() => {
              play(!playing);
            }}
          >
            {playing ? <Pause aria-hidden="true" size={15} /> : <Play aria-hidden="true" size={15} />}{' '}
            {playing ? 'Pause' : 'Play the day'}
          </button>
          <button
            type="button"
            className="button"
            onClick={() => {
              goTo(0);
            }}
          >
            <RotateCcw aria-hidden="true" size={14} /> From the start
          </button>
          <input
            type="range"
            className="h-(--target) min-w-40 grow accent-chalk"
            aria-label="Clock of the day"
            aria-valuetext={timeOf(pour, at)}
            min={0}
            max={Math.ceil(run.finish)}
            step={1}
            value={Math.round(at)}
            onChange={(event) => {
              goTo(Number(event.currentTarget.value));
            }}
          />
          <select
            className="field w-auto!"
            aria-label="Speed"
            value={speed}
            onChange={(event) => {
              setSpeed(Number(event.currentTarget.value));
            }}
          >
            {SPEEDS.map((each) => (
              <option key={each} value={each}>
                {each} min a second
              </option>
            ))}
          </select>
          <button
            type="button"
            className="button"
            onClick={() => {
              goTo(0);
              job.edit({ kind: 'pour', change: { of: 'seed', seed: (seed + 1) % 1_000_000 } });
            }}
          >
            <Dices aria-hidden="true" size={15} /> Another day
          </button>
          <span className="figures text-sm text-quiet">day {seed}</span>
        </div>
        <Now job={job} pour={pour} played={played} />
        <TruckLanes pour={pour} run={run} at={at} />
        <p className="text-sm text-quiet">
          Dotted: on the road. Pale: waiting. Blue: at the hose. Below: why nothing was placed. On the strip a
          green line is a fresh top, a yellow dashed line halfway to setting, a dotted line past it.
        </p>
      </section>
      <div className="grid grid-cols-2 gap-6 max-lg:grid-cols-1">
        <Troubles pour={pour} played={played} />
        <Trucks job={job} pour={pour} rehearsal={rehearsal} />
      </div>
      <section aria-label="10 000 days">
        <div className="flex flex-wrap items-center gap-2">
          <h3 className="heading">10 000 days</h3>
          <button type="button" className="button strong" disabled={state.kind === 'odds'} onClick={playMany}>
            Run 10 000 days
          </button>
          {busy && (
            <>
              <progress className="h-3 w-48 accent-chalk" max={1} value={done} aria-label="Days played" />
              <button type="button" className="button" onClick={stop}>
                <Square aria-hidden="true" size={12} /> Stop
              </button>
            </>
          )}
          <span role="status" className="text-sm text-quiet">
            {state.kind === 'stopped' && 'Stopped. Earlier results still hold.'}
            {state.kind === 'broken' && 'That failed. Nothing was changed. Reload and try again.'}
          </span>
        </div>
        {odds && (
          <div className={`mt-1 flex flex-col gap-2 ${stale ? 'opacity-60' : ''}`}>
            {stale && <p className="text-check">The pour has changed. Run them again.</p>}
            <ul className="figures text-[17px]">
              {lines.map(([name, share, judged]) => (
                <li key={name} className="flex justify-between border-b border-line">
                  <span>{name}</span>
                  <strong className={judged && share > mostOdds ? 'text-stop' : ''}>
                    {oddsText(share)}
                    {judged && share > mostOdds ? ' !' : ''}
                  </strong>
                </li>
              ))}
            </ul>
            <Suspense fallback={<p className="text-quiet">Fetching the charts …</p>}>
              <OddsCharts odds={odds.value} pour={pour} units={job.plan.units} />
            </Suspense>
            <p className="text-sm text-quiet">
              ! = over the {Math.round(mostOdds * 100)} % limit in the house rules. Based on the values on
              this page and repeatable by day number. A rehearsal, not a promise.
            </p>
          </div>
        )}
      </section>
    </div>
  );
}
