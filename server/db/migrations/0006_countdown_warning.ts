import type { Knex } from 'knex';

/** How many seconds before the end of a station its clock warns; 0 for not at all. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table examination add column warning_seconds integer not null default 60
      check (warning_seconds between 0 and 600);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
