import pg from 'pg';
import { createWhereMissing } from './database.ts';

/** Any number that no other program of the same database uses: "kritikos" as letters of the alphabet. */
const LOCK = 1_118_092_009;
const LOOK_AGAIN_MILLISECONDS = 500;

/**
 * Does what a start does to a database while no other start does: two processes that begin together
 * on an empty one would each make its tables. The lock is the connection's, so that it goes with a
 * process that is killed. `waiting` is called once where another start is at it.
 */
export async function oneStartAtATime<T>(
  ownerUrl: string,
  waiting: () => void,
  work: () => Promise<T>,
): Promise<T> {
  await createWhereMissing(ownerUrl);
  const client = new pg.Client({ connectionString: ownerUrl, connectionTimeoutMillis: 30_000 });
  client.on('error', () => undefined); // what the work itself meets says more
  await client.connect();
  try {
    for (let first = true; !(await isFree(client)); first = false) {
      if (first) waiting();
      await new Promise((resolve) => setTimeout(resolve, LOOK_AGAIN_MILLISECONDS));
    }
    return await work();
  } finally {
    await client.end().catch(() => undefined);
  }
}

async function isFree(client: pg.Client): Promise<boolean> {
  const { rows } = await client.query<{ free: boolean }>(
    'select pg_try_advisory_lock($1) as free',
    [LOCK],
  );
  return rows[0]?.free ?? false;
}
