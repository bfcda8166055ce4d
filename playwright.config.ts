import { defineConfig } from '@playwright/test';

/** Debian's Chromium, kept quiet; PORT 0 would do too, but a fixed port keeps traces readable. */
const PORT = 4399;

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  workers: 1,
  timeout: 60_000,
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${String(PORT)}`,
    viewport: { width: 1280, height: 800 },
    trace: 'retain-on-failure',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
      args: [
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: 'node --import tsx app/src/server/main.ts',
    url: `http://127.0.0.1:${String(PORT)}/`,
    env: { PORT: String(PORT), OMBRA_DATA: 'test-results/data', LOG_LEVEL: 'warn', NODE_ENV: 'production' },
    reuseExistingServer: false,
  },
});
