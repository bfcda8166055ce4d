import { Suspense, lazy } from 'react';
import { useClockOff } from './clock';
import { useShutDoor } from './door';
import type { Job, OpenJob } from './useJob';

/** The list names this many lost parts and counts the rest. */
const MOST_TOLD = 6;

// Words for times come with a good part of a package: only where a clock is off.
const ClockAlert = lazy(() => import('./ClockAlert'));

/** What is wrong with the job as a whole: a stored plan that reads in part only, working it out that takes long or broke. */
export function JobAlerts({ open, job }: { readonly open: OpenJob; readonly job: Job }) {
  const { lost = [] } = open;
  const { workState } = job;
  const clockOff = useClockOff();
  const shut = useShutDoor();
  return (
    <>
      {lost.length > 0 && (
        <div role="alert" className="border-b border-line bg-sheet p-3">
          <p className="font-semibold text-stop">
            Parts of this plan could not be read and are left out. The stored file is unchanged.
          </p>
          <ul className="mt-1 list-inside list-disc text-sm">
            {lost.slice(0, MOST_TOLD).map((each) => (
              <li key={`${each.where}${each.what}`}>
                {each.where}: {each.what}
              </li>
            ))}
            {lost.length > MOST_TOLD && <li>and {lost.length - MOST_TOLD} more</li>}
          </ul>
          <a className="button mt-2" href={`/api/jobs/${open.id}/plan.json?raw`} download>
            Download the file as stored
          </a>
        </div>
      )}
      {shut && (
        <p role="alert" className="flex flex-wrap items-center gap-3 border-b border-line bg-sheet p-3">
          This device is signed out. Sign in again to send what you wrote; it is kept here.
          <a className="button min-h-11" href={`/sign-in?to=${encodeURIComponent(location.pathname)}`}>
            Sign in
          </a>
        </p>
      )}
      {job.unkept && (
        <p role="alert" className="border-b border-line bg-sheet p-3 text-stop">
          This device does not keep what you write: it has no room, or the browser is set to keep nothing.
          What you write is only on this page until it is sent. Stay here until there is a signal.
        </p>
      )}
      {clockOff !== 0 && (
        <Suspense fallback={null}>
          <ClockAlert off={clockOff} />
        </Suspense>
      )}
      {job.log.onlyLooks && (
        <p role="alert" className="border-b border-line bg-sheet p-3">
          You can only read this job. Nothing was written. Ask the office for a crew link.
        </p>
      )}
      {job.refusedEdit && !job.log.onlyLooks && (
        <p role="alert" className="border-b border-line bg-sheet p-3">
          Only the office edits this plan. Nothing was changed. You can write the log and the board.
        </p>
      )}
      {workState === 'slow' && (
        <p role="alert" className="flex items-center gap-3 border-b border-line bg-sheet p-3">
          This plan is taking a long time. Your edits are saved.
          <button type="button" className="button" onClick={job.stopWork}>
            Stop
          </button>
        </p>
      )}
      {workState === 'stopped' && (
        <p role="alert" className="flex items-center gap-3 border-b border-line bg-sheet p-3 text-stop">
          Stopped. Undo the last edit, change what is out of range, or try again.
          <button type="button" className="button" onClick={job.workAgain}>
            Try again
          </button>
        </p>
      )}
      {workState === 'broken' && (
        <p role="alert" className="border-b border-line bg-sheet p-3 text-stop">
          This plan could not be worked out. Your edits are kept. Undo the last one, or reload the page.
        </p>
      )}
    </>
  );
}
