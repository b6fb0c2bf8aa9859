import type { Knex } from 'knex';

/**
 * What else may be said of a station's simulated patient: a second condition, that the muscles guard,
 * that the joints are loose all over; and that the station is made on purpose for a procedure which
 * must not be done on this patient. Nothing of it was so until now.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table bank_station_version
      add column also text,
      add column guards boolean not null default false,
      add column loose boolean not null default false,
      add column refrain boolean not null default false,
      add constraint more_needs_a_patient check (
        condition is not null or (also is null and not guards and not loose and not refrain)
      ),
      add constraint also_is_another check (also <> condition);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
