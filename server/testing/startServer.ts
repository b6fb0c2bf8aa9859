import type { Account, Session } from '@kritikos/contracts/accounts';
import { randomBytes } from 'node:crypto';
import pg from 'pg';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, inject } from 'vitest';
import { connect, prepareDatabase } from '../db/database.ts';
import type { Database } from '../db/database.ts';
import { DEMO_PASSWORD, LEAD } from '../demo/people.ts';
import { application } from '../http/application.ts';
import type { Tools } from '../http/route.ts';
import { Hints } from '../hints/hints.ts';
import { Jobs } from '../jobs/jobs.ts';
import { closeJobs } from '../jobs/pool.ts';
import { workersOn } from '../jobs/workers.ts';
import { asApplication } from './asApplication.ts';
import { firstSchemaDump } from './firstSchemaDump.ts';

/** What letters of the tests are sealed with. */
export const SECRET_KEY = 'for-the-tests-and-for-nothing-else';

/** Somebody signed in, calling the API as the page does: with the cookie and the token. */
export interface Caller {
  readonly account: Account | null;
  call(method: string, path: string, body?: unknown): request.Test;
  csv(path: string, content: string | Buffer): request.Test;
}

export interface TestServer {
  /** The name of its database. */
  readonly database: string;
  /** As the owner of the database, who may look at and change everything. */
  readonly db: Database;
  /** As the role of the application. */
  readonly tools: Tools;
  readonly agent: () => ReturnType<typeof request.agent>;
  signIn(email: string): Promise<Caller>;
  lead(): Promise<Caller>;
  readonly anyone: Caller;
  /** Every line that the server has logged; none may hold a secret, which every test file sees to. */
  readonly logged: readonly string[];
  keepSecret(secret: string): void;
  /** The id of the demo’s examination that is being marked, which is this year’s. */
  thisYears(): Promise<string>;
}

/**
 * A server over its own copy of the empty or the demo database, or over a database of the first
 * schema brought up to date; gone after the test file.
 */
export async function startServer(
  from: 'empty' | 'demo' | 'first schema',
  trusted: string[] = [],
  { mayFail = false } = {},
): Promise<TestServer> {
  const name = `test_${randomBytes(6).toString('hex')}`;
  const maintenance = inject('serverUrl');
  const old = from === 'first schema';
  const template = old ? 'template0' : inject(`${from}Template`);
  await statement(maintenance, `create database ${name} template ${template}`);
  const url = new URL(maintenance);
  url.pathname = `/${name}`;
  if (old) await statement(url.href, firstSchemaDump());
  const own = asApplication(url.href);
  const limited = old ? await prepareDatabase(own, url.href) : connect(own);
  // Tests look and tamper as the owner; the server works as the application's role.
  const db = connect(url.href);
  const logged: string[] = [];
  const logger = pino({ level: 'trace' }, { write: (line) => void logged.push(line) });
  const secrets = new Set([DEMO_PASSWORD, SECRET_KEY]);
  const jobs = new Jobs(limited, logger, workersOn(own));
  const hints = new Hints(limited, own, logger);
  const house = { door: 'http://kritikos.test', secretKey: SECRET_KEY, sends: false };
  const tools = { db: limited, hints, jobs, house };
  const app = await application(tools, { TRUSTED_PROXIES: trusted, HSTS_SECONDS: 0 }, logger);
  afterAll(async () => {
    await hints.stop();
    await jobs.stop();
    await closeJobs();
    await limited.destroy();
    await db.destroy();
    await statement(maintenance, `drop database if exists ${name} with (force)`);
    const faults = logged.filter((line) => (JSON.parse(line) as { level: number }).level >= 50);
    if (faults.length > 0 && !mayFail)
      throw new Error(`The server had faults:\n${faults.join('\n')}`);
    const told = logged.filter((line) => [...secrets].some((secret) => line.includes(secret)));
    if (told.length > 0) throw new Error(`A secret stands in the log:\n${told.join('\n')}`);
  });

  const agent = () => request.agent(app);
  async function signIn(email: string): Promise<Caller> {
    const own = agent();
    const response = await own.post('/api/session').send({ email, password: DEMO_PASSWORD });
    const session = response.body as Session;
    if (!session.account) throw new Error(`Could not sign in as ${email}: ${response.text}`);
    secrets.add(session.csrfToken);
    // What opens a session is the id before the signature.
    for (const cookie of [response.headers['set-cookie'] ?? []].flat())
      secrets.add(/kritikos\.sid=s%3A([^.;]+)/.exec(cookie)?.[1] ?? SECRET_KEY);
    return caller(own, session);
  }
  return {
    database: name,
    db,
    tools,
    agent,
    signIn,
    lead: () => signIn(LEAD.email),
    logged,
    keepSecret: (secret) => void secrets.add(secret),
    thisYears: async () => {
      const opened = db('examination').whereNotNull('marking_opened_at');
      return (await opened.orderBy('held_on', 'desc').first('id')).id;
    },
    anyone: caller(agent(), {
      account: null,
      csrfToken: '',
      needsFirstAdministrator: false,
      sendsLetters: false,
    }),
  };
}

function caller(own: ReturnType<typeof request.agent>, session: Session): Caller {
  const begin = (method: string, path: string) => {
    const verb = method.toLowerCase() as 'get' | 'post' | 'put' | 'patch' | 'delete';
    return own[verb](`/api${path}`).set('x-csrf-token', session.csrfToken);
  };
  return {
    account: session.account,
    call: (method, path, body) => {
      const call = begin(method, path);
      return body === undefined ? call : call.send(body as object);
    },
    csv: (path, content) => begin('POST', path).type('text/csv').send(content),
  };
}

async function statement(url: string, sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(sql);
  await client.end();
}
