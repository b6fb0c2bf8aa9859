// npm test: everything that must hold, on a fresh machine. The last line is "N passed, N failed".
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureWebBuild } from './build.mjs';
import { ensureChromium } from './chromium.mjs';
import { ensurePackages } from './packages.mjs';
import { freePort, startPostgres } from './postgres.mjs';
import { root } from './root.mjs';

let passed = 0;
let failed = 0;
const results = mkdtempSync(join(tmpdir(), 'kritikos-test-'));

/** One step whose output is seen as it comes. */
function step(title, command, args, env = {}) {
  console.log(`\n== ${title}`);
  const started = Date.now();
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: root,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, ...env },
    });
    child.on('error', (error) => console.log(error.message));
    child.on('close', (status) => {
      const seconds = ((Date.now() - started) / 1000).toFixed(0);
      console.log(`== ${title}: ${status === 0 ? 'passed' : 'failed'} in ${seconds} s`);
      resolve(status === 0);
    });
  });
}

/** One check whose output is kept together and shown when it ends. */
function check([title, command, args]) {
  const started = Date.now();
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    const output = [];
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (d) => output.push(d));
    child.on('error', (error) => output.push(Buffer.from(`${error.message}\n`)));
    child.on('close', (status) => {
      if (status === 0) passed++;
      else failed++;
      console.log(`\n== ${title}`);
      process.stdout.write(Buffer.concat(output));
      const seconds = ((Date.now() - started) / 1000).toFixed(0);
      console.log(`== ${title}: ${status === 0 ? 'passed' : 'failed'} in ${seconds} s`);
      resolve();
    });
  });
}

/** A runner that wrote no report did not run; that is a failure of its own. */
function count(report, ok, read) {
  if (!existsSync(report)) {
    failed++;
    return;
  }
  const [good, bad] = read(JSON.parse(readFileSync(report, 'utf8')));
  passed += good;
  failed += bad;
  if (!ok && bad === 0) failed++;
}

ensurePackages();
// Linting takes longest and needs one core; everything else goes on beside it.
const linting = check(['lint', 'npx', ['eslint', '.', '--max-warnings', '0']]);
for (const next of [
  ['formatting', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']],
  ['types', 'npx', ['tsc', '--noEmit', '-p', '.']],
  ['types of the web application', 'npx', ['vue-tsc', '--noEmit', '-p', 'web']],
  ['room rules', 'npm', ['run', '--silent', 'rooms']],
]) {
  await check(next);
}

const postgres = await startPostgres('test', { throwaway: true });
try {
  const vitest = join(results, 'vitest.json');
  const unit = await step(
    'unit and API tests',
    'npx',
    ['vitest', 'run', '--reporter=dot', '--reporter=json', `--outputFile.json=${vitest}`],
    { TEST_DATABASE_URL: postgres.url },
  );
  count(vitest, unit, (r) => [r.numPassedTests, r.numFailedTests]);

  // Browsers keep an eye on the clock, so nothing heavy runs beside them.
  await linting;
  ensureWebBuild();
  const chromium = ensureChromium();
  const playwright = join(results, 'playwright.json');
  const run = randomBytes(4).toString('hex');
  const database = (name) =>
    Object.assign(new URL(postgres.url), { pathname: `/${name}_${run}` }).href;
  const browser = await step(
    'browser tests',
    'npx',
    ['playwright', 'test', '--config', 'e2e/playwright.config.ts'],
    {
      E2E_DEMO_URL: database('e2e_demo'),
      E2E_EMPTY_URL: database('e2e_empty'),
      E2E_DEMO_PORT: String(await freePort()),
      E2E_EMPTY_PORT: String(await freePort()),
      E2E_REPORT: playwright,
      CHROMIUM: chromium,
    },
  );
  count(playwright, browser, ({ stats }) => [stats.expected, stats.unexpected + stats.flaky]);
} finally {
  await linting;
  postgres.stop();
  rmSync(results, { recursive: true, force: true });
}

console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
