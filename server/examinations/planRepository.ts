import type { Database } from '../db/database.ts';

export interface PlannedSheet {
  readonly id: string;
  readonly station_id: string;
  readonly candidate_id: string;
  readonly examiner_id: string;
  readonly checklist_version_id: string;
  /** The variant of each procedure that is expected, as JSON. */
  readonly variants: string;
}

/** Removes the sheets without a tap that the plan no longer wants, and says how many. */
export async function removeUnplannedSheets(
  db: Database,
  examinationId: string,
  wanted: readonly PlannedSheet[],
): Promise<number> {
  const { rowCount } = await db.raw(
    `delete from sheet h using station s
     where s.id = h.station_id and s.examination_id = :examinationId and h.started_at is null
       and not exists (select from mark_event e where e.sheet_id = h.id)
       and not exists (
         select from unnest(:stations::uuid[], :candidates::uuid[], :examiners::uuid[])
           as w(station_id, candidate_id, examiner_id)
         where (w.station_id, w.candidate_id, w.examiner_id)
           = (h.station_id, h.candidate_id, h.examiner_id))`,
    {
      examinationId,
      stations: wanted.map((w) => w.station_id),
      candidates: wanted.map((w) => w.candidate_id),
      examiners: wanted.map((w) => w.examiner_id),
    },
  );
  return rowCount;
}

/** Adds the planned sheets that are not there yet, and says how many. */
export async function insertPlannedSheets(
  db: Database,
  sheets: readonly PlannedSheet[],
): Promise<number> {
  let added = 0;
  for (let from = 0; from < sheets.length; from += 1000) {
    const made = await db('sheet')
      .insert(sheets.slice(from, from + 1000))
      .onConflict(['station_id', 'candidate_id', 'examiner_id'])
      .ignore()
      .returning('id');
    added += made.length;
  }
  return added;
}

/** How many sheets there are, and how many candidates are marked twice at a station. */
export async function countPlanned(
  db: Database,
  examinationId: string,
): Promise<{ sheets: number; doubleMarked: number }> {
  const { rows } = await db.raw(
    `select coalesce(sum(n), 0) as sheets, count(*) filter (where n > 1) as "doubleMarked"
     from (select count(*) as n from sheet h join station s on s.id = h.station_id
       where s.examination_id = ? group by h.station_id, h.candidate_id) pair`,
    [examinationId],
  );
  return rows[0];
}
