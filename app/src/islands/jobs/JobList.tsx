import { FileUp, Plus, Trash2, Undo2 } from 'lucide-react';
import { type SubmitEvent, useRef, useState, useSyncExternalStore } from 'react';
import { type Problem, makeEmptyJob, makeJobFromFile, setRemoved } from '../job/server';

interface ListedJob {
  readonly id: string;
  readonly name: string;
  /** When it was last saved, as the server writes it. */
  readonly updatedAt: string;
}

/** Largest plan file that is worth sending; the server takes no more. */
const LARGEST_FILE = 1_000_000;

/** Alive once the page's script runs, for good: a press before that would send the form nowhere. */
const neverChanges = () => () => undefined;

/** All jobs, a new one, and plan files brought in. Removing can be undone. */
export function JobList({ jobs }: { readonly jobs: readonly ListedJob[] }) {
  const [removed, setRemovedIds] = useState<readonly string[]>([]);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const ready = useSyncExternalStore(
    neverChanges,
    () => true,
    () => false,
  );
  const chooser = useRef<HTMLInputElement>(null);

  const open = (made: Awaited<ReturnType<typeof makeEmptyJob>>): void => {
    if (made.ok) location.assign(`/jobs/${made.id}/outline`);
    else setProblems(made.problems);
  };
  const create = async (event: SubmitEvent<HTMLFormElement>): Promise<void> => {
    event.preventDefault();
    // Read from the form: what was typed before the page came alive counts too.
    const typed = new FormData(event.currentTarget).get('name');
    const name = typeof typed === 'string' ? typed : '';
    open(await makeEmptyJob(name.trim() || 'New job', crypto.randomUUID()));
  };
  const bringIn = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (file.size > LARGEST_FILE) {
      setProblems([
        { where: file.name, what: 'This file is larger than any plan (1 MB); choose a plan file.' },
      ]);
      return;
    }
    open(await makeJobFromFile(await file.text()));
  };
  const toggle = async (job: ListedJob, remove: boolean): Promise<void> => {
    if (await setRemoved(job.id, remove)) {
      setRemovedIds(remove ? [...removed, job.id] : removed.filter((id) => id !== job.id));
      setProblems([]);
    } else {
      setProblems([{ where: job.name, what: 'The server did not answer; nothing was changed. Try again.' }]);
    }
  };

  return (
    <div>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          void create(event);
        }}
      >
        <label className="grow">
          <span className="heading block">Name of a new job</span>
          <input className="field text-lg" maxLength={120} name="name" placeholder="Whose, and where" />
        </label>
        <button type="submit" className="button strong" disabled={!ready}>
          <Plus aria-hidden="true" size={16} /> New job
        </button>
        <button type="button" className="button" onClick={() => chooser.current?.click()}>
          <FileUp aria-hidden="true" size={16} /> Open a plan file
        </button>
        <input
          ref={chooser}
          type="file"
          accept=".json,application/json"
          className="hidden"
          aria-label="Plan file"
          onChange={(event) => {
            const input = event.currentTarget;
            void bringIn(input.files?.[0]).then(() => {
              input.value = '';
            });
          }}
        />
      </form>
      {problems.length > 0 && (
        <ul role="alert" className="mt-3 border-l-3 border-stop pl-3 text-stop">
          {problems.map((problem) => (
            <li key={`${problem.where}${problem.what}`}>
              <span className="font-semibold">{problem.where}:</span> {problem.what}
            </li>
          ))}
        </ul>
      )}
      <ul className="mt-6" aria-label="Jobs">
        {jobs.map((job) => {
          const gone = removed.includes(job.id);
          return (
            <li key={job.id} className="flex items-center gap-4 border-b border-line py-2">
              {gone ? (
                <span className="grow text-lg text-quiet">
                  <s>{job.name || 'Job without a name'}</s> removed
                </span>
              ) : (
                <a
                  href={`/jobs/${job.id}`}
                  className="grow text-lg font-semibold underline decoration-line underline-offset-4 hover:decoration-chalk"
                >
                  {job.name || 'Job without a name'}
                </a>
              )}
              <time dateTime={job.updatedAt} className="figures text-quiet">
                {job.updatedAt.slice(0, 16).replace('T', ' ')} UTC
              </time>
              <button
                type="button"
                className="button plain"
                aria-label={gone ? `Bring ${job.name} back` : `Remove ${job.name}`}
                onClick={() => {
                  void toggle(job, !gone);
                }}
              >
                {gone ? (
                  <>
                    <Undo2 aria-hidden="true" size={16} /> Bring back
                  </>
                ) : (
                  <Trash2 aria-hidden="true" size={16} />
                )}
              </button>
            </li>
          );
        })}
      </ul>
      {jobs.length === 0 && (
        <p className="mt-6 text-quiet">No jobs yet. Name one above and walk its outline.</p>
      )}
    </div>
  );
}
