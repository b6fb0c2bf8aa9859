import type { Knex } from 'knex';

/**
 * “Couch” and “couch” are one thing: counted once, under the spelling that was there first. Of two
 * counts of before, the larger one stays.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    update equipment e set pieces = o.most
    from (select lower(what) as thing, max(pieces) as most from equipment group by 1) o
    where lower(e.what) = o.thing;
    delete from equipment e using equipment o
    where lower(e.what) = lower(o.what) and e.what > o.what;
    create unique index equipment_once on equipment (lower(what));
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
