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

/** One step; what goes on beside another keeps its output together and shows it when it ends. */
function step(title, command, args, { env = {}, beside = false } = {}) {
  if (!beside) console.log(`\n== ${title}`);
  const started = Date.now();
  return new Promise((resolve) => {
    const out = beside ? 'pipe' : 'inherit';
    const child = spawn(command, args, {
      cwd: root,
      stdio: ['ignore', out, out],
      env: { ...process.env, ...env },
    });
    const kept = [];
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (d) => kept.push(d));
    child.on('error', (error) => console.log(error.message));
    child.on('close', (status) => {
      if (beside) console.log(`\n== ${title}`);
      process.stdout.write(Buffer.concat(kept));
      const seconds = ((Date.now() - started) / 1000).toFixed(0);
      console.log(`== ${title}: ${status === 0 ? 'passed' : 'failed'} in ${seconds} s`);
      resolve(status === 0);
    });
  });
}

/** One check, which passes or fails as a whole. */
async function check([title, command, args]) {
  if (await step(title, command, args, { beside: true })) passed++;
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
    { env: { TEST_DATABASE_URL: postgres.url } },
  );
  count(vitest, unit, (r) => [r.numPassedTests, r.numFailedTests]);

  // Browsers keep an eye on the clock, so nothing heavy runs beside them but each other.
  await linting;
  ensureWebBuild();
  const chromium = ensureChromium();
  const parts = await Promise.all(
    ['looks', 'acts'].map(async (part) => {
      const name = `${part}_${randomBytes(4).toString('hex')}`;
      const database = (kind) =>
        Object.assign(new URL(postgres.url), { pathname: `/e2e_${kind}_${name}` }).href;
      return {
        part,
        args: ['playwright', 'test', '--config', 'e2e/playwright.config.ts', '--project', part],
        report: join(results, `playwright-${name}.json`),
        env: {
          E2E_PART: part,
          E2E_DEMO_URL: database('demo'),
          E2E_EMPTY_URL: database('empty'),
          E2E_DEMO_PORT: String(await freePort()),
          E2E_EMPTY_PORT: String(await freePort()),
          CHROMIUM: chromium,
        },
      };
    }),
  );
  await Promise.all(
    parts.map(async ({ part, args, report, env }) => {
      const ok = await step(`browser tests: ${part}`, 'npx', args, {
        env: { ...env, E2E_REPORT: report },
        beside: part === 'acts',
      });
      count(report, ok, ({ stats }) => [stats.expected, stats.unexpected + stats.flaky]);
    }),
  );
} finally {
  await linting;
  postgres.stop();
  rmSync(results, { recursive: true, force: true });
}

console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 ? 0 : 1;
