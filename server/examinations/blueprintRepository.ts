import type { Blueprint, BlueprintStationRead, WantedByRows } from '@kritikos/contracts/blueprint';
import type { Database } from '../db/database.ts';
import { patientIn, withPatient } from '../stations/patientOf.ts';
import type { PatientColumns } from '../stations/patientOf.ts';
import { readBy } from './leads.ts';

const NOTHING_WANTED: WantedByRows = { region: {}, kind: {}, structure: {} };

export async function findWanted(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<WantedByRows> {
  const row = await db('blueprint')
    .where({ examination_id: examinationId })
    .whereRaw(readBy('blueprint.examination_id'), { viewer })
    .first('wanted');
  return { ...NOTHING_WANTED, ...row?.wanted };
}

export async function keepWanted(
  trx: Database,
  examinationId: string,
  wanted: WantedByRows,
  by: string,
): Promise<void> {
  const row = { wanted: JSON.stringify(wanted), updated_by: by, updated_at: trx.fn.now() };
  await trx('blueprint')
    .insert({ examination_id: examinationId, ...row })
    .onConflict('examination_id')
    .merge();
}

type Row = Omit<BlueprintStationRead, 'patient'> & PatientColumns;

/** The stations with what a blueprint weighs, and what the bank has of them by now. */
export async function weighedStations(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<BlueprintStationRead[]> {
  const { rows } = await db.raw(
    `select s.id, s.position, s.title, s.minutes, b.procedures, ${patientIn('b')},
       b.equipment, b.bank_station_id as "bankStationId", b.version as "bankVersion",
       c.title as "checklistTitle",
       case when n.version > b.version
         then jsonb_build_object('versionId', n.id, 'version', n.version) end as newest,
       a.retired_at is not null as retired,
       (select jsonb_agg(jsonb_strip_nulls(jsonb_build_object('key', i -> 'key', 'text', i -> 'text',
           'domain', i -> 'domain', 'weight', i -> 'weight', 'safety', i -> 'safety',
           'procedure', i -> 'procedure')) order by o)
         from jsonb_array_elements(v.content -> 'items') with ordinality e(i, o)) as items
     from station s
       join bank_station_version b on b.id = s.bank_version_id
       join bank_station a on a.id = b.bank_station_id
       join checklist_version v on v.id = s.checklist_version_id
       join checklist c on c.id = v.checklist_id
       cross join lateral (select id, version from bank_station_version
         where bank_station_id = a.id order by version desc limit 1) n
     where s.examination_id = :examinationId and ${readBy('s.examination_id')}
     order by s.position`,
    { examinationId, viewer },
  );
  return rows.map((row: Row) => withPatient(row));
}

export async function findFollowed(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<Blueprint['follows']> {
  const row = await db('examination as e')
    .join('examination as b', 'b.id', 'e.follows')
    .where('e.id', examinationId)
    .whereRaw(readBy('b.id'), { viewer })
    .first('b.id', 'b.title', db.raw('b.held_on::text as "heldOn"'));
  return row ?? null;
}

/** Puts the stations in this order; a statement sees all of them in their new places at its end. */
export async function orderStations(
  trx: Database,
  examinationId: string,
  stations: readonly string[],
): Promise<void> {
  await trx.raw('set constraints station_stands_alone deferred');
  await trx.raw(
    `update station s set position = w.position
     from unnest(?::uuid[]) with ordinality w(id, position)
     where s.id = w.id and s.examination_id = ?`,
    [[...stations], examinationId],
  );
}

/** Takes a station out, and the sheets that were only planned there; the others close up. */
export async function removeStation(
  trx: Database,
  { id, examinationId, position }: { id: string; examinationId: string; position: number },
): Promise<void> {
  for (const table of ['sheet', 'station_examiner', 'briefing_confirmation', 'kept_analysis']) {
    await trx(table).where({ station_id: id }).delete();
  }
  await trx('station').where({ id }).delete();
  await trx.raw('set constraints station_stands_alone deferred');
  await trx.raw(
    'update station set position = position - 1 where examination_id = ? and position > ?',
    [examinationId, position],
  );
}

/** Makes room at a place among the stations. */
export async function makeRoom(
  trx: Database,
  examinationId: string,
  position: number,
): Promise<void> {
  await trx.raw('set constraints station_stands_alone deferred');
  await trx.raw(
    'update station set position = position + 1 where examination_id = ? and position >= ?',
    [examinationId, position],
  );
}

export async function tappedSheets(db: Database, stationId: string): Promise<number> {
  const { rows } = await db.raw(
    `select count(*)::int as n from sheet h
     where h.station_id = ? and exists (select from mark_event e where e.sheet_id = h.id)`,
    [stationId],
  );
  return rows[0].n;
}

/** What an examination takes over from the one that it follows, beside its stations. */
export async function takeOverRules(trx: Database, from: string, to: string): Promise<void> {
  await trx.raw(
    `update examination e set follows = b.id, warning_seconds = b.warning_seconds
     from examination b where e.id = ? and b.id = ?`,
    [to, from],
  );
  await trx.raw(
    `insert into blueprint (examination_id, wanted, updated_by)
     select ?, wanted, updated_by from blueprint where examination_id = ?`,
    [to, from],
  );
  await trx.raw(
    `insert into standard_draft (examination_id, settings)
     select ?, settings from standard_draft where examination_id = ?`,
    [to, from],
  );
}
