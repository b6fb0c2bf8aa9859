import { GENERATOR } from '@kritikos/core/numerics/random';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import type { Jobs } from '../jobs/jobs.ts';
import { newestOfAll } from './repository.ts';

/**
 * Rehearsals that were played by an earlier source of chance are asked for again, in the same words
 * and for the same person. Until they are over, the earlier ones are read.
 */
export async function playRehearsalsAgain(db: Database, jobs: Jobs): Promise<void> {
  for (const { ownerId, examinationId, question } of await newestOfAll(db, GENERATOR)) {
    await jobs.ask({
      kind: 'rehearsal',
      ownerId,
      examinationId,
      question: { ...question, at: newId() },
    });
  }
}
