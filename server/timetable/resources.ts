import type { Account } from '@kritikos/contracts/accounts';
import type {
  EquipmentWanted,
  ExaminerResource,
  ExaminersWanted,
  PatientsWanted,
  Resources,
  RoomsWanted,
} from '@kritikos/contracts/timetable';
import { needsOf, thingKey } from '@kritikos/core/examinations/needs';
import { recordAction } from '../audit/repository.ts';
import type { Database } from '../db/database.ts';
import { candidateNumbers } from '../examinations/candidateRepository.ts';
import { countHolders } from '../examinations/repository.ts';
import { holdExamination, requireExamination } from '../examinations/service.ts';
import { freeNames, proposalsFor } from '../house/repository.ts';
import { changeHouse, keepsHouse } from '../house/service.ts';
import { invalid } from '../http/problems.ts';
import { isDeepStrictEqual } from 'node:util';
import { stationsOf } from './question.ts';
import * as repository from './resourceRepository.ts';
import { wishOf } from './service.ts';

/** Who and what may be used for an examination, and what its stations need of it. */
export async function readResources(
  db: Database,
  examinationId: string,
  viewer: Account,
): Promise<Resources> {
  const examination = await requireExamination(db, examinationId, viewer);
  const { circuits } = await wishOf(db, examination, viewer);
  const stations = await stationsOf(db, examinationId, viewer.id);
  const counted = new Map(
    (await repository.listEquipment(db)).map((one) => [thingKey(one.what), one]),
  );
  const { equipment } = needsOf(
    stations.map(({ title, equipment: things }) => ({ title, equipment: things, patient: '' })),
    circuits,
  );
  const needed = new Set(equipment.map(({ what }) => thingKey(what)));
  return {
    circuits,
    examiners: await repository.listExaminers(db, examinationId, viewer.id),
    patients: (await repository.listPatients(db, examinationId, viewer.id)).map((patient) => ({
      ...patient,
      stations: stations
        .filter(({ procedures }) => !procedures.some((one) => patient.barred.includes(one)))
        .map(({ position, title }) => `${position} ${title}`),
    })),
    rooms: await repository.listRooms(db),
    equipment: [
      ...equipment.map(({ what, count, stations: where }) => ({
        what: counted.get(thingKey(what))?.what ?? what,
        needed: count,
        pieces: counted.get(thingKey(what))?.pieces ?? null,
        stations: [...where],
      })),
      ...[...counted].flatMap(([key, { what, pieces }]) =>
        needed.has(key) ? [] : [{ what, needed: 0, pieces, stations: [] }],
      ),
    ],
    places: await repository.listPlaces(db, examinationId, viewer.id),
    regions: [...new Set(stations.map(({ region }) => region))].sort(),
    procedures: [...new Set(stations.flatMap(({ procedures }) => procedures))].sort(),
    keepsHouse: keepsHouse(viewer),
    proposals: await proposalsFor(db, examinationId, viewer.id),
  };
}

/** Keeps a part of it whole, by whoever leads the examination. */
export async function keep(
  db: Database,
  examinationId: string,
  lead: Account,
  what: string,
  act: (trx: Database) => Promise<void>,
): Promise<Resources> {
  await db.transaction(async (trx) => {
    await holdExamination(trx, examinationId, lead);
    await act(trx);
    await recordAction(trx, {
      accountId: lead.id,
      action: 'resources changed',
      subject: examinationId,
      detail: { what },
    });
  });
  return readResources(db, examinationId, lead);
}

export async function keepExaminers(
  db: Database,
  examinationId: string,
  wanted: ExaminersWanted,
  lead: Account,
): Promise<Resources> {
  const ids = wanted.examiners.map(({ accountId }) => accountId);
  if (
    new Set(ids).size !== ids.length ||
    (await countHolders(db, 'examiner', ids)) !== ids.length
  ) {
    throw invalid([
      { pointer: '/examiners', detail: 'names somebody twice, or who is not an examiner' },
    ]);
  }
  const known = new Set((await candidateNumbers(db, examinationId, lead.id)).map(({ id }) => id));
  const strange = wanted.examiners.findIndex(({ conflicts }) =>
    conflicts.some(({ candidateId }) => !known.has(candidateId)),
  );
  if (strange >= 0) {
    throw invalid([
      {
        pointer: `/examiners/${strange}/conflicts`,
        detail: 'names nobody who is a candidate here',
      },
    ]);
  }
  return keep(db, examinationId, lead, 'examiners', async (trx) => {
    const before = await repository.listExaminers(trx, examinationId, lead.id);
    refuseWithoutReason(wanted, before);
    await repository.keepExaminers(trx, examinationId, wanted, lead.id);
    const changes = wanted.examiners.flatMap(({ accountId, regions }) => {
      const own = before.find((one) => one.accountId === accountId);
      if (!own || isDeepStrictEqual(own.regions, regions)) return [];
      const words = `${own.name} examines ${regions?.join(', ') ?? 'every region'}`;
      return [{ change: { of: 'regions' as const, accountId, regions }, words }];
    });
    await changeHouse(trx, examinationId, changes, lead);
  });
}

