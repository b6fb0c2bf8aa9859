import type { Knex } from 'knex';

/**
 * What a seed becomes chance by has changed once (core/numerics/random.ts). A plan names the source
 * that its precision was simulated from; those that are here already are of the first. Published ones
 * keep their figures; drafts are simulated again when the server starts.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table timetable add column generator smallint not null default 1
      check (generator in (1, 2));
    alter table timetable alter column generator drop default;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
