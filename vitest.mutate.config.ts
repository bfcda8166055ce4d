import { defineConfig } from 'vitest/config';

/** The tests beside what `npm run mutate` puts faults into, and those that say of whole jobs what is told and what is not. */
export default defineConfig({
  test: {
    include: [process.env['MUTATE_TESTS'] ?? 'core/test/**/*.test.ts', 'core/test/told.test.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
    bail: 1,
  },
});
