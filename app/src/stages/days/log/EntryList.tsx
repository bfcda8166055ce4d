import { type Entry, type EntryKind, dayOfEntry, standingEntries } from '@ombra/core/kernel/record';
import { Pencil, Search, Undo2 } from 'lucide-react';
import { memo, useEffect, useMemo, useState } from 'react';
import { mayWriteHere } from '../../../job/role';
import type { Job } from '../../../job/useJob';
import { SitePicture } from './SitePicture';
import { type EntryWords, KIND_NAMES, WRITTEN, entryText, placeText } from './entryWords';

/** Milliseconds that a search text must rest before the server is asked. */
const REST = 250;
/** Entries that are drawn at once; older ones on demand. */
const SHOWN = 150;

interface EntryListProps {
  readonly jobId: string;
  readonly log: Job['log'];
  readonly words: EntryWords;
  readonly onCorrect: (entry: Entry) => void;
}

/** The day that an entry is about: its own, or the one on which it was written. */
const dayOf = (entry: Entry): string => ('day' in entry.body ? entry.body.day : dayOfEntry(entry));

/** What the server finds for a text; null while nothing is searched. */
function useFound(jobId: string, entries: readonly Entry[], text: string): ReadonlySet<string> | null {
  const [found, setFound] = useState<{ readonly text: string; readonly ids: ReadonlySet<string> } | null>(
    null,
  );
  useEffect(() => {
    if (text === '') return;
    const timer = setTimeout(() => {
      void (async () => {
        try {
          const asked = new URLSearchParams({ search: text });
          const response = await fetch(`/api/jobs/${jobId}/entries?${asked.toString()}`);
          const { ids } = (await response.json()) as { readonly ids?: readonly string[] };
          setFound({ text, ids: new Set(ids) });
        } catch {
          // Without the server: what this page knows, by the words as they are typed.
          const words = text.toLowerCase().split(/\s+/);
          const holds = (entry: Entry): boolean => {
            const said = JSON.stringify([entry.who, entry.body]).toLowerCase();
            return words.every((word) => said.includes(word));
          };
          setFound({ text, ids: new Set(entries.filter(holds).map(({ id }) => id)) });
        }
      })();
    }, REST);
    return () => {
      clearTimeout(timer);
    };
  }, [jobId, entries, text]);
  return text === '' ? null : found?.text === text ? found.ids : new Set();
}

/** One entry, with what can be done to it. */
function Line({
  entry,
  corrected,
  jobId,
  log,
  words,
  onCorrect,
}: EntryListProps & { readonly entry: Entry; readonly corrected: boolean }) {
  const place = placeText(entry, words);
  const sender = log.senders.get(entry.id);
  const name = KIND_NAMES[entry.kind];
  return (
    <li className="border-b border-line py-1">
      <div className="flex items-start gap-2">
        <span className="figures w-12 shrink-0 text-quiet">{entry.at.slice(11, 16)}</span>
        <div className="min-w-0 grow">
          <p>
            <strong className="text-record">{name}</strong> {entryText(entry, words)}
          </p>
          <p className="text-sm text-quiet">
            {[
              ...(entry.who === '' ? [] : [entry.who]),
              ...(sender === undefined || sender === entry.who ? [] : [`sent by ${sender}`]),
              ...(place === null ? [] : [place]),
              ...(corrected ? ['corrected'] : []),
              ...(log.waiting.has(entry.id) ? ['waiting to be sent'] : []),
            ].join(' · ')}
          </p>
          {entry.kind === 'picture' && (
            <SitePicture jobId={jobId} {...entry.body} waiting={log.waiting.has(entry.id)} />
          )}
        </div>
        {mayWriteHere() && WRITTEN.includes(entry.kind) && entry.kind !== 'picture' && (
          <button
            type="button"
            className="button plain px-1"
            aria-label={`Correct: ${name}, ${entryText(entry, words).slice(0, 60)}`}
            onClick={() => {
              onCorrect(entry);
            }}
          >
            <Pencil aria-hidden="true" size={15} />
          </button>
        )}
        {mayWriteHere() && (
          <button
            type="button"
            className="button plain px-1"
            aria-label={`Take back: ${name}, ${entryText(entry, words).slice(0, 60)}`}
            onClick={() => {
              log.write('withdrawn', { why: '' }, { corrects: entry.id });
            }}
          >
            <Undo2 aria-hidden="true" size={15} />
          </button>
        )}
      </div>
    </li>
  );
}

