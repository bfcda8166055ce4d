import type { Logger } from 'pino';
import type { JobStore } from './jobStore';
import type { Clock } from './services';
import { startThread, threadScript } from './thread';

/** How often to check whether the daily work is due. */
const LOOK_EVERY = 10 * 60_000;
/** After a start the first view comes first. */
const FIRST_LOOK = 5_000;

/** What the worker answers: the backup that it made, if one was due, and what is wrong with the database. */
export interface DailyReport {
  readonly backup: string | null;
  readonly wrong: string | null;
}

interface House {
  readonly stop: () => Promise<void>;
  /** What the last whole check of the database found wrong; null where nothing. */
  readonly wrong: () => string | null;
}

/** Makes the day's backup and checks the database, in a thread of its own: both read all of it. */
function dailyWork(folder: string): {
  readonly report: Promise<DailyReport>;
  readonly end: () => Promise<unknown>;
} {
  const worker = startThread(threadScript('dailyWorker'), { folder });
  const report = new Promise<DailyReport>((resolve, reject) => {
    worker.once('message', resolve);
    worker.once('error', reject);
    worker.once('exit', () => {
      reject(new Error('The daily backup was broken off.'));
    });
  });
  return { report, end: () => worker.terminate() };
}

/**
 * The work of each day while the server runs: a backup, a whole check of the database, old states thinned out.
 *
 * @param folder of the database; null where it has tools of its own for backups and checks
 */
export function keepHouse(folder: string | null, jobs: JobStore, log: Logger, clock: Clock): House {
  let wrong: string | null = null;
  let doneOn = '';
  let running: { readonly end: () => Promise<unknown> } | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let stopped = false;

  const backUp = async (of: string): Promise<void> => {
    const work = dailyWork(of);
    running = work;
    const report = await work.report;
    wrong = report.wrong;
    if (report.backup !== null) log.info({ backup: report.backup }, 'backed up');
    if (wrong !== null) log.error({ wrong }, 'the database does not check');
  };
  const look = async (): Promise<void> => {
    const today = clock().toISOString().slice(0, 10);
    if (today !== doneOn) {
      try {
        if (folder !== null) await backUp(folder);
        await jobs.thin();
        doneOn = today;
      } catch (error) {
        // Stopped in the middle, or no room: the next look tries again.
        if (!stopped)
          log.error({ reason: error instanceof Error ? error.message.slice(0, 160) : '' }, 'no backup');
      } finally {
        running = null;
      }
    }
    if (!stopped) timer = setTimeout(() => void look(), LOOK_EVERY).unref();
  };
  timer = setTimeout(() => void look(), FIRST_LOOK).unref();

  return {
    wrong: () => wrong,
    stop: async () => {
      stopped = true;
      clearTimeout(timer);
      await running?.end();
    },
  };
}
