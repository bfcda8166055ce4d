import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { type Running, startServer } from './support/server';

const PORT = 4398;
const ORIGIN = `http://127.0.0.1:${String(PORT)}`;
const plan = JSON.parse(readFileSync('demo/sorrel-fork-hatchery.json', 'utf8')) as Record<string, unknown>;

const start = (folder: string, environment?: Record<string, string>): Promise<Running> =>
  startServer(folder, PORT, environment);

const save = (baseVersion: number) =>
  fetch(`${ORIGIN}/api/jobs/sorrel-fork-hatchery`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json', Origin: ORIGIN },
    body: JSON.stringify({
      baseVersion,
      saveId: `save-${String(baseVersion)}`,
      plan: { ...plan, name: `State ${String(baseVersion + 1)}` },
    }),
  });

const current = async (): Promise<{ version: number; name: string }> => {
  const answer = (await (await fetch(`${ORIGIN}/api/jobs/sorrel-fork-hatchery`)).json()) as {
    job: { version: number; name: string };
  };
  return answer.job;
};

test.describe('the server', () => {
  // One folder and one port: what one of them starts must have stopped before the next.
  test.describe.configure({ mode: 'serial' });
  let folder: string;
  test.beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'ombra-server-'));
  });
  test.afterEach(() => {
    rmSync(folder, { recursive: true });
  });

  test('killed in the middle of a stream of saves, has every acknowledged one after a restart', async () => {
    const running = await start(folder);
    let acknowledged = 1;
    const stream = (async () => {
      for (;;) {
        const response = await save(acknowledged).catch(() => null);
        if (response?.status !== 200) return;
        ({ version: acknowledged } = (await response.json()) as { version: number });
      }
    })();
    await expect.poll(() => acknowledged, { intervals: [20] }).toBeGreaterThan(25);
    running.child.kill('SIGKILL');
    await stream;
    await running.exited;
    const again = await start(folder);
    const job = await current();
    // One more may have been stored before its answer could be sent, never one fewer.
    expect(job.version).toBeGreaterThanOrEqual(acknowledged);
    expect(job.version).toBeLessThanOrEqual(acknowledged + 1);
    expect(job.name).toBe(`State ${String(job.version)}`);
    // The save whose answer was lost may be sent again and is done once.
    await save(job.version - 1);
    expect((await current()).version).toBe(job.version);
    again.child.kill('SIGTERM');
    expect(await again.exited).toBe(0);
  });

  test('stops cleanly when asked to, and says so in its log', async () => {
    const running = await start(folder);
    await save(1);
    running.child.kill('SIGTERM');
    expect(await running.exited).toBe(0);
    const lines = running
      .log()
      .split('\n')
      .filter((line) => line.startsWith('{'))
      .map((line) => JSON.parse(line) as { msg: string; status?: number; path?: string });
    expect(lines.map((line) => line.msg)).toEqual(
      expect.arrayContaining(['demo job loaded', 'request', 'stopping', 'stopped']),
    );
    expect(lines.find((line) => line.msg === 'request')).toMatchObject({
      status: 200,
      path: '/api/jobs/sorrel-fork-hatchery',
    });
  });

  test('says plainly why it cannot start', () => {
    const attempt = (environment: Record<string, string>) => {
      const { status, stderr } = spawnSync(process.execPath, ['app/dist/serve/main.mjs'], {
        env: { ...process.env, OMBRA_DATA: folder, LOG_LEVEL: 'warn', ...environment },
        encoding: 'utf8',
      });
      return [status, stderr.trim()];
    };
    expect(attempt({ PORT: 'x' })).toEqual([1, 'PORT must be a number, such as 4321.']);
    expect(attempt({ HOST: '0.0.0.0', PORT: String(PORT) })).toEqual([
      1,
      'HOST=0.0.0.0 opens Ombra to other machines: set OMBRA_PASSPHRASE as well, or leave HOST out.',
    ]);
    expect(attempt({ PORT: '4399' })).toEqual([
      1,
      'That port is taken; stop what runs there, or choose another with PORT=4322 npm start.',
    ]);
  });
});

test.describe('working a plan file from the command line', () => {
  const run = (path: string, ...options: readonly string[]) =>
    spawnSync(process.execPath, ['--import', 'tsx', 'scripts/work.ts', path, ...options], {
      encoding: 'utf8',
      env: { ...process.env, TSX_TSCONFIG_PATH: 'app/tsconfig.json' },
    });
  const written = (name: string, text: string): string => {
    const path = join(tmpdir(), `ombra-${String(process.pid)}-${name}`);
    writeFileSync(path, text);
    return path;
  };

  test('writes files of every format, and says which there are', () => {
    const demo = 'demo/sorrel-fork-hatchery.json';
    const table = run(demo, '--format', 'csv', '--sheet', 'order');
    expect(table.status).toBe(0);
    expect(table.stdout).toContain('Group,Article,Core (in)');
    const out = join(tmpdir(), `ombra-${String(process.pid)}.pdf`);
    const packet = run(demo, '--format', 'pdf', '--sheet', 'hose', '--language', 'es', '--out', out);
    expect([packet.status, packet.stderr]).toEqual([0, '']);
    expect(readFileSync(out, 'latin1').slice(0, 5)).toBe('%PDF-');
    for (const [format, begins] of [
      ['svg', '<svg'],
      ['dxf', '0\nSECTION'],
      ['ifc', 'ISO-10303-21;'],
      ['xlsx', 'PK'],
    ] as const) {
      expect(run(demo, '--format', format).stdout.slice(0, begins.length), format).toBe(begins);
    }
    expect(run(demo, '--format', 'doc').stderr).toContain('There is no format “doc”');
    expect(run(demo, '--format', 'pdf', '--sheet', 'roof').stderr).toContain('There is no sheet “roof”');
    expect(run(demo, '--form').status).toBe(1);
  });

  test('prints the worked plan', () => {
    const { status, stdout } = run('demo/sorrel-fork-hatchery.json');
    expect(status).toBe(0);
    const worked = JSON.parse(stdout) as {
      tally: { total: Record<string, unknown> };
      shell: { walls: { length: unknown }[] };
    };
    expect(worked.tally.total).toMatchObject({
      straight: 161,
      cut: 64,
      cornerLH: 21,
      cornerRH: 23,
      blocksBought: 213,
    });
    expect(worked.shell.walls[0]?.length).toEqual({ value: 528, unit: 'in' });
  });

  test('says what is wrong with a bad one, and where', () => {
    const newer = run(written('newer.json', JSON.stringify({ ...plan, version: 3 })));
    expect([newer.status, newer.stdout]).toEqual([1, '']);
    expect(newer.stderr).toContain('version: This plan was written by a newer Ombra');
    const open = run(
      written(
        'open.json',
        JSON.stringify({ ...plan, outline: { closed: true, walk: [{ length: '4ft', turn: 'right 90' }] } }),
      ),
    );
    expect([open.status, open.stderr]).toEqual([1, expect.stringContaining('Walk: The walk is not closed')]);
    expect(run(written('half.json', '{')).stderr).toContain('not readable JSON');
    const missing = run('no-such-file.json');
    expect(missing.status).toBe(1);
    expect(missing.stderr).toContain('cannot be read');
  });
});
