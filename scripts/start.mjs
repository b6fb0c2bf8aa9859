// npm start: from an empty machine to the application in a browser.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureWebBuild } from './build.mjs';
import { ensurePackages } from './packages.mjs';
import { dataFolder, freePort, startPostgres } from './postgres.mjs';
import { root } from './root.mjs';

const empty = process.argv.includes('--empty');
const lock = join(dataFolder(), 'running');
let postgres;
let server;
let stopping = false;

async function main() {
  refuseSecondStart();
  ensurePackages();
  if (!process.env.DATABASE_URL) {
    postgres = await startPostgres('work');
    writeFileSync(lock, String(process.pid));
  }
  ensureWebBuild();
  if (stopping) return;
  const port = process.env.PORT ?? String(await freePort(4747).catch(() => freePort()));
  const url = process.env.DATABASE_URL ?? databaseNamed(empty ? 'kritikos' : 'kritikos_demo');
  server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: url,
      PORT: port,
      KRITIKOS_DEMO: empty ? '' : '1',
    },
  });
  server.once('exit', (code) => stop(stopping ? 0 : (code ?? 1)));
}

function databaseNamed(name) {
  const url = new URL(postgres.url);
  url.pathname = `/${name}`;
  return url.href;
}

/** Two starts from one checkout would share a database, and the first to end would stop it. */
function refuseSecondStart() {
  mkdirSync(dataFolder(), { recursive: true });
  if (process.env.DATABASE_URL || !existsSync(lock)) return;
  const pid = Number(readFileSync(lock, 'utf8'));
  try {
    process.kill(pid, 0);
  } catch {
    return;
  }
  throw new Error(
    `Kritikos is running already from this folder (process ${pid}). Stop that one first.`,
  );
}

function stop(code) {
  stopping = true;
  if (server && server.exitCode === null && server.signalCode === null) {
    server.kill('SIGTERM');
    return; // its exit comes back here
  }
  if (postgres) {
    postgres.stop();
    rmSync(lock, { force: true });
  }
  process.exit(code);
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => stop(0));

main().catch((error) => {
  console.error(`\nKritikos could not start. ${error.message}`);
  stop(1);
});
