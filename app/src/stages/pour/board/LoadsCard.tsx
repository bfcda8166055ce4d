import { ScanLine, Truck } from 'lucide-react';
import { useState } from 'react';
import type { BoardLoad } from '@ombra/core/stages/pour/board';
import { degreesText, fromScale, inScale, loadText, slumpText } from '../pourWords';
import type { BoardProps } from './boardProps';
import { boardTime, spanText, standsText } from './boardWords';
import { readTicket } from './ticket';

/** A truck that is later than this is one of another day. [ours] */
const MOST_LATE = 4 * 60;

type LoadsProps = Pick<BoardProps, 'pour' | 'board' | 'now' | 'balance' | 'units' | 'tap' | 'time'>;

/** A number set by two big buttons. */
function Stepper({
  label,
  shown,
  onStep,
}: {
  readonly label: string;
  readonly shown: string;
  readonly onStep: (by: -1 | 1) => void;
}) {
  return (
    <div role="group" aria-label={label} className="flex items-center gap-2">
      <span className="grow">{label}</span>
      <button
        type="button"
        className="button w-14 text-2xl"
        aria-label={`${label}: less`}
        onClick={() => {
          onStep(-1);
        }}
      >
        −
      </button>
      <output className="figures min-w-20 text-center text-xl font-semibold">{shown}</output>
      <button
        type="button"
        className="button w-14 text-2xl"
        aria-label={`${label}: more`}
        onClick={() => {
          onStep(1);
        }}
      >
        +
      </button>
    </div>
  );
}

/** What a load is tested for, against the mix card. */
function TestForm({
  load,
  pour,
  units,
  tap,
  onClose,
}: LoadsProps & { readonly load: BoardLoad; readonly onClose: () => void }) {
  const { mix } = pour;
  const [slump, setSlump] = useState(load.slump ?? mix.slump.ordered);
  const [temperature, setTemperature] = useState(load.temperature ?? mix.concrete);
  const stiff = slump < mix.slump.least;
  const wet = slump > mix.slump.most;
  const { least, most } = mix.temperature;
  const cold = least !== null && temperature < least;
  const hot = temperature > most;
  return (
    <div className="mt-2 flex flex-col gap-2 border-l-4 border-chalk pl-3">
      <Stepper
        label="Slump"
        shown={slumpText(slump, units)}
        onStep={(by) => {
          setSlump(Math.min(12, Math.max(0, slump + by * 0.5)));
        }}
      />
      <Stepper
        label="Concrete"
        shown={`${String(inScale(temperature, units))} °${units === 'imperial' ? 'F' : 'C'}`}
        onStep={(by) => {
          setTemperature(
            units === 'imperial'
              ? Math.min(140, Math.max(20, temperature + by))
              : fromScale(inScale(temperature, units) + by, units),
          );
        }}
      />
      <p className={stiff || wet || cold || hot ? 'font-semibold text-stop' : 'text-quiet'}>
        {stiff || wet
          ? `${stiff ? 'Stiffer' : 'Wetter'} than ${slumpText(mix.slump.least, units)} to ${slumpText(mix.slump.most, units)}: have the plant’s reducer added and test again, or send it back. No water on top of the mix.`
          : cold || hot
            ? `${cold ? 'Colder' : 'Hotter'} than the mix card takes: ${degreesText(cold ? least : most, units)}. Ask the plant before it goes in.`
            : `Within the mix card: ${slumpText(mix.slump.least, units)} to ${slumpText(mix.slump.most, units)}, up to ${degreesText(most, units)}.`}
      </p>
      <button
        type="button"
        className="button strong"
        onClick={() => {
          tap('load', { load: load.number, step: 'tested', slumpIn: slump, temperatureF: temperature });
          onClose();
        }}
      >
        Write the test down
      </button>
    </div>
  );
}