/** Whom somebody must not mark is said with a reason, unless it was said before. */
function refuseWithoutReason({ examiners }: ExaminersWanted, before: readonly ExaminerResource[]) {
  const at = examiners.findIndex(({ accountId, conflicts }) => {
    const known = before.find((one) => one.accountId === accountId)?.conflicts ?? [];
    return conflicts.some(
      ({ candidateId, reason }) =>
        reason === null && !known.some((one) => one.candidateId === candidateId),
    );
  });
  if (at >= 0) {
    throw invalid([
      { pointer: `/examiners/${at}/conflicts`, detail: 'needs a reason for whom is new there' },
    ]);
  }
}

type PatientWanted = PatientsWanted['patients'][number];

/**
 * Keeps who plays and when, which is the examination’s; and who they are and what they must not
 * undergo, which is the house’s.
 */
export async function keepPatients(
  db: Database,
  examinationId: string,
  { patients }: PatientsWanted,
  lead: Account,
): Promise<Resources> {
  await requireExamination(db, examinationId, lead);
  return keep(db, examinationId, lead, 'simulated patients', async (trx) => {
    const before = await repository.listPatients(trx, examinationId, lead.id);
    const wanted = patients.map((one) => ({
      one,
      own: before.find(({ id, name }) => (one.id === null ? name === one.name : id === one.id)),
    }));
    const changed = wanted.filter(({ one, own }) => !own || isOther(one, own));
    if (keepsHouse(lead))
      await freeNames(
        trx,
        changed.flatMap(({ own }) => own?.id ?? []),
      );
    const changes = changed.map(({ one, own }) => patientChange(one, own?.id ?? null));
    const made = await changeHouse(trx, examinationId, changes, lead);
    for (const { one, own } of wanted) {
      const place = changed.findIndex((other) => other.one === one);
      const id = own?.id ?? made[place];
      if (id === undefined) continue; // proposed, and not there yet
      const takesPart = one.takesPart && !(one.retired && keepsHouse(lead));
      await repository.keepPatientPresence(trx, examinationId, id, { ...one, takesPart });
    }
  });
}

function isOther(one: PatientWanted, own: repository.StoredPatient): boolean {
  return (
    one.retired ||
    one.name !== own.name ||
    one.mostInARow !== own.mostInARow ||
    !isDeepStrictEqual([...one.barred].sort(), [...own.barred].sort())
  );
}

function patientChange({ name, barred, mostInARow, retired }: PatientWanted, id: string | null) {
  const undergoes = barred.length > 0 ? `must not undergo ${barred.join(', ')}` : 'undergoes all';
  const often = mostInARow === null ? '' : `, the same joint ${mostInARow} times in a row at most`;
  const words = retired
    ? `${name} plays no more`
    : `${id === null ? 'A new simulated patient, ' : ''}${name} ${undergoes}${often}`;
  return { change: { of: 'patient' as const, id, name, barred, mostInARow, retired }, words };
}

export async function keepRooms(
  db: Database,
  examinationId: string,
  { rooms, removed }: RoomsWanted,
  lead: Account,
): Promise<Resources> {
  await requireExamination(db, examinationId, lead);
  const before = new Map((await repository.listRooms(db)).map((room) => [room.id, room]));
  const changes = [
    ...rooms.map(({ id, name, couches }) => ({
      change: { of: 'room' as const, id, name, couches },
      words: `${id === null ? 'A new room, ' : ''}${name} has ${couches === 1 ? 'one couch' : `${couches} couches`}`,
    })),
    ...removed.flatMap((id) => {
      const name = before.get(id)?.name;
      return name === undefined
        ? []
        : [
            {
              change: { of: 'no room' as const, id, name },
              words: `${name} is not there any more`,
            },
          ];
    }),
  ];
  return keep(db, examinationId, lead, 'rooms', async (trx) => {
    await changeHouse(trx, examinationId, changes, lead);
  });
}

export async function keepEquipment(
  db: Database,
  examinationId: string,
  wanted: EquipmentWanted,
  lead: Account,
): Promise<Resources> {
  const changes = wanted.equipment.map(({ what, pieces }) => ({
    change: { of: 'equipment' as const, what, pieces },
    words: pieces === null ? `${what} is not counted` : `Of ${what} there are ${pieces}`,
  }));
  return keep(db, examinationId, lead, 'equipment', async (trx) => {
    await changeHouse(trx, examinationId, changes, lead);
  });
}
