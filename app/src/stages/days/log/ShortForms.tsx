import type { EntryBody, EntryPlace } from '@ombra/core/kernel/record';
import {
  CUBIC_METRES_PER_CUBIC_YARD,
  USUAL,
  readLength,
  toCelsius,
  toFahrenheit,
} from '@ombra/core/kernel/measure';
import { wallsOf } from '@ombra/core/stages/outline';
import { useState } from 'react';
import { LengthField } from '../../../ui/LengthField';
import { CountInput, DayField, LineField, SelectField, TextArea } from './Field';
import { KILOMETRES_PER_MILE } from '../weatherWords';
import type { EntryFormProps } from './formProps';

/** The button under a form; a form that cannot be taken yet says so by it. */
const Record = ({ what, disabled = false }: { readonly what: string; readonly disabled?: boolean }) => (
  <button type="submit" className="button strong mt-2" disabled={disabled}>
    {what}
  </button>
);

const ANYWHERE = '';

/** Where something was: a wall, or the whole job. */
function usePlace({ worked, job }: Pick<EntryFormProps<'note'>, 'worked' | 'job'>, first: EntryPlace | null) {
  const walls = wallsOf(worked.shell);
  const [wall, setWall] = useState(first?.wall ?? ANYWHERE);
  const [station, setStation] = useState(first?.station ?? '');
  const place: EntryPlace | undefined =
    wall === ANYWHERE ? undefined : { wall, ...(station === '' ? {} : { station }) };
  const fields = (
    <>
      <SelectField
        label="Where"
        value={wall}
        options={[
          [ANYWHERE, 'the whole job'],
          ...walls.map(({ id, name }): readonly [string, string] => [id, name]),
        ]}
        onChoose={setWall}
      />
      {wall !== ANYWHERE && (
        <div className="block">
          <span className="heading mb-0.5 block">From its first corner</span>
          <LengthField
            label="Place along the wall"
            text={station}
            units={job.plan.units}
            usual={USUAL.station}
            onType={setStation}
          />
        </div>
      )}
    </>
  );
  return { place, fields };
}

/** A line of text with its place: a note, or a second thought. */
export function NoteForm({ job, worked, initial, onWrite }: EntryFormProps<'note'>) {
  const [what, setWhat] = useState(initial?.what ?? '');
  const { place, fields } = usePlace({ job, worked }, null);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onWrite({ what: what.trim() }, place);
      }}
    >
      <div className="grid grid-cols-2 gap-2">
        {fields}
        <TextArea label="What" text={what} onType={setWhat} />
      </div>
      <Record what="Record it" disabled={what.trim() === ''} />
    </form>
  );
}

/** What went wrong, why, and what was done about it. */
export function IncidentForm({ job, worked, initial, onWrite }: EntryFormProps<'incident'>) {
  const [body, setBody] = useState<EntryBody<'incident'>>(initial ?? { what: '', cause: '', cure: '' });
  const { place, fields } = usePlace({ job, worked }, null);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onWrite(body, place);
      }}
    >
      <div className="grid grid-cols-2 gap-2">
        {fields}
        <TextArea
          label="What happened"
          text={body.what}
          onType={(what) => {
            setBody({ ...body, what });
          }}
        />
        <TextArea
          label="Cause"
          text={body.cause}
          onType={(cause) => {
            setBody({ ...body, cause });
          }}
        />
        <TextArea
          label="Cure"
          text={body.cure}
          onType={(cure) => {
            setBody({ ...body, cure });
          }}
        />
      </div>
      <Record what="Record the incident" disabled={body.what.trim() === ''} />
    </form>
  );
}

