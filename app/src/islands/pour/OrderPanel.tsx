import { readVolume } from '@ombra/core/measure';
import { SIDE_TIMES, type SidePour, type SideTime } from '@ombra/core/plan/pourPlan';
import type { StagedPour } from '@ombra/core/pour/buildPour';
import { crewRule, rateRule } from '@ombra/core/pour/method';
import { houseRules } from '@ombra/core/rules/houseRules';
import type { RuleId } from '@ombra/core/rules/registry';
import { showVolume } from '@ombra/core/tally/explain';
import type { Figure } from '@ombra/core/tally/figure';
import type { Wall } from '@ombra/core/shell/shell';
import { Plus, Radio, X } from 'lucide-react';
import { useState } from 'react';
import { LengthField } from '../../ui/LengthField';
import { NumberField } from '../../ui/NumberField';
import { TableHead } from '../../ui/TableHead';
import { TextField } from '../../ui/TextField';
import type { Job } from '../job/useJob';
import { RuleLine } from '../rules/RuleLine';
import { FigureRow } from '../tally/FigureRow';
import { loadText, timeOf } from './pourWords';
import type { StageEdit } from './stageEdit';

interface OrderPanelProps {
  readonly job: Job;
  readonly pour: StagedPour;
  readonly walls: readonly Wall[];
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
  readonly set: StageEdit;
}

const WHEN: Readonly<Record<SideTime, string>> = {
  first: 'before the walls',
  between: 'while the first round stiffens',
  last: 'with what is left',
};

