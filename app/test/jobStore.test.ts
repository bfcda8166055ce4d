import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { applyEdit, emptyPlan } from '@ombra/core/plan';
import type { Knex } from 'knex';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { loadDemo } from '../src/server/demo';
import { type JobStore, makeJobStore } from '../src/server/jobStore';
import { openDatabase } from '../src/server/sqlite';

const DEMO = new URL('../../demo/sorrel-fork-hatchery.json', import.meta.url);

describe('the job store', () => {
  let folder: string;
  let knex: Knex;
  let jobs: JobStore;
  let minute: number;
  let ids: number;
  const clock = (): Date => new Date(Date.UTC(2026, 0, 1, 0, minute++));

  const open = async (): Promise<void> => {
    const opened = await openDatabase(folder, clock);
    knex = opened.knex;
    jobs = makeJobStore(knex, clock, () => `id-${String(++ids)}`);
  };

  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'ombra-test-'));
    minute = 0;
    ids = 0;
    await open();
  });

  afterEach(async () => {
    await knex.destroy();
    rmSync(folder, { recursive: true });
  });

  const plan = emptyPlan('Barn');

  it('keeps a job and every state of it', async () => {
    const job = await jobs.create(plan);
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
    const states = await knex<{ version: number; plan: string }>('revisions').orderBy('version');
    expect(states.map((state) => (JSON.parse(state.plan) as { name: string }).name)).toEqual([
      'Barn',
      'Big barn',
    ]);
  });

  it('is there after the database has been closed and opened', async () => {
    const job = await jobs.create(plan);
    await knex.destroy();
    await open();
    expect(await jobs.get(job.id)).toEqual(job);
  });

  it('lists the newest work first, without what was removed', async () => {
    const first = await jobs.create(emptyPlan('First'));
    const second = await jobs.create(emptyPlan('Second'));
    expect((await jobs.list()).map((job) => job.name)).toEqual(['Second', 'First']);
    await jobs.save(first.id, { baseVersion: 1, saveId: 'a', plan: emptyPlan('First again') });
    expect((await jobs.list()).map((job) => job.name)).toEqual(['First again', 'Second']);
    expect(await jobs.remove(second.id)).toBe(true);
    expect((await jobs.list()).map((job) => job.name)).toEqual(['First again']);
    expect(await jobs.get(second.id)).toBeNull();
    expect(await jobs.remove(second.id)).toBe(false);
    expect(await jobs.restore(second.id)).toBe(true);
    expect((await jobs.get(second.id))?.name).toBe('Second');
    expect(await jobs.restore(second.id)).toBe(false);
  });

  it('refuses a stale save and shows what is there instead', async () => {
    const job = await jobs.create(plan);
    await jobs.save(job.id, { baseVersion: 1, saveId: 'a', plan: emptyPlan('Theirs') });
    const outcome = await jobs.save(job.id, { baseVersion: 1, saveId: 'b', plan: emptyPlan('Mine') });
    expect(outcome).toMatchObject({ kind: 'stale', current: { version: 2, name: 'Theirs' } });
    expect((await jobs.get(job.id))?.name).toBe('Theirs');
  });

  it('does a repeated save once, even after later ones', async () => {
    const job = await jobs.create(plan);
    const save = { baseVersion: 1, saveId: 'a', plan: emptyPlan('Once') };
    await jobs.save(job.id, save);
    await jobs.save(job.id, { baseVersion: 2, saveId: 'b', plan: emptyPlan('Later') });
    expect(await jobs.save(job.id, save)).toEqual({ kind: 'saved', version: 2 });
    expect(await jobs.get(job.id)).toMatchObject({ name: 'Later', version: 3 });
  });

  it('lets just one of many saves from the same state through', async () => {
    const job = await jobs.create(plan);
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

  it('makes a job once for an id, and does not save to one that is missing', async () => {
    expect((await jobs.create(plan, 'mine')).id).toBe('mine');
    expect((await jobs.create(emptyPlan('Again'), 'mine')).name).toBe('Barn');
    expect(await jobs.count()).toBe(1);
    expect(await jobs.save('nobody', { baseVersion: 1, saveId: 'a', plan })).toEqual({ kind: 'missing' });
    expect(await jobs.get('nobody')).toBeNull();
  });

  it('loads the demo once; removed, it stays removed', async () => {
    expect(await loadDemo(jobs, DEMO)).toBe(true);
    expect((await jobs.list()).map((job) => job.id)).toEqual(['sorrel-fork-hatchery']);
    await jobs.remove('sorrel-fork-hatchery');
    expect(await loadDemo(jobs, DEMO)).toBe(false);
    expect(await jobs.list()).toEqual([]);
  });

  it('backs the database up before it migrates one that was there', async () => {
    await jobs.create(plan);
    // As if the last migration had not been made yet; it only adds tables, so they are taken away first.
    await knex('knex_migrations').delete();
    await knex.schema.dropTable('revisions').dropTable('jobs');
    await knex.destroy();
    const opened = await openDatabase(folder, clock);
    knex = opened.knex;
    expect(opened.backup).toContain(join(folder, 'backups'));
    expect(readdirSync(join(folder, 'backups')).length).toBe(1);
    expect(await knex('jobs').count({ count: '*' })).toEqual([{ count: 0 }]);
  });

  it('writes through a log and survives a power cut', async () => {
    expect(await knex.raw('PRAGMA journal_mode')).toEqual([{ journal_mode: 'wal' }]);
    expect(await knex.raw('PRAGMA synchronous')).toEqual([{ synchronous: 2 }]);
  });
});
