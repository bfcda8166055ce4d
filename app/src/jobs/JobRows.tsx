import type { ReactNode } from 'react';
import type { ListedJob } from '../job/server';
import { ChangedAt } from './ChangedAt';
import { JobGlance } from './JobGlance';

interface JobRowsProps {
  readonly label: string;
  readonly jobs: readonly ListedJob[];
  /** Those that were removed a moment ago: they stay in their place, struck out. */
  readonly gone: ReadonlySet<string>;
  /** Where in a job its name leads. */
  readonly leadsTo?: string;
  readonly action: (job: ListedJob, gone: boolean) => ReactNode;
}

export const nameOf = (job: ListedJob): string => job.name || 'Job without a name';

/** Jobs, one a row: the name opens it; beside it what it comes to, and when it was changed. */
export function JobRows({ label, jobs, gone, leadsTo = '', action }: JobRowsProps) {
  return (
    <ul className="mt-4" aria-label={label}>
      {jobs.map((job) => (
        <li key={job.id} className="flex flex-wrap items-center gap-x-4 border-b border-line py-1">
          <span className="min-w-56 grow basis-0">
            {gone.has(job.id) ? (
              <span className="block text-lg break-words text-quiet">
                <s>{nameOf(job)}</s> removed
              </span>
            ) : (
              <a
                href={`/jobs/${job.id}${leadsTo}`}
                className="block text-lg font-semibold break-words underline decoration-line underline-offset-4 hover:decoration-chalk"
              >
                {nameOf(job)}
              </a>
            )}
            <ChangedAt at={job.updatedAt} />
          </span>
          {!gone.has(job.id) && <JobGlance key={job.updatedAt} job={job.id} />}
          {action(job, gone.has(job.id))}
        </li>
      ))}
    </ul>
  );
}
