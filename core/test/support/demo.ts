import { readFileSync } from 'node:fs';
import type { Plan } from '../../src/kernel/plan';
import { readPlanText } from '../../src/planFile';

/** The plan file of the job that Ombra starts with. */
export const DEMO_FILE = readFileSync(
  new URL('../../../demo/sorrel-fork-hatchery.json', import.meta.url),
  'utf8',
);

/** The job that Ombra starts with: a stepped footing, openings, inserts, measured soil, braces on hand. */
export function demoPlan(): Plan {
  const reading = readPlanText(DEMO_FILE);
  if (!reading.ok) throw new Error('the demo does not read');
  return reading.plan;
}
