import type { EntryBody, EntryPlace } from '@ombra/core/kernel/record';
import {
  CUBIC_METRES_PER_CUBIC_YARD,
  USUAL,
  readLength,
  toCelsius,
  toFahrenheit,
} from '@ombra/core/kernel/measure';
import { wallsOf } from '@ombra/core/stages/outline';
import { type ReactNode, useState } from 'react';
import { LengthField } from '../../../ui/LengthField';
import { CountInput, DayField, LineField, SelectField, TextArea } from './Field';
import { KILOMETRES_PER_MILE } from '../weatherWords';
import type { EntryFormProps } from './formProps';
import { useDay } from './useDay';

/** A short form: its fields, and the button that records them, which cannot be pressed while something is missing. */
const RecordForm = ({
  what,
  missing = false,
  columns = 2,
  onRecord,
  children,
}: {
  readonly what: string;
  readonly missing?: boolean;
  readonly columns?: 2 | 3;
  readonly onRecord: () => void;
  readonly children: ReactNode;
}) => (
  <form
    onSubmit={(event) => {
      event.preventDefault();
      if (!missing) onRecord();
    }}
  >
    <div className={`grid gap-2 ${columns === 2 ? 'grid-cols-2' : 'grid-cols-3'}`}>{children}</div>
    <button type="submit" className="button strong mt-2" disabled={missing}>
      {what}
    </button>
  </form>
);

/** What an entry says while it is written, and a way to change part of it. */
function useBody<Body extends object>(first: Body) {
  const [body, setBody] = useState(first);
  const change = (part: Partial<Body>): void => {
    setBody((before) => ({ ...before, ...part }));
  };
  return [body, change] as const;
}

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
    <RecordForm
      what="Record it"
      missing={what.trim() === ''}
      onRecord={() => {
        onWrite({ what: what.trim() }, place);
      }}
    >
      {fields}
      <TextArea label="What" text={what} onType={setWhat} />
    </RecordForm>
  );
}

/** What went wrong, why, and what was done about it. */
export function IncidentForm({ job, worked, initial, onWrite }: EntryFormProps<'incident'>) {
  const [body, change] = useBody<EntryBody<'incident'>>(initial ?? { what: '', cause: '', cure: '' });
  const { place, fields } = usePlace({ job, worked }, null);
  return (
    <RecordForm
      what="Record the incident"
      missing={body.what.trim() === ''}
      onRecord={() => {
        onWrite(body, place);
      }}
    >
      {fields}
      <TextArea
        label="What happened"
        text={body.what}
        onType={(what) => {
          change({ what });
        }}
      />
      <TextArea
        label="Cause"
        text={body.cause}
        onType={(cause) => {
          change({ cause });
        }}
      />
      <TextArea
        label="Cure"
        text={body.cure}
        onType={(cure) => {
          change({ cure });
        }}
      />
    </RecordForm>
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
    <RecordForm
      what="Record the length"
      missing={course === null || !reads}
      columns={3}
      onRecord={() => {
        if (course !== null && reads) onWrite({ wall, course, length }, { wall, course });
      }}
    >
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
    </RecordForm>
  );
}

/** How far a wall is off its string, or out of plumb. */
export function ReadingForm({ job, worked, initial, onWrite }: EntryFormProps<'reading'>) {
  const walls = wallsOf(worked.shell);
  const { units } = job.plan;
  const [body, change] = useBody<EntryBody<'reading'>>(
    initial ?? { of: 'string', when: 'before', wall: walls[0]?.id ?? '', at: '', out: '' },
  );
  const reads = readLength(body.at, units).ok && readLength(body.out.replace(/^-/, ''), units).ok;
  return (
    <RecordForm
      what="Record the reading"
      missing={!reads}
      columns={3}
      onRecord={() => {
        if (reads) onWrite(body, { wall: body.wall, station: body.at });
      }}
    >
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
    </RecordForm>
  );
}

const toShown = (fahrenheit: number | null, metric: boolean): number | null =>
  fahrenheit === null ? null : metric ? Math.round(toCelsius(fahrenheit) * 10) / 10 : fahrenheit;
