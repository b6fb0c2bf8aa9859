// npm start: from an empty machine to the application in a browser, and watching over it.
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { ensureWebBuild } from './build.mjs';
import { ensurePackages } from './packages.mjs';
import { dataFolder, freePort, startPostgres } from './postgres.mjs';
import { root } from './root.mjs';
import { holdFolder } from './holdFolder.mjs';
import { keepRunning } from './keepRunning.mjs';

const WATCH_EVERY = 2_000;
const LONGEST_STOP = 10_000;

const { empty, candidates, seed } = wanted();
let folder;
let postgres;
let server;
let stopping = false;

async function main() {
  const own = !process.env.DATABASE_URL;
  if (own) folder = holdFolder(dataFolder());
  ensurePackages();
  if (own) postgres = await startPostgres('work');
  ensureWebBuild();
  if (stopping) return;
  const port = process.env.PORT ?? String(await freePort(4747).catch(() => freePort()));
  const url = process.env.DATABASE_URL || databaseNamed(ownName());
  run({
    ...process.env,
    NODE_ENV: 'production',
    DATABASE_URL: own ? postgres.asApplication(url) : url,
    DATABASE_OWNER_URL: own ? url : (process.env.DATABASE_OWNER_URL ?? ''),
    PORT: port,
    SECRET_KEY: process.env.SECRET_KEY || secretKey(),
    // People with a published password only ever come into a database of our own making.
    KRITIKOS_DEMO: own && !empty ? '1' : '',
    KRITIKOS_DEMO_CANDIDATES: candidates ?? '',
    KRITIKOS_DEMO_SEED: seed ?? '',
  });
  if (own) setInterval(watchDatabase, WATCH_EVERY);
}

/** What was asked for on the command line, each word of it known. */
function wanted() {
  const text = { type: 'string' };
  try {
    return parseArgs({ options: { empty: { type: 'boolean' }, candidates: text, seed: text } })
      .values;
  } catch (error) {
    console.error(`${error.message}
npm start takes -- --candidates 10000 and --seed 7.`);
    process.exit(2);
  }
}

/** The name of our database: a demo of another size or seed has one of its own. */
function ownName() {
  if (empty) return 'kritikos';
  const other = [candidates && `of_${candidates}`, seed && `seed_${seed}`].filter(Boolean);
  return ['kritikos_demo', ...other].join('_').replace(/\W/g, '_');
}

/** Starts the server, and again however it ends. */
function run(env) {
  const args = ['--import', 'tsx', 'server/main.ts'];
  server = keepRunning(args, { cwd: root, env, say: (words) => console.error(words), ended: end });
}

function watchDatabase() {
  if (stopping || postgres.isRunning()) return;
  console.error('The database stopped; it is started again.');
  try {
    postgres.startAgain();
  } catch (error) {
    console.error(error.message);
  }
}

/** What letters are sealed with, kept beside the database and not in it. */
function secretKey() {
  const file = join(dataFolder(), 'secret-key');
  if (!existsSync(file)) {
    mkdirSync(dataFolder(), { recursive: true });
    writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 });
  }
  return readFileSync(file, 'utf8').trim();
}

function databaseNamed(name) {
  const url = new URL(postgres.url);
  url.pathname = `/${name}`;
  return url.href;
}

function stop(code) {
  stopping = true;
  if (server) return server.stop(LONGEST_STOP);
  end(code);
}

function end(code) {
  postgres?.stop();
  folder?.release();
  process.exit(code);
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => stop(0));

main().catch((error) => {
  console.error(`\nKritikos could not start. ${error.message}`);
  stop(1);
});
