import { defineConfig } from '@playwright/test';

/** What the servers here seal with, and the word that they print for it at their first start. */
const SECRET_KEY = 'for-the-tests-and-for-nothing-else';
export const FIRST_WORD = 'j64gc-dkdwn';

const demo = process.env.E2E_DEMO_URL ?? '';
const empty = process.env.E2E_EMPTY_URL ?? '';
/** The role that the server works under; the tests of the API make the same one. */
const asApplication = (owner: string) =>
  owner &&
  Object.assign(new URL(owner), { username: 'kritikos_application', password: 'of-the-tests' })
    .href;
const server = (database: string, port: number, isDemo: boolean) => ({
  command: 'node --import tsx server/main.ts',
  cwd: '..',
  url: `http://127.0.0.1:${port}/api/session`,
  env: {
    NODE_ENV: 'production',
    DATABASE_URL: asApplication(database),
    DATABASE_OWNER_URL: database,
    PORT: String(port),
    SECRET_KEY,
    KRITIKOS_DEMO: isDemo ? '1' : '',
  },
  // With the demo to load, beside another that does the same.
  timeout: 300_000,
});

/** Ports come from the test script, which knows which are free. */
export const DEMO_PORT = Number(process.env.E2E_DEMO_PORT ?? 4860);
export const EMPTY_PORT = Number(process.env.E2E_EMPTY_PORT ?? 4861);

/** What is run beside the rest on servers of its own, about half of the time that all of it takes. */
const LOOKS = /(catalogue|ground|pages|rehearsal)\.spec\.ts$/;

export default defineConfig({
  testDir: '.',
  // Two runs beside each other keep what they leave apart.
  outputDir: `../test-results/${process.env.E2E_PART ?? 'all'}`,
  // None takes a minute on an idle machine; a busy one may need five times as long, and twice more.
  timeout: 600_000,
  // A shared machine can stand still for seconds; what is asserted is that it happens, not how soon.
  expect: { timeout: 90_000 },
  fullyParallel: false,
  workers: 1,
  retries: 0,
  projects: [
    { name: 'looks', testMatch: LOOKS },
    { name: 'acts', testIgnore: LOOKS },
  ],
  reporter: process.env.E2E_REPORT
    ? [['list'], ['json', { outputFile: process.env.E2E_REPORT }]]
    : 'list',
  use: {
    baseURL: `http://127.0.0.1:${DEMO_PORT}`,
    viewport: { width: 1280, height: 800 },
    trace: 'off',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: [server(demo, DEMO_PORT, true), server(empty, EMPTY_PORT, false)],
});
