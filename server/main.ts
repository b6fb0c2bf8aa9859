import type { Server } from 'node:http';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import type { Logger } from 'pino';
import { firstWord } from './accounts/firstWord.ts';
import { hasAnyAccount } from './accounts/repository.ts';
import { sealAudit } from './audit/service.ts';
import { offerCatalogue } from './checklists/service.ts';
import { connect, prepareDatabase } from './db/database.ts';
import { oneStartAtATime } from './db/oneStartAtATime.ts';
import { NotOurs } from './db/notOurs.ts';
import { isDatabaseAway } from './db/isDatabaseAway.ts';
import { DEMO_PASSWORD, EXAMINERS, LEAD } from './demo/people.ts';
import { loadDemo } from './demo/scenario.ts';
import { application } from './http/application.ts';
import { Hints } from './hints/hints.ts';
import type { Tools } from './http/route.ts';
import { Jobs } from './jobs/jobs.ts';
import { closeJobs, warmUp } from './jobs/pool.ts';
import { PostOffice } from './post/postOffice.ts';
import { workersOn } from './jobs/workers.ts';
import { BadSetting, readSettings } from './settings.ts';
import type { Settings } from './settings.ts';
import { playRehearsalsAgain } from './rehearsal/playAgain.ts';
import { simulateDraftsAgain } from './timetable/simulateAgain.ts';

/** A request that has not arrived after this long is given up; a slow line must not hold a socket. */
const REQUEST_MILLISECONDS = 30_000;
const HEADER_MILLISECONDS = 10_000;
/** Longer than the minute after which proxies and tablets drop a connection, so that they do it first. */
const KEEP_ALIVE_MILLISECONDS = 75_000;
/** Requests in flight may finish for this long when the server is told to stop. */
const GRACE_MILLISECONDS = 7_000;
const SEAL_EVERY_MILLISECONDS = 2_000;

async function start(): Promise<void> {
  const settings = readSettings(process.env);
  const logger = pino({ level: settings.LOG_LEVEL });
  const { DATABASE_URL, DATABASE_OWNER_URL } = settings;
  const ownerUrl = DATABASE_OWNER_URL || DATABASE_URL;
  const tools = await oneStartAtATime(ownerUrl, waiting, () => makeReady(settings, logger));
  warnOfOneRole(settings);
  const webFolder = fileURLToPath(new URL('../web/dist', import.meta.url));
  const app = await application(tools, settings, logger, webFolder);
  const server = app.listen(settings.PORT, settings.HOST);
  server.requestTimeout = REQUEST_MILLISECONDS;
  server.headersTimeout = HEADER_MILLISECONDS;
  server.keepAliveTimeout = KEEP_ALIVE_MILLISECONDS;
  await new Promise<void>((resolve, reject) => {
    server.once('listening', resolve).once('error', reject);
  });
  const { db } = tools;
  let busy = false;
  // One at a time: while the database is away, seals would queue for its connections.
  const sealing = setInterval(() => {
    if (busy) return;
    busy = true;
    void sealAudit(db)
      .catch((error: unknown) => logger.warn({ err: error }, 'the audit waits for its seal'))
      .finally(() => (busy = false));
  }, SEAL_EVERY_MILLISECONDS);
  await greet(settings, server, tools);
  process.send?.('listening');
  warmUp().catch((error: unknown) => logger.warn({ err: error }, 'the threads have not started'));
  stopWhenTold(server, tools, sealing);
  drawAgain(tools).catch((error: unknown) =>
    logger.warn({ err: error }, 'what an earlier source of chance drew waits for the next start'),
  );
}

/** What is not signed or published yet and was drawn from an earlier source of chance. */
async function drawAgain({ db, jobs }: Tools): Promise<void> {
  await playRehearsalsAgain(db, jobs);
  await simulateDraftsAgain(db);
}

const waiting = () =>
  console.log('Another start is bringing this database up to date; this one waits for it.');

type Running = Tools & { readonly post: PostOffice };

/** The database brought up to date, what works on it, and where that is wanted the demo. */
async function makeReady(settings: Settings, logger: Logger): Promise<Running> {
  const { DATABASE_URL, DATABASE_OWNER_URL } = settings;
  const db = await prepareDatabase(DATABASE_URL, DATABASE_OWNER_URL || DATABASE_URL);
  const jobs = new Jobs(db, logger, workersOn(DATABASE_URL));
  const hints = new Hints(db, DATABASE_URL, logger);
  const post = new PostOffice(db, logger, settings);
  await Promise.all([jobs.start(), hints.start()]);
  post.start();
  await offerCatalogue(db);
  if (settings.KRITIKOS_DEMO) await makeDemo(settings, jobs);
  const { PUBLIC_URL, SECRET_KEY, SMTP_URL } = settings;
  const house = { door: PUBLIC_URL, secretKey: SECRET_KEY, sends: SMTP_URL !== '' };
  return { db, hints, jobs, post, house };
}

