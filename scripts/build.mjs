import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './root.mjs';

/** Builds the web application, unless nothing that it is made of has changed since. */
export function ensureWebBuild() {
  const stamp = join(root, 'web', 'dist', '.sources');
  const sources = fingerprint();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === sources) return;
  console.log('Building the web application ...');
  const result = spawnSync('npx', ['vite', 'build', '--logLevel', 'warn'], {
    cwd: join(root, 'web'),
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  if (result.status !== 0) throw new Error('The web application could not be built; see above.');
  writeFileSync(stamp, sources);
}

function fingerprint() {
  const hash = createHash('sha256');
  const files = ['package-lock.json', ...['web', 'core', 'contracts', 'catalogue'].flatMap(list)];
  for (const file of files) hash.update(file).update(readFileSync(join(root, file)));
  return hash.digest('hex');
}

function list(folder) {
  return readdirSync(join(root, folder))
    .filter((name) => name !== 'dist' && name !== 'node_modules')
    .sort()
    .flatMap((name) => {
      const path = join(folder, name);
      return statSync(join(root, path)).isDirectory() ? list(path) : [path];
    });
}
