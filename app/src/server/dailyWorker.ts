import { parentPort, workerData } from 'node:worker_threads';
import { backUpToday } from './backups';
import type { DailyReport } from './housekeeping';
import { checkOpen, connect, databaseFile } from './sqlite';

/** The day's backup and the whole check of the database, on a connection of its own. */
const { folder } = workerData as { readonly folder: string };
const knex = connect(databaseFile(folder));
try {
  await knex.raw('PRAGMA busy_timeout = 5000');
  const wrong = await checkOpen(knex, 'whole');
  // A damaged database makes no backup: it would push out the good ones.
  const backup = wrong === null ? await backUpToday(knex, folder, new Date()) : null;
  parentPort?.postMessage({ backup, wrong } satisfies DailyReport);
} finally {
  await knex.destroy();
}
