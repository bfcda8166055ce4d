import { defineConfig } from 'vitest/config';

/** Rough use: each of these takes long, so they run in the whole test only, one after the other, against the built server. */
export default defineConfig({
  test: {
    include: ['rough/**/*.test.ts'],
    testTimeout: 120_000,
    hookTimeout: 60_000,
    fileParallelism: false,
  },
});
