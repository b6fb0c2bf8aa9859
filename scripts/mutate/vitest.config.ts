import { defineConfig } from 'vitest/config';

/** The tests that a changed core must not pass: the core's own, without the drawing's. */
export default defineConfig({
  test: {
    include: ['core/**/*.test.ts'],
    exclude: ['**/node_modules/**', 'core/figure/**', 'core/catalogue/**'],
    testTimeout: 300_000,
  },
});
