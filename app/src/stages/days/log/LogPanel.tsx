import type { Entry, EntryBody, EntryKind, EntryPlace } from '@ombra/core/kernel/record';
import { wallsOf } from '@ombra/core/stages/outline';
import type { WorkedPlan } from '@ombra/core/worked';
import { formatISO } from 'date-fns';
import { useMemo, useState } from 'react';
import type { Job } from '../../../job/useJob';
import { mayWriteHere } from '../../../job/role';
import { keepName, keptName } from '../../../job/signature';
import { DeliveryForm } from './DeliveryForm';
import { EntryList } from './EntryList';
import { type EntryWords, KIND_NAMES, WRITTEN } from './entryWords';
import { LineField } from './Field';
import { PeopleForm } from './PeopleForm';
import { Otherwise } from './Otherwise';
import { PictureForm } from './PictureForm';
import { RelaidForm } from './RelaidForm';
import {
  GearForm,
  IncidentForm,
  NoteForm,
  PourForm,
  PulledForm,
  ReadingForm,
  WeatherForm,
} from './ShortForms';
import type { Tapping } from './useTapping';
import { WorkForm } from './WorkForm';
import { siteNow } from '../../../job/clock';

interface LogPanelProps {
  readonly job: Job;
  readonly worked: WorkedPlan;
  readonly tapping: Tapping;
  readonly onHolds: () => void;
}

/** The form of a kind of entry. */
function EntryForm({
  kind,
  initial,
  job,
  worked,
  day,
  tapping,
  onHolds,
  onWrite,
}: LogPanelProps & {
  readonly kind: EntryKind;
  readonly initial: Entry | null;
  readonly day: string;
  readonly onWrite: (kind: EntryKind, body: Entry['body'], place?: EntryPlace) => void;
}) {
  /** What a form of one kind is given: its own body to start from, and where it writes. */
  const given = <Kind extends EntryKind>(own: Kind) => ({
    job,
    worked,
    day,
    initial: (initial?.kind === own ? initial.body : null) as EntryBody<Kind> | null,
    onWrite: (body: EntryBody<Kind>, place?: EntryPlace) => {
      onWrite(own, body, place);
    },
  });
  switch (kind) {
    case 'work':
      return <WorkForm {...given('work')} tapping={tapping} onHolds={onHolds} />;
    case 'people':
      return <PeopleForm {...given('people')} />;
    case 'relaid':
      return <RelaidForm {...given('relaid')} />;
    case 'delivery':
      return <DeliveryForm {...given('delivery')} />;
    case 'pulled':
      return <PulledForm {...given('pulled')} />;
    case 'reading':
      return <ReadingForm {...given('reading')} />;
    case 'incident':
      return <IncidentForm {...given('incident')} />;
    case 'weather':
      return <WeatherForm {...given('weather')} />;
    case 'gear':
      return <GearForm {...given('gear')} />;
    case 'pour':
      return <PourForm {...given('pour')} />;
    case 'picture':
      return <PictureForm {...given('picture')} />;
    case 'thought':
      return <NoteForm {...given('thought')} />;
    default:
      return <NoteForm {...given('note')} />;
  }
}

/** The site’s log: what is recorded now, and what was. */
export function LogPanel(props: LogPanelProps) {
  const { job, worked } = props;
  const { shell } = worked;
  const { units } = job.plan;
  const words: EntryWords = useMemo(() => {
    const walls = wallsOf(shell);
    return { units, wallName: (id) => walls.find((wall) => wall.id === id)?.name ?? null };
  }, [units, shell]);
  const [correcting, setCorrecting] = useState<Entry | null>(null);
  const list = <EntryList jobId={job.id} log={job.log} words={words} onCorrect={setCorrecting} />;
  if (!mayWriteHere())
    return (
      <div className="flex flex-col gap-3">
        <p className="text-quiet">
          You can read this log. To write in it, ask the office for a link of the crew.
        </p>
        {list}
      </div>
    );
  return (
    <div className="grid grid-cols-[minmax(0,420px)_minmax(0,1fr)] gap-6 max-lg:grid-cols-1">
      <RecordForms {...props} correcting={correcting} onCorrecting={setCorrecting} />
      {list}
    </div>
  );
}

/** What is recorded now: the kinds of entries, the form of one, and who signs. */
function RecordForms({
  job,
  worked,
  tapping,
  onHolds,
  correcting,
  onCorrecting,
}: LogPanelProps & {
  readonly correcting: Entry | null;
  readonly onCorrecting: (entry: Entry | null) => void;
}) {
  const { log } = job;
  const [chosen, setChosen] = useState<EntryKind>('work');
  const [written, setWritten] = useState(0);
  const [who, setWho] = useState(keptName);
  // What is corrected says which form it takes, and that one stays when it is done.
  const kind = correcting?.kind ?? chosen;
  // The log of a job that is done in another year is written on its own days.
  const today = formatISO(siteNow(), { representation: 'date' });
  const until = log.onSite?.record.until ?? null;
  const day = until !== null && until > today ? until : today;
  const choose = (next: EntryKind): void => {
    setChosen(next);
    onCorrecting(null);
  };
  return (
    <section aria-label="Record" className="flex flex-col gap-3">
      <Otherwise job={job} worked={worked} />
      <div role="group" aria-label="What to record" className="flex flex-wrap gap-1">
        {WRITTEN.map((each) => (
          <button
            key={each}
            type="button"
            className={`button ${each === kind ? 'border-record! font-semibold text-record!' : ''}`}
            aria-pressed={each === kind}
            onClick={() => {
              choose(each);
            }}
          >
            {KIND_NAMES[each]}
          </button>
        ))}
      </div>
      {correcting && (
        <p role="status" className="border-l-4 border-record pl-2">
          Correcting an entry of {correcting.at.slice(0, 16).replace('T', ', ')}. The old one is kept.{' '}
          <button
            type="button"
            className="underline"
            onClick={() => {
              choose(kind);
            }}
          >
            Leave it as it is
          </button>
        </p>
      )}
      <EntryForm
        key={`${kind} ${correcting?.id ?? ''} ${String(written)}`}
        kind={kind}
        initial={correcting}
        job={job}
        worked={worked}
        day={day}
        tapping={tapping}
        onHolds={onHolds}
        onWrite={(own, body, place) => {
          log.write(own, body, {
            ...(place ? { place } : {}),
            ...(correcting ? { corrects: correcting.id } : {}),
          });
          choose(kind);
          // A form starts anew for the next entry.
          setWritten(written + 1);
        }}
      />
      <LineField
        label="Signed as"
        text={who}
        placeholder="your name"
        most={80}
        onType={(name) => {
          setWho(name);
          keepName(name.trim());
        }}
      />
    </section>
  );
}
