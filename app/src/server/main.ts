import { existsSync } from 'node:fs';
import { mkdir, readFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import pino, { type Logger } from 'pino';
import { makeAccessStore } from './access/accessStore';
import { certificatesOf } from './access/certificates';
import type { Access } from './access/gate';
import { makeDoorkeeper, takePassphrase } from './access/passphrase';
import { backUpBefore, newestGoodBackup } from './backups';
import { loadDemo } from './demo';
import { makeEntryStore } from './entryStore';
import { makeFileStore } from './fileStore';
import { logged } from './errors';
import { makeHeavyPool } from './heavy/heavyPool';
import { keepingAnswers } from './heavy/keptAnswers';
import { outlineReader } from './imports/outlineReader';
import { progressBoard } from './heavy/progress';
import { makeJobStore } from './jobStore';
import { makeLiveHub } from './live/liveHub';
import { makeLiveStore } from './live/liveStore';
import { keepHouse } from './housekeeping';
import { openPostgres } from './postgres';
import { type PageHandler, startServer } from './server';
import type { Clock } from './services';
import { type Manifest, scriptsIn } from './scripts';
import { type Settings, readSettings } from './settings';
import { closeDatabase, holdFolder, openDatabase } from './sqlite';
import { startSentence } from './startFailure';
import { threadScript } from './thread';

const ROOT = new URL('../../../', import.meta.url);
const ENTRY = new URL('app/dist/server/entry.mjs', ROOT);
const CLIENT = new URL('app/dist/client/', ROOT);
const MANIFEST = new URL('.vite/manifest.json', CLIENT);

/** Things to let go of, in the order in which they were taken. */
type Releases = (() => Promise<void> | void)[];

async function letGo(releases: Releases): Promise<void> {
  for (const release of releases.reverse()) await release();
}

const LOOPBACK = /\/\/(127\.0\.0\.1|\[::1\]|localhost)[:/]?/;

/** Where a running server is reached. */
interface Reached {
  readonly address: string;
  /** From other devices. */
  readonly others: readonly string[];
  /** Where a device fetches the authority that it is to trust. */
  readonly trust: string | null;
}

/** How often to look whether the certificate is to be renewed, or the machine has other addresses. */
const RENEW_EVERY = 10 * 60_000;

/** The doors of a server that is open to more than its own machine. */
async function accessOf(knex: Knex, clock: Clock, { passphrase }: Settings): Promise<Access | null> {
  if (passphrase === null) return null;
  const store = makeAccessStore(knex, clock, randomUUID);
  return { store, door: makeDoorkeeper(await takePassphrase(store, passphrase)) };
}

/** Opens the database: that of the data folder, which is then for this server alone, or one that several servers share. */
async function databaseOf(
  { dataFolder, databaseUrl }: Settings,
  releases: Releases,
  log: Logger,
): Promise<Knex> {
  if (databaseUrl !== null) {
    await mkdir(dataFolder, { recursive: true, mode: 0o700 });
    const shared = await openPostgres(databaseUrl);
    releases.push(() => shared.destroy());
    return shared;
  }
  releases.push(await holdFolder(dataFolder));
  const { knex, backup } = await openDatabase(dataFolder, (open, migration) =>
    backUpBefore(open, dataFolder, migration),
  );
  releases.push(() => closeDatabase(knex));
  if (backup !== null) log.info({ backup }, 'backed up before migrating');
  return knex;
}

/** Takes the data folder, the database and the port, in this order, and tells how to give them back. */
async function run(settings: Settings, releases: Releases, log: Logger): Promise<Reached> {
  const { dataFolder } = settings;
  const clock = (): Date => new Date();
  const knex = await databaseOf(settings, releases, log);
  const jobs = makeJobStore(knex, clock, randomUUID);
  const entries = makeEntryStore(knex, clock);
  const files = makeFileStore(knex, dataFolder, clock, randomUUID);
  if (await loadDemo({ jobs, entries }, new URL('demo/', ROOT))) log.info('demo job loaded');
  const { handler } = (await import(ENTRY.href)) as { handler: PageHandler };
  const manifest = JSON.parse(await readFile(MANIFEST, 'utf8')) as Manifest;
  const heavy = keepingAnswers(makeHeavyPool(threadScript('heavyWorker'), { entry: ENTRY.href }));
  releases.push(() => heavy.close());
  const outlines = outlineReader(threadScript('outlineWorker'));
  const house = keepHouse(settings.databaseUrl === null ? dataFolder : null, jobs, log, clock);
  releases.push(() => house.stop());
  const health = async (): Promise<string | null> => {
    await jobs.count();
    return house.wrong();
  };
  const live = makeLiveHub(makeLiveStore(knex, clock), (error) => {
    log.warn(logged(error), 'a look at an open job failed');
  });
  const access = await accessOf(knex, clock, settings);
  const certificates = await certificatesOf(settings, clock());
  const { server, address, origins, trust, renew } = await startServer(settings, {
    services: {
      jobs,
      entries,
      files,
      log,
      health,
      progress: progressBoard(),
      outlines,
      live,
      access,
      authority: certificates?.authority ?? null,
      scripts: (sources) => scriptsIn(manifest, sources),
    },
    clientFolder: CLIENT,
    pages: handler,
    heavy,
    pair: certificates?.pair ?? null,
  });
  if (settings.tls === 'own') {
    const timer = setInterval(() => {
      certificatesOf(settings, clock())
        .then((now) => {
          if (now) renew(now.pair);
        })
        .catch((error: unknown) => {
          log.error({ reason: error instanceof Error ? error.message : '' }, 'no certificate');
        });
    }, RENEW_EVERY).unref();
    releases.push(() => {
      clearInterval(timer);
    });
  }
  releases.push(
    () =>
      new Promise<void>((resolve) => {
        server.close(() => {
          resolve();
        });
        // Lines that only tell would never end.
        live.close();
        // Requests under way may finish; idle connections are closed now and slow ones after a while.
        server.closeIdleConnections();
        setTimeout(() => {
          server.closeAllConnections();
        }, 3000).unref();
      }),
  );
  // The first page that is opened shall not wait for it.
  heavy.warm();
  const others = origins().filter((each) => each !== address && !LOOPBACK.test(each));
  return { address, others: access === null ? [] : others, trust };
}

/** Starts Ombra: settings, data folder, database, demo job, server; and stops it cleanly when asked to. */
async function main(): Promise<void> {
  const reading = readSettings(process.env, fileURLToPath(ROOT));
  if (!reading.ok) {
    for (const problem of reading.problems) console.error(problem);
    process.exitCode = 1;
    return;
  }
  if (![ENTRY, MANIFEST].every((file) => existsSync(file))) {
    console.error('Ombra is not built yet; run “npm start”, which builds it first.');
    process.exitCode = 1;
    return;
  }
  const { settings } = reading;
  // Nothing that is started from here needs to know it.
  delete process.env['OMBRA_PASSPHRASE'];
  delete process.env['OMBRA_DATABASE_URL'];
  // What this program writes is for its user alone.
  process.umask(0o077);
  const log = pino({ level: process.env['LOG_LEVEL'] ?? 'info' }, pino.destination(2));
  const releases: Releases = [];
  try {
    const { address, others, trust } = await run(settings, releases, log);
    let stopping = false;
    const stop = (signal: string): void => {
      if (stopping) return;
      stopping = true;
      log.info({ signal }, 'stopping');
      void letGo(releases).then(() => {
        log.info('stopped');
      });
    };
    process.on('SIGTERM', stop);
    process.on('SIGINT', stop);
    console.log(`Ombra is ready: ${address}`);
    if (others.length > 0) console.log(`From other devices: ${others.join(' · ')}`);
    if (trust !== null) console.log(`Devices learn to trust it at: ${trust}`);
    if (settings.tls === null && settings.address === null && others.length > 0)
      console.log('Without TLS the passphrase goes over the network as it is typed: set OMBRA_TLS=own.');
  } catch (error) {
    await letGo(releases).catch(() => undefined);
    const backup =
      settings.databaseUrl === null ? await newestGoodBackup(settings.dataFolder).catch(() => null) : null;
    const sentence = startSentence(error, settings.dataFolder, () => backup);
    console.error(sentence ?? error);
    process.exitCode = 1;
  }
}

void main();
