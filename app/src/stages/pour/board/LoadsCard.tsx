import { ScanLine, Truck } from 'lucide-react';
import { useState } from 'react';
import type { BoardLoad } from '@ombra/core/stages/pour/board';
import { degreesText, fromScale, inScale, loadText, slumpText } from '../pourWords';
import type { BoardProps } from './boardProps';
import { boardTime, spanText, standsText } from './boardWords';
import { useSay } from './say';
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
  const say = useSay();
  return (
    <div role="group" aria-label={label} className="flex items-center gap-2">
      <span className="grow">{label}</span>
      <button
        type="button"
        className="button w-14 text-2xl"
        aria-label={say('{what}: less', { what: label })}
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
        aria-label={say('{what}: more', { what: label })}
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
  const say = useSay();
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
        label={say('Slump')}
        shown={slumpText(slump, units)}
        onStep={(by) => {
          setSlump(Math.min(12, Math.max(0, slump + by * 0.5)));
        }}
      />
      <Stepper
        label={say('Concrete')}
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
          ? say(
              stiff
                ? 'Stiffer than {least} to {most}: have the plant’s reducer added and test again, or send it back. No water on top of the mix.'
                : 'Wetter than {least} to {most}: have the plant’s reducer added and test again, or send it back. No water on top of the mix.',
              { least: slumpText(mix.slump.least, units), most: slumpText(mix.slump.most, units) },
            )
          : cold || hot
            ? say(
                cold
                  ? 'Colder than the mix card takes: {limit}. Ask the plant before it goes in.'
                  : 'Hotter than the mix card takes: {limit}. Ask the plant before it goes in.',
                { limit: degreesText(cold ? least : most, units) },
              )
            : say('Within the mix card: {least} to {most}, up to {limit}.', {
                least: slumpText(mix.slump.least, units),
                most: slumpText(mix.slump.most, units),
                limit: degreesText(most, units),
              })}
      </p>
      <button
        type="button"
        className="button strong"
        onClick={() => {
          tap('load', { load: load.number, step: 'tested', slumpIn: slump, temperatureF: temperature });
          onClose();
        }}
      >
        {say('Write the test down')}
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
  const say = useSay();
  const { pour, now, balance, units, tap, time } = props;
  const [testing, setTesting] = useState(false);
  const [reading, setReading] = useState<string | null>(null);
  const age = load.batched === null ? null : now - load.batched;
  const left = age === null ? null : pour.mix.discharge - age;
  const read = async (): Promise<void> => {
    setReading(say('Reading the ticket …'));
    const found = await readTicket({ pour: pour.span.pour, load: load.number, volume: load.volume });
    if (!found) {
      setReading(say('The ticket could not be read. Go on without it, or try again.'));
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
        {say.rich('<b>Load {number}</b>, {volume}, {state}', {
          number: load.number,
          volume: loadText(load.volume, units),
          state: say(standsText(load)),
        })}
        {load.ticket === null ? '' : `, ${say('ticket {number}', { number: load.ticket })}`}
      </p>
      <p className={left !== null && left < 20 ? 'text-xl font-semibold text-stop' : 'text-xl'}>
        {age === null || left === null
          ? ''
          : left > 0
            ? say('{age} old: {left} of {most} left', {
                age: spanText(say, age),
                left: spanText(say, left),
                most: spanText(say, pour.mix.discharge),
              })
            : say('{age} old: over its {most}. Ask before it goes in.', {
                age: spanText(say, age),
                most: spanText(say, pour.mix.discharge),
              })}
      </p>
      {load.slump !== null && (
        <p>
          {say('Slump')} {slumpText(load.slump, units)}
          {load.temperature === null ? '' : `, ${degreesText(load.temperature, units)}`}
        </p>
      )}
      {first && load.slump === null && (
        <p className="border-l-4 border-check pl-3">
          {say(
            'The first load is a test: look down the chute, take slump and temperature, make the cylinders. Place it in a pier or a beam form first if there is one.',
          )}
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
            {say('To the hose')}
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
            {say('Load {number} is empty', { number: load.number })}
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
          {say('Slump')}
        </button>
        {load.ticket === null && (
          <button type="button" className="button grow" onClick={() => void read()}>
            <ScanLine aria-hidden="true" /> {say('Ticket')}
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
          {say('Send back')}
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
  const say = useSay();
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
    const time = boardTime(board, at);
    return now > at + 1 && now < at + MOST_LATE
      ? `, ${say('due at {time}: {span} late', { time, span: spanText(say, now - at) })}`
      : `, ${say('due at {time}', { time })}`;
  };
  const next = coming?.number ?? Math.max(0, ...board.loads.map(({ number }) => number)) + 1;
  const gone = board.loads.filter(({ stands }) => stands === 'gone');
  return (
    <section aria-label={say('Trucks')} className="lifted flex flex-col gap-2 p-4">
      <h2 className="flex items-center gap-2 text-[22px] font-semibold">
        <Truck aria-hidden="true" /> {say('Trucks')}
      </h2>
      {here.map((load) => (
        <OnSite key={load.number} {...props} load={load} first={none || load.number === 1} />
      ))}
      {here.length === 0 && <p>{say('No truck is here.')}</p>}
      {coming && (
        <p>
          {say('Next: load {number}, {volume}', {
            number: coming.number,
            volume: loadText(coming.volume, units),
          })}
          {dueText(coming)}.{later.length > 0 && ` ${say('Then {count} more.', { count: later.length })}`}
        </p>
      )}
      <button
        type="button"
        className={`button ${here.length === 0 ? 'strong' : ''}`}
        onClick={() => {
          tap('load', { load: next, step: 'arrived' });
        }}
      >
        {say('Load {number} has come', { number: next })}
      </button>
      {gone.length > 0 && (
        <details>
          <summary className="flex min-h-(--target) items-center">
            {say('{count, plural, one {# load is gone} other {# loads are gone}}', { count: gone.length })}
          </summary>
          <ul>
            {gone.map((load) => (
              <li key={load.number} className="figures border-t border-line py-1">
                {say('Load {number}: {volume}', {
                  number: load.number,
                  volume: loadText(load.volume, units),
                })}
                {load.ended === null
                  ? ''
                  : `, ${say(load.back === null ? 'empty at {time}' : 'sent back at {time}', { time: boardTime(board, load.ended) })}`}
                {load.slump === null
                  ? ''
                  : `, ${say('slump {slump}', { slump: slumpText(load.slump, units) })}`}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
