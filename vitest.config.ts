import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

/**
 * No test takes half a minute on an idle machine. A limit is there for what never ends, and one that
 * a busy machine comes near would fail a test that holds.
 */
const PATIENCE = {
  testTimeout: 300_000,
  hookTimeout: 300_000,
  expect: { poll: { timeout: 60_000 } },
};

export default defineConfig({
  test: {
    // Vitest leaves a core free, which of two is half the machine; tests that wait for the database
    // or a process of their own leave enough of it.
    maxWorkers: Math.max(2, availableParallelism() - 1),
    projects: [
      {
        test: {
          name: 'unit',
          ...PATIENCE,
          // A worker of its own for each file took longer to start than most files take.
          isolate: false,
          globalSetup: ['cli/testing/prepareFolder.ts'],
          include: ['{core,catalogue,contracts,cli,scripts}/**/*.test.ts', 'web/src/**/*.test.ts'],
        },
      },
      {
        test: {
          name: 'api',
          ...PATIENCE,
          // Files share the modules of their worker: importing the server again for each took longer than
          // testing it. What they share of the database is nothing; each has its own.
          isolate: false,
          include: ['server/**/*.test.ts'],
          globalSetup: ['server/testing/prepareDatabase.ts'],
          env: { NODE_ENV: 'test' },
        },
      },
    ],
  },
});