/** The length of a wall in a course, by the tape. */
export function PulledForm({ job, worked, initial, onWrite }: EntryFormProps<'pulled'>) {
  const walls = wallsOf(worked.shell);
  const [wall, setWall] = useState(initial?.wall ?? walls[0]?.id ?? '');
  const [course, setCourse] = useState<number | null>(initial?.course ?? null);
  const [length, setLength] = useState(initial?.length ?? '');
  const { units } = job.plan;
  const reads = readLength(length, units).ok;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (course !== null && reads) onWrite({ wall, course, length }, { wall, course });
      }}
    >
      <div className="grid grid-cols-3 gap-2">
        <SelectField
          label="Wall"
          value={wall}
          options={walls.map(({ id, name }): readonly [string, string] => [id, name])}
          onChoose={setWall}
        />
        <CountInput label="Course" value={course} onSet={setCourse} least={1} most={worked.courses.count} />
        <div>
          <span className="heading mb-0.5 block">Pulled</span>
          <LengthField
            label="Length by the tape"
            text={length}
            units={units}
            usual={USUAL.wall}
            onType={setLength}
          />
        </div>
      </div>
      <Record what="Record the length" disabled={course === null || !reads} />
    </form>
  );
}

/** How far a wall is off its string, or out of plumb. */
export function ReadingForm({ job, worked, initial, onWrite }: EntryFormProps<'reading'>) {
  const walls = wallsOf(worked.shell);
  const { units } = job.plan;
  const [body, setBody] = useState<EntryBody<'reading'>>(
    initial ?? { of: 'string', when: 'before', wall: walls[0]?.id ?? '', at: '', out: '' },
  );
  const change = (part: Partial<EntryBody<'reading'>>): void => {
    setBody({ ...body, ...part });
  };
  const reads = readLength(body.at, units).ok && readLength(body.out.replace(/^-/, ''), units).ok;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (reads) onWrite(body, { wall: body.wall, station: body.at });
      }}
    >
      <div className="grid grid-cols-3 gap-2">
        <SelectField
          label="Read against"
          value={body.of}
          options={[
            ['string', 'the string'],
            ['plumb', 'plumb'],
          ]}
          onChoose={(of) => {
            change({ of });
          }}
        />
        <SelectField
          label="When"
          value={body.when}
          options={[
            ['before', 'before the pour'],
            ['after', 'after the pour'],
          ]}
          onChoose={(when) => {
            change({ when });
          }}
        />
        <SelectField
          label="Wall"
          value={body.wall}
          options={walls.map(({ id, name }): readonly [string, string] => [id, name])}
          onChoose={(wall) => {
            change({ wall });
          }}
        />
        <div>
          <span className="heading mb-0.5 block">At</span>
          <LengthField
            label="Place along the wall"
            text={body.at}
            units={units}
            usual={USUAL.station}
            onType={(at) => {
              change({ at });
            }}
          />
        </div>
        <LineField
          label="Out by, inward with a minus"
          text={body.out}
          most={40}
          placeholder="1/4in"
          onType={(out) => {
            change({ out });
          }}
        />
      </div>
      <Record what="Record the reading" disabled={!reads} />
    </form>
  );
}

const toShown = (fahrenheit: number | null, metric: boolean): number | null =>
  fahrenheit === null ? null : metric ? Math.round(toCelsius(fahrenheit) * 10) / 10 : fahrenheit;
const toKept = (shown: number | null, metric: boolean): number | null =>
  shown === null ? null : metric ? toFahrenheit(shown) : shown;

/** The weather as it was met. */
export function WeatherForm({ job, day: offered, initial, onWrite }: EntryFormProps<'weather'>) {
  const metric = job.plan.units === 'metric';
  const [body, setBody] = useState<EntryBody<'weather'>>(
    initial ?? { day: offered, what: '', lowF: null, highF: null, gustMph: null },
  );
  const degrees = metric ? '°C' : '°F';
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onWrite(body);
      }}
    >
      <div className="grid grid-cols-2 gap-2">
        <DayField
          day={body.day}
          onDay={(day) => {
            setBody({ ...body, day });
          }}
        />
        <LineField
          label="Sky"
          text={body.what}
          placeholder="rain until ten, then dry"
          onType={(what) => {
            setBody({ ...body, what });
          }}
        />
        <CountInput
          label={`Lowest, ${degrees}`}
          value={toShown(body.lowF, metric)}
          least={-60}
          most={140}
          onSet={(low) => {
            setBody({ ...body, lowF: toKept(low, metric) });
          }}
        />
        <CountInput
          label={`Highest, ${degrees}`}
          value={toShown(body.highF, metric)}
          least={-60}
          most={140}
          onSet={(high) => {
            setBody({ ...body, highF: toKept(high, metric) });
          }}
        />
        <CountInput
          label={metric ? 'Gusts, km/h' : 'Gusts, mph'}
          value={body.gustMph === null ? null : Math.round(body.gustMph * (metric ? KILOMETRES_PER_MILE : 1))}
          most={320}
          onSet={(wind) => {
            setBody({ ...body, gustMph: wind === null ? null : wind / (metric ? KILOMETRES_PER_MILE : 1) });
          }}
        />
      </div>
      <Record what="Record the weather" />
    </form>
  );
}

