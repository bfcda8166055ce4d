import { type WalkRow, emptyPlan } from '@ombra/core/stages/outline';
import { applyEdit } from '@ombra/core/plan';
import { readPlanText } from '@ombra/core/planFile';
import { rulesOf } from '@ombra/core/rules';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { cpus, loadavg, tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import type { Plan } from '@ombra/core/kernel/plan';
import { type Entry, recordOf } from '@ombra/core/kernel/record';
import { buildBracing } from '@ombra/core/stages/bracing';
import { buildDays } from '@ombra/core/stages/days';
import { buildPour } from '@ombra/core/stages/pour';
import {
  aheadOf,
  balanceOf,
  boardOf,
  lastOrder,
  lookAhead,
  simulatedTaps,
  waysFrom,
} from '@ombra/core/stages/pour/board';
import { bestTrucks, manyDays, playDay, seedOf } from '@ombra/core/stages/pour/rehearsal';
import { buildSteel, leastOf } from '@ombra/core/stages/steel';
import { findBest } from '@ombra/core/trials/best';
import { nudges } from '@ombra/core/trials/nudge';
import { STAGES } from '@ombra/core/stages';
import { makeWork, work } from '@ombra/core/work';
import { engineOf } from '@ombra/core/worked';
import { makeEntryStore, wholeLog } from '../app/src/server/entryStore';
import { makeJobStore } from '../app/src/server/jobStore';
import { openDatabase } from '../app/src/server/sqlite';
import { viewOf } from '../app/src/stages';
import { browserFigures } from './browser';
import { exportFigures } from './exports';
import { siteFigures } from './site';
import { survey } from './survey';

/**
 * `npm run bench`: how fast Ombra is, as JSON, with the load of the machine beside it. Nothing here passes or fails.
 * `npm run bench -- core browser` measures only those parts.
 */

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
    pours: [{ id: 's', toCourse: 7, top: 'full' }],
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

function demoPlan(): Plan {
  const reading = readPlanText(readFileSync('demo/sorrel-fork-hatchery.json', 'utf8'));
  if (!reading.ok) throw new Error('The demo does not read.');
  return reading.plan;
}

const works = await Promise.all(STAGES.map(async ({ load }) => (await load()).work));

/** Works what a view shows, with all that is made from: what comes first after an edit; the rest and the notices follow a frame later. */
function asShown(view: string): (plan: Plan) => void {
  const engine = engineOf(works);
  const shows = viewOf(view)?.shows ?? [];
  return (plan) => {
    engine.put(plan);
    for (const key of shows) engine.get(key);
  };
}

/** How long a view waits for one plan after the other. */
function shownIn(view: string, planOf: (run: number) => Plan): Figures {
  const show = asShown(view);
  return measure((run) => {
    show(planOf(run));
  });
}

function core() {
  const demo = demoPlan();
  const start = performance.now();
  makeWork()(demo);
  const cold = performance.now() - start;
  const again = makeWork();
  const dragged = makeWork();
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
  const moved = (run: number): Plan =>
    applyEdit(demo, {
      kind: 'set-opening',
      opening: 'opening-1',
      change: { at: `${String(120 + (run % 24))}in` },
    });
  const ruled = (view: string, rule: string, values: readonly [string, string]) => {
    const worker = makeWork();
    const plans = values.map((value) => applyEdit(demo, { kind: 'set-rule', rule, value }));
    const planOf = (run: number): Plan => plans[run % 2] as Plan;
    return { whole: measure((run) => worker(planOf(run))), asShown: shownIn(view, planOf) };
  };
  const single = measure(() => makeWork()(one));
  const tenfold = measure(() => makeWork()(ten));
  return {
    demoColdFirstMs: Number(cold.toFixed(3)),
    demoAllPours: measure(() => makeWork()(demo)),
    demoOpeningMoved: measure((run) => dragged(moved(run))),
    demoColdAsShown: measure(() => {
      asShown('courses')(demo);
    }),
    demoEditAsShown: shownIn('courses', (run) => edits[run % 2] as Plan),
    demoOpeningMovedAsShown: shownIn('openings', moved),
    demoRuleOfTheBracing: ruled('bracing', 'bracing.spacing.most', ['6ft', '5ft']),
    demoRuleOfThePour: ruled('pour', 'pour.rate.pump', ['16 yd³/h', '14 yd³/h']),
    demoRuleOfTheSteel: ruled('steel', 'steel.vertical.spacing', ['24in', '16in']),
    demoRuleOfTheFooting: ruled('footing', 'footing.width', ['24in', '20in']),
    demoNudges: measure(() => nudges(demo, 'opening-1'), 5),
    demoEdit: measure((run) => again(edits[run % 2] as Plan)),
    perimeterOnce: single,
    perimeterTenfold: tenfold,
    tenfoldRatio: Number((tenfold.medianMs / single.medianMs).toFixed(2)),
    tenfoldPieces: [work(one).courses.pieces.length, work(ten).courses.pieces.length],
    tenfoldPlanMegabytes: Number((JSON.stringify(work(ten)).length / 1e6).toFixed(2)),
  };
}

/** Fourteen courses round 560 ft of straight walls, as a big simple job has it. */
const bigJob = (): Plan => ({
  ...emptyPlan('Big'),
  pours: [{ id: 's', toCourse: 14, top: 'full' }],
  loops: [
    {
      id: 'l',
      closed: true,
      walk: ['180ft', '100ft', '180ft', '100ft'].map((length, index) => ({
        id: `w${String(index)}`,
        length,
        turn: 'right 90',
      })),
    },
  ],
});

/** Twelve corners and ten courses: two wings on one long wall. */
const twelveCorners = (): Plan => {
  const rows = [
    ['72ft', 'right 90'],
    ['24ft', 'right 90'],
    ['16ft', 'left 90'],
    ['12ft', 'right 90'],
    ['14ft', 'right 90'],
    ['10ft', 'left 90'],
    ['12ft', 'left 90'],
    ['10ft', 'right 90'],
    ['14ft', 'right 90'],
    ['12ft', 'left 90'],
    ['16ft', 'right 90'],
    ['24ft', 'right 90'],
  ] as const;
  return {
    ...emptyPlan('Twelve'),
    pours: [{ id: 's', toCourse: 10, top: 'full' }],
    loops: [
      {
        id: 'l',
        closed: true,
        walk: rows.map(([length, turn], index) => ({ id: `w${String(index)}`, length, turn })),
      },
    ],
  };
};

/** The courses in depth: a big job re-planned, how re-planning grows, and the search for the best plan. */
function depth() {
  const big = standing(bigJob());
  const again = makeWork();
  const sides = ['180ft', '184ft'].map((length) =>
    ['w0', 'w2'].reduce((plan, row) => applyEdit(plan, { kind: 'set-row-length', row, length }), big),
  );
  const [one, ten] = [standing(comb(3)), standing(comb(30))];
  const planTimes = [one, ten].map((plan) => {
    const worker = makeWork();
    const edits = [7, 8].map((toCourse) => applyEdit(plan, { kind: 'set-courses', courses: toCourse }));
    return measure((run) => worker(edits[run % 2] as Plan), 30).medianMs;
  });
  const [small = 1, large = 1] = planTimes;
  const best = (plan: Plan) => {
    const start = performance.now();
    const reading = findBest(plan);
    if (!reading.ok) throw new Error(reading.why);
    let step = reading.steps.next();
    while (step.done !== true) step = reading.steps.next();
    return {
      seconds: Number(((performance.now() - start) / 1000).toFixed(2)),
      goals: step.value.goals.map(({ goal, value, bound, proved }) => ({ goal, value, bound, proved })),
    };
  };
  const before = process.memoryUsage().heapUsed;
  const worked = makeWork()(big);
  const held = (process.memoryUsage().heapUsed - before) / 1e6;
  return {
    bigJobEdit: measure((run) => again(sides[run % 2] as Plan)),
    bigJobEditAsShown: shownIn('courses', (run) => sides[run % 2] as Plan),
    bigJobPieces: worked.courses.pieces.length,
    bigJobPlanMegabytes: Number((JSON.stringify(worked).length / 1e6).toFixed(2)),
    bigJobHeapMegabytes: Number(held.toFixed(1)),
    replanTenfoldRatio: Number((large / small).toFixed(2)),
    bestOfDemo: best(demoPlan()),
    bestOfTwelveCorners: best(standing(twelveCorners())),
    bestOfTwelveCornersByCuts: best({ ...twelveCorners(), rules: { 'best.order': 'cuts-straps-blocks' } }),
  };
}

/** All steel of a plan, with everything before it already worked, and the proof of its least stock. */
function steelOf(plan: Plan) {
  const worked = work(plan);
  const { steel } = worked;
  const rules = rulesOf(plan);
  const allSteel = measure(() => buildSteel(worked, plan, rules));
  const start = performance.now();
  const proved = steel.stock.map((own) => {
    const steps = leastOf(own);
    let step = steps.next();
    while (step.done !== true) step = steps.next();
    return { size: own.size, bars: step.value.pieces.length, least: step.value.bound };
  });
  return {
    bars: steel.bars.length,
    allSteel,
    leastStockMs: Number((performance.now() - start).toFixed(1)),
    proved,
  };
}

/** All bracing of a plan, with everything before it already worked. */
function bracingOf(plan: Plan) {
  const worked = work(plan);
  const { bracing } = worked;
  const rules = rulesOf(plan);
  return {
    braces: bracing.walls.reduce((sum, wall) => sum + wall.braces.length, 0),
    allBracing: measure(() => buildBracing(worked, plan, rules)),
  };
}

/** All pours of a plan with everything before them worked; ten thousand days of the first one, and its best trucks. */
function pourOf(plan: Plan) {
  const worked = work(plan);
  const rules = rulesOf(plan);
  const [pour] = worked.pour.pours;
  if (!pour) throw new Error('Nothing is poured.');
  const drain = <Answer>(steps: Generator<unknown, Answer>): Answer => {
    let step = steps.next();
    while (step.done !== true) step = steps.next();
    return step.value;
  };
  const before = process.memoryUsage().heapUsed + process.memoryUsage().arrayBuffers;
  let most = 0;
  const days = measure(() => {
    const steps = manyDays(pour.day, 1, 10_000);
    let step = steps.next();
    while (step.done !== true) {
      const { heapUsed, arrayBuffers } = process.memoryUsage();
      most = Math.max(most, heapUsed + arrayBuffers - before);
      step = steps.next();
    }
  }, 3);
  return {
    stops: pour.stops.length,
    allPours: measure(() => buildPour(worked, plan, rules)),
    tenThousandDays: days,
    tenThousandDaysMegabytes: Number((most / 1e6).toFixed(1)),
    bestTrucks: measure(() => drain(bestTrucks(pour.day, 1, 0.05)), 3),
  };
}

async function store() {
  const folder = mkdtempSync(join(tmpdir(), 'ombra-bench-'));
  const noBackup = (): Promise<string> => Promise.resolve('');
  const opened = await openDatabase(folder, noBackup);
  const made = makeJobStore(opened.knex, () => new Date(), randomUUID);
  // How the jobs came to be there is not measured.
  await opened.knex.raw('PRAGMA synchronous = OFF');
  for (let job = 0; job < 10_000; job++) {
    await made.create({ ...comb(3), name: `Job ${String(job)}` }, `job-${String(job)}`);
  }
  await opened.knex.destroy();
  const started = performance.now();
  const { knex } = await openDatabase(folder, noBackup);
  const start = performance.now() - started;
  const jobs = makeJobStore(knex, () => new Date(), randomUUID);
  const each = async (count: number, work: (turn: number) => Promise<unknown>) => {
    const times: number[] = [];
    for (let turn = 0; turn < count; turn++) {
      const from = performance.now();
      await work(turn);
      times.push(performance.now() - from);
    }
    return figures(times);
  };
  const answer = {
    openingDatabaseOf10000: Number(start.toFixed(1)),
    jobReadOf10000: await each(2000, (turn) => jobs.get(`job-${String((turn * 37) % 10_000)}`)),
    jobsPageOf10000: await each(50, () => jobs.list()),
    searchOf10000: await each(50, (turn) => jobs.list({ search: `job ${String(turn)}` })),
  };
  await knex.destroy();
  rmSync(folder, { recursive: true });
  return answer;
}

/** The days of a plan with everything before them worked, and a log of 5 000 entries: read, made a record, kept and fetched. */
async function daysAndLog() {
  const plan = { ...standing(bigJob()), days: { start: '2027-03-01' } };
  const worked = work(plan);
  const rules = rulesOf(plan);
  const entries = Array.from({ length: 5000 }, (_, index): Entry => ({
    id: `e${String(index)}`,
    at: `2027-03-${String(1 + (index % 28)).padStart(2, '0')}T15:00:00Z`,
    who: 'Ida',
    kind: 'note',
    body: { what: `Entry ${String(index)} of a long job` },
    ...(index % 10 === 9 ? { corrects: `e${String(index - 5)}` } : {}),
  }));
  const folder = mkdtempSync(join(tmpdir(), 'ombra-bench-'));
  const { knex } = await openDatabase(folder, () => Promise.resolve(''));
  await makeJobStore(knex, () => new Date(), randomUUID).create(plan, 'job');
  const log = makeEntryStore(knex, () => new Date());
  const written = performance.now();
  for (let from = 0; from < entries.length; from += 500)
    await log.add('job', entries.slice(from, from + 500));
  const writing = performance.now() - written;
  const times: number[] = [];
  for (let run = 0; run < 20; run++) {
    const start = performance.now();
    recordOf((await wholeLog(log, 'job')).map(({ entry }) => entry));
    times.push(performance.now() - start);
  }
  await knex.destroy();
  rmSync(folder, { recursive: true });
  return {
    items: worked.days.items.length,
    replanned: measure(() => buildDays(worked, plan, rules)),
    recordOf5000: measure(() => recordOf(entries)),
    fetchedAndRecordOf5000: figures(times),
    writing5000: Number(writing.toFixed(0)),
  };
}

/** Share of days whose true finish a range of eight days in ten is to hold. */
const COVERED_DAYS = 500;

/**
 * The board of a pour at 200 taps and more: what a tap is worked anew in, what the look ahead takes; and of how many days, each seen
 * from a minute of its own, the true finish lies within the range that holds eight days in ten.
 */
function boardFigures() {
  const plan = demoPlan();
  const rules = rulesOf(plan);
  const [pour] = work(plan).pour.pours;
  if (!pour) throw new Error('Nothing is poured.');
  const origin = Date.parse('2026-12-01T00:00:00Z') + pour.start * 60_000;
  const time = (minute: number): string => new Date(origin + minute * 60_000).toISOString();
  const tapsOfDay = (seed: number) => {
    const run = playDay(pour.day, seed);
    return { run, taps: simulatedTaps(pour, run, { who: 'Rehearsal', time }) };
  };
  const { run, taps } = tapsOfDay(1);
  const half = run.finish / 2;
  const tapWorked = (): void => {
    const board = boardOf(pour, taps, time(half), rules);
    const balance = balanceOf(pour, board, half, rules);
    lastOrder(balance, aheadOf(pour, board, half, rules), half, rules);
  };
  const ways = waysFrom(pour, boardOf(pour, taps, time(half), rules), half, rules);
  let [inside, seen, early, late] = [0, 0, 0, 0];
  for (let day = 0; day < COVERED_DAYS; day++) {
    const real = tapsOfDay(seedOf(99, day));
    // Minutes spread evenly over the days. [golden ratio]
    const minute = real.run.finish * ((day * 0.618034) % 1);
    const board = boardOf(pour, real.taps, time(minute), rules);
    const ahead = lookAhead(waysFrom(pour, board, minute, rules).slice(0, 1), 7 + day, { on: 400, way: 1 });
    if (!ahead) continue;
    seen += 1;
    const { tenth, ninetieth } = ahead.odds.finish;
    if (real.run.finish < tenth) early += 1;
    else if (real.run.finish > ninetieth) late += 1;
    else inside += 1;
  }
  return {
    taps: taps.length,
    tapWorked: measure(tapWorked),
    lookAhead: measure(() => lookAhead(ways, 1, { on: 3000, way: 400 }), 5),
    finishWithinEightInTen: Number((inside / seen).toFixed(3)),
    finishEarlier: Number((early / seen).toFixed(3)),
    finishLater: Number((late / seen).toFixed(3)),
  };
}

/** How much of the core's faults the tests noticed, as `npm run mutate` found it last; null where it has not been run. */
function mutation(): unknown {
  const file = 'reports/mutation/score.json';
  return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null;
}

/** What is measured, by name. */
const PARTS: Readonly<Record<string, () => unknown>> = {
  core,
  depth,
  steel: () => ({ demo: steelOf(demoPlan()), bigJob: steelOf(standing(bigJob())) }),
  bracing: () => ({ demo: bracingOf(demoPlan()), bigJob: bracingOf(standing(bigJob())) }),
  pour: () => ({ demo: pourOf(demoPlan()), bigJob: pourOf(standing(bigJob())) }),
  board: boardFigures,
  days: daysAndLog,
  survey: () => survey(demoPlan(), measure),
  exports: async () => ({
    demo: await exportFigures(demoPlan()),
    bigJob: await exportFigures(standing(bigJob())),
  }),
  store,
  browser: browserFigures,
  site: () => siteFigures(demoPlan()),
  mutation,
};

const asked = process.argv.slice(2);
const unknown = asked.filter((name) => !(name in PARTS));
if (unknown.length > 0) {
  console.error(`There is no part called ${unknown.join(', ')}; there are ${Object.keys(PARTS).join(', ')}.`);
  process.exit(1);
}

/** Processes that wanted to run in the last minute. */
const load = (): number => Number((loadavg()[0] ?? 0).toFixed(2));

const measured: Record<string, unknown> = { processors: cpus().length, loadBefore: load() };
for (const [name, part] of Object.entries(PARTS)) {
  if (asked.length === 0 || asked.includes(name)) measured[name] = await part();
}
console.log(JSON.stringify({ ...measured, loadAfter: load() }, null, 2));
