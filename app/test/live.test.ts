import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readPlanText } from '@ombra/core/planFile';
import type { Knex } from 'knex';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { placeOf } from '../src/away/awayPlace';
import { clockAhead } from '../src/job/clock';
import { makeEntryStore } from '../src/server/entryStore';
import { makeJobStore } from '../src/server/jobStore';
import { type LiveHub, type LiveMessage, makeLiveHub } from '../src/server/live/liveHub';
import { type LiveStore, makeLiveStore } from '../src/server/live/liveStore';
import { testDatabase } from './support/database';

const reading = readPlanText(readFileSync('demo/sorrel-fork-hatchery.json', 'utf8'));
if (!reading.ok) throw new Error('The demo does not read.');
const { plan } = reading;
/** A slow machine takes its time. */
const PATIENT = { timeout: 60_000 };

describe('open pages of a job', () => {
  let folder: string;
  let knex: Knex;
  let close: () => Promise<void>;
  let hubs: readonly LiveHub[];
  const failed: unknown[] = [];
  const clock = (): Date => new Date();
  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'ombra-live-'));
    ({ knex, close } = await testDatabase(folder));
    await makeJobStore(knex, clock, () => 'save-0').create(plan, 'shed');
    // Two servers on one database.
    hubs = [1, 2].map(() => makeLiveHub(makeLiveStore(knex, clock), (error) => failed.push(error)));
  });
  afterEach(async () => {
    for (const hub of hubs) hub.close();
    await close();
    rmSync(folder, { recursive: true });
    expect(failed).toEqual([]);
  });

  it('hear of saves, entries and each other, whichever server they are at', async () => {
    const heard: (LiveMessage | null | 'over')[][] = [[], []];
    const ends = hubs.map((hub, index) =>
      hub.listen('shed', { page: `page-${String(index)}`, name: ['Ada', 'Bo'][index] ?? '' }, (message) =>
        heard[index]?.push(message),
      ),
    );
    const last = (index: number): LiveMessage | null => {
      const message = heard[index]?.findLast((each) => each !== null && each !== 'over');
      return message ?? null;
    };
    await vi.waitFor(() => {
      for (const index of [0, 1])
        expect(last(index)).toMatchObject({ version: 1, last: 0, here: [{ name: 'Ada' }, { name: 'Bo' }] });
    }, PATIENT);
    await makeJobStore(knex, clock, () => 'x').save('shed', {
      baseVersion: 1,
      saveId: 's',
      plan: { ...plan, name: 'Other' },
    });
    await makeEntryStore(knex, clock).add('shed', [
      { id: 'a', at: '2026-12-01T08:00:00Z', who: 'Bo', kind: 'note', body: { what: 'Frost' } },
    ]);
    await vi.waitFor(() => {
      for (const index of [0, 1]) expect(last(index)).toMatchObject({ version: 2, last: 1 });
    }, PATIENT);
    ends[1]?.();
    await vi.waitFor(() => {
      expect(last(0)?.here).toEqual([{ page: 'page-0', name: 'Ada' }]);
    }, PATIENT);
    const count = heard[1]?.length;
    ends[1]?.();
    ends[0]?.();
    await new Promise((resolve) => setTimeout(resolve, 700));
    expect(heard[1]).toHaveLength(count ?? 0);
    expect(await knex('presences')).toEqual([]);
  });

  it('that come later are told at once how things stand, and nothing twice', async () => {
    const [hub] = hubs;
    const heard: (LiveMessage | null | 'over')[] = [];
    const first: unknown[] = [];
    const end = hub?.listen('shed', { page: 'one', name: 'Ada' }, (message) => first.push(message));
    await vi.waitFor(() => {
      expect(first).not.toEqual([]);
    }, PATIENT);
    hub?.listen('shed', { page: 'two', name: 'Bo' }, (message) => heard.push(message));
    expect(heard).toHaveLength(1);
    expect(heard[0]).toMatchObject({ version: 1 });
    await new Promise((resolve) => setTimeout(resolve, 1_500));
    expect(heard.length).toBeLessThanOrEqual(2);
    end?.();
    hub?.close();
    expect(heard.at(-1)).toBe('over');
  });

  it('whose hub has closed are told of no failure that was still on its way', async () => {
    const broken: unknown[] = [];
    let lose: (error: Error) => void = () => undefined;
    const store: LiveStore = {
      ...makeLiveStore(knex, clock),
      come: () =>
        new Promise((_, reject) => {
          lose = reject;
        }),
    };
    const hub = makeLiveHub(store, (error) => broken.push(error));
    hub.listen('shed', { page: 'one', name: 'Ada' }, () => undefined);
    lose(new Error('the disk'));
    await vi.waitFor(() => {
      expect(broken).toHaveLength(1);
    }, PATIENT);
    hub.listen('shed', { page: 'two', name: 'Bo' }, () => undefined);
    hub.close();
    lose(new Error('aborted'));
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(broken).toHaveLength(1);
  });

  it('whose browser is gone without a word are forgotten after a while', async () => {
    let now = Date.now();
    const store = makeLiveStore(knex, () => new Date(now));
    await store.come('shed', { page: 'gone', name: 'Cy' });
    expect(await store.here('shed')).toHaveLength(1);
    now += 60_000;
    expect(await store.here('shed')).toEqual([]);
    expect(await store.pulse('no-such')).toBeNull();
  });
});

describe('the clock of a device', () => {
  const noon = Date.parse('2026-12-01T12:00:00Z');
  it.each([
    ['right', 'Tue, 01 Dec 2026 12:00:00 GMT', 0],
    ['off by less than the way of an answer may take', 'Tue, 01 Dec 2026 12:01:30 GMT', 0],
    ['a day behind', 'Wed, 02 Dec 2026 12:00:00 GMT', 86_400_000],
    ['three hours ahead', 'Tue, 01 Dec 2026 09:00:00 GMT', -10_800_000],
    ['not told of', null, null],
    ['told of in no words of a clock', 'yesterday', null],
  ])('is %s', (_, date, ahead) => {
    expect(clockAhead(date, noon - 100, noon + 100)).toBe(ahead);
  });
});

it.each([
  ['/', { kind: 'list' }],
  ['/jobs/shed/today', { kind: 'today', job: 'shed' }],
  ['/jobs/shed', { kind: 'stage', job: 'shed', stage: 'outline' }],
  ['/jobs/shed/courses', { kind: 'stage', job: 'shed', stage: 'courses' }],
  ['/jobs/shed/days/log', { kind: 'stage', job: 'shed', stage: 'days', panel: 'log' }],
  ['/jobs/shed/pours/2/board', { kind: 'board', job: 'shed', number: 2 }],
  ['/jobs/shed/sheets/courses', { kind: 'sheet', job: 'shed', sheet: 'courses' }],
  ['/jobs/shed/pours/0/board', null],
  ['/jobs/shed/paper', null],
  ['/people', null],
])('%s shows without signal what it shows with one, as far as it can', (path, place) => {
  expect(placeOf(path)).toEqual(place);
});
