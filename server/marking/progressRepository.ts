import type { MarkingProgress } from '@kritikos/contracts/marking';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';

export async function progressRows(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<MarkingProgress['stations']> {
  const { rows } = await db.raw(
    `select s.id as "stationId", s.position, s.title,
       coalesce(jsonb_agg(jsonb_build_object('examinerId', p.id, 'name', p.name, 'planned', p.planned,
         'started', p.started, 'submitted', p.submitted) order by p.planned desc, p.name)
         filter (where p.id is not null), '[]') as examiners
     from station s left join (
       select n.station_id, a.id, a.name, n.planned, n.started, n.submitted
       from (
         select h.station_id, h.examiner_id, count(*) as planned, count(h.started_at) as started,
           count(h.submitted_at) as submitted
         from sheet h join station o on o.id = h.station_id
         where o.examination_id = :examinationId group by h.station_id, h.examiner_id) n
         join account a on a.id = n.examiner_id) p on p.station_id = s.id
     where s.examination_id = :examinationId and ${readBy('s.examination_id')}
     group by s.id order by s.position`,
    { examinationId, viewer },
  );
  return rows;
}

export async function attentionRows(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<MarkingProgress['attention']> {
  const { rows } = await db.raw(
    `with late as (
       select m.sheet_id, count(*) as late, bool_or(m.body ->> 'type' = 'safety') as safety
       from mark_event m where m.late is not null group by m.sheet_id)
     select h.id as "sheetId", s.title as station, c.number as "candidateNumber", a.name as examiner,
       concat_ws('; ',
         case when h.safety_events > 0 then 'safety event' end,
         case when h.submitted_at is not null and h.missing_marks > 0
           then h.missing_marks || case h.missing_marks when 1 then ' mark' else ' marks' end
             || ' missing' end,
         case when h.submitted_at is not null and h.percent is null then 'not scorable' end,
         case when h.submitted_at is null and r.sheet_id is not null
           then 'reopened and not submitted again' end,
         case when h.submitted_at is null and h.started_at < now() - interval '30 minutes'
           then 'started and not submitted' end,
         case when l.late > 0
           then l.late || case l.late when 1 then ' late tap' else ' late taps' end end,
         case when l.safety then 'a safety event came late' end) as reason
     from sheet h
       join station s on s.id = h.station_id
       join candidate c on c.id = h.candidate_id
       join account a on a.id = h.examiner_id
       left join late l on l.sheet_id = h.id
       left join (select distinct sheet_id from sheet_reopening) r on r.sheet_id = h.id
     where s.examination_id = :examinationId and ${readBy('s.examination_id')}
       and (h.safety_events > 0 or l.late > 0
         or (h.submitted_at is null and r.sheet_id is not null)
         or (h.submitted_at is not null and (h.missing_marks > 0 or h.percent is null))
         or (h.submitted_at is null and h.started_at < now() - interval '30 minutes'))
     order by s.position, c.number limit 200`,
    { examinationId, viewer },
  );
  return rows;
}
