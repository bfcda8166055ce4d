import type { ReactNode } from 'react';
import { SHEETS } from '../../stages';
import type { SheetProps } from '../stage';
import { jobLine } from '../words';

/** What every sheet says of its job and of the state that it was printed from. */
type SheetJob = Pick<SheetProps, 'plan' | 'jobId' | 'version' | 'savedAt'>;

/** Ways to the other sheets and back; left off paper. */
function SheetLinks({
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
function SheetHead({
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

/** On a phone a table that is wider than it moves within the sheet, not with it. */
const WITHIN = 'overflow-x-auto print:overflow-visible';

/** The caution at the foot of every sheet. */
const SheetFoot = () => (
  <p className="mt-4 border-t border-ink pt-2 text-sm">
    A plan to check, not a design. The stamped drawings, the form maker’s manual, the local code and the
    inspector decide.
  </p>
);

/**
 * The frame of a sheet to print: the ways to the other sheets, which stay off paper; then one page with its head and the caution
 * at its foot, or pages of the sheet's own (`SheetPage`).
 */
export function SheetFrame({
  job,
  here,
  wide = false,
  links,
  title,
  line,
  children,
}: {
  readonly job: SheetJob;
  /** Its place in the address. */
  readonly here: string;
  /** Whether its tables want more room than the usual column. */
  readonly wide?: boolean;
  /** What stands beside the ways to the other sheets. */
  readonly links?: ReactNode;
  /** Left out where the sheet has pages of its own. */
  readonly title?: string;
  readonly line?: string;
  readonly children: ReactNode;
}) {
  return (
    <div className={`mx-auto p-6 max-sm:p-4 print:p-0 ${wide ? 'max-w-[820px]' : 'max-w-[760px]'}`}>
      <SheetLinks jobId={job.jobId} here={here}>
        {links}
      </SheetLinks>
      {title === undefined ? (
        <main className={WITHIN}>{children}</main>
      ) : (
        <>
          <SheetHead job={job} title={title} {...(line === undefined ? {} : { line })} />
          <main className={WITHIN}>{children}</main>
          <SheetFoot />
        </>
      )}
    </div>
  );
}

/** One of several pages of a sheet, with a head and a foot of its own. */
export function SheetPage({
  job,
  label,
  title,
  line,
  first,
  children,
}: {
  readonly job: SheetJob;
  readonly label: string;
  readonly title: string;
  readonly line: string;
  readonly first: boolean;
  readonly children: ReactNode;
}) {
  return (
    <section aria-label={label} className={first ? '' : 'mt-8 break-before-page print:mt-0'}>
      <SheetHead job={job} title={title} line={line} />
      {children}
      <SheetFoot />
    </section>
  );
}
