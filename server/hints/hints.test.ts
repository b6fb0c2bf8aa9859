import type { OwnStation } from '@kritikos/contracts/marking';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Server } from 'node:http';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createAccount } from '../accounts/service.ts';
import { DEMO_PASSWORD, EXAMINERS, LEAD } from '../demo/people.ts';
import { application } from '../http/application.ts';
import { newId } from '../http/newId.ts';
import { asApplication } from '../testing/asApplication.ts';
import { startServer } from '../testing/startServer.ts';
import { Hints } from './hints.ts';

const test = await startServer('demo');
const logger = pino({ level: 'silent' });
const processes: { server: Server; hints: Hints; url: string }[] = [];

/** Two server processes on one database, as behind a balancer. */
beforeAll(async () => {
  const { rows } = await test.db.raw('select current_database() as name');
  const database = new URL(asApplication(process.env.TEST_DATABASE_URL ?? ''));
  database.pathname = `/${rows[0].name}`;
  for (let i = 0; i < 2; i++) {
    const hints = new Hints(test.tools.db, database.href, logger);
    await hints.start();
    const settings = { TRUSTED_PROXIES: [], HSTS_SECONDS: 0 };
    const app = await application({ ...test.tools, hints }, settings, logger);
    const server = createServer(app).listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    const { port } = server.address() as AddressInfo;
    processes.push({ server, hints, url: `http://127.0.0.1:${port}/api` });
  }
});
afterAll(async () => {
  for (const { server, hints } of processes) {
    await hints.stop();
    server.closeAllConnections();
    server.close();
  }
});

interface Person {
  readonly headers: Record<string, string>;
  readonly account: { id: string };
}

