import PgBoss from 'pg-boss';

/** The schema that the queue keeps its own tables in. */
const SCHEMA = 'boss';
/** One queue carries every kind; what a job is stands in our own table. */
export const QUEUE = 'kritikos';

/** A queue that works as the role of this address, on tables that are there. */
export function queueOn(url: string): PgBoss {
  return new PgBoss({
    connectionString: url,
    schema: SCHEMA,
    migrate: false,
    schedule: false,
    max: 2,
    application_name: 'kritikos jobs',
  });
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
