import { CloudOff } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Logo } from '../ui/Logo';
import { leaveBehind, takenJobs } from './takenJobs';

/** Jobs that were taken along, where there is no signal for the others. */
export default function AwayList({ missing }: { readonly missing: boolean }) {
  const [jobs, setJobs] = useState<Awaited<ReturnType<typeof takenJobs>> | null>(null);
  const look = (): void => {
    void takenJobs().then(setJobs);
  };
  useEffect(look, []);
  return (
    <>
      <header className="flex h-14 items-center border-b border-line px-5">
        <Logo />
      </header>
      <main className="mx-auto w-full max-w-3xl p-6 max-sm:p-4">
        <h1 className="text-2xl font-semibold">
          <CloudOff aria-hidden="true" className="mr-2 inline" />
          No signal
        </h1>
        <p className="mb-4 text-quiet">
          {missing
            ? 'The server does not answer, and this page was not taken along. These jobs are on this device.'
            : 'The server does not answer. These jobs are on this device; what you write waits and arrives by itself.'}
        </p>
        {jobs?.length === 0 && (
          <p>None. Open a job’s Today page while there is a signal: that takes it along.</p>
        )}
        <ul>
          {jobs?.map((job) => (
            <li key={job.id} className="flex flex-wrap items-center gap-2 border-b border-line py-2">
              <span className="min-w-0 grow">
                <strong className="block truncate">{job.name}</strong>
                <span className="text-[15px] text-quiet">
                  as of {job.at.slice(0, 16).replace('T', ' ')} UTC
                </span>
              </span>
              <a className="button strong min-h-12" href={`/jobs/${job.id}/today`}>
                Today
              </a>
              <a className="button min-h-12" href={`/jobs/${job.id}/courses`}>
                All stages
              </a>
              <button
                type="button"
                className="button plain min-h-12"
                aria-label={`Leave ${job.name} behind`}
                onClick={() => {
                  void leaveBehind(job.id).then(look);
                }}
              >
                Leave behind
              </button>
            </li>
          ))}
        </ul>
        <p className="mt-4">
          <button
            type="button"
            className="button min-h-12"
            onClick={() => {
              location.reload();
            }}
          >
            Try again
          </button>
        </p>
      </main>
    </>
  );
}