/** What gear came or went back. */
export function GearForm({ day: offered, initial, onWrite }: EntryFormProps<'gear'>) {
  const [body, setBody] = useState<EntryBody<'gear'>>(
    initial ?? { day: offered, what: '', count: 0, way: 'in' },
  );
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onWrite(body);
      }}
    >
      <div className="grid grid-cols-2 gap-2">
        <DayField
          day={body.day}
          onDay={(day) => {
            setBody({ ...body, day });
          }}
        />
        <SelectField
          label="Way"
          value={body.way}
          options={[
            ['in', 'came'],
            ['out', 'went back'],
          ]}
          onChoose={(way) => {
            setBody({ ...body, way });
          }}
        />
        <LineField
          label="What"
          text={body.what}
          placeholder="brace frames"
          onType={(what) => {
            setBody({ ...body, what });
          }}
        />
        <CountInput
          label="How many"
          value={body.count === 0 ? null : body.count}
          onSet={(count) => {
            setBody({ ...body, count: Math.round(count ?? 0) });
          }}
        />
      </div>
      <Record what="Record the gear" disabled={body.what.trim() === '' || body.count === 0} />
    </form>
  );
}

/** How a pour went, in a line: the board of the day tells more. */
export function PourForm({ job, worked, day: offered, initial, onWrite }: EntryFormProps<'pour'>) {
  const { pours } = worked.pour;
  const metric = job.plan.units === 'metric';
  const unit = metric ? 1 : CUBIC_METRES_PER_CUBIC_YARD;
  const [pour, setPour] = useState(initial?.pour ?? pours[0]?.span.pour ?? '');
  const [day, setDay] = useState(initial?.day ?? offered);
  const [placed, setPlaced] = useState<number | null>(initial ? initial.placedM3 / unit : null);
  const [minutes, setMinutes] = useState<number | null>(initial?.minutes ?? null);
  const [trucks, setTrucks] = useState<number | null>(initial?.trucks ?? null);
  const [word, setWord] = useState(initial?.word ?? '');
  const own = pours.find(({ span }) => span.pour === pour);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (placed === null || minutes === null) return;
        onWrite({
          day,
          pour,
          placedM3: placed * unit,
          rule: `pour.rate.${own?.method ?? 'pump'}`,
          minutes,
          trucks: Math.round(trucks ?? 0),
          word,
        });
      }}
    >
      <div className="grid grid-cols-2 gap-2">
        <DayField day={day} onDay={setDay} />
        <SelectField
          label="Pour"
          value={pour}
          options={pours.map(({ span }): readonly [string, string] => [span.pour, span.name])}
          onChoose={setPour}
        />
        <CountInput
          label={metric ? 'Placed, m³' : 'Placed, yd³'}
          value={placed}
          step={0.25}
          most={5000}
          onSet={setPlaced}
        />
        <CountInput label="Minutes of placing" value={minutes} least={1} most={1440} onSet={setMinutes} />
        <CountInput label="Trucks" value={trucks} most={200} onSet={setTrucks} />
        <LineField label="Remark" text={word} onType={setWord} />
      </div>
      <Record what="Record the pour" disabled={placed === null || minutes === null} />
    </form>
  );
}
