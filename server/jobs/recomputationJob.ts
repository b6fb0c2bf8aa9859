import { connect } from '../db/database.ts';
import { verifyKept } from '../marking/verifyKept.ts';
import type { Difference } from '../marking/verifyKept.ts';
import type { Told } from './told.ts';

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
  const db = connect(url);
  try {
    return await verifyKept(db, { examination, progress: (share) => port.postMessage(share) });
  } finally {
    await db.destroy();
  }
}
