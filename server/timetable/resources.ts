import type { Account } from '@kritikos/contracts/accounts';
import type { CellError } from '@kritikos/contracts/examinations';
import type {
  EquipmentWanted,
  ExaminersWanted,
  PatientsWanted,
  PlaceResource,
  PlacesWanted,
  ResourceFile,
  ResourceFileTaken,
  Resources,
  RoomsWanted,
} from '@kritikos/contracts/timetable';
import { needsOf } from '@kritikos/core/examinations/needs';
import { nearestOf } from '@kritikos/catalogue/soundness/nearestOf';
import { recordAction } from '../audit/repository.ts';
import { knownProcedures } from '../catalogue/shelf.ts';
import type { Database } from '../db/database.ts';
import { candidateNumbers } from '../examinations/candidateRepository.ts';
import { countHolders } from '../examinations/repository.ts';
import { holdExamination, requireExamination } from '../examinations/service.ts';
import { conflict, invalid } from '../http/problems.ts';
import { minutesOf } from './planRepository.ts';
import { stationsOf } from './question.ts';
import * as repository from './resourceRepository.ts';
import { readResourceFile, stretchIn, wholeNumber, wordsIn } from './resourceFile.ts';
import type { FileRow } from './resourceFile.ts';
import { wishOf } from './service.ts';

const MINUTE = 60_000;

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
    (await repository.listEquipment(db)).map((one) => [one.what, one.pieces]),
  );
  const { equipment } = needsOf(
    stations.map(({ title, equipment: things }) => ({ title, equipment: things, patient: '' })),
    circuits,
  );
  const needed = new Set(equipment.map(({ what }) => what));
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
        what,
        needed: count,
        pieces: counted.get(what) ?? null,
        stations: [...where],
      })),
      ...[...counted].flatMap(([what, pieces]) =>
        needed.has(what) ? [] : [{ what, needed: 0, pieces, stations: [] }],
      ),
    ],
    places: await repository.listPlaces(db, examinationId, viewer.id),
    regions: [...new Set(stations.map(({ region }) => region))].sort(),
    procedures: [...new Set(stations.flatMap(({ procedures }) => procedures))].sort(),
  };
}

/** Keeps a part of it whole, by whoever leads the examination. */
async function keep(
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
  return keep(db, examinationId, lead, 'examiners', (trx) =>
    repository.keepExaminers(trx, examinationId, wanted, lead.id),
  );
}

export async function keepPatients(
  db: Database,
  examinationId: string,
  wanted: PatientsWanted,
  lead: Account,
): Promise<Resources> {
  await requireExamination(db, examinationId, lead);
  return keep(db, examinationId, lead, 'simulated patients', (trx) =>
    repository.keepPatients(trx, examinationId, wanted),
  );
}

export async function keepRooms(
  db: Database,
  examinationId: string,
  wanted: RoomsWanted,
  lead: Account,
): Promise<Resources> {
  await requireExamination(db, examinationId, lead);
  const changed = new Map(
    wanted.rooms.flatMap(({ id, couches }) => (id ? [[id, couches] as const] : [])),
  );
  const lost = (await repository.roomsInUse(db)).find(
    ({ roomId, couch }) =>
      wanted.removed.includes(roomId) || (changed.get(roomId) ?? Infinity) < couch,
  );
  if (lost) {
    throw conflict(
      `${lost.name} is in use`,
      `“${lost.title}” of “${lost.examination}” stands there at couch ${lost.couch}. Move it first; nothing was changed.`,
    );
  }
  return keep(db, examinationId, lead, 'rooms', (trx) => repository.keepRooms(trx, wanted));
}