/** A load on site: how old it is, and what can happen to it next. */
function OnSite({
  load,
  first,
  ...props
}: LoadsProps & { readonly load: BoardLoad; readonly first: boolean }) {
  const { pour, now, balance, units, tap, time } = props;
  const [testing, setTesting] = useState(false);
  const [reading, setReading] = useState<string | null>(null);
  const age = load.batched === null ? null : now - load.batched;
  const left = age === null ? null : pour.mix.discharge - age;
  const read = async (): Promise<void> => {
    setReading('Reading the ticket …');
    const found = await readTicket({ pour: pour.span.pour, load: load.number, volume: load.volume });
    if (!found) {
      setReading('The ticket could not be read. Go on without it, or try again.');
      return;
    }
    tap('load', {
      load: load.number,
      step: 'arrived',
      minute: load.arrived ?? now,
      ticket: found.ticket,
      volumeM3: found.volumeM3,
      batched: time((load.arrived ?? now) - found.minutesOnTheRoad),
    });
    setReading(null);
  };
  return (
    <div className="border-t border-ink py-3">
      <p className="text-xl">
        <strong>Load {load.number}</strong>, {loadText(load.volume, units)}, {standsText(load)}
        {load.ticket === null ? '' : `, ticket ${load.ticket}`}
      </p>
      <p className={left !== null && left < 20 ? 'text-xl font-semibold text-stop' : 'text-xl'}>
        {age === null || left === null
          ? ''
          : left > 0
            ? `${spanText(age)} old: ${spanText(left)} of ${spanText(pour.mix.discharge)} left`
            : `${spanText(age)} old: over its ${spanText(pour.mix.discharge)}. Ask before it goes in.`}
      </p>
      {load.slump !== null && (
        <p>
          Slump {slumpText(load.slump, units)}
          {load.temperature === null ? '' : `, ${degreesText(load.temperature, units)}`}
        </p>
      )}
      {first && load.slump === null && (
        <p className="border-l-4 border-check pl-3">
          The first load is a test: look down the chute, take slump and temperature, make the cylinders. Place
          it in a pier or a beam form first if there is one.
        </p>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {load.stands === 'waits' && (
          <button
            type="button"
            className="button strong grow"
            onClick={() => {
              tap('load', { load: load.number, step: 'placing' });
            }}
          >
            To the hose
          </button>
        )}
        {load.stands === 'at-hose' && (
          <button
            type="button"
            className="button strong grow"
            onClick={() => {
              tap('load', { load: load.number, step: 'empty' });
            }}
          >
            Load {load.number} is empty
          </button>
        )}
        <button
          type="button"
          className="button grow"
          aria-expanded={testing}
          onClick={() => {
            setTesting(!testing);
          }}
        >
          Slump
        </button>
        {load.ticket === null && (
          <button type="button" className="button grow" onClick={() => void read()}>
            <ScanLine aria-hidden="true" /> Ticket
          </button>
        )}
        <button
          type="button"
          className="button grow border-stop! text-stop"
          onClick={() => {
            tap('load', {
              load: load.number,
              step: 'back',
              volumeM3: load.stands === 'at-hose' ? balance.atHose : load.volume,
            });
          }}
        >
          Send back
        </button>
      </div>
      {reading !== null && <p role="status">{reading}</p>}
      {testing && (
        <TestForm
          {...props}
          load={load}
          onClose={() => {
            setTesting(false);
          }}
        />
      )}
    </div>
  );
}

/** The trucks: those on site, and the next to come. */
export function LoadsCard(props: LoadsProps) {
  const { board, pour, now, units, tap } = props;
  const here = board.loads
    .filter(({ stands }) => stands === 'at-hose' || stands === 'waits')
    .sort(
      (a, b) =>
        Number(a.stands === 'waits') - Number(b.stands === 'waits') || (a.arrived ?? 0) - (b.arrived ?? 0),
    );
  const [coming, ...later] = board.loads.filter(({ stands }) => stands === 'to-come');
  const none = board.loads.every(({ arrived }) => arrived === null);
  const due = (load: BoardLoad): number | null =>
    load.extra
      ? load.ordered === null
        ? null
        : load.ordered + pour.day.load + pour.day.travel
      : (load.number - 1) * pour.day.spacing;
  const dueText = (load: BoardLoad): string => {
    const at = due(load);
    if (at === null) return '';
    return now > at + 1 && now < at + MOST_LATE
      ? `, due at ${boardTime(board, at)}: ${spanText(now - at)} late`
      : `, due at ${boardTime(board, at)}`;
  };
  const next = coming?.number ?? Math.max(0, ...board.loads.map(({ number }) => number)) + 1;
  const gone = board.loads.filter(({ stands }) => stands === 'gone');
  return (
    <section aria-label="Trucks" className="lifted flex flex-col gap-2 p-4">
      <h2 className="flex items-center gap-2 text-[22px] font-semibold">
        <Truck aria-hidden="true" /> Trucks
      </h2>
      {here.map((load) => (
        <OnSite key={load.number} {...props} load={load} first={none || load.number === 1} />
      ))}
      {here.length === 0 && <p>No truck is here.</p>}
      {coming && (
        <p>
          Next: load {coming.number}, {loadText(coming.volume, units)}
          {dueText(coming)}.{later.length > 0 && ` Then ${String(later.length)} more.`}
        </p>
      )}
      <button
        type="button"
        className={`button ${here.length === 0 ? 'strong' : ''}`}
        onClick={() => {
          tap('load', { load: next, step: 'arrived' });
        }}
      >
        Load {next} has come
      </button>
      {gone.length > 0 && (
        <details>
          <summary className="flex min-h-(--target) items-center">
            {gone.length} {gone.length === 1 ? 'load is' : 'loads are'} gone
          </summary>
          <ul>
            {gone.map((load) => (
              <li key={load.number} className="figures border-t border-line py-1">
                Load {load.number}: {loadText(load.volume, units)}
                {load.ended === null
                  ? ''
                  : `, ${load.back === null ? 'empty' : 'sent back'} at ${boardTime(board, load.ended)}`}
                {load.slump === null ? '' : `, slump ${slumpText(load.slump, units)}`}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
