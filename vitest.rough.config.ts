import { defineConfig } from 'vitest/config';

/** Rough use: each of these takes long, so they run in the whole test only, two files at a time, each with servers of its own. */
export default defineConfig({
  test: {
    include: ['rough/**/*.test.ts'],
    testTimeout: 240_000,
    hookTimeout: 60_000,
    maxWorkers: 2,
  },
});
