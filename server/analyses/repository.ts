import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';

/** A station, and in a word everything that an analysis of its submitted sheets depends on. */
export interface Basis {
  readonly stationId: string;
  readonly basis: string;
}

/**
 * The bases of all stations of an examination. A submitted sheet never changes and never goes, so
 * that how many there are tells which; beside that count who marks, under which name, and for whom.
 */
export async function stationBases(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<Basis[]> {
  const { rows } = await db.raw(
    `with people as (
       select md5(string_agg(concat(id, number), ',' order by number)) as all from candidate
       where examination_id = :examinationId),
     examiners as (
       select md5(string_agg(concat(id, name), ',' order by id)) as all from account
       where 'examiner' = any(roles))
     select s.id as "stationId", md5(concat_ws(' ', s.checklist_version_id, people.all, examiners.all,
       (select count(*) from sheet h where h.station_id = s.id and h.submitted_at is not null),
       (select nullif(count(*), 0) from sheet_reopening r join sheet h on h.id = r.sheet_id
         where h.station_id = s.id),
       (select string_agg(concat(x.account_id, x.every), ',' order by x.account_id)
         from station_examiner x where x.station_id = s.id))) as basis
     from station s cross join people cross join examiners
     where s.examination_id = :examinationId and ${readBy('s.examination_id')}`,
    { examinationId, viewer },
  );
  return rows;
}

/** What is kept of this kind on these very bases. */
export async function findKept(
  db: Database,
  kind: string,
  bases: readonly Basis[],
): Promise<{ stationId: string; result: unknown }[]> {
  const { rows } = await db.raw(
    `select k.station_id as "stationId", k.result
     from kept_analysis k join unnest(:stations::uuid[], :bases::text[]) as b(station_id, basis)
       using (station_id, basis)
     where k.kind = :kind`,
    { kind, stations: bases.map((b) => b.stationId), bases: bases.map((b) => b.basis) },
  );
  return rows;
}

export async function keep(
  db: Database,
  kind: string,
  { stationId, basis }: Basis,
  result: unknown,
): Promise<void> {
  await db('kept_analysis')
    .insert({ station_id: stationId, kind, basis, result: JSON.stringify(result) })
    .onConflict(['station_id', 'kind'])
    .merge();
}
