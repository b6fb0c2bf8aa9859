import type { Station } from '@kritikos/contracts/examinations';
import type { SeenVariants } from '@kritikos/core/scoring/checklist';
import type { Database } from '../db/database.ts';
import { readBy } from './leads.ts';

export async function listStations(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<Station[]> {
  const { rows } = await db.raw(
    `select s.id, s.position, s.title, s.minutes, s.bank_version_id as "bankVersionId",
       v.id as "checklistVersionId", c.procedure_id as "procedureId", c.title as "procedureTitle", c.region, v.version,
       jsonb_array_length(v.content -> 'items') as items, v.frozen_at as "frozenAt",
       coalesce((select jsonb_agg(jsonb_build_object('accountId', a.id, 'name', a.name, 'every', x.every,
             'circuit', x.circuit, 'sheets', (select count(*) from sheet h
               where h.station_id = s.id and h.examiner_id = a.id)) order by x.every, x.circuit, a.name)
         from station_examiner x join account a on a.id = x.account_id
         where x.station_id = s.id), '[]') as examiners,
       s.patient_readings as "patientReadings",
       (select jsonb_build_object('versionId', o.id, 'version', o.version)
         from checklist_version o join examination e on e.id = s.examination_id
         where o.checklist_id = c.id and o.origin <> 'school' and o.version > v.version
           and e.marking_opened_at is null
         order by o.version desc limit 1) as offered,
       coalesce((select jsonb_agg(jsonb_build_object('item', i ->> 'key', 'text', i ->> 'text',
           'unit', i ->> 'unit', 'derived', case when i -> 'lower' = i -> 'upper' then i ->> 'lower'
             else (i ->> 'lower') || ' to ' || (i ->> 'upper') end))
         from jsonb_array_elements(v.content -> 'items') i
         where i ->> 'kind' = 'measured' and i ->> 'domain' <> 'positioning'), '[]') as readable
     from station s
       join checklist_version v on v.id = s.checklist_version_id
       join checklist c on c.id = v.checklist_id
     where s.examination_id = :examinationId and ${readBy('s.examination_id')}
     order by s.position`,
    { examinationId, viewer },
  );
  return rows.map((row: Station & { frozenAt: Date | null }) => ({
    ...row,
    frozenAt: row.frozenAt?.toISOString() ?? null,
  }));
}

export interface FoundStation {
  readonly id: string;
  readonly examinationId: string;
  readonly position: number;
  readonly title: string;
  readonly checklistVersionId: string;
}

export async function findStation(
  db: Database,
  id: string,
  viewer: string,
): Promise<FoundStation | undefined> {
  return db('station')
    .where({ id })
    .whereRaw(readBy('station.examination_id'), { viewer })
    .first('id', 'examination_id as examinationId', 'position', 'title')
    .select('checklist_version_id as checklistVersionId');
}

/** Adds a station at a place where there is room, or at the end. */
export async function insertStation(
  db: Database,
  station: {
    id: string;
    examinationId: string;
    title: string;
    minutes: number;
    checklistVersionId: string;
    bankVersionId: string;
    position?: number;
  },
): Promise<void> {
  await db.raw(
    `insert into station (id, examination_id, position, title, minutes, checklist_version_id,
       bank_version_id)
     select ?, ?, coalesce(?::int, max(position) + 1, 1), ?, ?, ?, ? from station
     where examination_id = ?`,
    [
      station.id,
      station.examinationId,
      station.position ?? null,
      station.title,
      station.minutes,
      station.checklistVersionId,
      station.bankVersionId,
      station.examinationId,
    ],
  );
}

export async function keepReadings(
  db: Database,
  stationId: string,
  readings: Readonly<Record<string, number>>,
): Promise<void> {
  await db('station')
    .where({ id: stationId })
    .update({ patient_readings: JSON.stringify(readings) });
}

/** Holds the sheets of a station while this transaction changes what they are scored by. */
export async function holdSheets(trx: Database, stationId: string): Promise<void> {
  await trx.raw('select hold_sheets(?)', [stationId]);
}

export async function countSubmittedSheets(db: Database, stationId: string): Promise<number> {
  const row = await db('sheet')
    .where({ station_id: stationId })
    .whereNotNull('submitted_at')
    .count('* as n')
    .first();
  return Number(row?.n ?? 0);
}

/** The checklist that a station is marked on, whichever its version. */
export async function checklistOf(db: Database, stationId: string): Promise<string> {
  const row = await db('station as s')
    .join('checklist_version as v', 'v.id', 's.checklist_version_id')
    .where('s.id', stationId)
    .first('v.checklist_id');
  return row.checklist_id;
}

export async function useVersion(
  db: Database,
  stationId: string,
  versionId: string,
  variants: SeenVariants,
): Promise<void> {
  await db.raw('select use_version(:stationId, :versionId, :variants)', {
    stationId,
    versionId,
    variants: JSON.stringify(variants),
  });
}

export async function replaceStationExaminers(
  db: Database,
  stationId: string,
  examiners: readonly { accountId: string; every: number; circuit: string | null }[],
): Promise<void> {
  await db('station_examiner').where({ station_id: stationId }).delete();
  if (examiners.length === 0) return;
  await db('station_examiner').insert(
    examiners.map(({ accountId, every, circuit }) => ({
      station_id: stationId,
      account_id: accountId,
      every,
      circuit,
    })),
  );
}