/** The demo is written whole, past the stream of taps, which only the owner of the database may. */
async function makeDemo(settings: Settings, jobs: Jobs): Promise<void> {
  const { DATABASE_URL, DATABASE_OWNER_URL } = settings;
  const { KRITIKOS_DEMO_CANDIDATES: candidates, KRITIKOS_DEMO_SEED: seed } = settings;
  const started = Date.now();
  const owner = connect(DATABASE_OWNER_URL || DATABASE_URL);
  try {
    if (await loadDemo(owner, jobs, { candidates, seed }))
      console.log(`Loaded the demo in ${((Date.now() - started) / 1000).toFixed(1)} s.`);
  } finally {
    await owner.destroy();
  }
}

async function greet(
  { HOST, KRITIKOS_DEMO }: Settings,
  server: Server,
  { db, house }: Tools,
): Promise<void> {
  const address = server.address();
  const port = typeof address === 'object' ? address?.port : address;
  console.log(`\nKritikos is at  http://${HOST}:${port}\n`);
  if (KRITIKOS_DEMO) {
    console.log('Demo accounts, all with the password', DEMO_PASSWORD);
    console.log(`  lead      ${LEAD.email}  (${LEAD.name})`);
    for (const { email, name } of EXAMINERS) console.log(`  examiner  ${email}  (${name})`);
  } else if (await hasAnyAccount(db)) console.log('Open it to sign in.');
  else {
    console.log('Open it to make the first account. It asks for this word:');
    console.log(`\n  ${firstWord(house.secretKey)}`);
  }
  console.log('\nCtrl+C stops it.');
}

/** Says that the database would not stop a mistake of the program: it works as its owner. */
function warnOfOneRole({ DATABASE_URL, DATABASE_OWNER_URL }: Settings): void {
  if (DATABASE_OWNER_URL && new URL(DATABASE_OWNER_URL).username !== new URL(DATABASE_URL).username)
    return;
  console.warn(
    'One role of the database does everything. Set DATABASE_OWNER_URL to the role that owns it, and DATABASE_URL to one that may do less (docs/operations.md).',
  );
}

/** Takes no new requests, lets those in flight finish, and ends within ten seconds. */
function stopWhenTold(
  server: Server,
  { db, hints, jobs, post }: Running,
  sealing: NodeJS.Timeout,
): void {
  let stopping = false;
  const stop = async (): Promise<void> => {
    if (stopping) return;
    stopping = true;
    clearInterval(sealing);
    post.stop();
    await hints.stop();
    const closed = new Promise((resolve) => server.close(resolve));
    server.closeIdleConnections();
    const grace = setTimeout(() => server.closeAllConnections(), GRACE_MILLISECONDS);
    await closed;
    clearTimeout(grace);
    setTimeout(() => process.exit(0), 2_000).unref();
    await sealAudit(db).catch(() => 0); // it is sealed after the next start
    await jobs.stop();
    await closeJobs();
    await db.destroy();
    process.exit(0);
  };
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop());
  // Whoever started this process watches over it; without that, nobody would ever stop it.
  if (process.connected) process.once('disconnect', () => void stop());
}

/** What went wrong at the start, as one sentence for whoever runs the server. */
function whyNotStarted(error: unknown): string {
  const { code, message, port } = error as { code?: string; message: string; port?: number };
  if (error instanceof BadSetting || error instanceof NotOurs) return message;
  if (code === 'EADDRINUSE') return `Port ${port} is in use. Set PORT to another one.`;
  if (code === 'EACCES')
    return `Port ${port} may not be used by this user. Set PORT to another one.`;
  if (code === 'EADDRNOTAVAIL') return 'HOST is not an address of this machine.';
  if (isDatabaseAway(error) || code === 'ENOTFOUND') {
    return 'The database of DATABASE_URL does not answer. Start it, or correct the address.';
  }
  if (code === '28P01' || code === '28000')
    return `The database refuses the user of DATABASE_URL: ${message}.`;
  if (code === '42501')
    return `The user of DATABASE_URL lacks a right in the database: ${message}.`;
  if (code === '3D000' || code === '55006')
    return `The database of DATABASE_URL cannot be opened: ${message}.`;
  return (error as Error).stack ?? message;
}

start().catch((error: unknown) => {
  console.error(`\nThe server could not start. ${whyNotStarted(error)}`);
  process.exit(1);
});
