import { readPlanText } from '@ombra/core/plan';
import { readFileSync } from 'node:fs';
import { report } from '@ombra/core/report';
import { work } from '@ombra/core/work';

/** `npm run --silent work -- plan.json`: the worked plan as JSON; what is wrong goes to standard error, exit 1. */
function main(path: string | undefined): number {
  if (path === undefined) {
    console.error('Name a plan file: npm run --silent work -- plan.json');
    return 1;
  }
  let text: string;
  try {
    text = readFileSync(path, 'utf8');
  } catch {
    console.error(`${path}: this file cannot be read; check its name and place.`);
    return 1;
  }
  const reading = readPlanText(text);
  if (!reading.ok) {
    for (const problem of reading.problems) console.error(`${path}: ${problem.where}: ${problem.what}`);
    return 1;
  }
  const worked = work(reading.plan);
  const stops = worked.notices.filter((notice) => notice.severity === 'stop');
  if (stops.length > 0) {
    for (const stop of stops) console.error(`${path}: ${stop.where}: ${stop.what}`);
    return 1;
  }
  console.log(JSON.stringify(report(worked), null, 2));
  return 0;
}

process.exitCode = main(process.argv[2]);