async function signIn(process: number, email: string): Promise<Person> {
  const response = await fetch(`${processes[process]?.url}/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email, password: DEMO_PASSWORD }),
  });
  const { csrfToken, account } = (await response.json()) as {
    csrfToken: string;
    account: { id: string };
  };
  const cookie = response.headers.getSetCookie().map((c) => c.split(';')[0]);
  return {
    headers: {
      cookie: cookie.join('; '),
      'x-csrf-token': csrfToken,
      'content-type': 'application/json',
    },
    account,
  };
}

/** Opens a stream and gathers its hints with the time at which each came. */
async function listen(process: number, { headers }: Person) {
  const heard: { examination: string; at: number }[] = [];
  const abort = new AbortController();
  const response = await fetch(`${processes[process]?.url}/hints`, {
    headers,
    signal: abort.signal,
  });
  const over = (async () => {
    const reader = response.body?.getReader();
    const decoder = new TextDecoder();
    for (;;) {
      const { done, value } = (await reader?.read().catch(() => null)) ?? { done: true };
      if (done) return;
      for (const [, data] of decoder.decode(value).matchAll(/^data: (.*)$/gm)) {
        heard.push({ ...(JSON.parse(data ?? '') as { examination: string }), at: Date.now() });
      }
    }
  })();
  return { heard, over, status: response.status, close: () => abort.abort() };
}

const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

async function tap(process: number, { headers, account }: Person, times: number): Promise<void> {
  const url = processes[process]?.url;
  const stations = (await (await fetch(`${url}/own/stations`, { headers })).json()) as OwnStation[];
  const [sheet] = stations[0]?.sheets ?? [];
  const { checklist } = (await (await fetch(`${url}/sheets/${sheet?.id}`, { headers })).json()) as {
    checklist: { id: string };
  };
  for (let sequence = 0; sequence < times; sequence++) {
    const event = {
      id: newId(),
      device: 'hinting',
      sequence,
      at: new Date().toISOString(),
      clockAhead: 0,
      checklistVersionId: checklist.id,
      body: { type: 'comment', text: `${sequence}` },
    };
    const body = JSON.stringify({ account: account.id, events: [event] });
    const { status } = await fetch(`${url}/sheets/${sheet?.id}/events`, {
      method: 'POST',
      headers,
      body,
    });
    expect(status).toBe(200);
  }
}

describe('a hint', () => {
  it('reaches who leads the examination, on another process than the tap, within 1.5 s', async () => {
    const lead = await listen(1, await signIn(1, LEAD.email));
    const began = Date.now();
    await tap(0, await signIn(0, EXAMINERS[0].email), 1);
    await expect.poll(() => lead.heard.length).toBe(1);
    expect((lead.heard[0]?.at ?? Infinity) - began).toBeLessThan(5000);
    expect(lead.heard[0]?.examination).toBe(await test.thisYears());
    lead.close();
  });

  it('does not reach whoever may not see the examination', async () => {
    const person = { email: 'other@orrinmouth.example', name: 'Other', password: DEMO_PASSWORD };
    await createAccount(test.db, person, ['lead'], null);
    const stranger = await listen(0, await signIn(0, person.email));
    const lead = await listen(0, await signIn(0, LEAD.email));
    await tap(1, await signIn(1, EXAMINERS[1].email), 1);
    await expect.poll(() => lead.heard.length).toBeGreaterThan(0);
    await pause(300);
    expect(stranger.heard).toEqual([]);
    expect(stranger.status).toBe(200);
    stranger.close();
    lead.close();
  });

  it('comes at most once a second, however many taps there are at however many processes', async () => {
    const lead = await listen(0, await signIn(0, LEAD.email));
    const examiners = [await signIn(0, EXAMINERS[2].email), await signIn(1, EXAMINERS[3].email)];
    const began = Date.now();
    await Promise.all(examiners.map((examiner, process) => tap(process, examiner, 60)));
    await pause(2100);
    const seconds = Math.ceil((Date.now() - began) / 1000);
    expect(lead.heard.length).toBeGreaterThan(0);
    expect(lead.heard.length).toBeLessThanOrEqual(seconds + 1);
    lead.close();
  });

  it('is lost with a connection to the database, and told again when there is a new one', async () => {
    const lead = await listen(1, await signIn(1, LEAD.email));
    await test.db.raw(
      `select pg_terminate_backend(pid) from pg_stat_activity
       where application_name = 'kritikos hints' and datname = current_database()`,
    );
    await expect.poll(() => lead.heard.length).toBeGreaterThan(0);
    lead.close();
  });
});

describe('a stream', () => {
  it('needs somebody who is signed in', async () => {
    expect((await fetch(`${processes[0]?.url}/hints`)).status).toBe(401);
  });

  it('ends when the account is changed, so that it is opened anew with the new rights', async () => {
    const person = await signIn(0, LEAD.email);
    const stream = await listen(0, person);
    await processes[1]?.hints.accountChanged(test.db, person.account.id);
    await stream.over;
  });

  it('ends when its session is signed out, and another session’s opens anew', async () => {
    const person = await signIn(0, LEAD.email);
    const stream = await listen(1, person);
    const signedOut = await fetch(`${processes[0]?.url}/session`, {
      method: 'DELETE',
      headers: person.headers,
    });
    expect(signedOut.status).toBe(200);
    await stream.over;
    expect((await listen(1, person)).status).toBe(401);
  });

  it('is one of twenty of an account; the oldest goes', async () => {
    const person = await signIn(0, LEAD.email);
    const streams = [];
    for (let i = 0; i < 21; i++) streams.push(await listen(0, person));
    await streams[0]?.over;
    const still = await Promise.race([streams[1]?.over, pause(300).then(() => 'open')]);
    expect(still).toBe('open');
    for (const { close } of streams) close();
  });

  it('ends at once when the server stops', async () => {
    const stream = await listen(1, await signIn(1, LEAD.email));
    const began = Date.now();
    await processes[1]?.hints.stop();
    await stream.over;
    expect(Date.now() - began).toBeLessThan(3000);
  });
});
