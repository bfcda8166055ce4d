import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const ROOT = fileURLToPath(new URL('../', import.meta.url));

/** A port that nothing listens on. */
export const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const address = server.address();
      server.close(() => {
        resolve(typeof address === 'object' && address ? address.port : 0);
      });
    });
  });

export const newFolder = (name: string): string => mkdtempSync(join(tmpdir(), `ombra-${name}-`));

/** A server of its own on a data folder. */
export interface Running {
  readonly base: string;
  readonly process: ChildProcess;
  /** What it wrote on standard error. */
  readonly told: () => string;
  readonly kill: () => Promise<void>;
  readonly stop: () => Promise<void>;
}

/** How a start ended that did not come to serving. */
export class NotStarted extends Error {}

const ended = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) resolve();
    else
      child.once('exit', () => {
        resolve();
      });
  });

/**
 * Starts a server and waits until it says that it is ready; a start that fails throws what it told.
 *
 * @param shell puts a command of the shell around it, a limit for instance
 * @param spawned gets the process at once, before it is ready
 */
export async function start(
  folder: string,
  environment: Readonly<Record<string, string>> = {},
  shell: (command: string) => string = (command) => command,
  spawned: (child: ChildProcess) => void = () => undefined,
): Promise<Running> {
  const port = await freePort();
  const child = spawn('bash', ['-c', shell('exec node app/dist/serve/main.mjs')], {
    cwd: ROOT,
    env: {
      ...process.env,
      LOG_LEVEL: 'warn',
      NODE_ENV: 'production',
      PORT: String(port),
      OMBRA_DATA: folder,
      ...environment,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  spawned(child);
  let told = '';
  child.stderr.on('data', (chunk: Buffer) => (told += chunk.toString()));
  await new Promise<void>((resolve, reject) => {
    child.stdout.on('data', (chunk: Buffer) => {
      if (chunk.toString().includes('Ombra is ready')) resolve();
    });
    child.once('exit', () => {
      reject(new NotStarted(told.trim()));
    });
  });
  return {
    base: `http://127.0.0.1:${String(port)}`,
    process: child,
    told: () => told,
    kill: async () => {
      child.kill('SIGKILL');
      await ended(child);
    },
    stop: async () => {
      child.kill('SIGTERM');
      await ended(child);
    },
  };
}

export interface Answer {
  readonly status: number;
  readonly body: unknown;
}

/** A request as our own pages send it; null where the server is gone. */
export async function send(
  running: Running,
  method: string,
  path: string,
  body?: unknown,
): Promise<Answer | null> {
  try {
    const response = await fetch(`${running.base}${path}`, {
      method,
      headers: {
        Origin: running.base,
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
      },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    const text = await response.text();
    let read: unknown = text;
    try {
      read = JSON.parse(text);
    } catch {
      // A page.
    }
    return { status: response.status, body: read };
  } catch {
    return null;
  }
}

/** An empty plan whose name is all that is told of it. */
export const planNamed = (name: string) => ({
  format: 'ombra.plan',
  version: 2,
  name,
  units: 'imperial',
  measuredTo: 'form',
  family: 'module-48',
  core: '8in',
  courses: 6,
  outline: { closed: true, walk: [] },
});
