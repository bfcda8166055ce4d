import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type OwnPostgres, startPostgres } from '../scripts/postgres';
import { type Running, freePort, newFolder, planNamed, send, start } from './server';

const WRITERS = 50;
/** Milliseconds that they write on and on. */
const MINUTE = 60_000;

let own: OwnPostgres | null = null;
let folder = '';
beforeAll(async () => {
  own = startPostgres(await freePort());
  folder = newFolder('servers');
});
afterAll(() => {
  own?.stop();
  rmSync(folder, { recursive: true, force: true });
});

describe('several servers on one database', () => {
  it('lose nothing that was acknowledged under fifty writers for a minute, while one of them is killed', async (context) => {
    if (!own) {
      context.skip();
      return;
    }
    const environment = { OMBRA_DATABASE_URL: own.url };
    const started = await Promise.all([start(folder, environment), start(folder, environment)]);
    const servers: Running[] = [...started];
    const [stays] = started as [Running, Running];
    expect(
      (await send(stays, 'POST', '/api/jobs', { id: 'shared', plan: planNamed('Shared') }))?.status,
    ).toBe(201);
    const until = Date.now() + MINUTE;
    const entries = new Set<string>();
    const saves: { readonly job: string; readonly version: number; readonly name: string }[] = [];
    let stale = 0;

    /** One writes in the log of the one job that all share, and saves a plan: every fifth its own, the others that of all. */
    const write = async (writer: number): Promise<void> => {
      const job = writer % 5 === 0 ? `own-${String(writer)}` : 'shared';
      const at = (): Running => servers[writer % servers.length] as Running;
      if (job !== 'shared') {
        let made = null;
        while (made === null) made = await send(at(), 'POST', '/api/jobs', { id: job, plan: planNamed(job) });
      }
      let version = 1;
      while (Date.now() < until) {
        const id = randomUUID();
        const entry = {
          id,
          at: '2026-12-01T08:00:00Z',
          who: `Writer ${String(writer)}`,
          kind: 'note',
          body: { what: id },
        };
        const kept = await send(at(), 'POST', '/api/jobs/shared/entries', entry);
        if (kept?.status === 201) entries.add(id);
        else if (kept === null || kept.status === 503) await wait(50);
        else throw new Error(JSON.stringify(kept));
        const name = `${job} by ${String(writer)}: ${id}`;
        const saved = await send(at(), 'PUT', `/api/jobs/${job}`, {
          baseVersion: version,
          saveId: id,
          plan: planNamed(name),
        });
        if (saved?.status === 200) {
          ({ version } = saved.body as { version: number });
          saves.push({ job, version, name });
        } else if (saved?.status === 409) {
          stale += 1;
          ({ version } = (saved.body as { current: { version: number } }).current);
        } else if (saved === null || saved.status === 503) {
          await wait(50);
          const now = await send(stays, 'GET', `/api/jobs/${job}`);
          if (now?.status === 200) ({ version } = (now.body as { job: { version: number } }).job);
        } else throw new Error(JSON.stringify(saved));
      }
    };
    const writing = Promise.all(Array.from({ length: WRITERS }, (_, writer) => write(writer)));
    await wait(MINUTE / 3);
    await started[1]?.kill();
    servers.splice(1, 1);
    await wait(MINUTE / 4);
    servers.push(await start(folder, environment));
    await writing;

    // Enough to go by, however slow the machine is.
    expect(entries.size).toBeGreaterThan(WRITERS);
    expect(saves.length).toBeGreaterThan(WRITERS);
    expect(stale).toBeGreaterThan(0);
    // Every acknowledged entry is there once, and the numbers of all go up.
    const found: { number: number; entry: { id: string } }[] = [];
    for (;;) {
      const answer = await send(
        stays,
        'GET',
        `/api/jobs/shared/entries?after=${String(found.at(-1)?.number ?? 0)}`,
      );
      const page = (answer?.body as { entries: typeof found }).entries;
      found.push(...page);
      if (page.length === 0) break;
    }
    const ids = found.map(({ entry }) => entry.id);
    expect(new Set(ids).size).toBe(ids.length);
    expect([...entries].filter((id) => !ids.includes(id))).toEqual([]);
    // Every acknowledged save is a state of its job, under its own version, and no two share one.
    expect(new Set(saves.map(({ job, version }) => `${job}:${String(version)}`)).size).toBe(saves.length);
    const step = Math.max(1, Math.floor(saves.length / 150));
    for (const { job, version, name } of saves.filter(
      (_, index) => index % step === 0 || index > saves.length - 20,
    )) {
      const state = await send(stays, 'GET', `/api/jobs/${job}/revisions/${String(version)}`);
      expect(JSON.stringify(state?.body)).toContain(name);
    }
    for (const server of servers) await server.stop();
    console.log(
      `${String(entries.size)} entries and ${String(saves.length)} saves acknowledged, ${String(stale)} stale`,
    );
  });

  it('say plainly where the database is not', async () => {
    const port = await freePort();
    const nowhere = { OMBRA_DATABASE_URL: `postgres://ombra@127.0.0.1:${String(port)}/ombra` };
    await expect(start(folder, nowhere)).rejects.toThrow(
      'The database of OMBRA_DATABASE_URL does not answer',
    );
    if (!own) return;
    const missing = { OMBRA_DATABASE_URL: own.url.replace(/\/postgres$/, '/none') };
    await expect(start(folder, missing)).rejects.toThrow('There is no database of that name');
  });
});
