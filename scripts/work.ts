import { readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { readPlanText } from '@ombra/core/planFile';
import { report } from '@ombra/core/report';
import { work } from '@ombra/core/work';
import type { ExportJob, Made } from '../app/src/server/exports/job';

const USE = `Name a plan file: npm run --silent work -- plan.json
  --format json|csv|xlsx|dxf|ifc|svg|pdf   what to write; json, the worked plan, where left out
  --sheet NAME       table (tally, order, bending …), drawing (plan, strip, course-3 …), or sheets of the packet
  --language en|es|fr, --paper letter|a4, --ink black   for pdf
  --out FILE         where to; standard output where left out`;

/** What is made for each format where no sheet is named. */
const USUAL: Readonly<Record<string, string>> = {
  csv: 'tally',
  xlsx: 'tally',
  dxf: 'plan',
  ifc: 'plan',
  svg: 'strip',
  pdf: 'packet',
};

const OPTIONS = {
  format: { type: 'string', default: 'json' },
  sheet: { type: 'string' },
  language: { type: 'string' },
  paper: { type: 'string' },
  ink: { type: 'string' },
  out: { type: 'string' },
} as const;

type Options = ReturnType<typeof parseArgs<{ options: typeof OPTIONS; allowPositionals: true }>>['values'];

/** One file of a plan; null where there is none of that name. */
async function fileOf(
  job: ExportJob,
  { format, sheet, language, paper, ink }: Options,
): Promise<Made | null> {
  const { exportOf } = await import('../app/src/server/exports/exports');
  const asked = new URLSearchParams(
    Object.entries({ language, paper, ink }).filter(
      (each): each is [string, string] => each[1] !== undefined,
    ),
  );
  const pdf = format === 'pdf';
  if (pdf && sheet !== undefined) asked.set('sheets', sheet);
  const name = pdf ? 'packet' : (sheet ?? USUAL[format] ?? '');
  return exportOf(job, `${name}.${format}`, asked, { origin: 'http://127.0.0.1:4321' });
}

/**
 * `npm run --silent work -- plan.json`: the worked plan as JSON, or with `--format` a file of it; what is wrong goes to standard error,
 * exit 1.
 */
async function main(): Promise<number> {
  const told = (...lines: readonly string[]): number => {
    for (const line of lines) console.error(line);
    return 1;
  };
  let read: ReturnType<typeof parseArgs<{ options: typeof OPTIONS; allowPositionals: true }>>;
  try {
    read = parseArgs({ options: OPTIONS, allowPositionals: true });
  } catch (error) {
    return told(error instanceof Error ? error.message : String(error), USE);
  }
  const { values, positionals } = read;
  const [path] = positionals;
  if (path === undefined) return told(USE);
  if (values.format !== 'json' && !Object.hasOwn(USUAL, values.format)) {
    return told(`There is no format “${values.format}”; there are json, ${Object.keys(USUAL).join(', ')}.`);
  }
  let text: string;
  try {
    text = readFileSync(path, 'utf8');
  } catch {
    return told(`${path}: this file cannot be read; check its name and place.`);
  }
  const reading = readPlanText(text);
  if (!reading.ok) return told(...reading.problems.map(({ where, what }) => `${path}: ${where}: ${what}`));
  const { plan } = reading;
  const worked = work(plan);
  const stops = worked.notices.filter((notice) => notice.severity === 'stop');
  if (stops.length > 0) return told(...stops.map(({ where, what }) => `${path}: ${where}: ${what}`));
  const put = (body: string | Uint8Array): void => {
    if (values.out === undefined) process.stdout.write(body);
    else writeFileSync(values.out, body);
  };
  if (values.format === 'json') {
    put(`${JSON.stringify(report(worked), null, 2)}\n`);
    return 0;
  }
  const savedAt = new Date().toISOString();
  const file = await fileOf({ plan, worked, jobId: 'file', version: 0, savedAt, entries: [] }, values);
  if (!file)
    return told(
      `There is no ${values.format} of “${values.sheet ?? ''}”; docs/api.md names those that there are.`,
    );
  if (!file.ok) return told(`${file.where}: ${file.what}`);
  put(file.body);
  return 0;
}

process.exitCode = await main();
