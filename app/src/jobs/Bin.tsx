import { Undo2 } from 'lucide-react';
import type { ListedJob } from '../job/server';
import { nameOf } from './JobRows';
import { useJobPages } from './useJobPages';

interface BinProps {
  /** Brings a job back; false where that failed. */
  readonly onRestore: (job: ListedJob) => Promise<boolean>;
}

/** Removed jobs, to bring back. */
export function Bin({ onRestore }: BinProps) {
  const { jobs, total, loading, failed, more, again } = useJobPages(null, true);
  return (
    <section aria-label="Bin" className="mt-3 border-l-3 border-line pl-4">
      {loading && <p className="text-quiet">Loading …</p>}
      {failed && (
        <p role="alert" className="text-stop">
          The server did not answer.{' '}
          <button type="button" className="button" onClick={again}>
            Try again
          </button>
        </p>
      )}
      {!loading && !failed && jobs.length === 0 && <p className="text-quiet">The bin is empty.</p>}
      <ul>
        {jobs.map((job) => (
          <li key={job.id} className="flex items-center gap-4 border-b border-line py-1">
            <span className="min-w-0 grow break-words">{nameOf(job)}</span>
            <button
              type="button"
              className="button"
              aria-label={`Bring ${nameOf(job)} back`}
              onClick={() => {
                void onRestore(job).then((done) => {
                  if (done) again();
                });
              }}
            >
              <Undo2 aria-hidden="true" size={16} /> Bring back
            </button>
          </li>
        ))}
      </ul>
      {jobs.length < total && (
        <button type="button" className="button mt-2" onClick={more}>
          Show more
        </button>
      )}
    </section>
  );
}
