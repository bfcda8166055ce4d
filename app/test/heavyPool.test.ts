import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type HeavyPool, makeHeavyPool } from '../src/server/heavy/heavyPool';
import type { HeavyRequest } from '../src/server/heavy/messages';

/** Milliseconds that the slow answer takes. */
const SLOW = 40;

/** A worker that does as its address says: answers, loops for ever, fills the memory, dies. */
const SCRIPT = `
import { parentPort, threadId } from 'node:worker_threads';
parentPort.on('message', ({ url }) => {
  if (url === '/loop') for (;;);
  if (url === '/fill') { const all = []; for (;;) all.push(new Array(100000).fill(all.length)); }
  if (url === '/die') process.exit(3);
  if (url === '/slow') Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, ${String(SLOW)});
  if (url === '/steps') for (const done of [1, 2]) parentPort.postMessage({ kind: 'progress', done, of: 2 });
  if (url === '/fail') return parentPort.postMessage({ kind: 'failed', message: 'broke' });
  parentPort.postMessage({ kind: 'answer', answer: { status: 200, headers: {}, body: new Uint8Array([threadId]) } });
});
parentPort.postMessage({ kind: 'ready' });
`;

describe('the pool of workers', () => {
  let folder: string;
  let pool: HeavyPool;
  /** A worker that leaves a mark at each start, and how often it was started. */
  const counted = (name: string) => {
    const [script, trace] = [join(folder, `${name}.mjs`), join(folder, name)];
    writeFileSync(
      script,
      `import { appendFileSync } from 'node:fs';\nappendFileSync(${JSON.stringify(trace)}, 'x');\n${SCRIPT}`,
    );
    return {
      script: pathToFileURL(script),
      started: () => (existsSync(trace) ? readFileSync(trace, 'utf8').length : 0),
    };
  };
  const ask = (url: string) => pool.ask({ url, headers: {}, entries: [], job: {} as HeavyRequest['job'] });

  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'ombra-pool-'));
    const script = join(folder, 'worker.mjs');
    writeFileSync(script, SCRIPT);
    pool = makeHeavyPool(pathToFileURL(script), {}, { time: 6000, grace: 100, workers: 2, megabytes: 60 });
  });

  afterAll(async () => {
    await pool.close();
    rmSync(folder, { recursive: true });
  });

  it('answers, and uses a worker again', async () => {
    const [first, second] = [await ask('/'), await ask('/')];
    expect(first).toEqual(second);
    expect(first.kind).toBe('answer');
  });

  it('ends one that takes too long or too much, while another job is answered at once', async () => {
    const slow = ask('/loop');
    const started = performance.now();
    expect((await ask('/')).kind).toBe('answer');
    expect((await ask('/')).kind).toBe('answer');
    expect(performance.now() - started).toBeLessThan(6000);
    expect(await slow).toEqual({ kind: 'too-much' });
    expect(await ask('/fill')).toEqual({ kind: 'too-much' });
    expect((await ask('/')).kind).toBe('answer');
  });

  it('tells how far it is, and stops what nobody waits for, begun or not', async () => {
    const seen: (readonly [number, number])[] = [];
    const steps = pool.ask(
      { url: '/steps', headers: {}, entries: [], job: {} as HeavyRequest['job'] },
      { onProgress: (done, of) => seen.push([done, of]) },
    );
    expect((await steps).kind).toBe('answer');
    expect(seen).toEqual([
      [1, 2],
      [2, 2],
    ]);
    const abort = new AbortController();
    const given = { headers: {}, entries: [], job: {} as HeavyRequest['job'] };
    // Two that loop take both workers; the third waits in line and is never begun.
    const all = ['/loop', '/loop', '/'].map((url) => pool.ask({ url, ...given }, { signal: abort.signal }));
    const after = ask('/');
    setTimeout(() => {
      abort.abort();
    }, 50);
    expect(await Promise.all(all)).toEqual(Array.from({ length: 3 }, () => ({ kind: 'cancelled' })));
    expect((await after).kind).toBe('answer');
  });

  it.each([
    ['ends before others have waited long', 10_000],
    ['takes longer, while nobody waits for it', 5],
  ])('lets one go on that %s, and answers with it again', async (_, grace) => {
    const script = pathToFileURL(join(folder, 'worker.mjs'));
    const single = makeHeavyPool(script, {}, { time: 20_000, grace, workers: 1, megabytes: 60 });
    const given = { headers: {}, entries: [], job: {} as HeavyRequest['job'] };
    const before = await single.ask({ url: '/', ...given });
    const abort = new AbortController();
    const slow = single.ask({ url: '/slow', ...given }, { signal: abort.signal });
    abort.abort();
    expect(await slow).toEqual({ kind: 'cancelled' });
    // With the long grace the only worker is still at it as the next one comes; with the short one it is done by then.
    if (grace < SLOW) await new Promise((resolve) => setTimeout(resolve, 4 * SLOW));
    expect(await single.ask({ url: '/', ...given })).toEqual(before);
    await single.close();
  });

  it('ends one that nobody waits for at the time that every answer has', async () => {
    const { script, started } = counted('ended');
    const single = makeHeavyPool(script, {}, { time: 300, grace: 50, workers: 1, megabytes: 60 });
    const abort = new AbortController();
    const given = { headers: {}, entries: [], job: {} as HeavyRequest['job'] };
    await single.ask({ url: '/', ...given });
    const loop = single.ask({ url: '/loop', ...given }, { signal: abort.signal });
    abort.abort();
    expect(await loop).toEqual({ kind: 'cancelled' });
    // A second one is started ahead only where the first is gone; nothing waits in line for it.
    await expect
      .poll(
        () => {
          single.warm();
          return started();
        },
        { timeout: 60_000 },
      )
      .toBe(2);
    await single.close();
  });

  it('starts one ahead of the first that asks', async () => {
    const { script, started } = counted('warm');
    const limits = { time: 6000, grace: 100, workers: 1, megabytes: 60 };
    const warm = makeHeavyPool(script, {}, limits);
    warm.warm();
    await expect.poll(started, { timeout: 60_000 }).toBe(1);
    const answer = await warm.ask({ url: '/', headers: {}, entries: [], job: {} as HeavyRequest['job'] });
    expect(answer.kind).toBe('answer');
    expect(started()).toBe(1);
    await warm.close();
  });

  it('tells a worker that broke or died, and goes on with a new one', async () => {
    expect(await ask('/fail')).toEqual({ kind: 'failed', message: 'broke' });
    expect((await ask('/die')).kind).toBe('failed');
    const many = await Promise.all(
      Array.from({ length: 9 }, (_, index) => ask(index % 3 === 0 ? '/die' : '/')),
    );
    expect(many.map(({ kind }) => kind === 'answer')).toEqual(
      [0, 1, 2, 3, 4, 5, 6, 7, 8].map((each) => each % 3 !== 0),
    );
  });
});
