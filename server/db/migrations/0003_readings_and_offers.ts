import type { Knex } from 'knex';

/**
 * Two things that preparation must know: where a checklist version comes from, so that a corrected
 * catalogue can offer its own without passing for the school's; and the numbers as they were read
 * on the very person who plays the patient at a station, which stand until somebody was marked by
 * them.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table checklist_version
      add column origin text not null default 'school' check (origin in ('catalogue', 'school'));
    -- Until now the catalogue has made the first version of every checklist, and nobody else's.
    update checklist_version set origin = 'catalogue' where version = 1;

    alter table station
      add column patient_readings jsonb not null default '{}'
        check (jsonb_typeof(patient_readings) = 'object');

    create function refuse_new_readings() returns trigger language plpgsql as $$
    begin
      if new.patient_readings <> old.patient_readings and exists (
        select from sheet where station_id = new.id and submitted_at is not null
      ) then
        raise exception 'station % has been marked by its readings', new.id
          using errcode = 'restrict_violation';
      end if;
      return new;
    end $$;
    create trigger station_readings_stand before update on station
      for each row execute function refuse_new_readings();
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
