import type { Knex } from 'knex';

/** A database that this program must leave alone; the message is one sentence for whoever runs it. */
export class NotOurs extends Error {}

/**
 * Refuses a database that is of a newer version of the program, or that holds tables of somebody
 * else: nothing is changed in either. Throws `NotOurs`.
 */
export async function refuseOthers(owner: Knex, known: readonly string[]): Promise<void> {
  if (await owner.schema.hasTable('knex_migrations')) {
    const done: string[] = await owner('knex_migrations').orderBy('id').pluck('name');
    const newer = done.filter((name) => !known.includes(name));
    if (newer.length === 0) return;
    throw new NotOurs(
      `The database is of a newer version of Kritikos (it has ${newer.at(-1)}, this program knows up to ${known.at(-1)}). Start that version, or restore a backup from before it. Nothing was changed.`,
    );
  }
  // What an extension brought along belongs to it.
  const { rows } = await owner.raw(
    `select c.relname as name from pg_class c
     where c.relnamespace = 'public'::regnamespace and c.relkind in ('r', 'p', 'v', 'm', 'f')
       and not exists (select from pg_depend d where d.objid = c.oid and d.deptype = 'e')
     order by 1 limit 4`,
  );
  if (rows.length === 0) return;
  const names = rows.map(({ name }: { name: string }) => name);
  const some = names.slice(0, 3).join(', ') + (names.length > 3 ? ' and others' : '');
  throw new NotOurs(
    `The database has tables that are not of Kritikos (${some}). Give it a database of its own: createdb, and its name in DATABASE_URL. Nothing was changed.`,
  );
}
