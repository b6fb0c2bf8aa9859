// npm run fuzz [-- REQUESTS]: does any request end in a fault, or make the server stand still?
import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { ensureWebBuild } from './build.mjs';
import { ensurePackages } from './packages.mjs';
import { startPostgres } from './postgres.mjs';
import { root } from './root.mjs';

ensurePackages();
ensureWebBuild();
const postgres = await startPostgres('fuzz', { throwaway: true });
try {
  const { status } = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'scripts/fuzz/all.ts', ...process.argv.slice(2)],
    {
      cwd: root,
      stdio: 'inherit',
      env: {
        ...process.env,
        FUZZ_DATABASE_URL: postgres.url,
        SECRET_KEY: randomBytes(32).toString('hex'),
      },
    },
  );
  process.exitCode = status ?? 1;
} finally {
  postgres.stop();
}
