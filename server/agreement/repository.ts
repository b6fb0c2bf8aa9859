import type { RatedSheet } from '@kritikos/core/agreement/sheetPairs';
import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';

/** What stands between two values of a kept row, and for a value that is not there. */
const BETWEEN = '\u001f';
const NOTHING = '\u001e';

interface Row extends Omit<RatedSheet, 'categories' | 'shares'> {
  readonly stationId: string;
  readonly categories: string;
  readonly shares: string;
}

/**
 * The submitted sheets of every candidate whom several examiners marked at a station, by station:
 * candidate by candidate, first whoever marks more of the station's candidates.
 *
 * What is kept travels as text: the driver reads ten thousand such rows in a tenth of the time that
 * it takes for as many arrays.
 */
export async function ratedSheets(
  db: Database,
  stationIds: readonly string[],
  viewer: string,
): Promise<Map<string, RatedSheet[]>> {
  const { rows } = await db.raw(
    `with twice as (
       select h.station_id, h.candidate_id from sheet h join station s on s.id = h.station_id
       where h.submitted_at is not null and s.id = any(:stations) and ${readBy('s.examination_id')}
       group by h.station_id, h.candidate_id having count(*) > 1)
     select h.id, h.station_id as "stationId", c.number as candidate, a.name as examiner, h.percent,
       h.variants::text as variants,
       array_to_string(h.kept_categories, :between, :nothing) as categories,
       array_to_string(h.kept_shares, :between, :nothing) as shares
     from twice t
       join sheet h on h.station_id = t.station_id and h.candidate_id = t.candidate_id
         and h.submitted_at is not null
       join station s on s.id = h.station_id and s.checklist_version_id = h.checklist_version_id
       join candidate c on c.id = h.candidate_id
       join account a on a.id = h.examiner_id
       left join station_examiner x on x.station_id = h.station_id and x.account_id = h.examiner_id
     order by h.station_id, c.number, coalesce(x.every, 1000), a.name, h.id`,
    { stations: [...stationIds], viewer, between: BETWEEN, nothing: NOTHING },
  );
  const byStation = new Map<string, RatedSheet[]>();
  for (const { stationId, categories, shares, ...rest } of rows as Row[]) {
    const sheet = {
      ...rest,
      categories: split(categories).map((key) => (key === '' ? null : key)),
      shares: split(shares).map((share) => (share === undefined ? null : Number(share))),
    };
    const own = byStation.get(stationId);
    if (own) own.push(sheet);
    else byStation.set(stationId, [sheet]);
  }
  return byStation;
}

/** The values of a kept row; `undefined` where there is none. */
function split(row: string): (string | undefined)[] {
  return row.split(BETWEEN).map((value) => (value === NOTHING ? undefined : value));
}
