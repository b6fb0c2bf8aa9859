import type { Knex } from 'knex';

/**
 * What was worked out from the submitted sheets of a station, kept until another is submitted or
 * anything else that it was worked out from has changed (`basis`); and the indexes by which scores
 * are read without their sheets.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table kept_analysis (
      station_id uuid not null references station,
      kind text not null,
      basis text not null,
      result jsonb not null,
      primary key (station_id, kind)
    );
    create index if not exists sheet_submitted on sheet (station_id, candidate_id)
      include (percent, rating) where submitted_at is not null;
    create index if not exists sheet_critical on sheet (station_id, candidate_id)
      where submitted_at is not null and (critical_missed <> '{}' or critical_unseen <> '{}');
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
