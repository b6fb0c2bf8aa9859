import type {
  EquipmentWanted,
  ExaminerResource,
  ExaminersWanted,
  PatientsWanted,
  PlaceResource,
  Resources,
  RoomsWanted,
} from '@kritikos/contracts/timetable';
import type { Database } from '../db/database.ts';
import { ledBy, readBy } from '../examinations/leads.ts';
import { newId } from '../http/newId.ts';

/** A multirange as a list of stretches, and back; SQL, so that no driver need know it. */
const stretches = (column: string) => `(select jsonb_agg(jsonb_build_object(
    'start', to_char(lower(r) at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"'),
    'end', to_char(upper(r) at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"')) order by lower(r))
  from unnest(${column}) r)`;
const asRange = `(select range_agg(tstzrange((s ->> 'start')::timestamptz, (s ->> 'end')::timestamptz))
  from jsonb_array_elements(:present::jsonb) s)`;
type Present = ExaminerResource['present'];

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
           'reason', o.reason) order by c.number)
         from conflict_of_interest o join candidate c on c.student_id = o.student_id
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
  await trx.raw(
    `delete from conflict_of_interest o using candidate c
     where c.student_id = o.student_id and c.examination_id = :examinationId
       and o.account_id = any (:accounts::uuid[])`,
    { examinationId, accounts },
  );
  for (const { accountId, takesPart, present, regions, conflicts } of examiners) {
    if (takesPart) await insertPresence(trx, 'examiner', examinationId, accountId, present);
    if (regions === null) await trx('examiner_scope').where({ account_id: accountId }).delete();
    else
      await trx('examiner_scope')
        .insert({ account_id: accountId, regions })
        .onConflict('account_id')
        .merge();
    for (const { candidateId, reason } of conflicts) {
      await trx.raw(
        `insert into conflict_of_interest (account_id, student_id, reason)
         select :accountId, student_id, :reason from candidate
         where id = :candidateId and examination_id = :examinationId
         on conflict (account_id, student_id) do update set reason = excluded.reason`,
        { accountId, reason, candidateId, examinationId },
      );
    }
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

export async function keepPatients(
  trx: Database,
  examinationId: string,
  { patients }: PatientsWanted,
): Promise<void> {
  const held = patients.flatMap(({ id }) => (id === null ? [] : [id]));
  // A name may go from one to another in one change.
  await trx('simulated_patient')
    .whereIn('id', held)
    .update({ name: trx.raw("'(' || id || ')'") });
  for (const { id, name, takesPart, present, barred, mostInARow, retired } of patients) {
    const retiredAt = retired ? trx.fn.now() : null;
    const row = { name, barred, most_in_a_row: mostInARow, retired_at: retiredAt };
    const [kept] = id
      ? await trx('simulated_patient').where({ id }).update(row).returning('id')
      : await trx('simulated_patient')
          .insert({ id: newId(), ...row })
          .onConflict('name')
          .merge(['barred', 'most_in_a_row', 'retired_at'])
          .returning('id');
    if (!kept) continue;
    await trx('examination_patient')
      .where({ examination_id: examinationId, patient_id: kept.id })
      .delete();
    if (takesPart && !retired)
      await insertPresence(trx, 'patient', examinationId, kept.id, present);
  }
}

export async function listRooms(db: Database): Promise<Resources['rooms']> {
  return db('room').orderByRaw('name collate as_read').select('id', 'name', 'couches');
}

export async function keepRooms(trx: Database, { rooms, removed }: RoomsWanted): Promise<void> {
  for (const { id, name, couches } of rooms) {
    if (id) await trx('room').where({ id }).update({ name, couches });
    else
      await trx('room')
        .insert({ id: newId(), name, couches })
        .onConflict('name')
        .merge(['couches']);
  }
  await trx('room').whereIn('id', removed).delete();
}

/**
 * Rooms in which stations stand, each with its last couch that is taken; by what, where the viewer may
 * know that.
 */
export async function roomsInUse(
  db: Database,
  viewer: string,
): Promise<{ roomId: string; name: string; couch: number; where: string | null }[]> {
  const { rows } = await db.raw(
    `select distinct on (r.id) r.id as "roomId", r.name, p.couch,
       case when ${readBy('e.id')} then format('“%s” of “%s”', s.title, e.title) end as "where"
     from station_place p join room r on r.id = p.room_id join station s on s.id = p.station_id
       join examination e on e.id = p.examination_id
     order by r.id, p.couch desc`,
    { viewer },
  );
  return rows;
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

export async function keepEquipment(trx: Database, { equipment }: EquipmentWanted): Promise<void> {
  for (const { what, pieces } of equipment) {
    if (pieces === null) await trx('equipment').where({ what }).delete();
    else await trx('equipment').insert({ what, pieces }).onConflict('what').merge();
  }
}
