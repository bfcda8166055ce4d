import type { HoldState } from '@ombra/core/stages/days';
import { Camera, CircleAlert, CircleCheck, CircleDashed } from 'lucide-react';
import { useState } from 'react';
import { FellOff } from '../../frame/FellOff';
import type { Job } from '../../job/useJob';
import { mayWriteHere } from '../../job/role';
import { keptName } from '../../job/signature';
import { useSeen } from '../../job/useSeen';
import { LineField } from './log/Field';

const LOOKS: Readonly<
  Record<
    HoldState['state'],
    { readonly word: string; readonly colour: string; readonly Icon: typeof CircleCheck }
  >
> = {
  signed: { word: 'signed', colour: 'text-record', Icon: CircleCheck },
  fallen: { word: 'sign again: the job has changed', colour: 'text-check', Icon: CircleAlert },
  open: { word: 'not signed', colour: 'text-quiet', Icon: CircleDashed },
};

interface HoldProps {
  readonly job: Job;
  readonly hold: HoldState;
  /** Shown name of the item that waits for it. */
  readonly before: string | null;
}

/** One hold point: the lines to check, the tolerance, and who signs. */
function Hold({ job, hold, before }: HoldProps) {
  const seen = useSeen(job, hold.ticked);
  const [by, setBy] = useState(keptName);
  const [word, setWord] = useState('');
  const { word: state, colour, Icon } = LOOKS[hold.state];
  const left = hold.lines.filter((line) => !seen.done(hold.id, line)).length;
  return (
    <details className="border-b border-line" data-hold={hold.id}>
      <summary className="flex min-h-(--target) cursor-pointer flex-wrap items-center gap-x-3">
        <Icon aria-hidden="true" size={17} className={colour} />
        <strong>{hold.name}</strong>
        <span className={`text-sm ${colour}`}>
          {state}
          {hold.signature && hold.state === 'signed'
            ? ` by ${hold.signature.by}, ${hold.signature.at.slice(0, 16).replace('T', ' ')}`
            : ''}
        </span>
        <span className="ml-auto text-sm text-quiet">{before === null ? '' : `before ${before}`}</span>
      </summary>
      <div className="mb-3 ml-6 flex flex-col gap-1">
        {(hold.tolerance !== null || hold.picture) && (
          <p className="text-sm">
            {hold.tolerance === null
              ? ''
              : `${hold.tolerance.slice(0, 1).toUpperCase()}${hold.tolerance.slice(1)}. `}
            {hold.picture && (
              <span className="text-quiet">
                <Camera aria-hidden="true" size={14} className="inline align-[-2px]" /> Take a picture before
                it is covered.
              </span>
            )}
          </p>
        )}
        <ul>
          {hold.lines.map((line) => (
            <li key={line.id}>
              <label className="flex min-h-(--target) items-start gap-2 py-0.5">
                <input
                  type="checkbox"
                  className="mt-1 size-5 accent-record"
                  checked={seen.done(hold.id, line)}
                  disabled={!mayWriteHere()}
                  onChange={(event) => {
                    seen.set(hold.id, line, event.currentTarget.checked);
                  }}
                />
                <span>
                  {line.what}
                  <FellOff was={seen.was(hold.id, line)} />
                </span>
              </label>
            </li>
          ))}
        </ul>
        {hold.state === 'fallen' && (
          <ul className="text-sm text-check">
            {hold.fell.map(({ was, now }) => (
              <li key={`${was} ${now ?? ''}`}>
                {was === '' ? `New: ${now ?? ''}` : now === null ? `No longer: ${was}` : `Was: ${was}`}
              </li>
            ))}
          </ul>
        )}
        <p className="text-sm text-quiet">Signs: {hold.who}.</p>
        {mayWriteHere() && (
          <form
            className="flex flex-wrap items-end gap-2"
            onSubmit={(event) => {
              event.preventDefault();
              job.log.write('hold', {
                point: hold.id,
                name: hold.name,
                lines: hold.lines.map(({ what }) => what),
                by: by.trim(),
                word: [word.trim(), ...(left > 0 ? [`${String(left)} lines not ticked`] : [])]
                  .filter((each) => each !== '')
                  .join('; '),
              });
              setWord('');
            }}
          >
            <LineField label="Signed by" text={by} most={80} onType={setBy} />
            <LineField label="Remark" text={word} onType={setWord} />
            <button type="submit" className="button strong" disabled={by.trim() === ''}>
              {left > 0 ? `Sign with ${String(left)} not ticked` : 'Sign'}
            </button>
          </form>
        )}
      </div>
    </details>
  );
}

/** Every hold point in the order of the work. */
export function HoldPanel({
  job,
  holds,
  nameOf,
}: {
  readonly job: Job;
  readonly holds: readonly HoldState[];
  readonly nameOf: (item: string) => string | null;
}) {
  const open = holds.filter(({ state }) => state !== 'signed').length;
  return (
    <section aria-label="Hold points">
      <p role="status" className="mb-2">
        <strong>
          {open === 0 ? 'All are signed.' : `${String(open)} of ${String(holds.length)} not signed.`}
        </strong>{' '}
        <span className="text-quiet">
          Work stops at each until somebody has looked. The stamped drawings, the local code and the inspector
          decide.
        </span>
      </p>
      {holds.map((hold) => (
        <Hold
          key={hold.id}
          job={job}
          hold={hold}
          before={hold.before === null ? null : nameOf(hold.before)}
        />
      ))}
    </section>
  );
}
