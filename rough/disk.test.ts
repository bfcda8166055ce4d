import { spawnSync } from 'node:child_process';
import {
  closeSync,
  copyFileSync,
  existsSync,
  mkdirSync,
  openSync,
  readdirSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { type Running, newFolder, planNamed, send, start } from './server';

const tool = (command: 'backup' | 'restore', folder: string, ...files: readonly string[]) =>
  spawnSync('npx', ['tsx', `app/src/server/${command}Command.ts`, ...files], {
    env: { ...process.env, OMBRA_DATA: folder },
    encoding: 'utf8',
  });

/** What a start that fails tells; a start that does not fail is one that should have. */
async function failure(folder: string): Promise<string> {
  try {
    const running = await start(folder);
    await running.stop();
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
  throw new Error('it started');
}

async function fill(running: Running, jobs: number): Promise<void> {
  for (let index = 0; index < jobs; index++) {
    const id = `job-${String(index)}`;
    await send(running, 'POST', '/api/jobs', { id, plan: planNamed(`Job ${String(index)}`) });
  }
}

describe('disk and database', () => {
  let folder: string;
  beforeEach(() => {
    folder = newFolder('disk');
  });
  afterEach(() => {
    spawnSync('umount', [join(folder, 'small')]);
    rmSync(folder, { recursive: true, force: true });
  });

  it('a backup is made while the server runs, and brought back when it is damaged', async () => {
    const data = join(folder, 'data');
    let running = await start(data);
    await fill(running, 30);
    const file = join(folder, 'kept.sqlite');
    expect(tool('backup', data, file)).toMatchObject({ status: 0 });
    expect(tool('backup', data, file).stderr).toMatch(/is there already/);
    expect(statSync(file).mode & 0o777).toBe(0o600);
    expect(tool('restore', data, file).stderr).toMatch(/already runs/);
    await running.stop();
    const database = join(data, 'ombra.sqlite');
    // A server that was stopped leaves nothing in the log beside the file.
    expect(statSync(`${database}-wal`, { throwIfNoEntry: false })?.size ?? 0).toBe(0);
    // Torn pages, as a disk leaves them that died while writing: several, since any one of them may be free.
    const open = openSync(database, 'r+');
    writeSync(open, Buffer.alloc(30_000, 0x5a), 0, 30_000, 6_000);
    closeSync(open);
    // The day's own backup may not have been made yet.
    mkdirSync(join(data, 'backups'), { recursive: true });
    copyFileSync(file, join(data, 'backups', 'ombra-2026-01-01.sqlite'));
    const told = await failure(data);
    expect(told).toMatch(/damaged/);
    const named = /npm run restore -- (\S+)/.exec(told)?.[1] ?? '';
    expect(existsSync(named)).toBe(true);
    expect(tool('restore', data, join(folder, 'nothing.sqlite')).stderr).toMatch(/no file/);
    const garbage = join(folder, 'garbage.sqlite');
    writeFileSync(garbage, 'no database');
    expect(tool('restore', data, garbage).stderr).toMatch(/no good database/);
    expect(tool('restore', data, named)).toMatchObject({ status: 0 });
    running = await start(data);
    expect((await send(running, 'GET', '/api/jobs/job-29'))?.status).toBe(200);
    await running.stop();
    expect(readdirSync(join(data, 'backups')).some((name) => name.startsWith('replaced-'))).toBe(true);
  });

  it('a start that cannot be says why in one sentence', async () => {
    const file = (name: string): string => {
      const data = join(folder, name);
      mkdirSync(data);
      return join(data, 'ombra.sqlite');
    };
    const oneSentence = async (data: string, words: RegExp): Promise<void> => {
      const told = await failure(data);
      expect(told).toMatch(words);
      expect(told.split('\n')).toHaveLength(1);
    };
    writeFileSync(file('garbage'), 'this is no database at all '.repeat(500));
    await oneSentence(join(folder, 'garbage'), /damaged.*no good backup/);
    writeFileSync(join(folder, 'a-file'), '');
    await oneSentence(join(folder, 'a-file'), /not a folder/);
    const twice = join(folder, 'twice');
    const running = await start(twice);
    await oneSentence(twice, /already runs/);
    await running.kill();
    // The lock went with the process.
    await (await start(twice)).stop();
    truncateSync(join(twice, 'ombra.sqlite'), 20_000);
    rmSync(join(twice, 'ombra.sqlite-wal'), { force: true });
    await oneSentence(twice, /damaged/);
    // Nothing is piled up by starts that fail.
    const backups = join(twice, 'backups');
    expect(existsSync(backups) ? readdirSync(backups).length : 0).toBeLessThan(2);
  });

  /** A file system of two megabytes, where this machine lets us make one. */
  const smallDisk = (): string | null => {
    const small = join(folder, 'small');
    mkdirSync(small);
    const { status } = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=2m', 'tmpfs', small]);
    return status === 0 ? small : null;
  };

  it('a full disk refuses saves and keeps all that it took', async (context) => {
    const small = smallDisk();
    if (small === null) {
      context.skip('no small file system can be mounted here');
      return;
    }
    let running = await start(small);
    let version = 1;
    await send(running, 'POST', '/api/jobs', { id: 'big', plan: planNamed('State 1') });
    const large = (name: string) => ({
      ...planNamed(name),
      // Text that no compression shrinks much.
      inserts: Array.from({ length: 300 }, (_, index) => ({
        kind: 'sleeve',
        wall: Math.sin(index + version)
          .toString(36)
          .slice(0, 50),
        from: 'start',
        at: `${String(Math.abs(Math.cos(index * version)))}ft`,
        up: '2ft',
      })),
    });
    let refused: unknown = null;
    for (let turn = 0; turn < 400 && refused === null; turn++) {
      const answer = await send(running, 'PUT', '/api/jobs/big', {
        baseVersion: version,
        saveId: `s${String(turn)}`,
        plan: large(`State ${String(version + 1)}`),
      });
      if (answer?.status === 200) version += 1;
      else refused = answer;
    }
    expect(refused).toMatchObject({
      status: 503,
      body: { problems: [{ what: expect.stringMatching(/disk/) as string }] },
    });
    const now = (await send(running, 'GET', '/api/jobs/big'))?.body as {
      job: { version: number; name: string };
    };
    expect(now.job).toMatchObject({ version, name: `State ${String(version)}` });
    await running.kill();
    // Started on the full disk it serves, or says in one sentence that there is no room.
    const again = await start(small).catch((error: unknown) => String(error));
    if (typeof again === 'string') expect(again).toMatch(/full/);
    else await again.kill();
    spawnSync('mount', ['-o', 'remount,size=20m', small]);
    running = await start(small);
    const kept = (await send(running, 'GET', '/api/jobs/big'))?.body as { job: { version: number } };
    expect(kept.job.version).toBe(version);
    await running.stop();
  });

  it('a disk that refuses to write past a limit costs no save that was acknowledged', async () => {
    const data = join(folder, 'limited');
    await (await start(data)).stop();
    // No file may grow past 400 kB: writes of the log fail with an I/O error from somewhere on.
    let running = await start(data, {}, (command) => `ulimit -f 400; ${command}`);
    await send(running, 'POST', '/api/jobs', { id: 'io', plan: planNamed('State 1') });
    let version = 1;
    let failed = 0;
    for (let turn = 0; turn < 600 && failed < 3; turn++) {
      const answer = await send(running, 'PUT', '/api/jobs/io', {
        baseVersion: version,
        saveId: `s${String(turn)}`,
        plan: { ...planNamed(`State ${String(version + 1)}`), families: [] },
      });
      if (answer?.status === 200) version += 1;
      else {
        failed += 1;
        if (answer === null) break;
        expect(answer.status).toBe(503);
      }
    }
    await running.kill();
    await wait(100);
    running = await start(data);
    const kept = (await send(running, 'GET', '/api/jobs/io'))?.body as {
      job: { version: number; name: string };
    };
    expect(kept.job.version).toBeGreaterThanOrEqual(version);
    await running.stop();
  });
});
