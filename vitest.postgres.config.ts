import { defineConfig } from 'vitest/config';

/** The stores on a real PostgreSQL, which is started for it; left out, and said so, where the machine has none. */
export default defineConfig({
  test: {
    include: ['app/test/{access,entryStore,jobStore,history,live}.test.ts', 'app/test/postgres/*.test.ts'],
    globalSetup: ['app/test/support/postgresSetup.ts'],
    testTimeout: 300_000,
    hookTimeout: 300_000,
    pool: 'forks',
    maxWorkers: 2,
    passWithNoTests: true,
  },
});
