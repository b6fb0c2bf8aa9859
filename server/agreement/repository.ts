import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';
import { BETWEEN, NOTHING } from './keptSheet.ts';
import type { KeptSheet, NumberRead, ScoreLine } from './keptSheet.ts';

/** Examiners by name; where two share one, with their addresses. */
const NAMED = `named as (
  select id, case when count(*) over (partition by name) > 1 then name || ' (' || email || ')'
    else name end as name
  from account)`;

/**
 * The submitted sheets of every candidate whom several examiners marked at a station, candidate by
 * candidate, first whoever marks more of the station's candidates.
 *
 * What is kept travels as text: the driver reads ten thousand such rows in a tenth of the time that
 * it takes for as many arrays.
 */
export async function ratedSheets(
  db: Database,
  stationId: string,
  viewer: string,
): Promise<KeptSheet[]> {
  const { rows } = await db.raw(
    `with twice as (
       select h.station_id, h.candidate_id from sheet h join station s on s.id = h.station_id
       where h.submitted_at is not null and s.id = :stationId and ${readBy('s.examination_id')}
       group by h.station_id, h.candidate_id having count(*) > 1),
     ${NAMED}
     select h.id, c.number as candidate, a.name as examiner, h.percent,
       h.variants::text as variants,
       array_to_string(h.kept_categories, :between, :nothing) as categories,
       array_to_string(h.kept_shares, :between, :nothing) as shares
     from twice t
       join sheet h on h.station_id = t.station_id and h.candidate_id = t.candidate_id
         and h.submitted_at is not null
       join station s on s.id = h.station_id and s.checklist_version_id = h.checklist_version_id
       join candidate c on c.id = h.candidate_id
       join named a on a.id = h.examiner_id
       left join station_examiner x on x.station_id = h.station_id and x.account_id = h.examiner_id
     order by c.number, coalesce(x.every, 1000), a.name, h.id`,
    { stationId, viewer, between: BETWEEN, nothing: NOTHING },
  );
  return rows;
}

/** The numbers that were read on these sheets for these items, in the attempt that counted. */
export async function numbersRead(
  db: Database,
  sheets: readonly string[],
  places: ReadonlyMap<string, number>,
): Promise<NumberRead[]> {
  if (places.size === 0 || sheets.length === 0) return [];
  const { rows } = await db.raw(
    `select distinct on (m.sheet_id, m.item) m.sheet_id as sheet, m.item, m.number_value as value
     from sheet_mark m join sheet h on h.id = m.sheet_id
     where m.sheet_id = any(:sheets) and m.item = any(:items)
       and m.attempt <= coalesce((h.score ->> 'attempt')::int, m.attempt)
     order by m.sheet_id, m.item, m.attempt desc`,
    { sheets: [...sheets], items: [...places.keys()] },
  );
  return rows.flatMap(({ sheet, item, value }: { sheet: string; item: string; value: unknown }) =>
    value === null ? [] : [{ sheet, place: places.get(item) ?? -1, value: Number(value) }],
  );
}

/** The scores of every scorable sheet, a line an examiner at a station (by its place). */
export async function scoreLines(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<ScoreLine[]> {
  const { rows } = await db.raw(
    `with placed as (
       select id, row_number() over (order by position) - 1 as place from station s
       where s.examination_id = :examinationId and ${readBy('s.examination_id')}),
     ${NAMED}
     select p.place as station, a.name as examiner,
       string_agg(concat(c.number, ',', h.percent), ' ' order by c.number, h.id) as scores
     from placed p join sheet h on h.station_id = p.id
       join candidate c on c.id = h.candidate_id join named a on a.id = h.examiner_id
     where h.submitted_at is not null and h.percent is not null
     group by p.place, a.name order by p.place, a.name`,
    { examinationId, viewer },
  );
  return rows;
}

/** How many performances are planned to be marked by two examiners or more. */
export async function countPlannedTwice(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<number> {
  const { rows } = await db.raw(
    `select count(*) as n from (
       select from sheet h
       where h.station_id = any(array(select s.id from station s
         where s.examination_id = :examinationId and ${readBy('s.examination_id')}))
       group by h.station_id, h.candidate_id having count(*) > 1) twice`,
    { examinationId, viewer },
  );
  return rows[0].n;
}
