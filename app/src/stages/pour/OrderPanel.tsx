import { rulesOf } from '@ombra/core/rules';
import { type Figure, showVolume } from '@ombra/core/kernel/figures';
import type { RuleId } from '@ombra/core/kernel/rules';
import type { Wall } from '@ombra/core/stages/outline';
import { type WorkedPour, crewRule, methodOf, rateRule } from '@ombra/core/stages/pour';
import { NumberField } from '../../ui/NumberField';
import { TableHead } from '../../ui/TableHead';
import { TextField } from '../../ui/TextField';
import type { Job } from '../../job/useJob';
import { RuleLines } from '../../rules/RuleLines';
import { FigureRow } from '../../frame/figures/FigureRow';
import { AskPlant } from './AskPlant';
import { loadText, timeOf } from './pourWords';
import { Sides } from './Sides';
import { Stand } from './Stand';
import type { DayEdit } from './dayEdit';

interface OrderPanelProps {
  readonly job: Job;
  readonly pour: WorkedPour;
  readonly walls: readonly Wall[];
  readonly open: string | null;
  readonly onOpen: (figure: Figure) => void;
  readonly set: DayEdit;
}

/** What is ordered, the loads it comes in, what else they fill, by which method it is placed, and what it costs. */
export function OrderPanel({ job, pour, walls, open, onOpen, set }: OrderPanelProps) {
  const { plan, edit } = job;
  const own = plan.pour?.pours?.[pour.span.pour];
  const { volumes } = pour;
  // By the plan and not by what was worked: whoever goes on typing while it works changes the rate of the new way.
  const method = methodOf(rulesOf(plan));
  const rows = [volumes.core, volumes.ordered, volumes.weight, pour.money];
  const lines: readonly (readonly [string, RuleId])[] = [
    ['Placed by', 'pour.method'],
    ['Placing rate', rateRule(method)],
    ['Crew, people', crewRule(method)],
    ['Truck spacing, min', 'pour.truck.spacing'],
    ['Trucks in rotation', 'pour.truck.count'],
    ['Truck load', 'pour.truck.load'],
    ['Drive from the plant, min', 'pour.plant.travel'],
    ['Loading time, min', 'pour.plant.load'],
    ['Allowance, %', 'pour.allowance'],
    ['Order rounded to', 'pour.plant.step'],
    ['Pump before the first truck, min', 'pour.pump.lead'],
    ['Priming the pump, min', 'pour.pump.prime'],
    ['Backing in and slump test, min', 'pour.truck.test'],
    ['Load past its time', 'pour.load.old'],
    ['Strike off per 10 ft (3 m), min', 'pour.after.strike'],
    ['Set a bolt, min', 'pour.after.bolt'],
    ['Straighten at a brace, min', 'pour.after.straighten'],
    ['Washout, min', 'pour.after.wash'],
    ['Concrete price', 'pour.money.concrete'],
    ['Pump, per hour', 'pour.money.pump'],
    ['Free time on site, min', 'pour.truck.free'],
    ['Waiting, per minute', 'pour.money.wait'],
    ['Crew member, per hour', 'pour.money.crew'],
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
          <h3 className="heading">Loads, if all goes to plan</h3>
          <table className="figures w-full border-collapse text-[17px]">
            <TableHead
              names={['load', 'brings', 'on site', 'discharge', 'waits', 'age at the end']}
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
            Order the last load as a balance once the remaining volume is measured. As drawn it is{' '}
            {loadText(pour.clock.trips.at(-1)?.volume ?? 0, plan.units)}.
          </p>
          <div className="mt-1 w-44">
            <NumberField
              label="Loads ordered"
              value={own?.loads ?? null}
              placeholder="as many as needed"
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
        <section aria-label="Effect of one change">
          <h3 className="heading">Effect of one change</h3>
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
          <RuleLines job={job} lines={lines} />
          <p className="mt-1 text-sm text-quiet">
            {showVolume(pour.day.rate, plan.units, 1)} an hour; a full load takes the crew{' '}
            {Math.round((pour.day.truck / pour.day.rate) * 60)} min.
          </p>
        </section>
        <AskPlant job={job} date={pour.date} />
        <Stand job={job} pour={pour} walls={walls} set={set} />
        <section aria-label="Who watches">
          <h3 className="heading">Who watches which wall from the ground</h3>
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
