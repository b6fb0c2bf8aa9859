// npm run verify: goes through the chain of the audit and scores every submitted sheet anew, and
// says whether both are as they were kept.
import { spawnSync } from 'node:child_process';
import { ensurePackages } from './packages.mjs';
import { startPostgres } from './postgres.mjs';
import { root } from './root.mjs';

ensurePackages();
let url = process.env.DATABASE_URL;
let stop = () => {};
if (!url) {
  const postgres = await startPostgres('work');
  if (!postgres.wasRunning) stop = postgres.stop;
  const name = process.argv.includes('--empty') ? 'kritikos' : 'kritikos_demo';
  url = Object.assign(new URL(postgres.url), { pathname: `/${name}` }).href;
}
const { status } = spawnSync(
  process.execPath,
  ['--import', 'tsx', 'server/verify.ts', ...process.argv.slice(2)],
  { cwd: root, stdio: 'inherit', env: { ...process.env, DATABASE_URL: url } },
);
stop();
process.exitCode = status ?? 1;
