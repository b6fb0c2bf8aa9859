import type { Account } from '@kritikos/contracts/accounts';
import type { FollowUp, SafetyOccurrence } from '@kritikos/contracts/safety';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { holdExamination, requireExamination } from '../examinations/service.ts';
import { notFound } from '../http/problems.ts';
import { insertFollowUp, listOccurrences } from './repository.ts';

export async function readOccurrences(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<SafetyOccurrence[]> {
  await requireExamination(db, examinationId, viewer);
  return listOccurrences(db, examinationId, viewer.id);
}

/**
 * Writes down what a safety event was and what was done about it. What was written before stays; the
 * newest counts. A decision that is signed keeps what it knew.
 */
export async function followUp(
  db: Database,
  { examination, event }: { readonly examination: string; readonly event: string },
  found: FollowUp,
  lead: Account,
): Promise<SafetyOccurrence[]> {
  return db.transaction(async (trx) => {
    await holdExamination(trx, examination, lead);
    const known = await listOccurrences(trx, examination, lead.id);
    if (!known.some(({ id }) => id === event)) throw notFound('safety event');
    await insertFollowUp(trx, event, found, lead.id);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'safety event followed up',
      subject: event,
      detail: { laidTo: found.laidTo },
    });
    return listOccurrences(trx, examination, lead.id);
  });
}