/** Says where stations stand. A couch has one station: a room used twice is refused, with a couch that is free. */
export async function keepPlaces(
  db: Database,
  examinationId: string,
  { places: wanted, cleared }: PlacesWanted,
  lead: Account,
): Promise<Resources> {
  const { rooms, places: standing } = await readResources(db, examinationId, lead);
  const said = new Set([...wanted, ...cleared].map((one) => `${one.stationId} ${one.circuit}`));
  const others = standing.filter((one) => !said.has(`${one.stationId} ${one.circuit}`));
  const places = [...others, ...wanted];
  const stations = await stationsOf(db, examinationId, lead.id);
  const nameOf = (id: string) => stations.find((station) => station.id === id)?.title ?? '';
  const errors = places.flatMap((place, i) => {
    const room = rooms.find(({ id }) => id === place.roomId);
    const say = (detail: string) => [
      { pointer: `/places/${Math.max(0, i - others.length)}`, detail },
    ];
    if (nameOf(place.stationId) === '') return say('is no station of this examination');
    if (!room) return say('is in no room that there is');
    const here = `circuit ${place.circuit}, “${nameOf(place.stationId)}”`;
    const again = places.findIndex(
      (o, k) => k < i && o.stationId === place.stationId && o.circuit === place.circuit,
    );
    if (again >= 0) return say(`${here} is placed twice`);
    const free = freeCouch(rooms, places);
    const instead = free
      ? `; ${free} is free`
      : '; no other couch is free, so add a room or a couch';
    if (place.couch > room.couches)
      return say(
        `${here}: ${room.name} has ${room.couches} of couches, not ${place.couch}${instead}`,
      );
    const other = places.find(
      (o, k) => k < i && o.roomId === place.roomId && o.couch === place.couch,
    );
    if (other)
      return say(
        `${here}: couch ${place.couch} of ${room.name} has “${nameOf(other.stationId)}” of circuit ${other.circuit} already${instead}`,
      );
    return [];
  });
  if (errors.length > 0) throw invalid(errors, errors[0]?.detail ?? '');
  return keep(db, examinationId, lead, 'places', (trx) =>
    repository.replacePlaces(trx, examinationId, places),
  );
}

function freeCouch(rooms: Resources['rooms'], places: readonly PlaceResource[]): string | null {
  for (const room of rooms) {
    for (let couch = 1; couch <= room.couches; couch++) {
      if (!places.some((place) => place.roomId === room.id && place.couch === couch))
        return `couch ${couch} of ${room.name}`;
    }
  }
  return null;
}

/** Gives every station of every circuit a couch, those of a circuit side by side. */
export async function placeAll(
  db: Database,
  examinationId: string,
  lead: Account,
): Promise<Resources> {
  const { rooms, circuits } = await readResources(db, examinationId, lead);
  const stations = await stationsOf(db, examinationId, lead.id);
  const couches = rooms.flatMap((room) =>
    Array.from({ length: room.couches }, (_, i) => ({ roomId: room.id, couch: i + 1 })),
  );
  const needed = stations.length * circuits;
  if (couches.length < needed) {
    throw conflict(
      'There are too few couches',
      `${needed} stations stand side by side (${stations.length} in each of ${circuits}), and the rooms have ${couches.length} couches. Add ${needed - couches.length}, or plan fewer circuits; nothing was changed.`,
    );
  }
  const places = Array.from({ length: circuits }, (_, c) =>
    stations.map((station, s) => ({
      stationId: station.id,
      circuit: c + 1,
      ...(couches[c * stations.length + s] as { roomId: string; couch: number }),
    })),
  ).flat();
  return keep(db, examinationId, lead, 'places', (trx) =>
    repository.replacePlaces(trx, examinationId, places),
  );
}

export async function keepEquipment(
  db: Database,
  examinationId: string,
  wanted: EquipmentWanted,
  lead: Account,
): Promise<Resources> {
  return keep(db, examinationId, lead, 'equipment', (trx) => repository.keepEquipment(trx, wanted));
}

/** Brings in a file of one kind: all of it, or nothing and every cell that keeps it from being taken. */
export async function takeFile(
  db: Database,
  examinationId: string,
  of: ResourceFile,
  content: string,
  lead: Account,
): Promise<ResourceFileTaken> {
  const resources = await readResources(db, examinationId, lead);
  const { zone } = await requireExamination(db, examinationId, lead);
  const { rows, errors } = readResourceFile(content, of);
  const told = [...errors];
  const presences = await presencesOf(db, rows, zone, told);
  const act = await TAKERS[of](db, {
    examinationId,
    resources,
    rows,
    presences,
    errors: told,
    lead,
  });
  if (told.length > 0) return { taken: 0, errors: told, resources };
  return { taken: rows.length, errors: [], resources: await act() };
}

