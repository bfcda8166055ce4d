import { afterEach, describe, expect, it, vi } from 'vitest';
import { askWorked, workedAddress, workedAtHand, workedByServer } from '../src/job/firstWorked';

const answering = (answer: unknown, status = 200) =>
  vi.fn(() => Promise.resolve(new Response(JSON.stringify(answer), { status })));

describe('what the server has worked for the first view', () => {
  afterEach(() => {
    vi.unstubAllGlobals();
  });

  it('is asked for once, and is there at once for who comes after it', async () => {
    const fetch = answering({ version: 3, worked: { name: 'Barn', levels: { courses: 6 } } });
    vi.stubGlobal('fetch', fetch);
    const job = { id: 'barn', version: 3 };
    askWorked('barn', ['levels', 'shell']);
    expect(workedAtHand(job, ['levels', 'shell'])).toBeNull();
    await vi.waitFor(() => {
      expect(workedAtHand(job, ['levels', 'shell'])).toMatchObject({ name: 'Barn', notices: [] });
    }, 60_000);
    expect(await workedByServer(job, ['levels', 'shell'])).toMatchObject({ levels: { courses: 6 } });
    expect(fetch.mock.calls).toEqual([[workedAddress('barn', ['levels', 'shell']), { method: 'GET' }]]);
    // Another visit asks anew.
    await workedByServer(job, ['levels', 'shell']);
    expect(fetch).toHaveBeenCalledTimes(2);
  });

  it('is nothing where the job has another version by now, or the server does not tell', async () => {
    const job = { id: 'shed', version: 4 };
    vi.stubGlobal('fetch', answering({ version: 5, worked: { name: 'Shed' } }));
    expect(await workedByServer(job, ['levels'])).toBeNull();
    vi.stubGlobal('fetch', answering({ problems: [] }, 503));
    expect(await workedByServer(job, ['levels'])).toBeNull();
    vi.stubGlobal(
      'fetch',
      vi.fn(() => Promise.reject(new TypeError('no signal'))),
    );
    expect(await workedByServer(job, ['levels'])).toBeNull();
  });
});