/** Concrete beside the walls: a beam form, a pier, a pad. */
function Sides({ job, pour, open, onOpen }: Pick<OrderPanelProps, 'job' | 'pour' | 'open' | 'onOpen'>) {
  const { plan, edit } = job;
  const typed = (plan.pour?.sides ?? []).filter(
    (side) => side.stage === undefined || side.stage === pour.span.stage,
  );
  const put = (side: SidePour, merge?: string): void => {
    edit({ kind: 'pour', change: { of: 'put-side', side } }, merge);
  };
  return (
    <section aria-label="Side pours">
      <h3 className="heading">Side pours, out of the same trucks</h3>
      {pour.volumes.sides
        .filter((side) => side.own)
        .map((side) => (
          <FigureRow
            key={side.id}
            figure={side.volume}
            name={side.name}
            units={plan.units}
            open={open}
            onOpen={onOpen}
          />
        ))}
      <ul className="flex flex-col gap-1">
        {typed.map((side, index) => (
          <li
            key={side.id}
            className="grid grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)_minmax(0,1fr)_28px] items-center gap-1"
          >
            <input
              className="field"
              aria-label={`Name of side pour ${String(index + 1)}`}
              maxLength={80}
              value={side.name}
              onChange={(event) => {
                put({ ...side, name: event.currentTarget.value }, `side-name:${side.id}`);
              }}
              onBlur={job.endMerge}
            />
            <input
              className="field figures"
              aria-label={`Volume of side pour ${String(index + 1)}`}
              aria-invalid={!readVolume(side.volume, plan.units).ok}
              placeholder={plan.units === 'imperial' ? '2.5 yd³, or 12ft × 8in × 16in' : '1,9 m³'}
              maxLength={60}
              value={side.volume}
              onChange={(event) => {
                put({ ...side, volume: event.currentTarget.value }, `side-volume:${side.id}`);
              }}
              onBlur={job.endMerge}
            />
            <select
              className="field"
              aria-label={`When side pour ${String(index + 1)} is filled`}
              value={side.when}
              onChange={(event) => {
                put({ ...side, when: event.currentTarget.value as SideTime });
              }}
            >
              {SIDE_TIMES.map((when) => (
                <option key={when} value={when}>
                  {WHEN[when]}
                </option>
              ))}
            </select>
            <button
              type="button"
              className="button plain px-1"
              aria-label={`Take ${side.name || 'this side pour'} out`}
              onClick={() => {
                edit({ kind: 'pour', change: { of: 'remove-side', side: side.id } });
              }}
            >
              <X aria-hidden="true" size={15} />
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="button mt-1"
        onClick={() => {
          put({
            id: crypto.randomUUID(),
            name: `Side pour ${String(typed.length + 1)}`,
            volume: plan.units === 'imperial' ? '1 yd³' : '1 m³',
            when: 'between',
            stage: pour.span.stage,
          });
        }}
      >
        <Plus aria-hidden="true" size={14} /> Side pour
      </button>
    </section>
  );
}

interface Quote {
  readonly name: string;
  readonly travel: number;
  readonly load: number;
  readonly trucks: number;
  readonly step: string;
}

/** Whether an answer is what a plant says of itself. */
function isQuote(answer: unknown): answer is { readonly plant: Quote } {
  const { plant } = (answer ?? {}) as { readonly plant?: Partial<Quote> };
  return (
    typeof plant?.name === 'string' &&
    [plant.travel, plant.load, plant.trucks].every((each) => typeof each === 'number') &&
    typeof plant.step === 'string'
  );
}

/** Asks the plant for its figures and takes them over in one edit. */
function AskPlant({ job, date }: { readonly job: Job; readonly date: string | null }) {
  const [quote, setQuote] = useState<Quote | string | null>(null);
  const ask = async (): Promise<void> => {
    try {
      const answer = await fetch(`/api/plant${date === null ? '' : `?date=${date}`}`);
      const said: unknown = await answer.json();
      setQuote(isQuote(said) ? said.plant : 'The plant’s answer could not be read; type its figures in.');
    } catch {
      setQuote('The plant cannot be reached; type its figures in.');
    }
  };
  return (
    <div className="flex flex-col gap-1">
      <button type="button" className="button self-start" onClick={() => void ask()}>
        <Radio aria-hidden="true" size={15} /> Ask the plant
      </button>
      <div role="status" className="text-[15px]">
        {typeof quote === 'string' && <p className="text-stop">{quote}</p>}
        {quote !== null && typeof quote === 'object' && (
          <>
            <p>
              {quote.name}: {quote.travel} min away at that hour, {quote.load} min to load, {quote.trucks}{' '}
              trucks to spare.
            </p>
            <button
              type="button"
              className="button"
              onClick={() => {
                const rule = (id: RuleId, value: string | number) =>
                  ({ kind: 'set-rule', rule: id, value }) as const;
                job.edit({
                  kind: 'all',
                  edits: [
                    rule('pour.plant.travel', quote.travel),
                    rule('pour.plant.load', quote.load),
                    rule('pour.truck.count', quote.trucks),
                    rule('pour.plant.step', quote.step),
                  ],
                });
              }}
            >
              Take these
            </button>
            <p className="text-sm text-quiet">
              Simulated: this plant ships with Ombra and owns no truck. Ring a real one.
            </p>
          </>
        )}
      </div>
    </div>
  );
}

/** Where the machine stands, and what it must reach from there. */
function Stand({ job, pour, walls, set }: Pick<OrderPanelProps, 'job' | 'pour' | 'walls' | 'set'>) {
  const { plan } = job;
  const stand = plan.pour?.stages?.[pour.span.stage]?.stand;
  return (
    <section aria-label="Where it stands">
      <h3 className="heading">Where pump or hose line stands</h3>
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1fr)] gap-1">
        <select
          className="field"
          aria-label="Beside which wall it stands"
          value={stand?.wall ?? ''}
          onChange={(event) => {
            const wall = event.currentTarget.value;
            set({
              stand: wall === '' ? null : { at: stand?.at ?? '10ft', out: stand?.out ?? '20ft', wall },
            });
          }}
        >
          <option value="">not said</option>
          {walls.map((wall) => (
            <option key={wall.id} value={wall.id}>
              outside {wall.name}
            </option>
          ))}
        </select>
        {stand && (
          <>
            <LengthField
              label="How far along it stands"
              text={stand.at}
              units={plan.units}
              onType={(at) => {
                set({ stand: { ...stand, at } }, 'stand-at');
              }}
              onLeave={job.endMerge}
            />
            <LengthField
              label="How far out it stands"
              text={stand.out}
              units={plan.units}
              onType={(out) => {
                set({ stand: { ...stand, out } }, 'stand-out');
              }}
              onLeave={job.endMerge}
            />
          </>
        )}
      </div>
      {pour.moves > 0 && (
        <p className="mt-1 text-[15px]">
          It is moved {pour.moves} {pour.moves === 1 ? 'time' : 'times'}: it reaches so far only.
        </p>
      )}
      <p className="mt-1 text-sm text-quiet">
        Settle before ordering where mixer and pump can stand: slope, mud, the bank, wires over the boom.
      </p>
    </section>
  );
}

/** What is ordered, the loads it comes in, what else they fill, by which method it is placed, and what it costs. */
export function OrderPanel({ job, pour, walls, open, onOpen, set }: OrderPanelProps) {
  const { plan, edit } = job;
  const rules = houseRules(plan.rules);
  const own = plan.pour?.stages?.[pour.span.stage];
  const { volumes } = pour;
  const rows = [volumes.core, volumes.ordered, volumes.weight, pour.money];
  const metric = plan.units === 'metric';
  const lines: readonly (readonly [string, RuleId])[] = [
    ['Placed by', 'pour.method'],
    ['It places, yd³ an hour', rateRule(pour.method)],
    ['with so many people', crewRule(pour.method)],
    ['A truck every, min', 'pour.truck.spacing'],
    ['Trucks to and fro', 'pour.truck.count'],
    [`A truck brings, ${metric ? 'm³' : 'yd³'}`, metric ? 'pour.truck.metres' : 'pour.truck.yards'],
    ['Plant away, min', 'pour.plant.travel'],
    ['It loads in, min', 'pour.plant.load'],
    ['Allowance, %', 'pour.allowance'],
    ['The plant sells by', 'pour.plant.step'],
    ['Pump before the first truck, min', 'pour.pump.lead'],
    ['Concrete, a yd³', 'pour.money.concrete'],
    ['Pump, an hour', 'pour.money.pump'],
    ['Free on site, min', 'pour.truck.free'],
    ['Waiting, a minute', 'pour.money.wait'],
    ['One of the crew, an hour', 'pour.money.crew'],
  ];
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_330px] gap-6 max-lg:grid-cols-1">
      <div className="flex min-w-0 flex-col gap-4">
        <section aria-label="The order">
          <h3 className="heading">The order</h3>
          {rows.map((figure) => (
            <FigureRow
              key={figure.id}
              figure={figure}
              name={figure.title}
              units={plan.units}
              open={open}
              onOpen={onOpen}
            />
          ))}
        </section>
        <section aria-label="Loads">
          <h3 className="heading">Loads, as they come if all goes to plan</h3>
          <table className="figures w-full border-collapse text-[17px]">
            <TableHead
              names={['load', 'brings', 'on site', 'discharge', 'it stands', 'its age at the end']}
              left={['load', 'discharge']}
            />
            <tbody>
              {pour.clock.trips.map((trip, index) => (
                <tr key={index} className="border-b border-line">
                  <th scope="row" className="px-1 text-left">
                    {index + 1}
                    {index === volumes.loads.length - 1 && volumes.loads.length > 1 ? ', the balance' : ''}
                    {trip.extra ? ', called for' : ''}
                  </th>
                  <td className="px-1 text-right">
                    {loadText(volumes.loads[index] ?? trip.volume, plan.units)}
                  </td>
                  <td className="px-1 text-right">{timeOf(pour, trip.arrived)}</td>
                  <td className="px-1 whitespace-nowrap">
                    {timeOf(pour, trip.from)}–{timeOf(pour, trip.to)}
                  </td>
                  <td className="px-1 text-right">{Math.round(trip.from - trip.arrived)} min</td>
                  <td
                    className={`px-1 text-right ${trip.to - trip.batched > pour.day.discharge ? 'font-semibold text-stop' : ''}`}
                  >
                    {Math.round(trip.to - trip.batched)} min
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-1 text-sm text-quiet">
            The last load is ordered as a balance, when the remaining volume is measured: as drawn it would be{' '}
            {loadText(pour.clock.trips.at(-1)?.volume ?? 0, plan.units)}.
          </p>
          <div className="mt-1 w-44">
            <NumberField
              label="Loads ordered"
              value={own?.loads ?? null}
              placeholder="as many as it takes"
              least={1}
              most={500}
              whole
              onSet={(loads) => {
                set({ loads }, 'loads');
              }}
              onLeave={job.endMerge}
            />
          </div>
        </section>
        <Sides job={job} pour={pour} open={open} onOpen={onOpen} />
        <section aria-label="What would change">
          <h3 className="heading">What would change</h3>
          {volumes.whatIf.map(({ id, name, volume }) => (
            <FigureRow
              key={id}
              figure={volume}
              name={`${name}: more by`}
              units={plan.units}
              open={open}
              onOpen={onOpen}
            />
          ))}
        </section>
      </div>
      <div className="flex flex-col gap-4">
        <section aria-label="Method and trucks">
          <h3 className="heading">Method, trucks, money</h3>
          <ul>
            {lines.map(([name, id]) => (
              <RuleLine
                key={id}
                name={name}
                id={id}
                rules={rules}
                units={plan.units}
                onSet={(value) => {
                  edit({ kind: 'set-rule', rule: id, value });
                }}
              />
            ))}
          </ul>
          <p className="mt-1 text-sm text-quiet">
            {showVolume(pour.day.rate, plan.units, 1)} an hour; a full load takes the crew{' '}
            {Math.round((pour.day.truck / pour.day.rate) * 60)} min.
          </p>
        </section>
        <AskPlant job={job} date={pour.date} />
        <Stand job={job} pour={pour} walls={walls} set={set} />
        <section aria-label="Who watches">
          <h3 className="heading">Who watches which wall from below</h3>
          {volumes.walls.map(({ wall, name }) => (
            <div key={wall} className="grid grid-cols-[64px_minmax(0,1fr)] items-center gap-1">
              <span className="figures text-[17px]">{name}</span>
              <TextField
                label={`${name} is watched by`}
                text={plan.pour?.watchers?.[wall] ?? ''}
                onType={(text) => {
                  edit(
                    { kind: 'pour', change: { of: 'watcher', wall, name: text || null } },
                    `watcher:${wall}`,
                  );
                }}
                onLeave={job.endMerge}
              />
            </div>
          ))}
        </section>
      </div>
    </div>
  );
}
