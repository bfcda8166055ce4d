import { readPlanText } from '@ombra/core/plan';
import { readFile } from 'node:fs/promises';
import type { JobStore } from './jobStore';

/** Loads the demo job into a database that has never held a job; a removed demo stays removed. */
export async function loadDemo(jobs: JobStore, file: URL): Promise<boolean> {
  if ((await jobs.count()) > 0) return false;
  const reading = readPlanText(await readFile(file, 'utf8'));
  if (!reading.ok) throw new Error(`The demo plan does not read: ${JSON.stringify(reading.problems)}`);
  await jobs.create(reading.plan, 'sorrel-fork-hatchery');
  return true;
}
