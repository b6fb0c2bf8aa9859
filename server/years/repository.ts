import type { Database } from '../db/database.ts';
import { readBy } from '../examinations/leads.ts';

export interface HeldExamination {
  readonly id: string;
  readonly title: string;
  readonly cohort: string;
  readonly heldOn: string;
}

const HELD = `select e.id, e.title, c.name as cohort, e.held_on as "heldOn"
  from examination e join cohort c on c.id = e.cohort_id`;

/**
 * The examination and up to `most` held before it that had a station of the bank in common with it,
 * in whichever version, the newest first; of those that the viewer may read.
 */
export async function relatedSittings(
  db: Database,
  examinationId: string,
  viewer: string,
  most: number,
): Promise<HeldExamination[]> {
  const { rows } = await db.raw(
    `${HELD}
     where ${readBy('e.id')} and (e.id = :examinationId or (
       e.put_away_at is null and (e.held_on, e.id) < (select held_on, id from examination where id = :examinationId)
       and exists (select from station s join bank_station_version v on v.id = s.bank_version_id
         where s.examination_id = e.id and v.bank_station_id in (
           select w.bank_station_id from station o join bank_station_version w
             on w.id = o.bank_version_id where o.examination_id = :examinationId))))
     order by e.held_on desc, e.id desc limit :most`,
    { examinationId, viewer, most: most + 1 },
  );
  return rows;
}

/** The examinations in which a station of the bank was marked, the newest first; of those that may be read. */
export async function sittingsOf(
  db: Database,
  bankStationId: string,
  viewer: string,
  most: number,
): Promise<HeldExamination[]> {
  const { rows } = await db.raw(
    `${HELD}
     where ${readBy('e.id')} and e.put_away_at is null and exists (select from station s
       join bank_station_version v on v.id = s.bank_version_id
       where s.examination_id = e.id and v.bank_station_id = :bankStationId
         and exists (select from sheet h where h.station_id = s.id and h.submitted_at is not null))
     order by e.held_on desc, e.id desc limit :most`,
    { bankStationId, viewer, most },
  );
  return rows;
}

/** The stations of the bank that the stations of an examination were made from. */
export async function bankStationsOf(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<ReadonlyMap<string, string>> {
  const rows = await db('station as s')
    .join('bank_station_version as v', 'v.id', 's.bank_version_id')
    .where('s.examination_id', examinationId)
    .whereRaw(readBy('s.examination_id'), { viewer })
    .select('s.id', 'v.bank_station_id');
  return new Map(rows.map((row) => [row.id, row.bank_station_id]));
}

export interface AnchorPair {
  readonly stationId: string;
  readonly otherStationId: string;
}

/** The stations that two examinations asked and marked in the same words, by position. */
export async function anchorsBetween(
  db: Database,
  examinationId: string,
  otherId: string,
  viewer: string,
): Promise<AnchorPair[]> {
  const { rows } = await db.raw(
    `select a.station_id as "stationId", a.other_station_id as "otherStationId"
     from anchor a join station s on s.id = a.station_id
     where a.examination_id = :examinationId and a.other_examination_id = :otherId
       and ${readBy('a.examination_id')} order by s.position`,
    { examinationId, otherId, viewer },
  );
  return rows;
}

export interface ItemShare {
  readonly stationId: string;
  readonly itemId: string;
  readonly text: string;
  readonly follows: string | null;
  readonly position: number;
  readonly marks: number;
  readonly facility: number | null;
}

/** What each item of these stations earned on average, by the identity of the item. */
export async function itemShares(
  db: Database,
  stationIds: readonly string[],
  viewer: string,
): Promise<ItemShare[]> {
  const { rows } = await db.raw(
    `select h.station_id as "stationId", i.item_id as "itemId", t.says ->> 'text' as text, t.follows,
       min(c.position) as position, count(i.share)::integer as marks,
       avg(i.share)::float8 as facility
     from sheet h
       join station s on s.id = h.station_id
       join sheet_item i on i.sheet_id = h.id
       join item t on t.id = i.item_id
       join checklist_item c on c.version_id = h.checklist_version_id and c.item_id = i.item_id
     where h.station_id = any(:stations) and h.submitted_at is not null
       and ${readBy('s.examination_id')}
     group by h.station_id, i.item_id, t.says, t.follows
     order by position, "itemId"`,
    { stations: [...stationIds], viewer },
  );
  return rows;
}
