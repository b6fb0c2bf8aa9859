import type { Mark } from '@kritikos/core/scoring/mark';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';

export interface PairRow {
  stationId: string;
  candidateNumber: number;
  checklistVersionId: string;
  firstSheet: string;
  secondSheet: string;
  firstExaminer: string;
  secondExaminer: string;
  firstVariant: string;
  secondVariant: string;
  firstPercent: number | null;
  secondPercent: number | null;
}

/**
 * The first two submitted sheets of every candidate marked twice at a station, on one checklist
 * version. First is who marks more of the station's candidates.
 */
export async function submittedPairs(
  db: Database,
  where: { examinationId: string } | { stationId: string },
  viewer: string,
): Promise<PairRow[]> {
  const [column, value] =
    'stationId' in where ? ['s.id', where.stationId] : ['s.examination_id', where.examinationId];
  const { rows } = await db.raw(
    `with ranked as (
       select h.*, c.number, a.name as examiner,
         row_number() over (partition by h.station_id, h.candidate_id
           order by coalesce(x.every, 1000), a.name, h.id) as place
       from sheet h
         join station s on s.id = h.station_id
         join candidate c on c.id = h.candidate_id
         join account a on a.id = h.examiner_id
         left join station_examiner x on x.station_id = h.station_id and x.account_id = h.examiner_id
       where h.submitted_at is not null and ${column} = :of and ${readBy('s.examination_id')})
     select f.station_id as "stationId", f.number as "candidateNumber",
       f.checklist_version_id as "checklistVersionId",
       f.id as "firstSheet", g.id as "secondSheet", f.examiner as "firstExaminer",
       g.examiner as "secondExaminer", f.variant as "firstVariant", g.variant as "secondVariant",
       f.percent as "firstPercent", g.percent as "secondPercent"
     from ranked f join ranked g on g.station_id = f.station_id and g.candidate_id = f.candidate_id
       and g.checklist_version_id = f.checklist_version_id
     where f.place = 1 and g.place = 2
     order by f.station_id, f.number`,
    { of: value, viewer },
  );
  return rows;
}

/** The marks of these sheets, by sheet. */
export async function marksOf(
  db: Database,
  sheetIds: readonly string[],
  viewer: string,
): Promise<Map<string, Mark[]>> {
  const { rows } = await db.raw(
    `select m.* from sheet_mark m
       join sheet h on h.id = m.sheet_id
       join station s on s.id = h.station_id
     where m.sheet_id = any(:sheets::uuid[]) and ${readBy('s.examination_id')}`,
    { sheets: [...sheetIds], viewer },
  );
  const bySheet = new Map<string, Mark[]>(sheetIds.map((id) => [id, []]));
  for (const row of rows) {
    bySheet.get(row.sheet_id)?.push({
      item: row.item,
      value: row.number_value ?? row.choice_value,
      observation: row.observation,
      manner: row.manner,
      prompted: row.prompted,
      at: (row.at as Date).getTime(),
    });
  }
  return bySheet;
}
