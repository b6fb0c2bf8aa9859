// npm run gallery: every screen in every state, measured and laid out to be looked at.
import { spawn, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { ensureWebBuild } from './build.mjs';
import { ensureChromium } from './chromium.mjs';
import { ensurePackages } from './packages.mjs';
import { freePort, startPostgres } from './postgres.mjs';
import { root } from './root.mjs';

ensurePackages();
ensureWebBuild();
const postgres = await startPostgres('gallery', { throwaway: true });
const run = randomBytes(4).toString('hex');
const servers = [];

/** A server on a database of its own; answers with its address once it is up. */
async function serve(name, demo) {
  const port = String(await freePort());
  const url = Object.assign(new URL(postgres.url), { pathname: `/${name}_${run}` }).href;
  const env = { ...process.env, NODE_ENV: 'production', DATABASE_URL: url, PORT: port };
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...env, KRITIKOS_DEMO: demo ? '1' : '', SECRET_KEY: randomBytes(32).toString('hex') },
  });
  servers.push(server);
  const address = `http://127.0.0.1:${port}`;
  for (let i = 0; i < 3000; i++) {
    const up = await fetch(`${address}/api/session`).then(
      (response) => response.ok,
      () => false,
    );
    if (up) return address;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('The server for the gallery did not start within five minutes.');
}

try {
  const environment = {
    ...process.env,
    GALLERY_DEMO_URL: await serve('gallery', true),
    GALLERY_EMPTY_URL: await serve('gallery_empty', false),
    CHROMIUM: ensureChromium(),
  };
  const { status } = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'e2e/gallery/gallery.ts', ...process.argv.slice(2)],
    { cwd: root, stdio: 'inherit', env: environment },
  );
  process.exitCode = status ?? 1;
} finally {
  for (const server of servers) server.kill('SIGTERM');
  await Promise.all(
    servers.map((server) => new Promise((resolve) => server.once('exit', resolve))),
  );
  postgres.stop();
}
