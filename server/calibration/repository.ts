import type { Confirmations } from '@kritikos/contracts/calibration';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';

/** The briefing of a station, for its examiners and for whoever may read the examination. */
export async function findBriefing(
  db: Database,
  stationId: string,
  accountId: string,
): Promise<
  | {
      title: string;
      minutes: number;
      checklistVersionId: string;
      confirmedAt: Date | null;
    }
  | undefined
> {
  const { rows } = await db.raw(
    `select s.title, s.minutes, s.checklist_version_id as "checklistVersionId",
       b.confirmed_at as "confirmedAt"
     from station s
       left join station_examiner x on x.station_id = s.id and x.account_id = :accountId
       left join briefing_confirmation b on b.station_id = s.id and b.account_id = :accountId
         and b.checklist_version_id = s.checklist_version_id
     where s.id = :stationId and (x.account_id is not null or ${readBy('s.examination_id')})`,
    { stationId, accountId, viewer: accountId },
  );
  return rows[0];
}

export async function insertConfirmation(
  db: Database,
  stationId: string,
  accountId: string,
  versionId: string,
): Promise<void> {
  await db('briefing_confirmation')
    .insert({ station_id: stationId, account_id: accountId, checklist_version_id: versionId })
    .onConflict(['station_id', 'account_id', 'checklist_version_id'])
    .ignore();
}

export async function listConfirmations(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<Confirmations> {
  const { rows } = await db.raw(
    `select s.id as "stationId", s.position, s.title as station, a.id as "examinerId",
       a.name as examiner, b.confirmed_at as "confirmedAt"
     from station s
       join station_examiner x on x.station_id = s.id
       join account a on a.id = x.account_id
       left join briefing_confirmation b on b.station_id = s.id and b.account_id = a.id
         and b.checklist_version_id = s.checklist_version_id
     where s.examination_id = :examinationId and ${readBy('s.examination_id')}
     order by s.position, x.every, a.name`,
    { examinationId, viewer },
  );
  return rows.map((row: { confirmedAt: Date | null }) => ({
    ...row,
    confirmedAt: row.confirmedAt?.toISOString() ?? null,
  }));
}
