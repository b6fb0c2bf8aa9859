// npm test: everything that must hold, on a fresh machine. The last line is "N passed, N failed".
import { spawnSync } from 'node:child_process';
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

function step(title, command, args, env = {}) {
  console.log(`\n== ${title}`);
  const started = Date.now();
  const { status } = spawnSync(command, args, {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, ...env },
  });
  console.log(
    `== ${title}: ${status === 0 ? 'passed' : 'failed'} in ${((Date.now() - started) / 1000).toFixed(0)} s`,
  );
  return status === 0;
}

function check(title, command, args) {
  if (step(title, command, args)) passed++;
  else failed++;
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
check('formatting', 'npx', ['prettier', '--check', '--log-level', 'warn', '.']);
check('lint', 'npx', ['eslint', '.', '--max-warnings', '0']);
check('types', 'npx', ['tsc', '--noEmit', '-p', '.']);
check('types of the web application', 'npx', ['vue-tsc', '--noEmit', '-p', 'web']);
check('room rules', 'npm', ['run', '--silent', 'rooms']);

const postgres = await startPostgres('test');
try {
  const vitest = join(results, 'vitest.json');
  const unit = step(
    'unit and API tests',
    'npx',
    ['vitest', 'run', '--reporter=dot', '--reporter=json', `--outputFile.json=${vitest}`],
    { TEST_DATABASE_URL: postgres.url },
  );
  count(vitest, unit, (r) => [r.numPassedTests, r.numFailedTests]);

  ensureWebBuild();
  const chromium = ensureChromium();
  const playwright = join(results, 'playwright.json');
  const run = randomBytes(4).toString('hex');
  const database = (name) =>
    Object.assign(new URL(postgres.url), { pathname: `/${name}_${run}` }).href;
  const browser = step(
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
  postgres.stop();
  rmSync(results, { recursive: true, force: true });
}

console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
