import { type ChildProcess, spawn } from 'node:child_process';
import { expect } from '@playwright/test';

export interface Running {
  readonly child: ChildProcess;
  readonly exited: Promise<number | null>;
  readonly log: () => string;
}

/** Starts a server of its own on a data folder and waits until it says that it is ready. */
export async function startServer(
  folder: string,
  port: number,
  environment: Record<string, string> = {},
): Promise<Running> {
  const child = spawn(process.execPath, ['app/dist/serve/main.mjs'], {
    env: {
      ...process.env,
      PORT: String(port),
      OMBRA_DATA: folder,
      LOG_LEVEL: 'info',
      NODE_ENV: 'production',
      ...environment,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let log = '';
  child.stdout.on('data', (chunk: Buffer) => (log += chunk.toString()));
  child.stderr.on('data', (chunk: Buffer) => (log += chunk.toString()));
  const exited = new Promise<number | null>((resolve) => child.once('exit', resolve));
  await expect.poll(() => log, { timeout: 90_000 }).toContain('Ombra is ready');
  return { child, exited, log: () => log };
}
