import type { ReactNode } from 'react';
import { type FallbackProps, ErrorBoundary } from 'react-error-boundary';
import type { Job } from '../job/useJob';

interface StageBoundaryProps {
  readonly job: Job;
  readonly stage: string;
  readonly children: ReactNode;
}

/** A stage that breaks says so in its own place; the header, the other stages and saving go on. */
export function StageBoundary({ job, stage, children }: StageBoundaryProps) {
  const broken = ({ resetErrorBoundary }: FallbackProps) => (
    <div role="alert" className="p-6">
      <p className="font-semibold text-stop">
        This view failed. It is our fault, not yours. Your edits are kept.
      </p>
      <p className="mt-1 text-quiet">Try again, undo the last edit, or use another stage.</p>
      <p className="mt-3 flex gap-2">
        <button type="button" className="button strong" onClick={resetErrorBoundary}>
          Try again
        </button>
        <button
          type="button"
          className="button"
          disabled={!job.canUndo}
          onClick={() => {
            job.undo();
            resetErrorBoundary();
          }}
        >
          Undo the last edit
        </button>
      </p>
    </div>
  );
  return (
    <ErrorBoundary resetKeys={[stage, job.plan]} fallbackRender={broken}>
      {children}
    </ErrorBoundary>
  );
}
