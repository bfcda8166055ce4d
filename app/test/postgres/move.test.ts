import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { makeAccessStore } from '../../src/server/access/accessStore';
import { loadDemo } from '../../src/server/demo';
import { makeEntryStore, wholeLog } from '../../src/server/entryStore';
import { makeFileStore } from '../../src/server/fileStore';
import { makeJobStore } from '../../src/server/jobStore';
import { move } from '../../src/server/move/move';
import { moveFiles } from '../../src/server/move/moveFiles';
import { openDatabase } from '../../src/server/sqlite';
import { testDatabase } from '../support/database';

const DEMO = new URL('../../../demo/', import.meta.url);
const JOB = 'sorrel-fork-hatchery';
const PNG = readFileSync('app/public/icons/icon-192.png');

const clock = (): Date => new Date('2026-12-01T08:00:00Z');
let next = 0;
const ids = (): string => `id-${String(++next)}`;

describe('moving from one database to another', () => {
  let folder: string;
  const closing: (() => Promise<void>)[] = [];
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'ombra-move-'));
  });
  afterEach(async () => {
    for (const close of closing.splice(0)) await close();
    rmSync(folder, { recursive: true });
  });

  const sqlite = async (name: string) => {
    const { knex } = await openDatabase(join(folder, name), () => Promise.resolve(''));
    closing.push(() => knex.destroy());
    return knex;
  };
  const postgres = async () => {
    const { knex, close } = await testDatabase(folder);
    closing.push(close);
    return knex;
  };

  /** A database in which somebody has worked: the demo, edits, a job that was removed, pictures, people. */
  async function worked() {
    const knex = await sqlite('first');
    const jobs = makeJobStore(knex, clock, ids);
    const entries = makeEntryStore(knex, clock);
    await loadDemo({ jobs, entries }, DEMO);
    const job = await jobs.get(JOB);
    if (!job) throw new Error('the demo is there');
    for (let version = 1; version < 60; version++)
      await jobs.save(JOB, {
        baseVersion: version,
        saveId: ids(),
        plan: { ...job.plan, name: `Ämt ${String(version)} “½”` },
      });
    const other = await jobs.create({ ...job.plan, name: 'In the bin' });
    if (other.kind === 'made') await jobs.remove(other.job.id);
    await makeFileStore(knex, join(folder, 'first'), clock, ids).put(JOB, PNG);
    const access = makeAccessStore(knex, clock, ids);
    const { token, link } = await access.makeLink({
      role: 'crew',
      name: 'Crew',
      job: JOB,
      days: 7,
      madeBy: 'Ada',
    });
    const session = await access.letIn({ role: 'crew', name: 'Bo', link: link.id, browser: 'a phone' });
    return { knex, token, session };
  }

  it('carries everything to PostgreSQL and back, and all of it works there', async () => {
    const first = await worked();
    const there = await postgres();
    const lines: string[] = [];
    const went = await move(first.knex, there, (line) => lines.push(line));
    expect(went.jobs.rows).toBe(2);
    expect(went.states.rows).toBe(61);
    expect(went.files.rows).toBe(1);
    expect(lines).toHaveLength(Object.keys(went).length);
    const [jobs, entries] = [makeJobStore(there, clock, ids), makeEntryStore(there, clock)];
    const old = makeJobStore(first.knex, clock, ids);
    expect(await jobs.get(JOB)).toEqual(await old.get(JOB));
    expect(await jobs.list({ search: 'amt' })).toEqual(await old.list({ search: 'amt' }));
    for (const version of [1, 2, 30, 51, 60])
      expect(await jobs.revision(JOB, version)).toBe(await old.revision(JOB, version));
    const log = makeEntryStore(first.knex, clock);
    expect(await wholeLog(entries, JOB)).toEqual(await wholeLog(log, JOB));
    expect(await entries.search(JOB, 'corner stands')).toHaveLength(
      (await log.search(JOB, 'corner stands'))?.length ?? -1,
    );
    expect(await entries.search(JOB, 'corner')).not.toEqual([]);
    const access = makeAccessStore(there, clock, ids);
    expect(await access.personOf(first.session)).toMatchObject({ role: 'crew', name: 'Bo' });
    expect(await access.readLink(first.token)).toMatchObject({ kind: 'open' });
    // What is written there is numbered after all that came.
    const last = (await wholeLog(entries, JOB)).at(-1)?.number ?? 0;
    const added = await entries.add(JOB, [
      { id: 'after', at: '2026-12-01T08:00:00Z', who: 'Bo', kind: 'note', body: { what: 'Written there' } },
    ]);
    expect(added).toMatchObject({ kind: 'kept', added: 1 });
    expect((await wholeLog(entries, JOB)).at(-1)?.number).toBeGreaterThan(last);

    const back = await sqlite('back');
    const came = await move(there, back, () => undefined);
    expect(came.states).toEqual(went.states);
    expect(came.jobs).toEqual(went.jobs);
    expect(came.entries.rows).toBe(went.entries.rows + 1);
    expect(await makeEntryStore(back, clock).search(JOB, 'written')).toEqual(['after']);
    expect(await makeJobStore(back, clock, ids).revision(JOB, 30)).toBe(await old.revision(JOB, 30));
  });

  it('writes into no database that has jobs, and leaves it as it was', async () => {
    const { knex } = await worked();
    const there = await postgres();
    const jobs = makeJobStore(there, clock, ids);
    await loadDemo({ jobs, entries: makeEntryStore(there, clock) }, DEMO);
    await expect(move(knex, there, () => undefined)).rejects.toThrow(
      /jobs in the database to move to already/,
    );
    expect((await jobs.get(JOB))?.version).toBe(1);
  });

  it('holds every picture against its hash, and says which one is broken or gone', async () => {
    const { knex } = await worked();
    const [from, to] = [join(folder, 'first'), join(folder, 'shared')];
    expect(await moveFiles(knex, from, to)).toBe(1);
    expect(readdirSync(join(to, 'files'))).toHaveLength(1);
    const [dir = ''] = readdirSync(join(to, 'files'));
    const [name = ''] = readdirSync(join(to, 'files', dir));
    expect(readFileSync(join(to, 'files', dir, name)).equals(PNG)).toBe(true);
    writeFileSync(join(to, 'files', dir, name), 'not the picture');
    await expect(moveFiles(knex, to, to)).rejects.toThrow(/does not hold what it was named by/);
    rmSync(join(to, 'files', dir, name));
    await expect(moveFiles(knex, to, to)).rejects.toThrow(/is missing/);
  });
});
