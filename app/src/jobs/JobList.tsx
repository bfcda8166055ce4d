import { FileUp, Plus, Search, Trash2, Undo2 } from 'lucide-react';
import { type SubmitEvent, useRef, useState } from 'react';
import { newId } from '../ids';
import {
  type JobPage,
  type ListedJob,
  type Problem,
  makeEmptyJob,
  makeJobFromFile,
  makeJobFromZip,
  setRemoved,
} from '../job/server';
import { Bin } from './Bin';
import { Examples } from './Examples';
import { JobRows, nameOf } from './JobRows';
import { useAlive } from './useAlive';
import { useJobPages } from './useJobPages';

/** Largest plan file that is worth sending; the server takes no more. */
const LARGEST_FILE = 16_000_000;

interface JobListProps {
  /** The first page of jobs. */
  readonly first: JobPage;
  /** Jobs in the bin. */
  readonly inBin: number;
  /** Whether whoever looks makes jobs and removes them. */
  readonly office: boolean;
}

/** All jobs, a new one, and plan files brought in. What is removed goes into a bin. */
export function JobList({ first, inBin, office }: JobListProps) {
  const { jobs, total, failed, search, setSearch, more, again } = useJobPages(first, false);
  const [removed, setRemovedIds] = useState<ReadonlySet<string>>(new Set());
  const [binOpen, setBinOpen] = useState(false);
  const [binChange, setBinChange] = useState(0);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const alive = useAlive();
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
    open(await makeEmptyJob(name.trim() || 'New job', newId()));
  };
  const bringIn = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    if (/\.zip$/i.test(file.name)) {
      open(await makeJobFromZip(file));
      return;
    }
    if (file.size > LARGEST_FILE) {
      setProblems([
        { where: file.name, what: 'This file is over 16 MB, larger than any plan. Choose a plan file.' },
      ]);
      return;
    }
    open(await makeJobFromFile(await file.text()));
  };
  const shown = total - jobs.filter((job) => removed.has(job.id)).length;
  const setRemovedNow = async (job: ListedJob, remove: boolean): Promise<boolean> => {
    if (!(await setRemoved(job.id, remove))) {
      setProblems([
        { where: nameOf(job), what: 'The server did not answer. Nothing was changed. Try again.' },
      ]);
      return false;
    }
    setRemovedIds((before) => {
      const next = new Set(before);
      if (remove) next.add(job.id);
      else next.delete(job.id);
      return next;
    });
    setBinChange((before) => before + (remove ? 1 : -1));
    setProblems([]);
    return true;
  };
  const toggle = async (job: ListedJob, remove: boolean): Promise<void> => {
    await setRemovedNow(job, remove);
    // A job that comes back is on the list again, and the bin is one less.
    setBinOpen(false);
  };
  const restoreFromBin = async (job: ListedJob): Promise<boolean> => {
    const done = await setRemovedNow(job, false);
    if (done) again();
    return done;
  };

  return (
    <div>
      {office && (
        <form
          className="flex flex-wrap items-end gap-3"
          onSubmit={(event) => {
            void create(event);
          }}
        >
          <label className="grow">
            <span className="heading block">Name of a new job</span>
            <input
              className="field text-lg"
              maxLength={120}
              name="name"
              placeholder="Name or place of the job"
            />
          </label>
          <button type="submit" className="button strong" disabled={!alive}>
            <Plus aria-hidden="true" size={16} /> New job
          </button>
          <button type="button" className="button" disabled={!alive} onClick={() => chooser.current?.click()}>
            <FileUp aria-hidden="true" size={16} /> Open a plan or job file
          </button>
          <input
            ref={chooser}
            type="file"
            accept=".json,.zip,application/json,application/zip"
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
      )}
      {problems.length > 0 && (
        <ul role="alert" className="mt-3 border-l-3 border-stop pl-3 text-stop">
          {problems.map((problem) => (
            <li key={`${problem.where}${problem.what}`}>
              <span className="font-semibold">{problem.where}:</span> {problem.what}
            </li>
          ))}
        </ul>
      )}
      <label className="mt-6 flex items-center gap-2 border-b border-line pb-2">
        <Search aria-hidden="true" size={16} className="text-quiet" />
        <span className="sr-only">Search jobs</span>
        <input
          type="search"
          className="field"
          placeholder="Search by name"
          maxLength={120}
          autoComplete="off"
          readOnly={!alive}
          value={search}
          onChange={(event) => {
            setSearch(event.currentTarget.value);
          }}
        />
        <span className="figures whitespace-nowrap text-quiet" role="status">
          {shown} {shown === 1 ? 'job' : 'jobs'}
        </span>
      </label>
      {failed && (
        <p role="alert" className="mt-3 text-stop">
          The server did not answer.{' '}
          <button type="button" className="button" onClick={again}>
            Try again
          </button>
        </p>
      )}
      <JobRows
        label="Jobs"
        // Who lays wants today’s wall, who plans wants the plan.
        leadsTo={office ? '' : '/today'}
        jobs={jobs}
        gone={removed}
        action={(job, gone) =>
          office && (
            <button
              type="button"
              className="button plain"
              disabled={!alive}
              aria-label={gone ? `Bring ${nameOf(job)} back` : `Remove ${nameOf(job)}`}
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
          )
        }
      />
      {jobs.length < total && (
        <button type="button" className="button mt-3" disabled={!alive} onClick={more}>
          Show more
        </button>
      )}
      {total === 0 && (
        <p className="mt-4 text-quiet">
          {search.trim() === ''
            ? office
              ? 'No jobs yet. Name one above and type its walls.'
              : 'No jobs yet. The office makes them.'
            : 'No job with this name.'}
        </p>
      )}
      {office && (
        <>
          <Examples
            onOpen={async (text) => {
              open(await makeJobFromFile(text));
            }}
          />
          <button
            type="button"
            className="button plain mt-8"
            disabled={!alive}
            aria-expanded={binOpen}
            onClick={() => {
              setBinOpen(!binOpen);
            }}
          >
            <Trash2 aria-hidden="true" size={16} /> Bin
            {inBin + binChange > 0 && <span className="figures">({inBin + binChange})</span>}
          </button>
          {binOpen && <Bin onRestore={restoreFromBin} />}
        </>
      )}
    </div>
  );
}
