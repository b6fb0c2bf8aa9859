import type { Procedure } from '@kritikos/catalogue/procedure';
import type { SearchedProcedure } from '@kritikos/catalogue/search';
import type { ShelfProcedure } from '@kritikos/contracts/shelf';
import type { Database } from '../db/database.ts';

const SHELVED = `s.id, s.version, s.retired, s.brought_at as "broughtAt", a.name as "broughtBy",
  s.content as procedure,
  (select count(distinct b.bank_station_id)::int from bank_station_version b
    where s.procedure_id = any(b.procedures)) as stations`;

/** What the school has of its own, by name. */
export async function readShelf(db: Database): Promise<ShelfProcedure[]> {
  const { rows } = await db.raw(
    `select ${SHELVED} from shelf s join account a on a.id = s.brought_by
     order by s.names ->> 0, s.id`,
  );
  return rows.map(asShelved);
}

export async function findOnShelf(db: Database, id: string): Promise<ShelfProcedure | undefined> {
  const { rows } = await db.raw(
    `select ${SHELVED} from shelf s join account a on a.id = s.brought_by where s.id = ?`,
    [id],
  );
  return rows.map(asShelved)[0];
}

type Row = Omit<ShelfProcedure, 'broughtAt'> & { readonly broughtAt: Date };
const asShelved = (row: Row): ShelfProcedure => ({
  ...row,
  broughtAt: row.broughtAt.toISOString(),
});

/** The procedures themselves, those that are retired too: stations may ask them. */
export async function proceduresOfShelf(db: Database): Promise<Procedure[]> {
  const { rows } = await db.raw('select content from shelf order by procedure_id');
  return rows.map(({ content }: { content: Procedure }) => content);
}

/** What a search looks at, without the rest. */
export async function wordsOfShelf(db: Database): Promise<SearchedProcedure[]> {
  const { rows } = await db.raw(
    `select procedure_id as id, names, title, content ->> 'region' as region, kind, structures
     from shelf`,
  );
  return rows;
}

export interface Kept {
  readonly id: string;
  readonly version: number;
  readonly content: Procedure;
}

/** The newest version of each of these that is on the shelf, by the id of the procedure. */
export async function keptOf(
  db: Database,
  procedures: readonly string[],
): Promise<ReadonlyMap<string, Kept>> {
  const { rows } = await db.raw(
    'select id, procedure_id, version, content from shelf where procedure_id = any(?)',
    [[...procedures]],
  );
  return new Map(rows.map((row: Kept & { procedure_id: string }) => [row.procedure_id, row]));
}

/** Which of these are retired from the shelf. */
export async function retiredOf(db: Database, procedures: readonly string[]): Promise<string[]> {
  return db('shelf')
    .where('retired', true)
    .whereIn('procedure_id', procedures)
    .pluck('procedure_id');
}

/** Two people who bring the same procedure in do so one after the other. */
export async function lockShelf(trx: Database): Promise<void> {
  await trx.raw('lock table shelf_procedure in share row exclusive mode');
}

export async function insertOnShelf(trx: Database, id: string, procedureId: string): Promise<void> {
  await trx('shelf_procedure').insert({ id, procedure_id: procedureId });
}

export async function insertShelfVersion(
  trx: Database,
  procedure: Procedure,
  version: number,
  broughtBy: string,
): Promise<void> {
  await trx('shelf_version').insert({
    procedure_id: procedure.id,
    version,
    content: JSON.stringify(procedure),
    brought_by: broughtBy,
  });
}

export async function setShelfRetired(db: Database, id: string, retired: boolean): Promise<void> {
  await db('shelf_procedure')
    .where({ id })
    .update({ retired_at: retired ? db.fn.now() : null });
}
