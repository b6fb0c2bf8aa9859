import type { Account } from '@kritikos/contracts/accounts';
import type { Briefing, Confirmations } from '@kritikos/contracts/calibration';
import { recordAction } from '../audit/repository.ts';
import { findChecklistVersion } from '../checklists/service.ts';
import type { Database } from '../db/database.ts';
import { requireExamination } from '../examinations/service.ts';
import { notFound } from '../http/problems.ts';
import * as calibration from './repository.ts';

/** What an examiner reads before the day: the checklist, the accepted variants, the stop rule. */
export async function readBriefing(
  db: Database,
  stationId: string,
  reader: Account,
): Promise<Briefing> {
  const station = await calibration.findBriefing(db, stationId, reader.id);
  if (!station) throw notFound('station');
  return {
    stationId,
    title: station.title,
    minutes: station.minutes,
    checklist: await findChecklistVersion(db, station.checklistVersionId),
    confirmedAt: station.confirmedAt?.toISOString() ?? null,
  };
}

/** An examiner confirms having read the briefing of the checklist version now in use. */
export async function confirmBriefing(
  db: Database,
  stationId: string,
  examiner: Account,
): Promise<Briefing> {
  const briefing = await readBriefing(db, stationId, examiner);
  await db.transaction(async (trx) => {
    await calibration.insertConfirmation(trx, stationId, examiner.id, briefing.checklist.id);
    await recordAction(trx, {
      accountId: examiner.id,
      action: 'briefing confirmed',
      subject: stationId,
    });
  });
  return readBriefing(db, stationId, examiner);
}

export async function whoConfirmed(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<Confirmations> {
  await requireExamination(db, examinationId, viewer);
  return calibration.listConfirmations(db, examinationId, viewer.id);
}
