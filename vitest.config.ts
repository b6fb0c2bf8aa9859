import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          include: ['{core,catalogue,contracts,cli,scripts}/**/*.test.ts', 'web/src/**/*.test.ts'],
          // The command's tests start processes, and a shared machine can stand still for seconds.
          testTimeout: 60_000,
        },
      },
      {
        test: {
          name: 'api',
          include: ['server/**/*.test.ts'],
          globalSetup: ['server/testing/prepareDatabase.ts'],
          testTimeout: 30_000,
          hookTimeout: 60_000,
          env: { NODE_ENV: 'test' },
        },
      },
    ],
  },
});
