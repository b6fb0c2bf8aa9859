// npm run mutate -- ROOM [--seed N] [--sample N]: do the unit tests notice when the core is changed?
import { spawnSync } from 'node:child_process';
import { ensurePackages } from './packages.mjs';
import { root } from './root.mjs';

ensurePackages();
const { status } = spawnSync(
  process.execPath,
  ['--import', 'tsx', 'scripts/mutate/room.ts', ...process.argv.slice(2)],
  { cwd: root, stdio: 'inherit' },
);
process.exitCode = status ?? 1;
