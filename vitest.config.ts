import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // Vitest leaves a core free, which of two is half the machine; tests that wait for the database
    // or a process of their own leave enough of it.
    maxWorkers: Math.max(2, availableParallelism() - 1),
    projects: [
      {
        test: {
          name: 'unit',
          // A worker of its own for each file took longer to start than most files take.
          isolate: false,
          globalSetup: ['cli/testing/prepareFolder.ts'],
          include: ['{core,catalogue,contracts,cli,scripts}/**/*.test.ts', 'web/src/**/*.test.ts'],
          // The command's tests start processes, and a shared machine can stand still for seconds.
          testTimeout: 60_000,
        },
      },
      {
        test: {
          name: 'api',
          // Files share the modules of their worker: importing the server again for each took longer than
          // testing it. What they share of the database is nothing; each has its own.
          isolate: false,
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
