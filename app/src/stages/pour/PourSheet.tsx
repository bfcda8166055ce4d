import { type Seen, recordOf, seenOf } from '@ombra/core/kernel/record';
import { pointOfPump } from '@ombra/core/stages/days';
import { rulesOf } from '@ombra/core/rules';
import { showMass, showMinutes, showPressure, showVolume } from '@ombra/core/kernel/figures';
import { showLength } from '@ombra/core/kernel/measure';
import { type PourReady, type WorkedPour, liftHours, machineOf } from '@ombra/core/stages/pour';
import type { WorkedPlan } from '@ombra/core/work';
import { TableHead } from '../../ui/TableHead';
import { PlanDrawing } from '../../drawing/plan/PlanDrawing';
import { mixText } from './MixPanel';
import { degreesText, loadText, METHOD_WORDS, slumpText, timeOf } from './pourWords';
import { HoleList } from './HoleList';
import { RouteOnPlan } from './RouteOnPlan';
import { SheetFrame } from '../../frame/sheet/SheetFrame';
import type { SheetProps } from '../../frame/stage';

/** When nobody goes on. */
const stopRules = (waitMinutes: number): readonly string[] => [
  `Lightning: everyone off the planks and away from the boom; wait ${String(waitMinutes)} min after the last.`,
  'Wind strong enough to move planks or hose.',
  'A bulge or a board giving way: stop, plate it, wait, come back next lift.',
  'A truck out of slump, temperature or time.',
  'Anyone stands under the boom, or where a form could burst.',
];

const SIGNALS = [
  'One person signals the operator, hand in sight.',
  'Arm up: stop. Circle: start. Palm down: slower. Both arms crossed: stop and hold.',
] as const;

/** The list as it stands on paper: what has its line in common is told once. */
function linesOf(ready: readonly PourReady[]) {
  const lines: { readonly of: string | null; readonly items: PourReady[] }[] = [];
  for (const item of ready) {
    const of = item.line?.of ?? null;
    const known = of === null ? undefined : lines.find((line) => line.of === of);
    if (known) known.items.push(item);
    else lines.push({ of, items: [item] });
  }
  return lines;
}

