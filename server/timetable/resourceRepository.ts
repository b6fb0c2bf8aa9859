import type {
  ExaminerResource,
  ExaminersWanted,
  PlaceResource,
  Resources,
} from '@kritikos/contracts/timetable';
import type { Database } from '../db/database.ts';
import { ledBy, readBy } from '../examinations/leads.ts';

/** A multirange as a list of stretches, and back; SQL, so that no driver need know it. */
const stretches = (column: string) => `(select jsonb_agg(jsonb_build_object(
    'start', to_char(lower(r) at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"'),
    'end', to_char(upper(r) at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')) order by lower(r))
  from unnest(${column}) r)`;
const asRange = `(select range_agg(tstzrange((s ->> 'start')::timestamptz, (s ->> 'end')::timestamptz))
  from jsonb_array_elements(:present::jsonb) s)`;
type Present = ExaminerResource['present'];

/** A reason is told in confidence: to whoever wrote it down, and to administrators. */
const mayKnow = `coalesce(o.written_by = :viewer or exists (select from account v
  where v.id = :viewer and 'administrator' = any(v.roles)), false)`;

/**
 * The examiners of the house, with what is known of them for this examination. Until somebody is
 * chosen, those take part who stand at a station.
 */
export async function listExaminers(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<ExaminerResource[]> {
  const { rows } = await db.raw(
    `with chosen as (select count(*) as n from examination_examiner where examination_id = :examinationId)
     select a.id as "accountId", a.name, a.email,
       case when (select n from chosen) > 0 then p.account_id is not null
         else exists (select from station_examiner x join station s on s.id = x.station_id
           where s.examination_id = :examinationId and x.account_id = a.id) end as "takesPart",
       ${stretches('p.present')} as present, s.regions,
       coalesce((select jsonb_agg(jsonb_build_object('candidateId', c.id, 'number', c.number,
           'reason', case when ${mayKnow} then o.reason end, 'writtenBy', w.name,
           'own', ${mayKnow}) order by c.number)
         from conflict_of_interest o join candidate c on c.student_id = o.student_id
           left join account w on w.id = o.written_by
         where o.account_id = a.id and c.examination_id = :examinationId), '[]') as conflicts
     from account a
       left join examination_examiner p on p.account_id = a.id and p.examination_id = :examinationId
       left join examiner_scope s on s.account_id = a.id
     where 'examiner' = any (a.roles) and a.disabled_at is null and ${readBy(':examinationId')}
     order by a.name, a.email`,
    { examinationId, viewer },
  );
  return rows;
}

export async function keepExaminers(
  trx: Database,
  examinationId: string,
  { examiners }: ExaminersWanted,
  lead: string,
): Promise<void> {
  await chooseAssigned(trx, examinationId, lead);
  const accounts = examiners.map(({ accountId }) => accountId);
  await trx('examination_examiner')
    .where({ examination_id: examinationId })
    .whereIn('account_id', accounts)
    .delete();
  for (const { accountId, takesPart, present, conflicts } of examiners) {
    if (takesPart) await insertPresence(trx, 'examiner', examinationId, accountId, present);
    await keepConflicts(trx, examinationId, accountId, conflicts, lead);
  }
}

/** Whom an examiner must not mark here, as one lead says it; what another wrote down stays. */
async function keepConflicts(
  trx: Database,
  examinationId: string,
  accountId: string,
  conflicts: ExaminersWanted['examiners'][number]['conflicts'],
  lead: string,
): Promise<void> {
  const bound = { examinationId, accountId, viewer: lead };
  await trx.raw(
    `delete from conflict_of_interest o using candidate c
     where c.student_id = o.student_id and c.examination_id = :examinationId
       and o.account_id = :accountId and not c.id = any (:kept::uuid[]) and ${mayKnow}`,
    { ...bound, kept: conflicts.map(({ candidateId }) => candidateId) },
  );
  for (const { candidateId, reason } of conflicts) {
    if (reason === null) continue;
    await trx.raw(
      `insert into conflict_of_interest as o (account_id, student_id, reason, written_by)
       select :accountId, student_id, :reason, :viewer from candidate
       where id = :candidateId and examination_id = :examinationId
       on conflict (account_id, student_id) do update set reason = excluded.reason
         where ${mayKnow}`,
      { ...bound, reason, candidateId },
    );
  }
}

/** Until somebody was chosen those take part who stand at a station; from now on they are chosen. */
async function chooseAssigned(trx: Database, examinationId: string, lead: string): Promise<void> {
  await trx.raw(
    `insert into examination_examiner (examination_id, account_id)
     select distinct s.examination_id, x.account_id
     from station_examiner x join station s on s.id = x.station_id
     where s.examination_id = :examinationId and ${ledBy('s.examination_id')}
       and not exists (select from examination_examiner where examination_id = :examinationId)`,
    { examinationId, viewer: lead },
  );
}

/** These take part too, whenever there is something to examine. */
export async function addExaminers(
  trx: Database,
  examinationId: string,
  accounts: readonly string[],
  lead: string,
): Promise<void> {
  await chooseAssigned(trx, examinationId, lead);
  await trx('examination_examiner')
    .insert(accounts.map((account_id) => ({ examination_id: examinationId, account_id })))
    .onConflict()
    .ignore();
}

async function insertPresence(
  trx: Database,
  of: 'examiner' | 'patient',
  examinationId: string,
  who: string,
  present: Present,
): Promise<void> {
  const column = of === 'examiner' ? 'account_id' : 'patient_id';
  await trx.raw(
    `insert into examination_${of} (examination_id, ${column}, present)
     values (:examinationId, :who, ${present === null ? 'null' : asRange})`,
    { examinationId, who, ...(present === null ? {} : { present: JSON.stringify(present) }) },
  );
}

export interface StoredPatient {
  readonly id: string;
  readonly name: string;
  readonly takesPart: boolean;
  readonly present: Present;
  readonly barred: string[];
  readonly mostInARow: number | null;
}

export async function listPatients(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<StoredPatient[]> {
  const { rows } = await db.raw(
    `select p.id, p.name, t.patient_id is not null as "takesPart",
       ${stretches('t.present')} as present, p.barred, p.most_in_a_row as "mostInARow"
     from simulated_patient p
       left join examination_patient t on t.patient_id = p.id and t.examination_id = :examinationId
     where (p.retired_at is null or t.patient_id is not null) and ${readBy(':examinationId')}
     order by p.name`,
    { examinationId, viewer },
  );
  return rows;
}

/** Says whether a simulated patient takes part in an examination, and when they are there. */
export async function keepPatientPresence(
  trx: Database,
  examinationId: string,
  patientId: string,
  { takesPart, present }: { readonly takesPart: boolean; readonly present: Present },
): Promise<void> {
  await trx('examination_patient')
    .where({ examination_id: examinationId, patient_id: patientId })
    .delete();
  if (takesPart) await insertPresence(trx, 'patient', examinationId, patientId, present);
}

export async function listRooms(db: Database): Promise<Resources['rooms']> {
  return db('room').orderByRaw('name collate as_read').select('id', 'name', 'couches');
}

export async function listPlaces(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<PlaceResource[]> {
  return db('station_place')
    .where({ examination_id: examinationId })
    .whereRaw(readBy('station_place.examination_id'), { viewer })
    .orderBy(['circuit', 'station_id'])
    .select('station_id as stationId', 'circuit', 'room_id as roomId', 'couch');
}

export async function replacePlaces(
  trx: Database,
  examinationId: string,
  places: readonly PlaceResource[],
): Promise<void> {
  await trx('station_place').where({ examination_id: examinationId }).delete();
  if (places.length === 0) return;
  await trx('station_place').insert(
    places.map(({ stationId, circuit, roomId, couch }) => ({
      examination_id: examinationId,
      station_id: stationId,
      circuit,
      room_id: roomId,
      couch,
    })),
  );
}

export async function listEquipment(db: Database): Promise<{ what: string; pieces: number }[]> {
  return db('equipment').orderBy('what').select('what', 'pieces');
}
