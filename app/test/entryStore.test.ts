import { mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Entry, standingEntries } from '@ombra/core/kernel/record';
import { emptyPlan } from '@ombra/core/stages/outline';
import type { Knex } from 'knex';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { type EntryStore, makeEntryStore, wholeLog } from '../src/server/entryStore';
import { type FileStore, LARGEST_PICTURE, makeFileStore } from '../src/server/fileStore';
import { type JobStore, makeJobStore } from '../src/server/jobStore';
import { testDatabase } from './support/database';

let folder: string;
let knex: Knex;
let close: () => Promise<void>;
let jobs: JobStore;
let log: EntryStore;
let files: FileStore;
let ids: number;
const clock = (): Date => new Date(Date.UTC(2027, 0, 1));
const newId = (): string => `id-${String(++ids)}`;

beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'ombra-test-'));
  ids = 0;
  ({ knex, close } = await testDatabase(folder));
  jobs = makeJobStore(knex, clock, newId);
  log = makeEntryStore(knex, clock);
  files = makeFileStore(knex, folder, clock, newId);
  await jobs.create(emptyPlan('Barn'), 'barn');
  await jobs.create(emptyPlan('Shed'), 'shed');
});

afterEach(async () => {
  await close();
  rmSync(folder, { recursive: true });
});

const note = (id: string, what: string): Entry => ({
  id,
  at: '2027-03-02T15:00:00-05:00',
  who: 'Ida',
  kind: 'note',
  body: { what },
});

describe('the log of a job', () => {
  it('keeps entries once, in the order in which they came, and tells what is new since', async () => {
    expect(await log.add('barn', [note('a', 'one'), note('b', 'two')])).toMatchObject({
      kind: 'kept',
      added: 2,
    });
    const [, second] = (await log.after('barn', 0)) ?? [];
    expect(await log.add('barn', [note('b', 'two'), note('c', 'three')])).toMatchObject({ added: 1 });
    expect((await log.after('barn', second?.number ?? 0))?.map(({ entry }) => entry.id)).toEqual(['c']);
    expect(await log.after('shed', 0)).toEqual([]);
    expect((await wholeLog(log, 'barn')).map(({ entry }) => entry)).toEqual([
      note('a', 'one'),
      note('b', 'two'),
      note('c', 'three'),
    ]);
  });

  it('takes no id for two entries, and then keeps none of what came with it', async () => {
    await log.add('barn', [note('a', 'one')]);
    expect(await log.add('barn', [note('z', 'new'), note('a', 'another')])).toEqual({
      kind: 'reused',
      ids: ['a'],
    });
    expect(await log.add('barn', [note('y', 'this'), note('y', 'that')])).toEqual({
      kind: 'reused',
      ids: ['y'],
    });
    expect(await wholeLog(log, 'barn')).toHaveLength(1);
    // An id belongs to its job: another job may have the same.
    expect(await log.add('shed', [note('a', 'another')])).toMatchObject({ added: 1 });
  });

  it('knows no job that was removed, and has its log again when that comes back', async () => {
    await log.add('barn', [note('a', 'one')]);
    await jobs.remove('barn');
    expect(await log.add('barn', [note('b', 'two')])).toEqual({ kind: 'missing' });
    expect(await log.after('barn', 0)).toBeNull();
    await jobs.restore('barn');
    expect(await wholeLog(log, 'barn')).toHaveLength(1);
  });

  it('finds words, begun or whole, in any case and without accents, and takes signs for nothing', async () => {
    await log.add('barn', [
      note('a', 'Gusts from the lake, façade braced'),
      note('b', 'Braces up on A–B'),
      { ...note('c', ''), kind: 'incident', body: { what: 'Bulge', cause: 'too fast', cure: 'plywood' } },
    ]);
    const found = async (text: string) => [...((await log.search('barn', text)) ?? [])].sort();
    expect(await found('brace')).toEqual(['a', 'b']);
    expect(await found('FACADE lake')).toEqual(['a']);
    expect(await found('plywood')).toEqual(['c']);
    expect(await found('ida')).toEqual(['a', 'b', 'c']);
    expect(await found('" OR * NEAR(')).toEqual([]);
    expect(await log.search('shed', 'brace')).toEqual([]);
    expect(await log.search('none', 'brace')).toBeNull();
  });

  it('takes what two devices send at once', async () => {
    const send = (device: string) =>
      Promise.all(
        Array.from({ length: 20 }, (_, index) =>
          log.add('barn', [note(`${device}${String(index)}`, device)]),
        ),
      );
    await Promise.all([send('x'), send('y'), send('x')]);
    const all = (await wholeLog(log, 'barn')).map(({ entry }) => entry);
    expect(all).toHaveLength(40);
    expect(standingEntries(all)).toHaveLength(40);
  });

  it('says what all jobs took, but for those that were removed', async () => {
    const work: Entry = {
      ...note('w', ''),
      kind: 'work',
      body: {
        day: '2027-03-02',
        item: 'course:2',
        kind: 'course',
        name: 'Course 2',
        share: 1,
        quantity: { unit: 'm2', value: 10 },
        manMinutes: 150,
        planned: 100,
        rates: { 'days.rate.wall': 20 },
      },
    };
    await log.add('barn', [work]);
    await log.add('shed', [work]);
    expect((await log.rates()).map(({ job, value }) => [job, value])).toEqual([
      ['barn', 30],
      ['shed', 30],
    ]);
    await jobs.remove('shed');
    await log.add('barn', [{ ...note('back', ''), kind: 'withdrawn', body: { why: '' }, corrects: 'w' }]);
    expect(await log.rates()).toEqual([]);
  });
});

describe('pictures', () => {
  /** The least picture there is, in GIF and in PNG. */
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  const gif = Buffer.from('R0lGODlhAQABAAAAACw=', 'base64');

  it('are kept once, by what they hold, for this user alone', async () => {
    const [one, two] = [await files.put('barn', png), await files.put('barn', png)];
    expect(one).toEqual(two);
    if (one.kind !== 'kept') throw new Error('not kept');
    expect(one).toMatchObject({ type: 'image/png' });
    expect(Buffer.from((await files.get('barn', one.hash))?.bytes ?? []).equals(png)).toBe(true);
    const [letters = ''] = readdirSync(join(folder, 'files'));
    const names = readdirSync(join(folder, 'files', letters));
    expect(names).toEqual([one.hash]);
    expect(statSync(join(folder, 'files', letters, one.hash)).mode & 0o777).toBe(0o600);
    // Another job does not see it.
    expect(await files.get('shed', one.hash)).toBeNull();
  });

  it('are pictures: their first bytes say so, not their names', async () => {
    expect(await files.put('barn', Buffer.from('<svg onload="x"></svg>'))).toEqual({ kind: 'no-picture' });
    expect(await files.put('barn', gif)).toEqual({ kind: 'no-picture' });
    expect(await files.put('barn', Buffer.alloc(0))).toEqual({ kind: 'no-picture' });
    expect(await files.put('barn', Buffer.concat([png, Buffer.alloc(LARGEST_PICTURE)]))).toEqual({
      kind: 'too-large',
    });
    expect(await files.put('none', png)).toEqual({ kind: 'missing' });
    expect(await files.get('barn', '../../ombra.sqlite')).toBeNull();
  });
});