type Present = { start: string; end: string }[] | null;
interface Taking {
  readonly examinationId: string;
  readonly resources: Resources;
  readonly rows: readonly FileRow[];
  /** When whoever a row names is there, by the row. */
  readonly presences: ReadonlyMap<FileRow, { start: string; end: string }>;
  readonly errors: CellError[];
  readonly lead: Account;
}
type Taker = (db: Database, taking: Taking) => Promise<() => Promise<Resources>>;

async function presencesOf(
  db: Database,
  rows: readonly FileRow[],
  zone: string,
  errors: CellError[],
) {
  const before = errors.length;
  const told = rows.flatMap((row) => {
    const stretch = stretchIn(row, errors);
    return stretch ? [{ row, ...stretch }] : [];
  });
  if (errors.length > before) return new Map<FileRow, { start: string; end: string }>();
  const dated = told.map(({ from, until }) => ({
    date: from.slice(0, 10),
    from: from.slice(11),
    // Whoever stays into another day is there until then.
    until: until.slice(0, 10) === from.slice(0, 10) ? until.slice(11) : '23:59',
  }));
  const minutes = dated.length > 0 ? await minutesOf(db, dated, zone) : [];
  const iso = (minute: number) => new Date(minute * MINUTE).toISOString();
  return new Map(
    told.map(({ row }, i) => [
      row,
      { start: iso(minutes[i]?.start ?? 0), end: iso(minutes[i]?.end ?? 1) },
    ]),
  );
}

/** The rows of the same person, under the name that a column has. */
function byPerson(rows: readonly FileRow[], column: string): Map<string, FileRow[]> {
  const people = new Map<string, FileRow[]>();
  for (const row of rows) {
    const who = row.cell(column);
    people.set(who, [...(people.get(who) ?? []), row]);
  }
  return people;
}

function presentOf(rows: readonly FileRow[], presences: Taking['presences']): Present {
  const own = rows.flatMap((row) => presences.get(row) ?? []);
  return own.length > 0 ? own : null;
}

const takeExaminers: Taker = async (
  db,
  { examinationId, resources, rows, presences, errors, lead },
) => {
  const numbers = new Map(
    (await candidateNumbers(db, examinationId, lead.id)).map(({ number, id }) => [number, id]),
  );
  const named = new Map<string, ExaminersWanted['examiners'][number]>();
  for (const [email, own] of byPerson(rows, 'email')) {
    const known = resources.examiners.find(
      (one) => one.email.toLowerCase() === email.toLowerCase(),
    );
    const first = own[0] as FileRow;
    if (!known) {
      const detail = `No examiner signs in as “${email}”. Invite them first.`;
      errors.push({ row: first.row, column: 'email', detail });
      continue;
    }
    const regions = own.flatMap((row) =>
      wordsIn(row.cell('regions')).flatMap((word) => {
        if (word.toLowerCase() === 'all') return [];
        const region = resources.regions.find((one) => one.toLowerCase() === word.toLowerCase());
        if (region) return [region];
        const detail = `No station is of the region “${word}”. There are: ${resources.regions.join(', ')}.`;
        errors.push({ row: row.row, column: 'regions', detail });
        return [];
      }),
    );
    const conflicts = own.flatMap((row) =>
      wordsIn(row.cell('conflicts')).flatMap((word) => {
        const [, number = '', why = ''] = /^(\d+)\s*:?\s*(.*)$/.exec(word) ?? [];
        const candidateId = numbers.get(Number(number));
        if (candidateId && why.length >= 3) return [{ candidateId, reason: why }];
        const detail = candidateId
          ? `“${word}” gives no reason; write it as “${number}: supervisor”.`
          : `“${word}” names no candidate; write a number and a reason, such as “12: supervisor”.`;
        errors.push({ row: row.row, column: 'conflicts', detail });
        return [];
      }),
    );
    named.set(known.accountId, {
      accountId: known.accountId,
      takesPart: true,
      present: presentOf(own, presences),
      regions: regions.length > 0 ? [...new Set(regions)] : null,
      conflicts,
    });
  }
  // Whom the file does not name is as before, and takes no part.
  const all = resources.examiners.map(
    (one) =>
      named.get(one.accountId) ?? {
        accountId: one.accountId,
        takesPart: false,
        present: null,
        regions: one.regions,
        conflicts: one.conflicts.map(({ candidateId, reason }) => ({ candidateId, reason })),
      },
  );
  return () => keepExaminers(db, examinationId, { examiners: all }, lead);
};

