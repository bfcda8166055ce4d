import type { Plan } from '@ombra/core/kernel/plan';
import type { ReactNode } from 'react';
import { SHEETS } from '../../stages';
import { jobLine } from '../words';

/** What every sheet says of its job and of the state that it was printed from. */
export interface SheetJob {
  readonly plan: Plan;
  readonly jobId: string;
  readonly version: number;
  readonly savedAt: string;
}

/** Ways to the other sheets and back; left off paper. */
export function SheetLinks({
  jobId,
  here,
  children,
}: {
  readonly jobId: string;
  readonly here: string;
  readonly children?: ReactNode;
}) {
  return (
    <nav aria-label="Sheets" className="no-print mb-4 flex flex-wrap items-center gap-2">
      <a className="button" href={`/jobs/${jobId}/courses`}>
        Back to the job
      </a>
      {SHEETS.map(({ path, name }) => (
        <a
          key={path}
          className="button"
          aria-current={path === here ? 'page' : undefined}
          href={`/jobs/${jobId}/sheets/${path}`}
        >
          {path === here ? <strong>{name}</strong> : name}
        </a>
      ))}
      {children}
      <button type="button" id="print" className="button strong">
        Print
      </button>
    </nav>
  );
}

/** The head of a sheet: the job, what it is built of, and the state that was printed. */
export function SheetHead({
  job,
  title,
  line,
}: {
  readonly job: SheetJob;
  readonly title: string;
  readonly line?: string;
}) {
  return (
    <header className="mb-3 border-b-2 border-ink pb-2">
      <h1 className="text-2xl font-semibold">
        {job.plan.name}: {title}
      </h1>
      <p className="figures text-base">
        {jobLine(job.plan)}
        {line === undefined ? '' : ` · ${line}`}
      </p>
      <p className="figures text-sm text-quiet">
        State {job.version}, saved {job.savedAt.slice(0, 16).replace('T', ' ')} UTC
      </p>
    </header>
  );
}

/** The caution at the foot of every sheet. */
export const SheetFoot = () => (
  <p className="mt-4 border-t border-ink pt-2 text-sm">
    A plan to check, not a design: the stamped drawings, the form maker’s manual, the local code and the
    inspector decide.
  </p>
);
