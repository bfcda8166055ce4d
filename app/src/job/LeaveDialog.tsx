import { useCallback, useEffect, useRef, useState } from 'react';
import { Dialog } from '../ui/Dialog';
import type { Job } from './useJob';

const wait = (milliseconds: number): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, milliseconds);
  });

/** Where somebody is going, and whether the last edit is on its way there. */
type Leaving = { readonly to: string; readonly failed: boolean } | null;

/** Addresses that show the job as the server has it: sheets, lists, the plan file. */
const showsJob = (jobId: string, path: string): boolean =>
  path.startsWith(`/jobs/${jobId}/sheets/`) || path.startsWith(`/api/jobs/${jobId}/`);

/**
 * Goes to a sheet or a file of the job once everything typed is saved: what is printed is what is on screen. With the server
 * away it asks.
 */
export function useLeave(job: Job) {
  const [leaving, setLeaving] = useState<Leaving>(null);
  const { sync, log, saveState, id } = job;
  const asked = useRef(0);
  const latest = useRef({ sync, log });
  useEffect(() => {
    latest.current = { sync, log };
  });
  /** Edits and entries alike. */
  const isSaved = useCallback(
    (): boolean => (sync?.isSaved() ?? false) && log.waiting.size === 0,
    [sync, log.waiting],
  );
  const go = useCallback(
    (to: string): void => {
      if (isSaved()) {
        location.assign(to);
        return;
      }
      const turn = ++asked.current;
      setLeaving({ to, failed: false });
      void (async () => {
        // Right after the page has opened, saving may not be set up yet.
        for (let tries = 0; tries < 40 && !latest.current.sync; tries++) await wait(50);
        const [edits, entries] = await Promise.all([
          latest.current.sync?.settled() ?? false,
          latest.current.log.settled(),
        ]);
        const saved = edits && entries;
        if (turn !== asked.current) return;
        if (saved) {
          setLeaving(null);
          location.assign(to);
        } else setLeaving({ to, failed: true });
      })();
    },
    [isSaved],
  );
  /** Catches presses of links that show the job. */
  const onClickCapture = useCallback(
    (event: React.MouseEvent): void => {
      if (event.button !== 0 || event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
      const link = event.target instanceof Element ? event.target.closest('a[href]') : null;
      const to = link?.getAttribute('href') ?? '';
      if (!showsJob(id, to) || isSaved()) return;
      event.preventDefault();
      go(to);
    },
    [go, id, isSaved],
  );
  const stay = (): void => {
    asked.current += 1;
    setLeaving(null);
  };
  const dialog = (
    <Dialog title="Saving first" open={leaving !== null && saveState.kind !== 'stale'} onClose={stay}>
      {leaving?.failed ? (
        <p role="alert">
          {saveState.kind === 'refused'
            ? `Your last edits are not saved: ${saveState.what}`
            : 'The server is offline, so what you did last is not saved yet. It is kept in this browser.'}{' '}
          The sheet would show the job as last saved.
        </p>
      ) : (
        <p role="status">Saving your last edits, then opening the sheet …</p>
      )}
      <div className="mt-4 flex flex-wrap gap-2">
        {leaving?.failed && (
          <button
            type="button"
            className="button strong"
            onClick={() => {
              go(leaving.to);
            }}
          >
            Try again
          </button>
        )}
        <button
          type="button"
          className="button"
          onClick={() => {
            if (leaving) location.assign(leaving.to);
          }}
        >
          Open it as last saved
        </button>
        <button type="button" className="button" onClick={stay}>
          Stay here
        </button>
      </div>
    </Dialog>
  );
  return { go, onClickCapture, dialog };
}
