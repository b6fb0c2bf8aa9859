import { DOMAINS } from '@kritikos/core/scoring/checklist';
import type { CriticalCount } from '@kritikos/core/scoring/criticalItems';
import type { StoredScore } from '../marking/repository.ts';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';
import { criticalCounts, MEAN_PERCENT } from '../standards/repository.ts';

export interface CandidateRow {
  candidateId: string;
  number: number;
  name: string;
  stations: { stationId: string; percent: number | null; critical: CriticalCount[] }[];
  /** Weight earned and possible by domain and for safety, summed over all submitted sheets. */
  sums: Record<string, { earned: number; possible: number } | undefined>;
}

const sums = [
  ...DOMAINS.map((d) => [d, `score -> 'domains' -> '${d}'`] as const),
  ['safety', `score -> 'safety'`] as const,
]
  .map(
    ([name, path]) =>
      `'${name}', jsonb_build_object('earned', sum((${path} ->> 'earned')::numeric), 'possible', sum((${path} ->> 'possible')::numeric))`,
  )
  .join(', ');

/** Candidates with their station scores and domain sums; one candidate where `candidateId` is given. */
export async function candidateRows(
  db: Database,
  examinationId: string,
  viewer: string,
  { offset, limit, candidateId }: { offset: number; limit: number; candidateId?: string },
): Promise<CandidateRow[]> {
  const { rows } = await db.raw(
    `with chosen as (
       select candidate.id, candidate.number, p.name from candidate
         join student p on p.id = candidate.student_id
       where examination_id = :examinationId and ${readBy('candidate.examination_id')}
         and (:candidateId::uuid is null or candidate.id = :candidateId)
       order by candidate.number offset :offset limit :limit),
     known as (
       select h.* from sheet h join chosen on chosen.id = h.candidate_id
       where h.submitted_at is not null),
     critical as (${criticalCounts('known')}),
     by_station as (
       select t.candidate_id, jsonb_agg(jsonb_build_object('stationId', t.station_id,
           'percent', t.percent, 'critical', coalesce(c.counts, '[]'))) as stations
       from (select station_id, candidate_id, ${MEAN_PERCENT} as percent
           from known group by station_id, candidate_id) t
         left join critical c using (station_id, candidate_id)
       group by t.candidate_id),
     summed as (
       select h.candidate_id, jsonb_build_object(${sums}) as sums
       from known h group by h.candidate_id)
     select k.id as "candidateId", k.number, k.name, coalesce(b.stations, '[]') as stations,
       coalesce(s.sums, '{}') as sums
     from chosen k
       left join by_station b on b.candidate_id = k.id
       left join summed s on s.candidate_id = k.id
     order by k.number`,
    { examinationId, viewer, candidateId: candidateId ?? null, offset, limit },
  );
  return rows;
}

export async function countCandidates(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<number> {
  const row = await db('candidate')
    .where({ examination_id: examinationId })
    .whereRaw(readBy('candidate.examination_id'), { viewer })
    .count('* as n')
    .first();
  return Number(row?.n ?? 0);
}

export interface ReportSheet {
  sheetId: string;
  stationId: string;
  examiner: string;
  percent: number | null;
  rating: number | null;
  comment: string;
  checklistVersionId: string;
  score: StoredScore;
  /** What did not earn its full weight, in the order of the checklist. */
  missed: { item: string; share: number }[];
}

export async function submittedSheets(
  db: Database,
  candidateId: string,
  viewer: string,
): Promise<ReportSheet[]> {
  return db('sheet as h')
    .join('account as a', 'a.id', 'h.examiner_id')
    .join('station as s', 's.id', 'h.station_id')
    .whereRaw(readBy('s.examination_id'), { viewer })
    .where('h.candidate_id', candidateId)
    .whereNotNull('h.submitted_at')
    .orderBy('a.name')
    .select(
      'h.id as sheetId',
      'h.station_id as stationId',
      'a.name as examiner',
      'h.percent',
      'h.rating',
      'h.comment',
      'h.checklist_version_id as checklistVersionId',
      'h.score',
      db.raw(`coalesce((
        select jsonb_agg(jsonb_build_object('item', i.item, 'share', i.share) order by c.position)
        from sheet_item i join checklist_item c
          on c.version_id = h.checklist_version_id and c.key = i.item
        where i.sheet_id = h.id and i.share < 1), '[]') as missed`),
    );
}
