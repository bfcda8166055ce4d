import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { CHROMIUM_FLAGS, testChromiumPath } from './e2e/support/chromium';

const PORT = 4399;

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  workers: 2,
  fullyParallel: true,
  timeout: 150_000,
  // A machine that works on something else as well is slow, not wrong.
  expect: { timeout: 30_000 },
  // One that holds only at its second try is told as flaky in the report, to be looked into; it stops nothing.
  retries: 1,
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${String(PORT)}`,
    viewport: { width: 1280, height: 800 },
    // Writing down every step takes a fifth of the time: it is done where somebody asks for it.
    trace: process.env['TRACE'] === undefined ? 'off' : 'retain-on-failure',
    launchOptions: { executablePath: testChromiumPath(), args: [...CHROMIUM_FLAGS] },
  },
  webServer: {
    command: 'node app/dist/serve/main.mjs',
    url: `http://127.0.0.1:${String(PORT)}/`,
    env: {
      PORT: String(PORT),
      OMBRA_DATA: join(tmpdir(), `ombra-e2e-${String(process.pid)}`),
      LOG_LEVEL: 'warn',
      NODE_ENV: 'production',
    },
    reuseExistingServer: false,
  },
});
