import type { NewStudent } from '@kritikos/contracts/people';
import type { ColumnMapping } from '@kritikos/contracts/studentImport';
import type { Database } from '../db/database.ts';
import { insertStudents } from './repository.ts';

/** So many lists of one account wait to be taken; the oldest goes. */
const MOST_LISTS = 5;

/** Keeps a list until it is taken; what was forgotten for a day goes. */
export async function insertUpload(
  db: Database,
  {
    id,
    ownerId,
    fileName,
    content,
  }: { id: string; ownerId: string; fileName: string; content: Buffer },
): Promise<void> {
  await db('upload').where('made_at', '<', db.raw(`now() - interval '1 day'`)).delete();
  await db('upload').insert({ id, owner_id: ownerId, file_name: fileName, content });
  await db.raw(
    `delete from upload where owner_id = :ownerId and id not in (
       select id from upload where owner_id = :ownerId order by made_at desc, id desc limit ${MOST_LISTS})`,
    { ownerId },
  );
}

export async function hasUpload(db: Database, id: string, owner: string): Promise<boolean> {
  return (await db('upload').where({ id, owner_id: owner }).first('id')) !== undefined;
}

export async function findUpload(
  db: Database,
  id: string,
  owner: string,
): Promise<{ fileName: string; content: Buffer } | undefined> {
  return db('upload')
    .where({ id, owner_id: owner })
    .first({ fileName: 'file_name', content: 'content' });
}

export async function dropUpload(db: Database, id: string): Promise<void> {
  await db('upload').where({ id }).delete();
}

/** Lists with the same columns are mapped alike. */
function nameOf(columns: readonly string[]): string {
  return JSON.stringify(columns.map((column) => column.toLowerCase()));
}

export async function rememberedMapping(
  db: Database,
  account: string,
  columns: readonly string[],
): Promise<ColumnMapping | undefined> {
  const row = await db('column_mapping')
    .where({ account_id: account, columns: nameOf(columns) })
    .first('mapping');
  return row?.mapping;
}

export async function rememberMapping(
  db: Database,
  account: string,
  columns: readonly string[],
  mapping: ColumnMapping,
): Promise<void> {
  await db('column_mapping')
    .insert({
      account_id: account,
      columns: nameOf(columns),
      mapping: JSON.stringify(mapping),
      used_at: db.fn.now(),
    })
    .onConflict(['account_id', 'columns'])
    .merge();
}

/** One list after the other: what is looked at is what is written. */
export async function holdStudents(trx: Database): Promise<void> {
  await trx.raw('lock table student in share row exclusive mode');
}

export interface KnownStudent extends NewStudent {
  readonly id: string;
  readonly cohortId: string;
  readonly cohort: string;
  readonly retired: boolean;
}

export async function knownByNumber(
  db: Database,
  numbers: readonly string[],
): Promise<Map<string, KnownStudent>> {
  const { rows } = await db.raw(
    `select s.id, s.cohort_id as "cohortId", c.name as cohort, s.number, s.name,
       s.extra_time as "extraTime", s.seated_breaks as "seatedBreaks",
       s.retired_at is not null as retired
     from student s join cohort c on c.id = s.cohort_id where s.number = any(?::text[])`,
    [[...numbers]],
  );
  return new Map(rows.map((row: KnownStudent) => [row.number, row]));
}

/** Adds and changes students in two statements. */
export async function writeStudents(
  trx: Database,
  cohortId: string,
  added: readonly (NewStudent & { id: string })[],
  updated: readonly (NewStudent & { id: string })[],
): Promise<void> {
  await insertStudents(trx, cohortId, added);
  if (updated.length === 0) return;
  await trx.raw(
    `update student s set cohort_id = :cohortId, name = n.name, extra_time = n."extraTime",
       seated_breaks = n."seatedBreaks", retired_at = null
     from jsonb_to_recordset(:updated)
       as n(id uuid, name text, "extraTime" integer, "seatedBreaks" boolean)
     where s.id = n.id`,
    { cohortId, updated: JSON.stringify(updated) },
  );
}
