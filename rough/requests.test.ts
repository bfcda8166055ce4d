import { rmSync } from 'node:fs';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { struckPlans } from '../core/test/support/absurd';
import { type Running, newFolder, planNamed, send, start } from './server';

const METHODS = ['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'HEAD', 'OPTIONS'];
const ODD = [
  '',
  '0',
  '-1',
  '1e99',
  'NaN',
  '../../etc/passwd',
  '%00',
  '%E0%A4%A',
  "' or 1=1 --",
  '<script>',
  'x'.repeat(300),
  '🧱',
  'null',
  '[]',
  '2026-13-45',
];
const JOB = ['one', 'two', 'gone', 'sorrel-fork-hatchery', ...ODD.slice(0, 6).map(encodeURIComponent)];

const word = fc.constantFrom(...ODD);
const path = fc
  .tuple(
    fc.constantFrom(
      '/api/jobs',
      '/api/jobs/ID',
      '/api/jobs/ID/newest',
      '/api/jobs/ID/revisions',
      '/api/jobs/ID/revisions/1',
      '/api/jobs/ID/revisions/WORD',
      '/api/jobs/ID/restore',
      '/api/jobs/ID/plan.json',
      '/api/jobs/ID/openings.csv',
      '/api/jobs/ID/survey.csv',
      '/api/jobs/ID/WORD',
      '/api/weather',
      '/api/plant',
      '/api/receiver',
      '/api/WORD',
      '/schema/plan-2.json',
      '/healthz',
      '/jobs/ID/outline',
      '/jobs/ID/WORD',
      '/jobs/ID',
      '/',
      '/trouble',
      '/WORD',
    ),
    fc.constantFrom(...JOB),
    word,
    fc.constantFrom(
      '',
      '?search=WORD',
      '?from=WORD',
      '?since=WORD',
      '?date=WORD',
      '?removed',
      '?raw',
      '?station=WORD&job=ID',
    ),
    word,
  )
  .map(([pattern, id, one, query, two]) =>
    `${pattern.replace('WORD', encodeURIComponent(one))}${query.replace('WORD', encodeURIComponent(two))}`.replaceAll(
      'ID',
      id,
    ),
  );

const body = fc.oneof(
  fc.constant(undefined),
  word,
  fc.json({ maxDepth: 3 }),
  fc.record(
    {
      id: fc.oneof(word, fc.constantFrom('one', 'two', 'gone')),
      name: fc.oneof(word, fc.anything({ maxDepth: 1 })),
      baseVersion: fc.oneof(fc.integer({ min: -1, max: 5 }), word),
      saveId: fc.oneof(word, fc.constantFrom('a', 'b', 'c')),
      plan: fc.oneof(struckPlans(3), fc.json()),
    },
    { requiredKeys: [] },
  ),
);

describe('requests that nobody should send', () => {
  let folder: string;
  let running: Running;
  beforeAll(async () => {
    folder = newFolder('requests');
    running = await start(folder);
    for (const id of ['one', 'two', 'gone'])
      await send(running, 'POST', '/api/jobs', { id, plan: planNamed(id) });
    await send(running, 'DELETE', '/api/jobs/gone');
  });
  afterAll(async () => {
    await running.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  it('5 000 of them are answered, none with a fault of ours', async () => {
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...METHODS), path, body, async (method, address, content) => {
        const carries = !['GET', 'HEAD'].includes(method) && content !== undefined;
        const answer = await send(running, method, address, carries ? content : undefined);
        expect(answer, `${method} ${address}`).not.toBeNull();
        const sent = `${method} ${address} ${JSON.stringify(content ?? null).slice(0, 300)}`;
        expect(answer?.status, sent).toBeLessThan(500);
        if (answer?.status === 405 || answer?.status === 422) {
          expect(Array.isArray((answer.body as { problems?: unknown }).problems) || method === 'HEAD').toBe(
            true,
          );
        }
      }),
      { numRuns: 5000, seed: 15 },
    );
    expect(running.told()).not.toMatch(/"level":50/);
    expect((await send(running, 'GET', '/healthz'))?.status).toBe(200);
  });

  it('the right refusals: a removed job’s id, a write to a page, an address of the framework', async () => {
    expect((await send(running, 'POST', '/api/jobs', { id: 'gone', name: 'New' }))?.status).toBe(409);
    expect((await send(running, 'POST', '/', {}))?.status).toBe(405);
    expect((await send(running, 'GET', '/_image?href=x'))?.status).toBe(404);
    expect((await send(running, 'GET', '/api/nothing'))?.status).toBe(404);
    expect((await send(running, 'PATCH', '/api/jobs/one', {}))?.status).toBe(405);
  });

  it('a plan too much for a sheet is stopped, and other jobs are served meanwhile', async () => {
    // Within every limit of the core, and still a heap of work: sixty courses with five hundred openings on one wall.
    const heap = {
      ...planNamed('Heap'),
      courses: 60,
      outline: {
        closed: true,
        walk: ['900ft', '400ft', '900ft', '400ft'].map((length, index) => ({
          id: `w${String(index)}`,
          length,
          turn: 'right 90',
        })),
      },
      openings: Array.from({ length: 500 }, (_, index) => ({
        kind: 'window',
        wall: 'w0',
        from: 'start',
        to: 'near',
        at: `${String(10 + (index % 100) * 8)}ft`,
        width: '2ft',
        height: '2ft',
        sill: `${String(2 + Math.floor(index / 100) * 12)}ft`,
      })),
    };
    await send(running, 'POST', '/api/jobs', { id: 'heap', plan: heap });
    const sheet = send(running, 'GET', '/jobs/heap/sheets/above');
    const started = performance.now();
    expect((await send(running, 'GET', '/jobs/one/sheets/courses'))?.status).toBe(200);
    expect((await send(running, 'GET', '/api/jobs/one'))?.status).toBe(200);
    expect(performance.now() - started).toBeLessThan(60_000);
    expect([200, 503]).toContain((await sheet)?.status);
  });
});
