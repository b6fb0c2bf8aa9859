// npm run outages: the database goes away for 5, 15 and 60 s, by a stop, by a kill, and by standing still
// with every connection open, as behind a network that swallows; is the server whole afterwards?
import { spawn, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { readdirSync, readlinkSync, readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { join } from 'node:path';
import { ensurePackages } from './packages.mjs';
import { dataFolder, freePort, startPostgres } from './postgres.mjs';
import { root } from './root.mjs';

const { values } = parseArgs({ options: { seconds: { type: 'string', default: '5,15,60' } } });
const SECONDS = values.seconds.split(',').map(Number);
const LONGEST_RECOVERY = 120_000;

ensurePackages();
const postgres = await startPostgres('outages', { throwaway: true });
const cluster = join(dataFolder(), 'outages', 'cluster');
const port = String(await freePort());
const database = Object.assign(new URL(postgres.url), {
  pathname: `/outages_${randomBytes(4).toString('hex')}`,
}).href;
const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
  cwd: root,
  stdio: ['ignore', 'ignore', 'ignore'],
  env: {
    ...process.env,
    NODE_ENV: 'production',
    DATABASE_URL: postgres.asApplication(database),
    DATABASE_OWNER_URL: database,
    PORT: port,
    SECRET_KEY: randomBytes(32).toString('hex'),
  },
});
const pause = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));

/** Whether the server reads from the database; an answer that takes long is none. */
const answers = () =>
  fetch(`http://127.0.0.1:${port}/api/session`, { signal: AbortSignal.timeout(3_000) }).then(
    ({ ok }) => ok,
    () => false,
  );

/** Seconds until the server answers. */
async function recovery() {
  const began = Date.now();
  while (!(await answers())) {
    if (Date.now() - began > LONGEST_RECOVERY) return Infinity;
    await pause(100);
  }
  return (Date.now() - began) / 1000;
}

/** Sockets that the server holds, whatever they lead to. */
const socketsOf = (pid) =>
  readdirSync(`/proc/${pid}/fd`).filter((fd) => {
    try {
      return readlinkSync(`/proc/${pid}/fd/${fd}`).startsWith('socket:');
    } catch {
      return false;
    }
  }).length;

const postmaster = () => readFileSync(join(cluster, 'postmaster.pid'), 'utf8').split('\n')[0];
/** The database's processes: the one that listens, and those that it has made. */
const processes = () => {
  const { stdout } = spawnSync('pgrep', ['-P', postmaster()], { encoding: 'utf8' });
  return [postmaster(), ...stdout.split('\n').filter(Boolean)].map(Number);
};
const signal = (name) => {
  for (const pid of processes()) process.kill(pid, name);
};
const OUTAGES = {
  stopped: [() => postgres.stop(), () => postgres.startAgain()],
  killed: [
    () => signal('SIGKILL'),
    async () => {
      while (postgres.isRunning()) await pause(100);
      postgres.startAgain();
    },
  ],
  swallowed: [() => signal('SIGSTOP'), () => signal('SIGCONT')],
};

let failed = 0;
try {
  if ((await recovery()) === Infinity) throw new Error('The server did not start.');
  for (const [how, [goAway, comeBack]] of Object.entries(OUTAGES)) {
    for (const seconds of SECONDS) {
      const before = socketsOf(server.pid);
      goAway();
      const until = Date.now() + 1000 * seconds;
      // A page and a tablet go on asking meanwhile.
      while (Date.now() < until) await Promise.all([answers(), pause(500)]);
      await comeBack();
      const whole = await recovery();
      await pause(12_000); // what was broken off has been let go of
      const after = socketsOf(server.pid);
      const good = whole < LONGEST_RECOVERY && after <= before + 25 && (await answers());
      if (!good) failed++;
      const sockets = `${before} sockets before, ${after} after`;
      console.log(
        `${how} for ${seconds} s: whole after ${whole.toFixed(1)} s, ${sockets}${good ? '' : '   FAILED'}`,
      );
    }
  }
} finally {
  server.kill('SIGKILL');
  if (!postgres.isRunning()) postgres.startAgain();
  postgres.stop();
}
process.exitCode = failed === 0 ? 0 : 1;
