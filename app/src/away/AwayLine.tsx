import { CloudOff, Download } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { Job } from '../job/useJob';
import { canGoAway, lookForNewer, readyForAway, useNewer } from './register';
import { NoRoom, takeAlong, takenJob } from './takenJobs';

type State = 'asking' | 'taken' | 'cannot' | 'no-room' | 'failed';

/** Takes a job along: the program, the plan and the log, kept on this device. */
async function take(job: Job): Promise<State> {
  if (!canGoAway()) return 'cannot';
  const standing = job.sync?.standing();
  if (!standing?.plan) return 'failed';
  try {
    const { entries, last, waiting } = job.log;
    await takeAlong(job.id, {
      version: standing.version,
      plan: standing.plan,
      entries: entries.filter(({ id }) => !waiting.has(id)),
      last,
    });
  } catch (error) {
    return error instanceof NoRoom ? 'no-room' : 'failed';
  }
  // Else a browser may throw it away when it wants the room for another site.
  await navigator.storage.persist().catch(() => false);
  return (await readyForAway()) ? 'taken' : 'failed';
}

const WORDS: Readonly<Record<State, string>> = {
  asking: 'Taking the job along …',
  taken: 'Works without signal',
  cannot: 'Needs signal: this browser keeps nothing without TLS',
  'no-room': 'Needs signal: no room left on this device. Make room, then load again',
  failed: 'Needs signal: not all of it could be taken along. Load again to try',
};

/** Today’s view takes its job along by itself, and says how that stands and what waits. */
export function AwayLine({ job }: { readonly job: Job }) {
  const [state, setState] = useState<State>('asking');
  const { newer } = useNewer();
  const ready = job.sync !== null && job.log.read;
  useEffect(() => {
    void lookForNewer();
  }, []);
  useEffect(() => {
    if (!ready) return;
    const visit = { over: false };
    void (async () => {
      const known = await takenJob(job.id);
      const next = known && !job.log.reached && (await readyForAway()) ? 'taken' : await take(job);
      if (!visit.over) setState(next);
    })();
    return () => {
      visit.over = true;
    };
    // Once; what changes later is brought up to date elsewhere.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [ready]);
  const waiting = job.log.waiting.size + (job.saveState.kind === 'saved' ? 0 : 1);
  return (
    <p role="status" className="flex w-full flex-wrap items-center gap-x-3 text-[15px] text-quiet">
      <span>
        {job.log.reached ? (
          <Download aria-hidden="true" className="mr-1 inline" size={15} />
        ) : (
          <CloudOff aria-hidden="true" className="mr-1 inline" size={15} />
        )}
        {job.log.reached ? WORDS[state] : 'No signal'}
        {waiting > 0 && ` · ${String(waiting)} waiting`}
      </span>
      {newer && (
        <button type="button" className="button min-h-11" disabled={newer.taking} onClick={newer.take}>
          {newer.taking ? 'Taking the newer Ombra …' : 'Take the newer Ombra'}
        </button>
      )}
    </p>
  );
}
