import type { Plan } from '@ombra/core/kernel/plan';
import { performance } from 'node:perf_hooks';
import { makeHeavyPool } from '../app/src/server/heavy/heavyPool';
import { JOB_FILES } from '../app/src/stages/packet/files';

const ENTRY = new URL('../../app/dist/server/entry.mjs', import.meta.url);
const WORKER = new URL('../../app/dist/serve/heavyWorker.mjs', import.meta.url);

/**
 * What each file of a job takes in a worker of the built server, milliseconds, the worker warm; and by how many megabytes the process
 * grew meanwhile. The first file of all pays for starting the worker.
 */
export async function exportFigures(plan: Plan): Promise<unknown> {
  const pool = makeHeavyPool(WORKER, {
    entry: ENTRY.href,
  });
  const savedAt = '2027-04-06T15:00:00.000Z';
  const job = { id: 'bench', name: plan.name, version: 1, updatedAt: savedAt, plan, lost: [] };
  const take = async (file: string): Promise<number> => {
    const start = performance.now();
    const outcome = await pool.ask({
      url: `/api/jobs/bench/export/${file}`,
      headers: { host: '127.0.0.1:4321' },
      job,
      entries: [],
    });
    if (outcome.kind !== 'answer' || outcome.answer.status >= 500)
      throw new Error(`${file}: ${outcome.kind}`);
    return Number((performance.now() - start).toFixed(0));
  };
  const before = process.memoryUsage().rss;
  const started = await take('plan.json');
  let most = before;
  const files: Record<string, number> = {};
  const names = JOB_FILES.flatMap((group) => group.files.map(({ file }) => file)).filter(
    (file) => !/job\.zip|days\.ics/.test(file),
  );
  for (const file of [...names, 'packet.pdf']) {
    // Once for the packages that it fetches, once for itself.
    const first = await take(file);
    files[`${file}, first`] = first;
    files[file] = await take(file);
    most = Math.max(most, process.memoryUsage().rss);
  }
  await pool.close();
  return { started, files, grewByMegabytes: Math.round((most - before) / 1e6) };
}
