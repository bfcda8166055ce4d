import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { gzipSync } from 'node:zlib';
import { type Plan, type WalkRow, applyEdit, emptyPlan, makeWork, readPlanText, work } from '@ombra/core';
import { makeJobStore } from '../app/src/server/jobStore';
import { openDatabase } from '../app/src/server/sqlite';
import { browserFigures } from './browser';

/** `npm run bench`: the first figures of how fast Ombra must be, as JSON. Nothing here passes or fails. */

const RUNS = 60;

interface Figures {
  readonly medianMs: number;
  readonly p99Ms: number;
}

function figures(times: number[]): Figures {
  times.sort((a, b) => a - b);
  const at = (share: number): number =>
    times[Math.min(times.length - 1, Math.floor(times.length * share))] ?? 0;
  return { medianMs: Number(at(0.5).toFixed(3)), p99Ms: Number(at(0.99).toFixed(3)) };
}

function measure(step: (run: number) => void, runs = RUNS): Figures {
  const times: number[] = [];
  for (let run = 0; run < runs; run++) {
    const start = performance.now();
    step(run);
    times.push(performance.now() - start);
  }
  return figures(times);
}

/** A comb of teeth along one long wall: the demo's kind of outline at any size, every corner square. */
function comb(teeth: number): Plan {
  const row = (id: number, length: string, turn: string): WalkRow => ({ id: `w${String(id)}`, length, turn });
  const walk: WalkRow[] = [row(0, `${String(teeth * 36)}ft`, 'right 90'), row(1, '20ft', 'right 90')];
  for (let tooth = 0; tooth < teeth; tooth++) {
    const id = 2 + tooth * 4;
    walk.push(row(id, '16ft', 'left 90'), row(id + 1, '12ft', 'right 90'));
    if (tooth === teeth - 1) walk.push(row(id + 2, '20ft', 'right 90'));
    else walk.push(row(id + 2, '20ft', 'right 90'), row(id + 3, '12ft', 'left 90'));
  }
  walk.push(row(2 + teeth * 4, '32ft', 'right 90'));
  return {
    ...emptyPlan('Bench'),
    stages: [{ id: 's', toCourse: 7, top: 'full' }],
    loops: [{ id: 'l', closed: true, walk }],
  };
}

/** The plan, once it is sure that it can be worked: an outline that does not stand would be fast for nothing. */
function standing(plan: Plan): Plan {
  const stops = work(plan).notices.filter((notice) => notice.severity === 'stop');
  if (stops.length > 0)
    throw new Error(`The bench outline does not stand: ${stops.map((stop) => stop.what).join(' ')}`);
  return plan;
}

function core() {
  const reading = readPlanText(readFileSync('demo/sorrel-fork-hatchery.json', 'utf8'));
  if (!reading.ok) throw new Error('The demo does not read.');
  const demo = reading.plan;
  const start = performance.now();
  work(demo);
  const cold = performance.now() - start;
  const again = makeWork();
  const lengths = ['44ft', '46ft'];
  const others = ['28ft', '30ft'];
  const edits = [0, 1].map((side) =>
    applyEdit(applyEdit(demo, { kind: 'set-row-length', row: 'wall-1', length: lengths[side] ?? '' }), {
      kind: 'set-row-length',
      row: 'wall-5',
      length: others[side] ?? '',
    }),
  );
  const [one, ten] = [standing(comb(3)), standing(comb(30))];
  const single = measure(() => work(one));
  const tenfold = measure(() => work(ten));
  return {
    demoColdFirstMs: Number(cold.toFixed(3)),
    demoAllStages: measure(() => work(demo)),
    demoEdit: measure((run) => again(edits[run % 2] as Plan)),
    perimeterOnce: single,
    perimeterTenfold: tenfold,
    tenfoldRatio: Number((tenfold.medianMs / single.medianMs).toFixed(2)),
    tenfoldPieces: [work(one).courses.pieces.length, work(ten).courses.pieces.length],
    tenfoldPlanMegabytes: Number((JSON.stringify(work(ten)).length / 1e6).toFixed(2)),
  };
}

async function store() {
  const folder = mkdtempSync(join(tmpdir(), 'ombra-bench-'));
  const { knex } = await openDatabase(folder, () => new Date());
  let ids = 0;
  const jobs = makeJobStore(
    knex,
    () => new Date(),
    () => `id-${String(++ids)}`,
  );
  const plan = comb(3);
  const first = await jobs.create(plan, 'job-0');
  const text = JSON.stringify(first.plan);
  for (let from = 1; from < 10_000; from += 100) {
    const rows = Array.from({ length: 100 }, (_, index) => ({
      id: `job-${String(from + index)}`,
      name: `Job ${String(from + index)}`,
      version: 1,
      plan: text,
      created_at: '2026-01-01T00:00:00.000Z',
      updated_at: '2026-01-01T00:00:00.000Z',
    }));
    await knex('jobs').insert(rows);
  }
  const times: number[] = [];
  for (let read = 0; read < 2000; read++) {
    const start = performance.now();
    await jobs.get(`job-${String((read * 37) % 10_000)}`);
    times.push(performance.now() - start);
  }
  await knex.destroy();
  rmSync(folder, { recursive: true });
  return { jobReadOf10000: figures(times) };
}

/** Compressed size of the scripts that the job page loads. */
function bundle() {
  const folder = 'app/dist/client/_astro';
  const scripts = readdirSync(folder).filter((name) => name.endsWith('.js'));
  const size = (name: string): number =>
    gzipSync(new Uint8Array(readFileSync(join(folder, name)))).length / 1000;
  return {
    allScriptsKilobytesCompressed: Number(scripts.reduce((sum, name) => sum + size(name), 0).toFixed(1)),
  };
}

console.log(
  JSON.stringify(
    { core: core(), store: await store(), bundle: bundle(), browser: await browserFigures() },
    null,
    2,
  ),
);
