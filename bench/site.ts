import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { type Plan, writePlan } from '@ombra/core/plan';
import { chromium } from '@playwright/test';
import { CHROMIUM_FLAGS, chromiumPath } from '../e2e/support/chromium';
import { makeJobStore } from '../app/src/server/jobStore';
import { openPostgres } from '../app/src/server/postgres';
import { startPostgres } from '../scripts/postgres';
import { withServer } from './withServer';

const PORT = 4395;
const ORIGIN = `http://127.0.0.1:${String(PORT)}`;
const JOB = 'sorrel-fork-hatchery';
const JOBS = 100_000;
const READS = 2_000;
const ENTRIES = 500;
const STARTS = 5;
/** How many times slower the phone's processor is taken to be than this one. */
const SLOWER = 4;

const share = (times: readonly number[], part: number): number =>
  Number(([...times].sort((a, b) => a - b)[Math.floor(times.length * part)] ?? 0).toFixed(1));

/** Milliseconds that a job takes to be read from PostgreSQL that has a hundred thousand of them; null where there is none. */
async function readsOnPostgres(plan: Plan): Promise<unknown> {
  const own = startPostgres(54_330);
  if (!own) return null;
  try {
    const knex = await openPostgres(own.url);
    const jobs = makeJobStore(knex, () => new Date(), randomUUID);
    await jobs.create(plan, 'job-0');
    await knex.raw(
      `INSERT INTO jobs (id, name, version, plan, created_at, updated_at, touched, folded)
       SELECT 'job-' || n, name || ' ' || n, version, plan, created_at, updated_at, n + 1, folded || ' ' || n
       FROM jobs, generate_series(1, ?) AS n WHERE id = 'job-0'`,
      [JOBS - 1],
    );
    await knex.raw('ANALYZE');
    const timed = async (
      step: (run: number) => Promise<unknown>,
      runs: number,
    ): Promise<readonly number[]> => {
      const times: number[] = [];
      for (let run = 0; run < runs; run++) {
        const began = performance.now();
        await step(run);
        times.push(performance.now() - began);
      }
      return times;
    };
    const reads = await timed((run) => jobs.get(`job-${String((run * 7919) % JOBS)}`), READS);
    const lists = await timed(() => jobs.list(), 50);
    const searches = await timed((run) => jobs.list({ search: `hatchery ${String(run * 97)}` }), 20);
    await knex.destroy();
    return {
      jobs: JOBS,
      readMedianMs: share(reads, 0.5),
      readP99Ms: share(reads, 0.99),
      listMedianMs: share(lists, 0.5),
      searchMedianMs: share(searches, 0.5),
    };
  } finally {
    own.stop();
  }
}

/** Milliseconds until the card of Today's view is on screen, cold, from the service worker, and until it can be pressed. */
async function todayCold(): Promise<unknown> {
  const profile = mkdtempSync(join(tmpdir(), 'ombra-phone-'));
  const open = () =>
    chromium.launchPersistentContext(profile, {
      executablePath: chromiumPath(),
      args: [...CHROMIUM_FLAGS],
      viewport: { width: 390, height: 844 },
      isMobile: true,
      hasTouch: true,
    });
  const first = await open();
  const page = await first.newPage();
  await page.goto(`${ORIGIN}/jobs/${JOB}/today`);
  await page.getByText('Works without signal').waitFor();
  await page.waitForTimeout(1_500);
  await first.close();
  const [card, alive]: [number[], number[]] = [[], []];
  for (let start = 0; start < STARTS; start++) {
    const phone = await open();
    const cold = await phone.newPage();
    const devtools = await phone.newCDPSession(cold);
    await devtools.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    const began = performance.now();
    await cold.goto(`${ORIGIN}/jobs/${JOB}/today`, { waitUntil: 'commit' });
    await cold.getByRole('region', { name: 'Next piece' }).waitFor();
    card.push(performance.now() - began);
    await cold.getByRole('button', { name: /^Laid: / }).waitFor();
    alive.push(performance.now() - began);
    await phone.close();
  }
  rmSync(profile, { recursive: true, force: true });
  return {
    slowedBy: SLOWER,
    cardMedianMs: share(card, 0.5),
    cardWorstMs: share(card, 0.99),
    aliveMedianMs: share(alive, 0.5),
  };
}

/** Milliseconds from the signal coming back until five hundred entries that waited have arrived. */
async function syncOfMany(): Promise<number> {
  const browser = await chromium.launch({ executablePath: chromiumPath(), args: [...CHROMIUM_FLAGS] });
  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await page.goto(`${ORIGIN}/jobs/${JOB}/today`);
  await page.getByText('Works without signal').waitFor();
  await context.setOffline(true);
  await page.evaluate(
    async ({ job, count }) => {
      const opened = await new Promise<IDBDatabase>((resolve, reject) => {
        const request = indexedDB.open('ombra-log');
        request.onupgradeneeded = () => request.result.createObjectStore('waiting');
        request.onsuccess = () => {
          resolve(request.result);
        };
        request.onerror = () => {
          reject(new Error('no store'));
        };
      });
      const store = opened.transaction('waiting', 'readwrite').objectStore('waiting');
      for (let index = 0; index < count; index++) {
        const id = crypto.randomUUID();
        const entry = {
          id,
          at: new Date().toISOString(),
          who: 'Bench',
          kind: 'note',
          body: { what: `Note ${String(index)}` },
        };
        store.put(entry, `${job}|${id}`);
      }
      await new Promise((resolve) => (store.transaction.oncomplete = resolve));
      opened.close();
    },
    { job: JOB, count: ENTRIES },
  );
  await page.reload();
  await page.getByText(`${String(ENTRIES)} waiting`).waitFor();
  const began = performance.now();
  await context.setOffline(false);
  await page.getByText('waiting').waitFor({ state: 'detached' });
  const took = performance.now() - began;
  await browser.close();
  return Math.round(took);
}

/** What the phone and the firm's server take. */
export async function siteFigures(plan: Plan): Promise<unknown> {
  const browser = await withServer(PORT, async () => ({
    today: await todayCold(),
    syncOf500EntriesMs: await syncOfMany(),
  }));
  return {
    ...browser,
    planFileBytes: JSON.stringify(writePlan(plan)).length,
    postgres: await readsOnPostgres(plan),
  };
}