const takePatients: Taker = async (
  db,
  { examinationId, resources, rows, presences, errors, lead },
) => {
  const known = new Map(resources.patients.map((one) => [one.name, one]));
  const procedures = await knownProcedures(db);
  const named = [...byPerson(rows, 'name')].map(([name, own]) => {
    const first = own[0] as FileRow;
    if (name === '')
      errors.push({ row: first.row, column: 'name', detail: 'The name is missing.' });
    const most = first.cell('most in a row');
    const mostInARow = most === '' ? null : wholeNumber(most, 1, 20);
    if (most !== '' && mostInARow === null) {
      const detail = `“${most}” is no number from 1 to 20.`;
      errors.push({ row: first.row, column: 'most in a row', detail });
    }
    const barred = [...new Set(own.flatMap((row) => wordsIn(row.cell('must not undergo'))))];
    for (const key of barred) {
      if (procedures.find(key)) continue;
      const near = nearestOf(
        key,
        procedures.all.map(({ id }) => id),
      );
      const instead = near
        ? ` Perhaps ${near} is meant.`
        : ' Write its key, such as lachman-anterior-translation.';
      const detail = `There is no procedure “${key}”.${instead}`;
      errors.push({ row: first.row, column: 'must not undergo', detail });
    }
    const present = presentOf(own, presences);
    const id = known.get(name)?.id ?? null;
    return { id, name, takesPart: true, present, barred, mostInARow, retired: false };
  });
  return () => keepPatients(db, examinationId, { patients: named }, lead);
};

/** Numbers that belong to names, each name once. */
function counted(
  rows: readonly FileRow[],
  what: string,
  many: string,
  least: number,
  most: number,
  errors: CellError[],
) {
  const seen = new Set<string>();
  return rows.flatMap(({ row, cell }) => {
    const [name, count] = [cell(what), wholeNumber(cell(many), least, most)];
    if (name === '') errors.push({ row, column: what, detail: 'The name is missing.' });
    if (seen.has(name)) errors.push({ row, column: what, detail: `“${name}” is named twice.` });
    seen.add(name);
    if (count === null)
      errors.push({
        row,
        column: many,
        detail: `“${cell(many)}” is no number from ${least} to ${most}.`,
      });
    return count === null ? [] : [{ name, count }];
  });
}

const takeRooms: Taker = async (db, { examinationId, resources, rows, errors, lead }) => {
  const known = new Map(resources.rooms.map((room) => [room.name, room.id]));
  const rooms = counted(rows, 'room', 'couches', 1, 40, errors).map(({ name, count }) => ({
    id: known.get(name) ?? null,
    name,
    couches: count,
  }));
  return () => keepRooms(db, examinationId, { rooms, removed: [] }, lead);
};

const takeEquipment: Taker = async (db, { examinationId, rows, errors, lead }) => {
  const equipment = counted(rows, 'thing', 'pieces', 0, 999, errors).map(({ name, count }) => ({
    what: name,
    pieces: count,
  }));
  return () => keepEquipment(db, examinationId, { equipment }, lead);
};

const TAKERS: Readonly<Record<ResourceFile, Taker>> = {
  examiners: takeExaminers,
  patients: takePatients,
  rooms: takeRooms,
  equipment: takeEquipment,
};
