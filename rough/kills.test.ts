import { emptyPlan } from '@ombra/core/stages/outline';
import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { storedText } from '../app/src/server/jobStore';
import { checkDatabase, connect } from '../app/src/server/sqlite';
import { type Running, newFolder, planNamed, send, start } from './server';

/** Numbers that look random, the same in every run. */
function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648;
    return state / 2_147_483_648;
  };
}

interface Acknowledged {
  readonly version: number;
  readonly name: string;
}

/** Saves one state after the other, as fast as the server answers, until it is gone; what was acknowledged is written down. */
async function saveUntilGone(
  running: Running,
  job: string,
  from: number,
  log: Acknowledged[],
): Promise<void> {
  let version = from;
  for (let turn = 0; turn < 10_000; turn++) {
    const name = `State ${String(version + 1)} of ${job}`;
    const saveId = `${job}-${String(version)}-${String(turn)}`;
    const answer = await send(running, 'PUT', `/api/jobs/${job}`, {
      baseVersion: version,
      saveId,
      plan: planNamed(name),
    });
    if (answer === null) return;
    if (answer.status !== 200) throw new Error(JSON.stringify(answer));
    ({ version } = answer.body as { version: number });
    log.push({ version, name });
  }
}

describe('killed at any instant', () => {
  let folder: string;
  beforeEach(() => {
    folder = newFolder('kills');
  });
  afterEach(() => {
    rmSync(folder, { recursive: true, force: true });
  });

  it('loses nothing that was acknowledged, over a score of kills, some of them during a backup', async () => {
    const random = numbers(11);
    const log: Acknowledged[] = [];
    let running = await start(folder);
    const made = await send(running, 'POST', '/api/jobs', { id: 'one', plan: planNamed('State 1 of one') });
    expect(made?.status).toBe(201);
    for (let turn = 0; turn < 16; turn++) {
      const job = (await send(running, 'GET', '/api/jobs/one')) as {
        body: { job: { version: number; name: string } };
      };
      const { version, name } = job.body.job;
      // What stands there is the last state that was acknowledged, or one that was on its way.
      expect(version).toBeGreaterThanOrEqual(log.at(-1)?.version ?? 1);
      if (version === log.at(-1)?.version) expect(name).toBe(log.at(-1)?.name);
      const saving = saveUntilGone(running, 'one', version, log);
      const backup =
        turn % 4 === 3
          ? spawn(
              'npx',
              ['tsx', 'app/src/server/backupCommand.ts', join(folder, `b${String(turn)}.sqlite`)],
              {
                env: { ...process.env, OMBRA_DATA: folder },
                stdio: 'ignore',
              },
            )
          : null;
      // After some saves, however long the machine takes for them, and in the midst of the next.
      const enough = log.length + 3 + Math.floor(random() * 12);
      await expect.poll(() => log.length, { interval: 1, timeout: 60_000 }).toBeGreaterThanOrEqual(enough);
      await wait(random() * (backup ? 900 : 20));
      await running.kill();
      backup?.kill('SIGKILL');
      await saving;
      running = await start(folder);
    }
    const { revisions } = (await send(running, 'GET', '/api/jobs/one/revisions'))?.body as {
      revisions: readonly { readonly version: number }[];
    };
    const known = new Set(revisions.map(({ version }) => version));
    expect(log.length).toBeGreaterThan(100);
    for (const { version } of log.slice(-900)) expect(known.has(version)).toBe(true);
    await running.stop();
    expect(await checkDatabase(join(folder, 'ombra.sqlite'), 'whole')).toBeNull();
  });

  it('during a migration starts again, takes everything over, and piles up no backups', async () => {
    const file = join(folder, 'ombra.sqlite');
    const old = connect(file);
    await old.migrate.up();
    const at = '2026-01-01T00:00:00.000Z';
    for (let job = 0; job < 40; job++) {
      const id = `job-${String(job)}`;
      const plan = storedText(emptyPlan(`Job ${String(job)}`));
      await old('jobs').insert({
        id,
        name: `Job ${String(job)}`,
        version: 60,
        plan,
        created_at: at,
        updated_at: at,
      });
      await old.batchInsert(
        'revisions',
        Array.from({ length: 60 }, (_, index) => ({
          job_id: id,
          version: index + 1,
          save_id: `s${String(index)}`,
          plan: storedText(emptyPlan(`Job ${String(job)}, state ${String(index + 1)}`)),
          saved_at: at,
        })),
        20,
      );
    }
    await old.destroy();
    const random = numbers(5);
    const copies = () =>
      existsSync(join(folder, 'backups'))
        ? readdirSync(join(folder, 'backups')).filter((name) => name.startsWith('before-'))
        : [];
    // The first turn is killed soon after its backup is begun, however slow the machine; it tells
    // how long a start takes to come there, and the others are killed about then.
    let reached = 0;
    for (let turn = 0; turn < 5; turn++) {
      let starting: ChildProcess | null = null;
      const ended = { yet: false };
      const began = performance.now();
      const started = start(
        folder,
        {},
        (command) => command,
        (child) => {
          starting = child;
        },
      )
        .catch(() => null)
        .finally(() => {
          ended.yet = true;
        });
      if (turn === 0) {
        while (!ended.yet && copies().length === 0) await wait(10);
        reached = performance.now() - began;
        await wait(random() * 200);
      } else await wait(reached * (0.7 + random()));
      (starting as ChildProcess | null)?.kill('SIGKILL');
      await started;
    }
    const running = await start(folder);
    // One backup from before it, however often it was tried, or a second one from part-way through; nothing of one that was killed.
    expect(copies().length).toBeGreaterThan(0);
    expect(copies().length).toBeLessThan(3);
    expect(copies().filter((name) => !name.endsWith('.sqlite'))).toEqual([]);
    const list = (await send(running, 'GET', '/api/jobs'))?.body as { total: number };
    expect(list.total).toBe(40);
    const state = (await send(running, 'GET', '/api/jobs/job-7/revisions/33'))?.body as {
      plan: { name: string };
    };
    expect(state.plan.name).toBe('Job 7, state 33');
    await running.stop();
    expect(await checkDatabase(file, 'whole')).toBeNull();
  });

  it('while old states are thinned out leaves each of the others readable', async () => {
    let running = await start(folder);
    await send(running, 'POST', '/api/jobs', { id: 'old', plan: planNamed('State 1') });
    for (let version = 1; version < 120; version++) {
      await send(running, 'PUT', '/api/jobs/old', {
        baseVersion: version,
        saveId: `s${String(version)}`,
        plan: planNamed(`State ${String(version + 1)}`),
      });
    }
    await running.stop();
    const aged = connect(join(folder, 'ombra.sqlite'));
    await aged('states').update({ saved_at: '2024-05-05T05:05:05.000Z' });
    await aged.destroy();
    const random = numbers(3);
    // The daily work begins five seconds after a start.
    for (let turn = 0; turn < 2; turn++) {
      running = await start(folder);
      await wait(5000 + random() * 700);
      await running.kill();
    }
    running = await start(folder);
    interface History {
      readonly revisions: readonly { readonly version: number }[];
    }
    let revisions: History['revisions'] = [];
    // A machine that works on something else as well takes its time.
    for (let look = 0; look < 30 && (look === 0 || revisions.length >= 10); look++) {
      await wait(2000);
      ({ revisions } = (await send(running, 'GET', '/api/jobs/old/revisions'))?.body as History);
    }
    expect(revisions.length).toBeLessThan(10);
    expect(revisions[0]?.version).toBe(120);
    for (const { version } of revisions) {
      const state = (await send(running, 'GET', `/api/jobs/old/revisions/${String(version)}`))?.body as {
        plan: { name: string };
      };
      expect(state.plan.name).toBe(`State ${String(version)}`);
    }
    await running.stop();
  });
});
