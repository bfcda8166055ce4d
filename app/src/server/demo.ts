import { type Entry, readEntry } from '@ombra/core/kernel/record';
import { readPlanText } from '@ombra/core/planFile';
import { readFile } from 'node:fs/promises';
import type { Services } from './services';

const DEMO = 'sorrel-fork-hatchery';

/** The entries of the demo’s log, one a line. */
function entriesOf(text: string): readonly Entry[] {
  return text
    .split('\n')
    .filter((line) => line.trim() !== '')
    .map((line) => {
      const reading = readEntry(JSON.parse(line));
      if (!reading.ok) throw new Error(`The demo log does not read: ${JSON.stringify(reading.problems)}`);
      return reading.entry;
    });
}

/** Loads the demo job and its log into a database that has never held a job; a removed demo stays removed. */
export async function loadDemo(
  { jobs, entries }: Pick<Services, 'jobs' | 'entries'>,
  folder: URL,
): Promise<boolean> {
  if ((await jobs.count()) > 0) return false;
  const reading = readPlanText(await readFile(new URL(`${DEMO}.json`, folder), 'utf8'));
  if (!reading.ok) throw new Error(`The demo plan does not read: ${JSON.stringify(reading.problems)}`);
  const log = entriesOf(await readFile(new URL(`${DEMO}.log.jsonl`, folder), 'utf8'));
  await jobs.create(reading.plan, DEMO);
  await entries.add(DEMO, log);
  return true;
}
