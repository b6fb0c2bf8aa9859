import type { FollowUp, SafetyOccurrence } from '@kritikos/contracts/safety';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';
import { newId } from '../http/newId.ts';

/** The safety events of an examination that stand, in the order of stations and of time. */
export async function listOccurrences(
  db: Database,
  examinationId: string,
  viewer: string,
  { candidateId }: { candidateId?: string } = {},
): Promise<SafetyOccurrence[]> {
  const { rows } = await db.raw(
    `select o.id, o.sheet_id as "sheetId", s.id as "stationId", s.position, s.title as station,
       c.id as "candidateId", c.number as "candidateNumber", a.name as examiner,
       to_char(o.stands_at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as at,
       o.remaining, o.note, o.late,
       case when f.id is not null then jsonb_build_object('laidTo', f.laid_to, 'text', f.text,
         'by', b.name, 'at', to_char(f.at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'))
       end as "followUp"
     from safety_occurrence o
       join sheet h on h.id = o.sheet_id
       join station s on s.id = h.station_id
       join candidate c on c.id = h.candidate_id
       join account a on a.id = h.examiner_id
       left join lateral (select * from safety_follow_up f where f.tap = o.id
         order by f.at desc, f.id desc limit 1) f on true
       left join account b on b.id = f.account_id
     where s.examination_id = :examinationId and ${readBy('s.examination_id')}
       and (:candidateId::uuid is null or c.id = :candidateId)
     order by s.position, o.stands_at`,
    { examinationId, viewer, candidateId: candidateId ?? null },
  );
  return rows;
}

export async function insertFollowUp(
  db: Database,
  tap: string,
  { laidTo, text }: FollowUp,
  account: string,
): Promise<void> {
  await db('safety_follow_up').insert({
    id: newId(),
    tap,
    account_id: account,
    laid_to: laidTo,
    text,
  });
}
