import PgBoss from 'pg-boss';
import type { Knex } from 'knex';
import { isDatabaseAway } from '../db/isDatabaseAway.ts';

/** The schema that the queue keeps its own tables in. */
const SCHEMA = 'boss';
/** One queue carries every kind; what a job is stands in our own table. */
export const QUEUE = 'kritikos';

/** The queue as it works on our connections, so that what is written is queued in one transaction. */
export function onOurs(db: Knex): PgBoss.Db {
  return {
    executeSql: async (text, values) => {
      const client = db.client as Connections;
      const connection = await client.acquireConnection();
      try {
        return await connection.query(text, values);
      } finally {
        await client.releaseConnection(connection);
      }
    },
  };
}

/** What lends a connection of the driver: a pool, or a transaction its own. */
interface Connections {
  acquireConnection(): Promise<{ query: PgBoss.Db['executeSql'] }>;
  releaseConnection(connection: object): Promise<void>;
}

/** The statements by which the queue notes that a message is done with, or could not be. */
const NOTES_AN_END = /SET completed_on = now\(\)|WITH deleted_jobs AS/;

/**
 * The same for a process that works. The queue notes the end of a message without waiting for the
 * answer (pg-boss 10, manager.js, onFetch), so that a database which is away just then would be
 * nobody's to catch, and Node ends a process for that. Nothing hangs on the note: our own table says
 * how a job ended, one that did not is found by its beats, and the message expires.
 */
function forWorking(db: Knex): PgBoss.Db {
  const { executeSql } = onOurs(db);
  return {
    executeSql: async (text, values) => {
      try {
        return await executeSql(text, values);
      } catch (error) {
        if (NOTES_AN_END.test(text) && isDatabaseAway(error)) return { rows: [{ count: 0 }] };
        throw error;
      }
    },
  };
}

/** A queue that works as the role of this pool, on tables that are there. */
export function queueOn(db: Knex): PgBoss {
  return new PgBoss({ db: forWorking(db), schema: SCHEMA, migrate: false, schedule: false });
}

/** Makes or migrates the queue's tables; for the role that owns the database. */
export async function prepareQueues(ownerUrl: string): Promise<void> {
  const boss = new PgBoss({
    connectionString: ownerUrl,
    schema: SCHEMA,
    supervise: false,
    schedule: false,
    max: 1,
  });
  boss.on('error', () => undefined); // what it says is thrown below, too
  await boss.start();
  if (!(await boss.getQueue(QUEUE))) await boss.createQueue(QUEUE);
  await boss.stop({ graceful: false, close: true });
}
