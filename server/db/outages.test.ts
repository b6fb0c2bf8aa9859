import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DEMO_PASSWORD, LEAD } from '../demo/people.ts';
import { Hints } from '../hints/hints.ts';
import { application } from '../http/application.ts';
import { newId } from '../http/newId.ts';
import { Jobs } from '../jobs/jobs.ts';
import type { Worker } from '../jobs/jobs.ts';
import { workersOn } from '../jobs/workers.ts';
import { asApplication } from '../testing/asApplication.ts';
import { OUTAGES, Road } from '../testing/road.ts';
import type { Outage } from '../testing/road.ts';
import { startServer } from '../testing/startServer.ts';
import { connect } from './database.ts';

// What is tried here takes its time by nature: all of it goes on at once. `npm run outages` does the
// same for a minute, and to PostgreSQL itself.
const SECONDS = [5, 15];
const test = await startServer('demo');
const logger = pino({ level: 'silent' });
const closing: (() => Promise<unknown>)[] = [];
afterAll(() => Promise.all(closing.map((close) => close())));

/** A server of its own whose database can go away. */
async function serverByRoad() {
  const address = new URL(asApplication(process.env.TEST_DATABASE_URL ?? ''));
  address.pathname = `/${test.database}`;
  const { road, url } = await Road.to(address.href);
  const db = connect(url);
  const work: Worker = async (_, __, { signal }) => {
    await new Promise((resolve) => setTimeout(resolve, 1_000));
    signal.throwIfAborted();
    return { done: true };
  };
  const workers = { ...workersOn(url), bootstrap: work };
  const jobs = new Jobs(db, logger, workers);
  const hints = new Hints(db, url, logger);
  await Promise.all([jobs.start(), hints.start()]);
  const settings = { TRUSTED_PROXIES: [], HSTS_SECONDS: 0 };
  const app = await application({ ...test.tools, db, hints, jobs }, settings, logger);
  const server = createServer(app).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const { port } = server.address() as AddressInfo;
  closing.push(async () => {
    await hints.stop();
    await jobs.stop();
    server.closeAllConnections();
    server.close();
    await db.destroy();
    await road.close();
  });
  return { road, db, jobs, hints, url: `http://127.0.0.1:${port}/api` };
}

async function signIn(url: string): Promise<Record<string, string>> {
  const response = await fetch(`${url}/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: LEAD.email, password: DEMO_PASSWORD }),
  });
  expect(response.status).toBe(200);
  return {
    cookie: response.headers
      .getSetCookie()
      .map((c) => c.split(';')[0])
      .join('; '),
  };
}

const pause = (seconds: number) => new Promise((resolve) => setTimeout(resolve, 1000 * seconds));

/** Asks again and again until it holds; what is asked may fail meanwhile. */
async function until(holds: () => Promise<boolean>): Promise<number> {
  const began = Date.now();
  while (!(await holds().catch(() => false))) {
    if (Date.now() - began > 90_000) return Infinity;
    await pause(0.1);
  }
  return (Date.now() - began) / 1000;
}

/** Lets the database go away for so long, and says how the server fared. */
async function outage(how: Outage, seconds: number) {
  const { road, db, jobs, hints, url } = await serverByRoad();
  const headers = await signIn(url);
  const ownerId = (await db('account').where({ email: LEAD.email }).first('id')).id as string;
  const asked = await jobs.ask({ kind: 'bootstrap', ownerId, question: { once: newId() } });
  const underWay = db.raw('select pg_sleep(3)').then(
    () => 'done',
    () => 'broken off',
  );
  await pause(0.5);
  road.goAway(how);
  const before = road.tries;
  const during = fetch(`${url}/examinations`, { headers }).then(({ status }) => status);
  await pause(seconds);
  const tries = road.tries - before;
  road.comeBack();
  const whole = await until(
    async () => (await fetch(`${url}/examinations`, { headers })).status === 200,
  );
  const worked = await until(async () => (await jobs.over(asked.id, ownerId)).state === 'done');
  const heard = await until(() => hearsOf(url, headers, hints));
  const { connections } = road;
  return {
    during: await during,
    underWay: await underWay,
    ...{ tries, whole, worked, heard, connections },
  };
}

/** Whether a stream that is opened now hears of a change. */
async function hearsOf(url: string, headers: Record<string, string>, hints: Hints) {
  const examination = await test.thisYears();
  const away = AbortSignal.timeout(5_000);
  const { body } = await fetch(`${url}/hints`, { headers, signal: away });
  let heard = '';
  hints.examinationChanged(examination);
  for await (const piece of body ?? []) {
    heard += Buffer.from(piece).toString();
    if (heard.includes(examination)) return true;
  }
  return false;
}

describe('a database that goes away', () => {
  const outages = OUTAGES.flatMap((how) => SECONDS.map((seconds) => ({ how, seconds })));
  let all: Awaited<ReturnType<typeof outage>>[];
  beforeAll(async () => {
    all = await Promise.all(outages.map(({ how, seconds }) => outage(how, seconds)));
  });

  it.each(outages)(
    '$how, for $seconds s: the server is whole when it is back',
    ({ how, seconds }) => {
      const found = all[outages.findIndex((one) => one.how === how && one.seconds === seconds)];
      // Nobody waits for ever: what was under way ends, with words.
      expect([200, 503]).toContain(found?.during);
      expect(['done', 'broken off']).toContain(found?.underWay);
      expect(found?.whole).toBeLessThan(60);
      expect(found?.worked).toBeLessThan(60);
      expect(found?.heard).toBeLessThan(60);
      // One listening connection is tried at a time, and what was asked meanwhile tries its own.
      expect(found?.tries).toBeLessThan(10 + 6 * seconds);
      // A pool is of twenty, and one listens.
      expect(found?.connections).toBeLessThanOrEqual(21);
    },
  );
});
