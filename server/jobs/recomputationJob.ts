import { connect } from '../db/database.ts';
import { verifyKept } from '../marking/verifyKept.ts';
import type { Difference } from '../marking/verifyKept.ts';
import type { Told } from './told.ts';

/** Longer than the server itself gives a statement. */
const LONGEST_MILLISECONDS = 70_000;

export interface RecomputationJob {
  readonly url: string;
  readonly examination: string;
}

export interface Recomputed {
  readonly sheets: number;
  readonly differing: readonly Difference[];
}

/** Runs in a worker thread: every submitted sheet of an examination scored anew and compared. */
export default async function run({
  url,
  examination,
  port,
}: RecomputationJob & Told): Promise<Recomputed> {
  // A network that swallows would keep the thread for a quarter of an hour.
  const db = connect(url, { query_timeout: LONGEST_MILLISECONDS });
  try {
    return await verifyKept(db, { examination, progress: (share) => port.postMessage(share) });
  } finally {
    await db.destroy();
  }
}