/** What was taken back, to be put back with one press. */
function TakenBack({ log, words }: Pick<EntryListProps, 'log' | 'words'>) {
  const { entries } = log;
  const gone = useMemo(() => {
    const standing = new Set(
      standingEntries(entries).flatMap(({ entry, before }) => [entry.id, ...before.map(({ id }) => id)]),
    );
    const byId = new Map(entries.map((entry) => [entry.id, entry]));
    return entries
      .filter((entry) => entry.kind === 'withdrawn' && !standing.has(entry.id))
      .flatMap((back) => {
        const was = byId.get(back.corrects ?? '');
        return was && was.kind !== 'withdrawn' ? [{ back, was }] : [];
      })
      .slice(-20)
      .reverse();
  }, [entries]);
  if (gone.length === 0) return null;
  return (
    <details className="mt-4">
      <summary className="min-h-(--target) cursor-pointer text-quiet">Taken back ({gone.length})</summary>
      <ul>
        {gone.map(({ back, was }) => (
          <li key={back.id} className="flex items-center gap-2 border-b border-line py-1 text-quiet">
            <span className="grow">
              <strong>{KIND_NAMES[was.kind]}</strong> {entryText(was, words)}
            </span>
            <button
              type="button"
              className="button"
              disabled={!mayWriteHere()}
              onClick={() => {
                // The same words once more, in the place of the taking back.
                log.write(was.kind, was.body, {
                  corrects: back.id,
                  ...(was.place ? { place: was.place } : {}),
                });
              }}
            >
              Put back
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** The log by day, the newest first, filtered by kind or by words. Drawn again only when the log has changed: a tap on the strip must not wait for it. */
export const EntryList = memo(function EntryList(props: EntryListProps) {
  const { jobId, log } = props;
  const { entries, read, reached } = log;
  const [kind, setKind] = useState<EntryKind | ''>('');
  const [text, setText] = useState('');
  const [all, setAll] = useState(false);
  const found = useFound(jobId, entries, text.trim());
  const standing = useMemo(() => standingEntries(entries), [entries]);
  const shown = standing
    .filter(({ entry }) => (kind === '' ? entry.kind !== 'tick' : entry.kind === kind))
    .filter(({ entry }) => found === null || found.has(entry.id));
  const newest = [...shown].reverse();
  const drawn = all ? newest : newest.slice(0, SHOWN);
  const days = [...new Set(drawn.map(({ entry }) => dayOf(entry)))].sort().reverse();
  const kinds = [...new Set(standing.map(({ entry }) => entry.kind))];
  return (
    <section aria-label="The log" className="min-w-0">
      <div className="mb-2 flex flex-wrap items-end gap-2">
        <label className="relative grow">
          <span className="sr-only">Find in the log</span>
          <Search
            aria-hidden="true"
            size={15}
            className="pointer-events-none absolute top-1/2 left-2 -translate-y-1/2"
          />
          <input
            type="search"
            className="field pl-7!"
            placeholder="find in the log"
            value={text}
            onChange={(event) => {
              setText(event.currentTarget.value);
            }}
          />
        </label>
        <label>
          <span className="sr-only">Kind of entry</span>
          <select
            className="field"
            value={kind}
            onChange={(event) => {
              setKind(kinds.find((each) => each === event.currentTarget.value) ?? '');
            }}
          >
            <option value="">everything</option>
            {kinds.map((each) => (
              <option key={each} value={each}>
                {KIND_NAMES[each]}
              </option>
            ))}
          </select>
        </label>
        <a className="button" href={`/jobs/${jobId}/sheets/log`}>
          Daily sheet
        </a>
      </div>
      <p role="status" className="text-sm text-quiet">
        {!reached
          ? 'The server cannot be reached. What you record is kept here and sent later.'
          : !read
            ? 'Reading the log …'
            : shown.length === 0
              ? text === '' && kind === ''
                ? 'Nothing is recorded yet. Begin with who is here today.'
                : 'No entry like this.'
              : `${String(shown.length)} ${shown.length === 1 ? 'entry' : 'entries'}`}
      </p>
      {log.refused !== null && (
        <p role="alert" className="text-stop">
          Not taken by the server, and kept in this browser: {log.refused}
        </p>
      )}
      {days.map((day) => (
        <section key={day} aria-label={day} className="mt-2">
          <h3 className="heading">{day}</h3>
          <ul>
            {drawn
              .filter(({ entry }) => dayOf(entry) === day)
              .map(({ entry, before }) => (
                <Line key={entry.id} {...props} entry={entry} corrected={before.length > 0} />
              ))}
          </ul>
        </section>
      ))}
      {newest.length > drawn.length && (
        <button
          type="button"
          className="button mt-2"
          onClick={() => {
            setAll(true);
          }}
        >
          Show all {newest.length}
        </button>
      )}
      <TakenBack {...props} />
    </section>
  );
});
