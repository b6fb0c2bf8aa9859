import { afterEach, describe, expect, it } from 'vitest';
import pg from 'pg';
import { inject } from 'vitest';
import { EXAMINERS } from '../demo/people.ts';
import { breakConnections } from '../db/database.ts';
import { isDatabaseAway } from '../db/isDatabaseAway.ts';
import { startServer } from '../testing/startServer.ts';

const server = await startServer('demo', [], { mayFail: true });

/** Closes the database's door and ends every connection through it, as a stop of PostgreSQL does. */
async function door(open: boolean): Promise<void> {
  const client = new pg.Client({ connectionString: inject('serverUrl') });
  await client.connect();
  await client.query(`alter database ${server.database} with allow_connections ${open}`);
  if (!open) {
    await client.query(
      'select pg_terminate_backend(pid) from pg_stat_activity where datname = $1',
      [server.database],
    );
  }
  await client.end();
}
afterEach(() => door(true));

describe('a database that goes away', () => {
  it('is said as such with a hint when to try again, and the server is whole when it is back', async () => {
    const lead = await server.lead();
    const examiner = await server.signIn(EXAMINERS[0].email);
    await door(false);
    for (const request of [
      lead.call('GET', '/examinations'),
      server.anyone.call('GET', '/session'),
      examiner.call('POST', '/sheets/01920000-0000-7000-8000-000000000000/events', {
        account: examiner.account?.id,
        events: [null],
      }),
    ]) {
      const response = await request;
      expect(response.status).toBe(503);
      expect(response.headers['retry-after']).toBe('2');
      expect(response.body.type).toBe('urn:kritikos:problem:unavailable');
    }
    await door(true);
    await lead.call('GET', '/examinations').expect(200);
  });

  it('comes back by itself for everybody at once', async () => {
    const lead = await server.lead();
    await door(false);
    const meanwhile = await Promise.all(
      Array.from({ length: 30 }, () => lead.call('GET', '/examinations')),
    );
    expect(new Set(meanwhile.map((r) => r.status))).toEqual(new Set([503]));
    await door(true);
    const after = await Promise.all(
      Array.from({ length: 30 }, () => lead.call('GET', '/examinations')),
    );
    expect(new Set(after.map((r) => r.status))).toEqual(new Set([200]));
  });
});

describe('a connection that breaks', () => {
  const { db } = server.tools;
  const breakOff = () => breakConnections(db);
  const settled = (work: Promise<unknown>) =>
    work.then(
      () => 'done',
      (error: unknown) => isDatabaseAway(error),
    );

  it('under a statement is the database that is away', async () => {
    const waiting = settled(db.raw('select pg_sleep(20)'));
    await new Promise((resolve) => setTimeout(resolve, 200));
    breakOff();
    expect(await waiting).toBe(true);
  });

  it('anywhere in a transaction is the same, and nothing of it stands', async () => {
    const places = ['before the first word', 'under a statement', 'between two', 'before the end'];
    for (const place of places) {
      const at = (here: string) => here === place && breakOff();
      const outcome = await settled(
        db.transaction(async (trx) => {
          at('before the first word');
          await trx('setting').insert({ name: place, value: 'x' });
          at('between two');
          const sleeping = trx.raw('select pg_sleep(0.2)');
          sleeping.catch(() => undefined);
          setTimeout(() => at('under a statement'), 50);
          await sleeping;
          at('before the end');
        }),
      );
      expect([place, outcome]).toEqual([place, true]);
    }
    expect(await server.db('setting').whereIn('name', places)).toEqual([]);
  });
});

describe('an error of the database', () => {
  const withCode = (code: string) => Object.assign(new Error('no'), { code });

  it.each(['57P01', '57P03', '08006', '53300', 'ECONNREFUSED', 'ECONNRESET'])(
    '%s says that it is away',
    (code) => expect(isDatabaseAway(withCode(code))).toBe(true),
  );
  it.each(['23505', '22P05', '42P01', 'ENOENT', ''])('%s does not', (code) =>
    expect(isDatabaseAway(withCode(code))).toBe(false),
  );
  it('is found in an error of errors, as a name with two addresses makes it', () => {
    expect(isDatabaseAway(new AggregateError([withCode('ECONNREFUSED')]))).toBe(true);
    expect(isDatabaseAway('no')).toBe(false);
  });
});
