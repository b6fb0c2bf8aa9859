import { thingKey } from '@kritikos/core/examinations/needs';
import type { Account } from '@kritikos/contracts/accounts';
import {
  EXAMINATION_FORMAT,
  EXAMINATION_VERSION,
  openExamination,
} from '@kritikos/contracts/openExamination';
import type { OpenExamination } from '@kritikos/contracts/openExamination';
import type { PlanSummary } from '@kritikos/contracts/timetable';
import { inSnapshot } from '../db/database.ts';
import type { Database } from '../db/database.ts';
import { readBlueprint } from '../examinations/blueprint.ts';
import { readBy } from '../examinations/leads.ts';
import { requireExamination } from '../examinations/service.ts';
import { findWish, listPlans } from '../timetable/planRepository.ts';
import { listPlaces, listRooms } from '../timetable/resourceRepository.ts';
import { readResources } from '../timetable/resources.ts';
import { openPlan } from '../timetable/service.ts';

const MINUTE = 60_000;
const IN_CONFIDENCE = 'told in confidence';

/** The whole examination, as it is prepared at this moment, in the open format. */
export async function writeOpenExamination(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<OpenExamination> {
  return inSnapshot(db, async (trx) => {
    const { title, school, cohort, heldOn, zone } = await requireExamination(
      trx,
      examinationId,
      viewer,
    );
    const { wanted, stations } = await readBlueprint(trx, examinationId, viewer);
    const resources = await readResources(trx, examinationId, viewer);
    const positions = new Map(stations.map(({ id, position }) => [id, position]));
    const rooms = new Map((await listRooms(trx)).map((room) => [room.id, room]));
    const places = await listPlaces(trx, examinationId, viewer.id);
    const usedRooms = new Set(places.map(({ roomId }) => roomId));
    const needed = new Set(stations.flatMap(({ equipment }) => equipment.map(thingKey)));
    const plans = await listPlans(trx, examinationId, viewer.id);
    const held = plans.find(({ state }) => state === 'published') ?? plans[0];
    const contents = await contentsOf(trx, examinationId, viewer.id);
    const candidates = await candidatesOf(trx, examinationId, viewer.id);
    const expected = new Set(candidates.map(({ number }) => number));
    const timetable = held
      ? await timetableOf(trx, examinationId, viewer, { positions, expected, held })
      : null;
    // Whoever is named in a plan is in the file, also where they do not take part any more.
    const named = new Set(
      (timetable?.slots ?? []).flatMap(({ examiner, second, patient }) => [
        ...(examiner === null ? [] : [`examiner ${examiner}`]),
        ...(second === null ? [] : [`examiner ${second}`]),
        ...(patient === null ? [] : [`patient ${patient}`]),
      ]),
    );
    return openExamination.parse({
      format: EXAMINATION_FORMAT,
      version: EXAMINATION_VERSION,
      examination: { title, school, cohort, heldOn, zone },
      blueprint: wanted,
      stations: stations.map((own) => ({
        position: own.position,
        title: own.title,
        minutes: own.minutes,
        equipment: own.equipment,
        patient: own.patient,
        checklist: contents.get(own.id)?.content,
        patientReadings: contents.get(own.id)?.readings ?? {},
      })),
      candidates,
      examiners: resources.examiners
        .filter(({ takesPart, email }) => takesPart || named.has(`examiner ${email}`))
        .map(({ email, name, present, regions, conflicts }) => ({
          email,
          name,
          present,
          regions,
          conflicts: conflicts
            .filter(({ number }) => expected.has(number))
            // A reason that was told in confidence stays in the house.
            .map((own) => ({ candidate: own.number, reason: own.reason ?? IN_CONFIDENCE })),
        })),
      simulatedPatients: resources.patients
        .filter(({ takesPart, name }) => takesPart || named.has(`patient ${name}`))
        .map(({ name, present, barred, mostInARow }) => ({ name, present, barred, mostInARow })),
      rooms: [...rooms.values()]
        .filter(({ id }) => usedRooms.has(id))
        .map(({ name, couches }) => ({ name, couches })),
      places: places.flatMap(({ stationId, circuit, roomId, couch }) => {
        const station = positions.get(stationId);
        const room = rooms.get(roomId)?.name;
        return station === undefined || room === undefined
          ? []
          : [{ station, circuit, room, couch }];
      }),
      equipment: resources.equipment.flatMap(({ what, pieces }) =>
        pieces !== null && needed.has(thingKey(what)) ? [{ what, pieces }] : [],
      ),
      wish: (await findWish(trx, examinationId, viewer.id)) ?? held?.wish ?? null,
      timetable,
    });
  });
}

async function timetableOf(
  db: Database,
  examinationId: string,
  viewer: Account,
  {
    positions,
    expected,
    held,
  }: {
    readonly positions: ReadonlyMap<string, number>;
    readonly expected: ReadonlySet<number>;
    readonly held: PlanSummary;
  },
) {
  const { known, slots } = await openPlan(db, examinationId, held.id, viewer);
  const emails = new Map(
    (await db('account').select('id', 'email')).map(({ id, email }) => [id, email]),
  );
  const emailOf = (name: string | null) =>
    name === null ? null : (emails.get(known.examiners.idOf(name)) ?? null);
  const at = (minute: number) => new Date(Math.round(minute * MINUTE)).toISOString();
  return {
    bound: held.bound,
    length: held.length,
    slots: slots
      .map((slot) => ({
        candidate: Number(slot.candidate.replace(/^candidate /, '')),
        start: at(slot.start),
        end: at(slot.end),
        day: slot.day,
        circuit: slot.circuit + 1,
        wave: slot.wave,
        station:
          slot.station === null ? null : (positions.get(known.stations.idOf(slot.station)) ?? null),
        examiner: emailOf(slot.examiner),
        second: emailOf(slot.second),
        patient: slot.patient,
      }))
      // Who is absent or has withdrawn is not in the file, and neither is their time.
      .filter(({ candidate }) => expected.has(candidate))
      // Nobody is at two places at once: the same plan gives the same file.
      .sort((a, b) => a.start.localeCompare(b.start) || a.candidate - b.candidate),
  };
}

async function contentsOf(db: Database, examinationId: string, viewer: string) {
  const { rows } = await db.raw(
    `select s.id, v.content, s.patient_readings as readings
     from station s join checklist_version v on v.id = s.checklist_version_id
     where s.examination_id = :examinationId and ${readBy('s.examination_id')}`,
    { examinationId, viewer },
  );
  return new Map<string, { content: unknown; readings: unknown }>(
    rows.map((row: { id: string; content: unknown; readings: unknown }) => [row.id, row]),
  );
}

async function candidatesOf(
  db: Database,
  examinationId: string,
  viewer: string,
): Promise<OpenExamination['candidates']> {
  const { rows } = await db.raw(
    `select c.number, p.name, p.number as student, c.circuit, p.extra_time as "extraTime",
       p.seated_breaks as "seatedBreaks"
     from candidate c join student p on p.id = c.student_id
     where c.examination_id = :examinationId and c.state = 'expected'
       and ${readBy('c.examination_id')} order by c.number`,
    { examinationId, viewer },
  );
  return rows;
}
