import { defineConfig } from 'vitest/config';

/** The tests beside what `npm run mutate` puts faults into. */
export default defineConfig({
  test: {
    include: [process.env['MUTATE_TESTS'] ?? 'core/test/**/*.test.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
    bail: 1,
  },
});
