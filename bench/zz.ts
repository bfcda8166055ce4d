import { readFileSync } from 'node:fs';
import { readPlanText } from '@ombra/core/plan';
import { work } from '@ombra/core/work';
for (const file of process.argv.slice(2)) {
  const reading = readPlanText(readFileSync(file, 'utf8'));
  if (!reading.ok) { console.log(reading.problems); continue; }
  const w = work(reading.plan);
  console.log(file, w.notices.length);
  for (const n of w.notices) console.log(n.severity, n.id, '|', JSON.stringify(n.place), '|', n.where, '|', n.what, '|', n.why);
}