const toKept = (shown: number | null, metric: boolean): number | null =>
  shown === null ? null : metric ? toFahrenheit(shown) : shown;

/** The weather as it was met. */
export function WeatherForm({ job, day: offered, initial, onWrite }: EntryFormProps<'weather'>) {
  const metric = job.plan.units === 'metric';
  const [body, change] = useBody<EntryBody<'weather'>>(
    initial ?? { day: offered, what: '', lowF: null, highF: null, gustMph: null },
  );
  const [day, setDay] = useDay(initial?.day, offered);
  const degrees = metric ? '°C' : '°F';
  return (
    <RecordForm
      what="Record the weather"
      onRecord={() => {
        onWrite({ ...body, day });
      }}
    >
      <DayField day={day} onDay={setDay} />
      <LineField
        label="Sky"
        text={body.what}
        placeholder="rain until ten, then dry"
        onType={(what) => {
          change({ what });
        }}
      />
      <CountInput
        label={`Lowest, ${degrees}`}
        value={toShown(body.lowF, metric)}
        least={-60}
        most={140}
        onSet={(low) => {
          change({ lowF: toKept(low, metric) });
        }}
      />
      <CountInput
        label={`Highest, ${degrees}`}
        value={toShown(body.highF, metric)}
        least={-60}
        most={140}
        onSet={(high) => {
          change({ highF: toKept(high, metric) });
        }}
      />
      <CountInput
        label={metric ? 'Gusts, km/h' : 'Gusts, mph'}
        value={body.gustMph === null ? null : Math.round(body.gustMph * (metric ? KILOMETRES_PER_MILE : 1))}
        most={320}
        onSet={(wind) => {
          change({ gustMph: wind === null ? null : wind / (metric ? KILOMETRES_PER_MILE : 1) });
        }}
      />
    </RecordForm>
  );
}

/** What gear came or went back. */
export function GearForm({ day: offered, initial, onWrite }: EntryFormProps<'gear'>) {
  const [body, change] = useBody<EntryBody<'gear'>>(
    initial ?? { day: offered, what: '', count: 0, way: 'in' },
  );
  const [day, setDay] = useDay(initial?.day, offered);
  return (
    <RecordForm
      what="Record the gear"
      missing={body.what.trim() === '' || body.count === 0}
      onRecord={() => {
        onWrite({ ...body, day });
      }}
    >
      <DayField day={day} onDay={setDay} />
      <SelectField
        label="Way"
        value={body.way}
        options={[
          ['in', 'came'],
          ['out', 'went back'],
        ]}
        onChoose={(way) => {
          change({ way });
        }}
      />
      <LineField
        label="What"
        text={body.what}
        placeholder="brace frames"
        onType={(what) => {
          change({ what });
        }}
      />
      <CountInput
        label="How many"
        value={body.count === 0 ? null : body.count}
        onSet={(count) => {
          change({ count: Math.round(count ?? 0) });
        }}
      />
    </RecordForm>
  );
}

/** How a pour went, in a line: the board of the day tells more. */
export function PourForm({ job, worked, day: offered, initial, onWrite }: EntryFormProps<'pour'>) {
  const { pours } = worked.pour;
  const metric = job.plan.units === 'metric';
  const unit = metric ? 1 : CUBIC_METRES_PER_CUBIC_YARD;
  const [pour, setPour] = useState(initial?.pour ?? pours[0]?.span.pour ?? '');
  const [day, setDay] = useDay(initial?.day, offered);
  const [placed, setPlaced] = useState<number | null>(initial ? initial.placedM3 / unit : null);
  const [minutes, setMinutes] = useState<number | null>(initial?.minutes ?? null);
  const [trucks, setTrucks] = useState<number | null>(initial?.trucks ?? null);
  const [word, setWord] = useState(initial?.word ?? '');
  const own = pours.find(({ span }) => span.pour === pour);
  return (
    <RecordForm
      what="Record the pour"
      missing={placed === null || minutes === null}
      onRecord={() => {
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
    </RecordForm>
  );
}
