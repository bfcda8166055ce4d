import type { ReactNode } from 'react';
import type { ListedJob } from '../job/server';

interface JobRowsProps {
  readonly label: string;
  readonly jobs: readonly ListedJob[];
  /** Those that were removed a moment ago: they stay in their place, struck out. */
  readonly gone: ReadonlySet<string>;
  readonly action: (job: ListedJob, gone: boolean) => ReactNode;
}

export const nameOf = (job: ListedJob): string => job.name || 'Job without a name';

/** Jobs, one a row: the name opens it. */
export function JobRows({ label, jobs, gone, action }: JobRowsProps) {
  return (
    <ul className="mt-4" aria-label={label}>
      {jobs.map((job) => (
        <li key={job.id} className="flex items-center gap-4 border-b border-line py-2">
          {gone.has(job.id) ? (
            <span className="min-w-0 grow text-lg break-words text-quiet">
              <s>{nameOf(job)}</s> removed
            </span>
          ) : (
            <a
              href={`/jobs/${job.id}`}
              className="min-w-0 grow text-lg font-semibold break-words underline decoration-line underline-offset-4 hover:decoration-chalk"
            >
              {nameOf(job)}
            </a>
          )}
          <time dateTime={job.updatedAt} className="figures text-quiet">
            {job.updatedAt.slice(0, 16).replace('T', ' ')} UTC
          </time>
          {action(job, gone.has(job.id))}
        </li>
      ))}
    </ul>
  );
}
