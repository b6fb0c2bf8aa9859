import type { Account } from '@kritikos/contracts/accounts';
import type { CellError } from '@kritikos/contracts/examinations';
import type {
  ExaminersWanted,
  ResourceFile,
  ResourceFileTaken,
  Resources,
} from '@kritikos/contracts/timetable';
import { nearestOf } from '@kritikos/catalogue/soundness/nearestOf';
import { knownProcedures } from '../catalogue/shelf.ts';
import type { Database } from '../db/database.ts';
import { candidateNumbers } from '../examinations/candidateRepository.ts';
import { requireExamination } from '../examinations/service.ts';
import { minutesOf } from './planRepository.ts';
import { readResourceFile, stretchIn, wholeNumber, wordsIn } from './resourceFile.ts';
import type { FileRow } from './resourceFile.ts';
import {
  keepEquipment,
  keepExaminers,
  keepPatients,
  keepRooms,
  readResources,
} from './resources.ts';

const MINUTE = 60_000;

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
