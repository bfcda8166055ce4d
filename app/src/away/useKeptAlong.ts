import type { Plan } from '@ombra/core/kernel/plan';
import { useEffect } from 'react';
import type { LogState } from '../job/logSync';
import type { SaveState, Sync } from '../job/sync';
import { bringUpToDate } from './takenJobs';

/** Milliseconds after the last change until what was taken along is brought up to date. */
const QUIET = 800;

/** The plan as it is on the page, and how it stands with the server. */
interface PlanSide {
  readonly sync: Sync | null;
  readonly saveState: SaveState;
  readonly plan: Plan;
}

/** Keeps a job that was taken along as new as this page knows it. */
export function useKeptAlong(
  jobId: string,
  { sync, saveState, plan }: PlanSide,
  log: Pick<LogState, 'entries' | 'last' | 'waiting' | 'read'>,
): void {
  const saved = saveState.kind === 'saved';
  useEffect(() => {
    if (!saved || !sync) return;
    const timer = setTimeout(() => {
      const { version, plan: base } = sync.standing();
      if (base) void bringUpToDate(jobId, { version, plan: base });
    }, QUIET);
    return () => {
      clearTimeout(timer);
    };
  }, [jobId, sync, saved, plan]);
  const { entries, last, waiting, read } = log;
  useEffect(() => {
    if (!read) return;
    const timer = setTimeout(() => {
      // What waits is kept elsewhere until it has arrived.
      void bringUpToDate(jobId, { entries: entries.filter(({ id }) => !waiting.has(id)), last });
    }, QUIET);
    return () => {
      clearTimeout(timer);
    };
  }, [jobId, entries, last, waiting, read]);
}
