// npm run coverage: how often the intervals that screens and the command show hold the truth.
import { spawnSync } from 'node:child_process';
import { ensurePackages } from './packages.mjs';
import { root } from './root.mjs';

ensurePackages();
const { status } = spawnSync(
  process.execPath,
  ['--import', 'tsx', 'scripts/coverage/all.ts', ...process.argv.slice(2)],
  { cwd: root, stdio: 'inherit' },
);
process.exitCode = status ?? 1;
