import type { Account } from '@kritikos/contracts/accounts';
import { storedChecklist } from '@kritikos/contracts/checklists';
import type { ExaminationRead, OpenExamination } from '@kritikos/contracts/openExamination';
import { stringify } from 'csv-stringify/sync';
import { isDeepStrictEqual } from 'node:util';
import { recordAction } from '../audit/repository.ts';
import { knownProcedures } from '../catalogue/shelf.ts';
import { thingKey } from '@kritikos/core/examinations/needs';
import { GENERATOR } from '@kritikos/core/numerics/random';
import type { Database } from '../db/database.ts';
import { keepWanted } from '../examinations/blueprint.ts';
import { importCandidates } from '../examinations/candidates.ts';
import { createExamination } from '../examinations/service.ts';
import { addStation, keepPatientReadings } from '../examinations/stations.ts';
import { proposalsFor } from '../house/repository.ts';
import { newId } from '../http/newId.ts';
import { invalid } from '../http/problems.ts';
import { insertWithChecklist, requireBankStation } from '../stations/service.ts';
import { patientIn, withPatient } from '../stations/patientOf.ts';
import type { PatientColumns } from '../stations/patientOf.ts';
import { insertPlan } from '../timetable/planRepository.ts';
import { Names } from '../timetable/question.ts';
import { keepPlaces } from '../timetable/places.ts';
import * as resources from '../timetable/resources.ts';
import { keepWish } from '../timetable/service.ts';
import { insertSlots } from '../timetable/slotRepository.ts';

const MINUTE = 60_000;

/**
 * Makes an examination out of a file that another installation wrote: all of it, or nothing. What
 * this house has already is used as it is (a student by number, a room, a simulated patient, a
 * station of the bank that says the same); what it cannot have is told: examiners without an
 * account here, and with them the timetable, which names them.
 */
export async function readOpenExamination(
  db: Database,
  file: OpenExamination,
  lead: Account,
): Promise<ExaminationRead> {
  await refuseUnknown(db, file);
  return db.transaction(async (trx) => {
    const { id } = await createExamination(trx, file.examination, lead);
    const stations = await bringStations(trx, id, file, lead);
    await keepWanted(trx, id, file.blueprint, lead);
    const candidates = await bringCandidates(trx, id, file, lead);
    const told = [
      ...(await bringExaminers(trx, id, file, candidates, lead)),
      ...(await bringPlaces(trx, id, file, stations, lead)),
    ];
    await bringPatients(trx, id, file, lead);
    if (file.wish) await keepWish(trx, id, file.wish, lead);
    const proposed = (await proposalsFor(trx, id, lead.id)).map(({ words }) => words);
    if (proposed.length > 0) {
      told.push(
        `What is the house’s was proposed to its office, and is there once that has taken it: ${proposed.join('; ')}.`,
      );
    }
    told.push(...(await bringTimetable(trx, id, file, { stations, candidates }, lead)));
    await recordAction(trx, {
      accountId: lead.id,
      action: 'examination read from a file',
      subject: id,
      detail: { stations: file.stations.length, candidates: file.candidates.length },
    });
    return { examination: id, told };
  });
}

async function refuseUnknown(db: Database, { stations }: OpenExamination): Promise<void> {
  const known = await knownProcedures(db);
  const unknown = stations.flatMap(({ checklist }, i) =>
    checklist.procedures.flatMap(({ procedure }, k) =>
      known.find(procedure)
        ? []
        : [
            {
              pointer: `/stations/${i}/checklist/procedures/${k}/procedure`,
              detail: `${procedure} is neither in the catalogue nor on the shelf. Bring it onto the shelf first.`,
            },
          ],
    ),
  );
  if (unknown.length > 0) throw invalid(unknown);
}

/** Answers with the stations' ids by position. */
async function bringStations(
  trx: Database,
  examination: string,
  file: OpenExamination,
  lead: Account,
): Promise<Map<number, string>> {
  const ordered = [...file.stations].sort((a, b) => a.position - b.position);
  for (const own of ordered) {
    const bankVersionId = (await sameInBank(trx, own)) ?? (await newInBank(trx, own, lead));
    await addStation(trx, examination, { bankVersionId }, lead);
  }
  const made = await trx('station')
    .where({ examination_id: examination })
    .orderBy('position')
    .select('id');
  const byPosition = new Map(ordered.map(({ position }, i) => [position, made[i]?.id as string]));
  for (const { position, patientReadings } of ordered) {
    const id = byPosition.get(position);
    if (id && Object.keys(patientReadings).length > 0)
      await keepPatientReadings(trx, id, { readings: patientReadings }, lead);
  }
  return byPosition;
}

