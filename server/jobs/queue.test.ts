import knex from 'knex';
import { describe, expect, it } from 'vitest';
import { newId } from '../http/newId.ts';
import { QUEUE, queueOn } from './queue.ts';

/** A database that is away: its connections are reset as they are made. */
function awayDatabase() {
  const db = knex({ client: 'pg' });
  const lends = {
    acquireConnection: () =>
      Promise.reject(Object.assign(new Error('connect ECONNRESET'), { code: 'ECONNRESET' })),
  };
  return Object.assign(db, { client: Object.assign(db.client, lends) });
}

describe('the queue while the database is away', () => {
  // pg-boss sends these without waiting for the answer: a rejection would end the process.
  it('lets the end of a message go unnoted', async () => {
    const boss = queueOn(awayDatabase());
    await expect(boss.complete(QUEUE, newId())).resolves.toMatchObject({ affected: 0 });
    await expect(boss.fail(QUEUE, newId())).resolves.toMatchObject({ affected: 0 });
  });

  it('says that a message could not be sent', async () => {
    const boss = queueOn(awayDatabase());
    await expect(boss.send(QUEUE, {})).rejects.toThrow('ECONNRESET');
  });
});
