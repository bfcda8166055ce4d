import { emptyPlan } from '@ombra/core/stages/outline';
import { applyEdit } from '@ombra/core/plan';
import { chmodSync, existsSync, mkdirSync, mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Plan } from '@ombra/core/kernel/plan';
import type { Knex } from 'knex';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { loadDemo } from '../src/server/demo';
import { backUpBefore } from '../src/server/backups';
import { makeEntryStore } from '../src/server/entryStore';
import {
  type JobStore,
  type StoredJob,
  makeJobStore,
  PAGE_OF_JOBS,
  storedText,
} from '../src/server/jobStore';
import { connect, openDatabase } from '../src/server/sqlite';
import { itOnSqlite, testDatabase } from './support/database';

const DEMO = new URL('../../demo/', import.meta.url);

describe('the job store', () => {
  let folder: string;
  let knex: Knex;
  let close: () => Promise<void>;
  let jobs: JobStore;
  let minute: number;
  let ids: number;
  const clock = (): Date => new Date(Date.UTC(2026, 0, 1, 0, minute++));

  const backUp = (on: Knex, migration: string): Promise<string> => backUpBefore(on, folder, migration);
  const make = async (made: Plan, id?: string): Promise<StoredJob> => {
    const outcome = await jobs.create(made, id);
    if (outcome.kind !== 'made') throw new Error('the id is taken');
    return outcome.job;
  };
  const names = async (): Promise<readonly string[]> => (await jobs.list()).jobs.map((job) => job.name);

  const open = async (): Promise<void> => {
    ({ knex, close } = await testDatabase(folder));
    jobs = makeJobStore(knex, clock, () => `id-${String(++ids)}`);
  };

  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'ombra-test-'));
    minute = 0;
    ids = 0;
    await open();
  });

  afterEach(async () => {
    await close();
    rmSync(folder, { recursive: true });
  });

  const plan = emptyPlan('Barn');

  it('keeps a job and every state of it', async () => {
    const job = await make(plan);
    const renamed = applyEdit(plan, { kind: 'rename', name: 'Big barn' });
    expect(await jobs.save(job.id, { baseVersion: 1, saveId: 'a', plan: renamed })).toEqual({
      kind: 'saved',
      version: 2,
    });
    expect(await jobs.get(job.id)).toMatchObject({
      name: 'Big barn',
      version: 2,
      plan: { name: 'Big barn' },
    });
    expect(await jobs.revisions(job.id)).toMatchObject([{ version: 2 }, { version: 1 }]);
    expect(await jobs.revision(job.id, 1)).toContain('"Barn"');
    expect(await jobs.revision(job.id, 2)).toContain('"Big barn"');
    expect(await jobs.revision(job.id, 3)).toBeNull();
  });

  itOnSqlite('is there after the database has been closed and opened', async () => {
    const job = await make(plan);
    await knex.destroy();
    await open();
    expect(await jobs.get(job.id)).toEqual(job);
  });

  it('lists the newest work first, without what was removed', async () => {
    const first = await make(emptyPlan('First'));
    const second = await make(emptyPlan('Second'));
    expect(await names()).toEqual(['Second', 'First']);
    await jobs.save(first.id, { baseVersion: 1, saveId: 'a', plan: emptyPlan('First again') });
    expect(await names()).toEqual(['First again', 'Second']);
    expect(await jobs.remove(second.id)).toBe(true);
    expect(await names()).toEqual(['First again']);
    expect(await jobs.get(second.id)).toBeNull();
    expect(await jobs.remove(second.id)).toBe(false);
    expect(await jobs.restore(second.id)).toBe(true);
    expect((await jobs.get(second.id))?.name).toBe('Second');
    expect(await jobs.restore(second.id)).toBe(false);
  });

  it('refuses a stale save and shows what is there instead', async () => {
    const job = await make(plan);
    await jobs.save(job.id, { baseVersion: 1, saveId: 'a', plan: emptyPlan('Theirs') });
    const outcome = await jobs.save(job.id, { baseVersion: 1, saveId: 'b', plan: emptyPlan('Mine') });
    expect(outcome).toMatchObject({ kind: 'stale', current: { version: 2, name: 'Theirs' } });
    expect((await jobs.get(job.id))?.name).toBe('Theirs');
  });

  it('does a repeated save once, even after later ones', async () => {
    const job = await make(plan);
    const save = { baseVersion: 1, saveId: 'a', plan: emptyPlan('Once') };
    await jobs.save(job.id, save);
    await jobs.save(job.id, { baseVersion: 2, saveId: 'b', plan: emptyPlan('Later') });
    expect(await jobs.save(job.id, save)).toEqual({ kind: 'saved', version: 2 });
    expect(await jobs.get(job.id)).toMatchObject({ name: 'Later', version: 3 });
  });

  it('lets just one of many saves from the same state through', async () => {
    const job = await make(plan);
    const outcomes = await Promise.all(
      Array.from({ length: 20 }, (_, index) =>
        jobs.save(job.id, {
          baseVersion: 1,
          saveId: `s${String(index)}`,
          plan: emptyPlan(`Save ${String(index)}`),
        }),
      ),
    );
    expect(outcomes.filter((outcome) => outcome.kind === 'saved').length).toBe(1);
    expect(outcomes.filter((outcome) => outcome.kind === 'stale').length).toBe(19);
    expect((await jobs.get(job.id))?.version).toBe(2);
  });

  it('makes a job once for an id, tells one that is taken, and does not save to one that is missing', async () => {
    expect((await make(plan, 'mine')).id).toBe('mine');
    expect((await make(plan, 'mine')).version).toBe(1);
    expect(await jobs.create(emptyPlan('Another'), 'mine')).toEqual({ kind: 'taken', removed: false });
    await jobs.remove('mine');
    expect(await jobs.create(plan, 'mine')).toEqual({ kind: 'taken', removed: true });
    expect(await jobs.count()).toBe(1);
    expect(await jobs.save('nobody', { baseVersion: 1, saveId: 'a', plan })).toEqual({ kind: 'missing' });
    expect(await jobs.get('nobody')).toBeNull();
  });

  it('refuses an id that comes again with another plan, also one that was set aside under it', async () => {
    const job = await make(plan);
    await jobs.save(job.id, { baseVersion: 1, saveId: 'a', plan: emptyPlan('One') });
    const again = { baseVersion: 2, saveId: 'a', plan: emptyPlan('Two') };
    expect(await jobs.save(job.id, again)).toEqual({ kind: 'reused', version: 2 });
    expect(await jobs.setAside(job.id, again)).toEqual({ kind: 'reused', version: 2 });
    expect((await jobs.get(job.id))?.name).toBe('One');
  });

  it('keeps what was let go in the history, and theirs goes on', async () => {
    const job = await make(plan);
    await jobs.save(job.id, { baseVersion: 1, saveId: 'a', plan: emptyPlan('Theirs') });
    const mine = { saveId: 'b', plan: emptyPlan('Mine') };
    expect(await jobs.setAside(job.id, mine)).toEqual({ kind: 'saved', version: 4 });
    expect(await jobs.setAside(job.id, mine)).toEqual({ kind: 'saved', version: 3 });
    expect(await jobs.get(job.id)).toMatchObject({ name: 'Theirs', version: 4 });
    expect(await jobs.revision(job.id, 3)).toContain('"Mine"');
  });

  it('finds jobs by a part of the name whatever its case and accents, a page at a time, those in the bin apart', async () => {
    for (let index = 0; index < PAGE_OF_JOBS + 5; index++) await make(emptyPlan(`Énorme ${String(index)}`));
    const odd = await make(emptyPlan('100% sure_thing'));
    const search = 'enorme';
    const first = await jobs.list({ search });
    expect(first.total).toBe(PAGE_OF_JOBS + 5);
    expect(first.jobs).toHaveLength(PAGE_OF_JOBS);
    expect((await jobs.list({ search, from: PAGE_OF_JOBS })).jobs).toHaveLength(5);
    expect((await jobs.list({ search: '0% s' })).jobs).toMatchObject([{ id: odd.id }]);
    expect((await jobs.list({ search: '_' })).total).toBe(1);
    await jobs.remove(odd.id);
    expect((await jobs.list({ search: '%' })).total).toBe(0);
    expect((await jobs.list({ removed: true })).jobs).toMatchObject([{ id: odd.id }]);
  });

  it('keeps the order of work while the clock goes back', async () => {
    const first = await make(emptyPlan('First'));
    await make(emptyPlan('Second'));
    minute = -10_000;
    await jobs.save(first.id, { baseVersion: 1, saveId: 'a', plan: emptyPlan('First') });
    expect(await names()).toEqual(['First', 'Second']);
  });

  it('opens what can be read of a plan that an odd program has stored, and keeps its text', async () => {
    const job = await make(plan);
    const text = '{"format":"ombra.plan","version":7,"name":"From the future","roof":{}}';
    await knex('jobs').where({ id: job.id }).update({ plan: text });
    const opened = await jobs.get(job.id);
    expect(opened?.plan).toMatchObject({ name: 'From the future' });
    expect(opened?.lost[0]?.where).toBe('version');
    expect(await jobs.rawPlan(job.id)).toBe(text);
  });

  itOnSqlite('keeps a day of 2 000 edits of the demo in under 3 MB, and each can be read', async () => {
    await loadDemo({ jobs, entries: makeEntryStore(knex, clock) }, DEMO);
    // Only the size is looked at: nothing needs to reach the disk.
    await knex.raw('PRAGMA synchronous = OFF');
    const id = 'sorrel-fork-hatchery';
    const file = join(folder, 'ombra.sqlite');
    await knex.raw('PRAGMA wal_checkpoint(TRUNCATE)');
    const before = statSync(file).size;
    const job = await jobs.get(id);
    if (!job) throw new Error('the demo is there');
    let changed = job.plan;
    const rows = changed.loops[0]?.walk ?? [];
    const texts: string[] = [];
    for (let index = 0; index < 2000; index++) {
      const row = rows[index % rows.length];
      changed = applyEdit(
        changed,
        index % 3 === 0
          ? { kind: 'rename', name: `Hatchery ${String(index)}` }
          : { kind: 'set-row-length', row: row?.id ?? '', length: `${String(20 + (index % 37))}ft` },
        () => `new-${String(index)}`,
      );
      texts.push(storedText(changed));
      await jobs.save(id, { baseVersion: index + 1, saveId: `s${String(index)}`, plan: changed });
    }
    await knex.raw('PRAGMA wal_checkpoint(TRUNCATE)');
    expect(statSync(file).size - before).toBeLessThan(3_000_000);
    for (const version of [2, 3, 49, 50, 51, 52, 500, 1999, 2001]) {
      expect(await jobs.revision(id, version)).toBe(texts[version - 2]);
    }
    // Forty days later each day has its last state, and each can still be read.
    minute += 40 * 24 * 60;
    expect(await jobs.thin()).toBeGreaterThan(1900);
    const left = (await jobs.revisions(id)) ?? [];
    expect(left.at(0)?.version).toBe(2001);
    expect(left.at(-1)?.version).toBe(1);
    for (const { version } of left.slice(0, -1)) {
      expect(await jobs.revision(id, version)).toBe(texts[version - 2]);
    }
  });

  it('loads the demo once; removed, it stays removed', async () => {
    expect(await loadDemo({ jobs, entries: makeEntryStore(knex, clock) }, DEMO)).toBe(true);
    expect((await jobs.list()).jobs.map((job) => job.id)).toEqual(['sorrel-fork-hatchery']);
    await jobs.remove('sorrel-fork-hatchery');
    expect(await loadDemo({ jobs, entries: makeEntryStore(knex, clock) }, DEMO)).toBe(false);
    expect(await names()).toEqual([]);
  });

  itOnSqlite(
    'backs up before it migrates a database that kept every state whole, and takes all of them over',
    async () => {
      await knex.destroy();
      rmSync(folder, { recursive: true });
      mkdirSync(folder);
      const old = connect(join(folder, 'ombra.sqlite'));
      await old.migrate.up();
      const text = (name: string): string => storedText(emptyPlan(name));
      for (const id of ['a', 'b']) {
        const at = `2026-01-0${id === 'a' ? '2' : '1'}T00:00:00.000Z`;
        await old('jobs').insert({
          id,
          name: `Job ${id}`,
          version: 3,
          plan: text(`${id}3`),
          created_at: at,
          updated_at: at,
        });
        for (const version of [1, 2, 3]) {
          const plan = text(`${id}${String(version)}`);
          await old('revisions').insert({
            job_id: id,
            version,
            save_id: `s${String(version)}`,
            plan,
            saved_at: at,
          });
        }
      }
      await old.destroy();
      const opened = await openDatabase(folder, backUp);
      ({ knex } = opened);
      close = () => knex.destroy();
      jobs = makeJobStore(knex, clock, () => `id-${String(++ids)}`);
      expect(opened.backup).toBe(join(folder, 'backups', 'before-002-states-as-differences.sqlite'));
      expect(await names()).toEqual(['Job a', 'Job b']);
      expect(await jobs.revision('b', 2)).toBe(text('b2'));
      expect(await jobs.save('a', { baseVersion: 2, saveId: 's3', plan: emptyPlan('a3') })).toEqual({
        kind: 'saved',
        version: 3,
      });
      expect((await jobs.list({ search: 'job' })).total).toBe(2);
    },
  );

  itOnSqlite('does not start on a database of a newer program, and leaves it as it is', async () => {
    await knex('knex_migrations').insert({ name: '999-from-the-future', batch: 9 });
    await knex.destroy();
    await expect(openDatabase(folder, backUp)).rejects.toThrow(/newer Ombra/);
    expect(existsSync(join(folder, 'backups'))).toBe(false);
    await open().catch(() => undefined);
    knex = connect(join(folder, 'ombra.sqlite'));
    close = () => knex.destroy();
  });

  itOnSqlite('keeps folder and files for their owner alone, also those that are there already', async () => {
    await knex.destroy();
    chmodSync(folder, 0o755);
    chmodSync(join(folder, 'ombra.sqlite'), 0o644);
    await open();
    expect(statSync(folder).mode & 0o777).toBe(0o700);
    expect(statSync(join(folder, 'ombra.sqlite')).mode & 0o777).toBe(0o600);
  });

  itOnSqlite('writes through a log and survives a power cut', async () => {
    expect(await knex.raw('PRAGMA journal_mode')).toEqual([{ journal_mode: 'wal' }]);
    expect(await knex.raw('PRAGMA synchronous')).toEqual([{ synchronous: 2 }]);
  });
});
