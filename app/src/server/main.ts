import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { randomUUID } from 'node:crypto';
import pino from 'pino';
import { loadDemo } from './demo';
import { makeJobStore } from './jobStore';
import { type PageHandler, startServer } from './server';
import { readSettings } from './settings';
import { openDatabase } from './sqlite';

const ROOT = new URL('../../../', import.meta.url);
const ENTRY = new URL('app/dist/server/entry.mjs', ROOT);
const CLIENT = new URL('app/dist/client/', ROOT);

/** Starts Ombra: settings, database, demo job, server; and stops it cleanly when asked to. */
async function main(): Promise<void> {
  const reading = readSettings(process.env, fileURLToPath(ROOT));
  if (!reading.ok) {
    for (const problem of reading.problems) console.error(problem);
    process.exitCode = 1;
    return;
  }
  if (!existsSync(ENTRY)) {
    console.error('Ombra is not built yet; run “npm start”, which builds it first.');
    process.exitCode = 1;
    return;
  }
  const { settings } = reading;
  const log = pino({ level: process.env['LOG_LEVEL'] ?? 'info' }, pino.destination(2));
  const clock = (): Date => new Date();
  const { knex, backup } = await openDatabase(settings.dataFolder, clock);
  if (backup !== null) log.info({ backup }, 'backed up before migrating');
  const jobs = makeJobStore(knex, clock, randomUUID);
  if (await loadDemo(jobs, new URL('demo/sorrel-fork-hatchery.json', ROOT))) log.info('demo job loaded');
  const { handler } = (await import(ENTRY.href)) as { handler: PageHandler };
  const { server, address } = await startServer(settings, { jobs, log }, CLIENT, handler).catch(
    async (error: unknown) => {
      await knex.destroy();
      throw error;
    },
  );

  let stopping = false;
  const stop = (signal: string): void => {
    if (stopping) return;
    stopping = true;
    log.info({ signal }, 'stopping');
    server.close(() => {
      void knex.destroy().then(() => {
        log.info('stopped');
      });
    });
    // Requests under way may finish; idle connections are closed now and slow ones after a while.
    server.closeIdleConnections();
    setTimeout(() => {
      server.closeAllConnections();
    }, 3000).unref();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  console.log(`Ombra is ready: ${address}`);
}

main().catch((error: unknown) => {
  const taken = error instanceof Error && 'code' in error && error.code === 'EADDRINUSE';
  console.error(
    taken ? 'That port is taken; stop what runs there, or choose another with PORT=4322 npm start.' : error,
  );
  process.exitCode = 1;
});
