import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Does something while a built server of its own runs on a fresh data folder, the demo in it. */
export async function withServer<Outcome>(port: number, work: () => Promise<Outcome>): Promise<Outcome> {
  const folder = mkdtempSync(join(tmpdir(), 'ombra-bench-'));
  const server = spawn(process.execPath, ['app/dist/serve/main.mjs'], {
    env: {
      ...process.env,
      PORT: String(port),
      OMBRA_DATA: folder,
      LOG_LEVEL: 'silent',
      NODE_ENV: 'production',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const exited = new Promise((resolve) => server.once('exit', resolve));
  try {
    await new Promise((resolve) => server.stdout.once('data', resolve));
    return await work();
  } finally {
    server.kill('SIGTERM');
    await exited;
    rmSync(folder, { recursive: true });
  }
}