/** One pour as a card to carry: clock, lifts, trucks, mix, who watches what, stop rules, and the list before it. */
function Card({
  pour,
  worked,
  job,
  seen,
}: {
  readonly pour: WorkedPour;
  readonly seen: Seen;
  readonly worked: WorkedPlan;
  readonly job: Pick<SheetProps, 'plan'>;
}) {
  const { plan } = job;
  const { units } = worked;
  const rules = rulesOf(plan);
  const hours = liftHours(pour);
  const volume = (value: number): string => showVolume(value, units, 1);
  const { mix, volumes, pressing } = pour;
  const machine = machineOf(pour.method);
  const before = machine === 'pump' ? 'Before the pump unfolds' : 'Before the first truck';
  return (
    <section aria-label={pour.span.name} className="not-first:break-before-page">
      <div className="grid grid-cols-[minmax(0,1fr)_190px] gap-4">
        <div>
          <p className="figures text-[15px] leading-tight">
            <strong>
              {pour.date ?? 'Date: ____________'} ·{' '}
              {machine === null ? '' : `${machine} ${timeOf(pour, -rules.count('pour.pump.lead'))} · `}
              first truck {timeOf(pour, 0)} · last concrete {timeOf(pour, pour.clock.finish)} · all done{' '}
              {timeOf(pour, pour.clock.done)}
            </strong>{' '}
            if all goes to plan. By {METHOD_WORDS[pour.method]}, {pour.crew} people.
          </p>
          <table className="figures mt-1 w-full border-collapse text-[14px] leading-tight">
            <TableHead names={['lift', 'up to', 'hours', 'concrete', 'seen']} left={['hours', 'seen']} />
            <tbody>
              {pour.lifts.map((lift, index) => {
                const time = hours[index];
                return (
                  <tr key={index} className="border-b border-line">
                    <th scope="row" className="px-1 text-left">
                      {index + 1}
                    </th>
                    <td className="px-1 text-right">{showLength(lift.top, units)}</td>
                    <td className="px-1">
                      {time ? `${timeOf(pour, time.from)}–${timeOf(pour, time.to)}` : ''}
                    </td>
                    <td className="px-1 text-right font-semibold">
                      {volume(volumes.lifts[index]?.whole.value ?? 0)}
                    </td>
                    <td className="px-1 text-quiet">from ____ to ____</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          {volumes.sides.length > 0 && (
            <p className="figures mt-1 text-[13.5px] leading-tight">
              Side pours:{' '}
              {volumes.sides.map((side) => `${side.name} ${volume(side.volume.value)}`).join(', ')}.
            </p>
          )}
          <p className="figures mt-1 text-[13.5px] leading-tight">
            A layer waits {showMinutes(mix.working)} at most for the next
            {pressing
              ? `; pressure ${showPressure(pressing.judged, units)}${pressing.capacity === null ? ', no capacity entered' : ` of ${showPressure(pressing.capacity, units)}`}`
              : ''}
            .{' '}
            {rules.choice('pour.sills') === 'first'
              ? 'Sills first in every lift.'
              : 'Sills after the walls beside them.'}
          </p>
        </div>
        <PlanDrawing
          shell={worked.shell}
          units={units}
          width={190}
          height={160}
          chosen={null}
          {...(pour.stand ? { also: [pour.stand.at] } : {})}
          over={(frame) => <RouteOnPlan frame={frame} pour={pour} />}
        />
      </div>
      <div className="mt-2 grid grid-cols-2 gap-4">
        <section aria-label="Trucks">
          <h2 className="border-b border-ink text-[15px] font-semibold">
            {showVolume(volumes.ordered.value, units)} ordered, {showMass(volumes.weight.value, units)}
          </h2>
          <table className="figures w-full border-collapse text-[14px] leading-tight">
            <TableHead names={['load', 'brings', 'due', 'arrived', 'slump', 'temp.', 'done']} />
            <tbody>
              {volumes.loads.map((load, index) => (
                <tr key={index} className="border-b border-line">
                  <th scope="row" className="px-1 text-left">
                    {index + 1}
                    {index === volumes.loads.length - 1 && index > 0 ? ' balance' : ''}
                  </th>
                  <td className="px-1 text-right">{loadText(load, units)}</td>
                  <td className="px-1 text-right">{timeOf(pour, index * pour.day.spacing)}</td>
                  {['arrived', 'slump', 'temp', 'done'].map((each) => (
                    <td key={each} className="px-1 text-right text-quiet">
                      ____
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
          <h2 className="mt-1 border-b border-ink text-[15px] font-semibold">Mix</h2>
          <p className="text-[12.5px] leading-tight">{mixText(pour, plan)}</p>
          <p className="text-[12.5px] leading-tight">
            Accept at {slumpText(mix.slump.least, units)} to {slumpText(mix.slump.most, units)} of slump
            (C143), {mix.temperature.least === null ? '' : `${degreesText(mix.temperature.least, units)} to `}
            {degreesText(mix.temperature.most, units)}
            {mix.temperature.least === null ? ' at most' : ''}, discharged within {mix.discharge} min (C94).{' '}
            {mix.sets.value} {mix.sets.value === 1 ? 'set' : 'sets'} of cylinders where asked for (C172).
          </p>
        </section>
        <section aria-label="People">
          <h2 className="border-b border-ink font-semibold">Watching from below, with driver and plywood</h2>
          <ul className="figures columns-3 text-[14px] leading-tight">
            {volumes.walls.map(({ wall, name }) => (
              <li key={wall}>
                {name}: <strong>{plan.pour?.watchers?.[wall] ?? '________'}</strong>
              </li>
            ))}
          </ul>
          <h2 className="mt-1 border-b border-ink text-[15px] font-semibold">Signals</h2>
          {SIGNALS.map((line) => (
            <p key={line} className="text-[12.5px] leading-tight">
              {line}
            </p>
          ))}
          <h2 className="mt-1 border-b border-ink text-[15px] font-semibold">Stop when</h2>
          <ul className="list-disc pl-4 text-[12.5px] leading-tight">
            {stopRules(rules.count('pour.lightning.wait')).map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </section>
      </div>
      <HoleList holes={pour.holes} units={units} />
      <section aria-label={before} className="mt-2">
        <h2 className="border-b border-ink font-semibold">{before}</h2>
        <ul className="columns-3 gap-3 text-[11.5px] leading-[1.15]">
          {linesOf(pour.ready).map(({ of, items }) => (
            <li key={items[0]?.id} className="break-inside-avoid py-px">
              {of === null ? '' : `${of}: `}
              {items.map((item) => (
                <span key={item.id} className={of === null ? '' : 'mr-1.5 inline-block'}>
                  {seen.done(pointOfPump(item.group, pour.span.pour), item) ? '☒' : '☐'}{' '}
                  {of === null ? item.what : item.line?.own}
                </span>
              ))}
            </li>
          ))}
        </ul>
      </section>
      <p className="mt-1 text-[12.5px] leading-tight font-semibold">
        After the pour: sight the strings while it is soft, turn the braces, plumb the corners. Leave braces
        24 h or more. Stay off the planks.
      </p>
    </section>
  );
}

/** The pour card, a page for each pour. */
export function PourSheet({ worked, entries, ...job }: Omit<SheetProps, 'asked'>) {
  const { ticks } = recordOf(entries).record;
  const pours = worked.pour.pours.filter(({ volumes }) => volumes.walls.length > 0);
  return (
    <SheetFrame job={job} here="pour" wide title="pour card">
      {pours.length === 0 ? (
        <p className="text-lg font-semibold">No walls yet: nothing to pour.</p>
      ) : (
        pours.map((pour) => (
          <Card
            key={pour.span.pour}
            pour={pour}
            worked={worked}
            job={job}
            seen={seenOf(ticks, job.plan.pour?.pours?.[pour.span.pour]?.ready ?? [])}
          />
        ))
      )}
    </SheetFrame>
  );
}
