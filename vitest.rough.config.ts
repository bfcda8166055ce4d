import { defineConfig } from 'vitest/config';

/** Rough use: each of these takes long, so they run in the whole test only, two files at a time, each with servers of its own. */
export default defineConfig({
  test: {
    include: ['rough/**/*.test.ts'],
    testTimeout: 600_000,
    hookTimeout: 300_000,
    maxWorkers: 2,
  },
});