type Station = OpenExamination['stations'][number];

/** A station of the bank that says the very same: it stays an anchor to the examinations that used it. */
async function sameInBank(trx: Database, own: Station): Promise<string | undefined> {
  const { rows } = await trx.raw(
    `select b.id, v.content, b.equipment, ${patientIn('b')}
     from bank_station_version b join bank_station s on s.id = b.bank_station_id
       join checklist_version v on v.id = b.checklist_version_id
     where b.title = :title and b.minutes = :minutes and s.retired_at is null order by b.created_at desc`,
    { title: own.title, minutes: own.minutes },
  );
  return rows.find(
    (row: { id: string; content: unknown; equipment: unknown } & PatientColumns) =>
      isDeepStrictEqual(row.equipment, own.equipment) &&
      isDeepStrictEqual(withPatient(row).patient, own.patient ?? null) &&
      isDeepStrictEqual(storedChecklist.parse(row.content), own.checklist),
  )?.id;
}

async function newInBank(trx: Database, own: Station, lead: Account): Promise<string> {
  const { title, patient, minutes, equipment, checklist } = own;
  const around = { title, patient, minutes, equipment, content: checklist };
  const id = await insertWithChecklist(trx, around, lead);
  return (await requireBankStation(trx, id, lead)).versionId;
}

/** Answers with the candidates' ids by number. */
async function bringCandidates(
  trx: Database,
  examination: string,
  { candidates }: OpenExamination,
  lead: Account,
): Promise<Map<number, string>> {
  if (candidates.length === 0) return new Map();
  const known = new Set(
    (
      await trx('student')
        .whereIn(
          'number',
          candidates.map(({ student }) => student),
        )
        .select('number')
    ).map(({ number }) => number),
  );
  const rows = candidates.map(({ number, name, circuit, student }) => [
    number,
    name,
    circuit,
    student,
  ]);
  await importCandidates(
    trx,
    examination,
    stringify([['number', 'name', 'circuit', 'student'], ...rows]),
    lead,
  );
  // What this house knows of a student stays as it is known here.
  for (const { student, extraTime, seatedBreaks } of candidates) {
    if (known.has(student) || (extraTime === 0 && !seatedBreaks)) continue;
    await trx('student')
      .where({ number: student })
      .update({ extra_time: extraTime, seated_breaks: seatedBreaks });
  }
  const made = await trx('candidate').where({ examination_id: examination }).select('id', 'number');
  return new Map(made.map(({ id, number }) => [number, id]));
}

async function bringExaminers(
  trx: Database,
  examination: string,
  { examiners }: OpenExamination,
  candidates: ReadonlyMap<number, string>,
  lead: Account,
): Promise<string[]> {
  const accounts = await examinersHere(trx, examiners);
  const here = examiners.flatMap(({ email, present, regions, conflicts }) => {
    const accountId = accounts.get(email.toLowerCase());
    return accountId === undefined
      ? []
      : [
          {
            accountId,
            takesPart: true,
            present,
            regions,
            conflicts: conflicts.map(({ candidate, reason }) => ({
              candidateId: candidates.get(candidate) as string,
              reason,
            })),
          },
        ];
  });
  if (here.length > 0) await resources.keepExaminers(trx, examination, { examiners: here }, lead);
  const strangers = examiners.filter(({ email }) => !accounts.has(email.toLowerCase()));
  return strangers.length === 0
    ? []
    : [
        `${strangers.map(({ name, email }) => `${name} (${email})`).join(', ')} ${strangers.length === 1 ? 'has' : 'have'} no account as an examiner here and ${strangers.length === 1 ? 'was' : 'were'} left out. An administrator can invite them.`,
      ];
}

async function examinersHere(
  trx: Database,
  examiners: OpenExamination['examiners'],
): Promise<Map<string, string>> {
  const { rows } = await trx.raw(
    `select id, lower(email) as email from account
     where lower(email) = any (:emails) and 'examiner' = any (roles) and disabled_at is null`,
    { emails: examiners.map(({ email }) => email.toLowerCase()) },
  );
  return new Map(rows.map(({ id, email }: { id: string; email: string }) => [email, id]));
}

