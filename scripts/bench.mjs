// npm run bench: what was promised about speed and size, measured on this machine and printed.
import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { ensureWebBuild } from './build.mjs';
import { ensureChromium } from './chromium.mjs';
import { ensurePackages } from './packages.mjs';
import { startPostgres } from './postgres.mjs';
import { root } from './root.mjs';

ensurePackages();
ensureWebBuild();
const postgres = await startPostgres('bench');
try {
  const { status } = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'scripts/bench/all.ts', ...process.argv.slice(2)],
    {
      cwd: root,
      stdio: 'inherit',
      env: {
        ...process.env,
        BENCH_DATABASE_URL: postgres.url,
        CHROMIUM: ensureChromium(),
        SECRET_KEY: randomBytes(32).toString('hex'),
      },
    },
  );
  process.exitCode = status ?? 1;
} finally {
  postgres.stop();
}
