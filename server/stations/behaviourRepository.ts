import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';

/** A station whose kept behaviour is older than its newest submitted sheet, or was never kept. */
export interface StaleStation {
  readonly id: string;
  readonly sheets: number;
}

export async function staleStations(db: Database, viewer: string): Promise<StaleStation[]> {
  const { rows } = await db.raw(
    `select s.id, h.sheets from station s
       cross join lateral (select count(*)::int as sheets from sheet
         where station_id = s.id and submitted_at is not null) h
       left join station_behaviour y on y.station_id = s.id
     where h.sheets > 0 and h.sheets is distinct from y.sheets and ${readBy('s.examination_id')}
     order by s.id limit 500`,
    { viewer },
  );
  return rows;
}

/** The percent and overall grade of every submitted sheet. */
export async function scoresOf(
  db: Database,
  stationId: string,
): Promise<{ candidate: string; percent: number | null; grade: number | null }[]> {
  const { rows } = await db.raw(
    `select candidate_id as candidate, percent::float8 as percent, rating as grade from sheet
     where station_id = ? and submitted_at is not null order by id`,
    [stationId],
  );
  return rows;
}

export interface KeptBehaviour {
  readonly candidates: number;
  readonly facility: number | null;
  readonly cut: number | null;
  readonly pairs: number;
  readonly agreement: number | null;
  readonly disputed: number;
}

export async function keepBehaviour(
  db: Database,
  stationId: string,
  sheets: number,
  behaviour: KeptBehaviour,
): Promise<void> {
  await db('station_behaviour')
    .insert({ station_id: stationId, sheets, ...behaviour, at: db.fn.now() })
    .onConflict('station_id')
    .merge();
}