async function bringPatients(
  trx: Database,
  examination: string,
  { simulatedPatients }: OpenExamination,
  lead: Account,
): Promise<void> {
  if (simulatedPatients.length === 0) return;
  const known = await trx('simulated_patient')
    .whereIn(
      'name',
      simulatedPatients.map(({ name }) => name),
    )
    .select('id', 'name', 'barred', 'most_in_a_row as mostInARow');
  const patients = simulatedPatients.map((own) => {
    const found = known.find(({ name }) => name === own.name);
    return {
      ...own,
      id: found?.id ?? null,
      takesPart: true,
      retired: false,
      // What somebody must not undergo is never forgotten, whichever house knows of it.
      barred: [...new Set([...(found?.barred ?? []), ...own.barred])],
      mostInARow: least(found?.mostInARow ?? null, own.mostInARow),
    };
  });
  await resources.keepPatients(trx, examination, { patients }, lead);
}

function least(a: number | null, b: number | null): number | null {
  return a === null ? b : b === null ? a : Math.min(a, b);
}

async function bringPlaces(
  trx: Database,
  examination: string,
  { rooms, places, equipment }: OpenExamination,
  stations: ReadonlyMap<number, string>,
  lead: Account,
): Promise<string[]> {
  const before = await trx('room').select('id', 'name', 'couches');
  const missing = rooms.filter(({ name }) => !before.some((room) => room.name === name));
  if (missing.length > 0) {
    const fresh = missing.map((room) => ({ id: null, ...room }));
    await resources.keepRooms(trx, examination, { rooms: fresh, removed: [] }, lead);
  }
  const here = new Map(
    (await trx('room').select('id', 'name', 'couches')).map((room) => [room.name, room]),
  );
  const placed = places.filter(({ room, couch }) => (here.get(room)?.couches ?? 0) >= couch);
  if (placed.length > 0) {
    const wanted = placed.map(({ station, circuit, room, couch }) => ({
      stationId: stations.get(station) as string,
      circuit,
      roomId: here.get(room)?.id,
      couch,
    }));
    await keepPlaces(trx, examination, { places: wanted, cleared: [] }, lead);
  }
  const counted = new Set((await trx('equipment').pluck('what')).map(thingKey));
  const fresh = equipment.filter(({ what }) => !counted.has(thingKey(what)));
  if (fresh.length > 0) await resources.keepEquipment(trx, examination, { equipment: fresh }, lead);
  const lost = places.length - placed.length;
  return lost === 0
    ? []
    : [
        `${lost} ${lost === 1 ? 'place was' : 'places were'} left out: the room of that name has fewer couches here.`,
      ];
}

/** The timetable comes as a draft, for somebody to look at and publish, where everybody in it is here. */
async function bringTimetable(
  trx: Database,
  examinationId: string,
  file: OpenExamination,
  { stations, candidates }: { stations: Map<number, string>; candidates: Map<number, string> },
  lead: Account,
): Promise<string[]> {
  const { timetable, wish } = file;
  if (!timetable || !wish) return [];
  const accounts = await examinersHere(trx, file.examiners);
  const needed = timetable.slots.flatMap(({ examiner, second }) => [examiner, second]);
  if (needed.some((email) => email !== null && !accounts.has(email.toLowerCase()))) {
    return [
      'The timetable names examiners who have no account here, so it was left out. Plan anew.',
    ];
  }
  const patients = await trx('simulated_patient').select('id', 'name');
  const here = new Set(patients.map(({ name }) => name));
  if (timetable.slots.some(({ patient }) => patient !== null && !here.has(patient))) {
    return [
      'The timetable names simulated patients who are not here, so it was left out. Plan anew.',
    ];
  }
  const id = newId();
  await insertPlan(trx, {
    id,
    examinationId,
    wish,
    follows: null,
    seed: wish.seed,
    bound: timetable.bound,
    length: timetable.length,
    unmet: [],
    precision: null,
    generator: GENERATOR,
    madeBy: lead.id,
  });
  const named = (list: Iterable<readonly [string | number, string]>) =>
    new Names([...list].map(([name, own]) => ({ id: own, name: String(name), also: own })));
  const known = {
    stations: named(stations),
    candidates: named(candidates),
    examiners: named(accounts),
    patients: named(patients.map((own) => [own.name, own.id] as const)),
  };
  const minute = (time: string) => Date.parse(time) / MINUTE;
  await insertSlots(
    trx,
    id,
    timetable.slots.map((slot) => ({
      ...slot,
      candidate: String(slot.candidate),
      station: slot.station === null ? null : String(slot.station),
      start: minute(slot.start),
      end: minute(slot.end),
      circuit: slot.circuit - 1,
      examiner: slot.examiner?.toLowerCase() ?? null,
      second: slot.second?.toLowerCase() ?? null,
    })),
    known,
  );
  return ['The timetable came as a draft: look at it, and publish it.'];
}
