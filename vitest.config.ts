import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['core/test/**/*.test.ts', 'app/test/**/*.test.{ts,tsx}'],
    // Their own database is started for them: `npm run postgres`.
    exclude: ['app/test/postgres/**'],
    // A machine that works on something else as well is slow, not wrong.
    testTimeout: 300_000,
    hookTimeout: 300_000,
    // Modules are fetched once for all files: most of the time went into fetching the core again for each. No test leaves anything
    // behind in one.
    isolate: false,
    pool: 'threads',
    maxWorkers: '100%',
  },
});
