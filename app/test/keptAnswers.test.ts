import { gunzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import { compressAnswer } from '../src/server/heavy/compressAnswer';
import type { HeavyOutcome, HeavyPool } from '../src/server/heavy/heavyPool';
import { keepingAnswers } from '../src/server/heavy/keptAnswers';
import type { HeavyRequest } from '../src/server/heavy/messages';

const VIEW = '/api/jobs/barn/worked?of=levels';

/** A pool whose answers are numbered, each of ten bytes. */
function numbering(outcome: (count: number) => Partial<HeavyOutcome> = () => ({})) {
  let asked = 0;
  const pool: HeavyPool = {
    ask: () => {
      asked += 1;
      const answer = { status: 200, headers: {}, body: new Uint8Array(10).fill(asked) };
      return Promise.resolve({ kind: 'answer', answer, ...outcome(asked) } as HeavyOutcome);
    },
    warm: () => undefined,
    close: () => Promise.resolve(),
  };
  return { pool, asked: () => asked };
}

const request = (changes: Partial<HeavyRequest> & { readonly version?: number } = {}): HeavyRequest => {
  const { version = 1, ...others } = changes;
  const job = { id: 'barn', version, updatedAt: '2026-05-01T08:00:00.000Z' } as HeavyRequest['job'];
  return { url: VIEW, headers: {}, entries: [], job, ...others };
};

/** The number in an answer. */
const numberIn = (outcome: HeavyOutcome): number | null =>
  outcome.kind === 'answer' ? (outcome.answer.body[0] ?? null) : null;

describe('answers that are kept', () => {
  it('are given again for the same job and log, and made anew for any other', async () => {
    const { pool, asked } = numbering();
    const keeping = keepingAnswers(pool);
    const numbers = async (...all: readonly HeavyRequest[]) => {
      const told: (number | null)[] = [];
      for (const each of all) told.push(numberIn(await keeping.ask(each)));
      return told;
    };
    const later = { ...request().job, updatedAt: '2026-05-01T08:00:00.001Z' };
    const entry = { number: 7 } as HeavyRequest['entries'][number];
    expect(
      await numbers(
        request(),
        request(),
        request({ version: 2 }),
        request({ job: later }),
        request({ entries: [entry] }),
        request({ url: `${VIEW},steel` }),
        request({ headers: { 'accept-encoding': 'gzip' } }),
        request(),
      ),
    ).toEqual([1, 1, 2, 3, 4, 5, 6, 1]);
    expect(asked()).toBe(6);
  });

  it('are those of views alone: sheets and lists carry the date', async () => {
    const { pool, asked } = numbering();
    const keeping = keepingAnswers(pool);
    for (const url of ['/jobs/barn/sheets/steel', '/api/jobs/barn/glance', '/api/jobs/barn/order.csv']) {
      await keeping.ask(request({ url }));
      await keeping.ask(request({ url }));
    }
    expect(asked()).toBe(6);
  });

  it('are no failures, and leave when others need the room', async () => {
    const failing = numbering((count) => (count === 1 ? { kind: 'too-much' } : {}));
    const keeping = keepingAnswers(failing.pool);
    expect((await keeping.ask(request())).kind).toBe('too-much');
    expect(numberIn(await keeping.ask(request()))).toBe(2);
    const { pool } = numbering();
    const small = keepingAnswers(pool, 25);
    for (const version of [1, 2, 3]) await small.ask(request({ version }));
    expect(numberIn(await small.ask(request({ version: 3 })))).toBe(3);
    expect(numberIn(await small.ask(request({ version: 1 })))).toBe(4);
  });
});

describe('an answer on its way out', () => {
  const body = new TextEncoder().encode('{"width":"6′ 2″"}'.repeat(200));
  const answer = {
    status: 200,
    headers: { 'content-type': 'application/json; charset=utf-8', 'content-length': String(body.length) },
    body,
  };

  it('is compressed for whoever takes it so, and reads the same', () => {
    const sent = compressAnswer(answer, 'gzip, deflate, br');
    expect(sent.headers).toEqual({
      'content-type': 'application/json; charset=utf-8',
      'content-encoding': 'gzip',
      vary: 'Accept-Encoding',
    });
    expect(sent.body.length).toBeLessThan(body.length / 10);
    expect(new Uint8Array(gunzipSync(sent.body))).toEqual(body);
  });

  it.each([
    ['nobody takes it compressed', answer, 'br'],
    ['it is short', { ...answer, body: body.slice(0, 1399) }, 'gzip'],
    ['it is a workbook', { ...answer, headers: { 'content-type': 'application/zip' } }, 'gzip'],
    [
      'it is compressed already',
      { ...answer, headers: { ...answer.headers, 'content-encoding': 'br' } },
      'gzip',
    ],
  ])('stays as it is where %s', (_, as, taken) => {
    expect(compressAnswer(as, taken)).toBe(as);
  });
});
