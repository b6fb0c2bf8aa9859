import type { Knex } from 'knex';

/**
 * An examination that was made by mistake is put away: it stands in no list of those that count, and
 * nothing of it is lost. What it says of itself stays once something hangs on it.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table examination add column put_away_at timestamptz;

    create function hold_examination_details() returns trigger language plpgsql as $$
    begin
      if new.cohort_id <> old.cohort_id
          and exists (select from candidate where examination_id = old.id) then
        raise exception 'the cohort of examination % has candidates in it', old.id
          using errcode = 'restrict_violation';
      end if;
      if (new.held_on <> old.held_on or new.zone <> old.zone)
          and (old.marking_opened_at is not null or exists (
            select from timetable where examination_id = old.id and state = 'published')) then
        raise exception 'times of examination % stand on its day and zone', old.id
          using errcode = 'restrict_violation';
      end if;
      if (new.title <> old.title or new.school <> old.school)
          and exists (select from decision where examination_id = old.id) then
        raise exception 'a decision names examination %', old.id
          using errcode = 'restrict_violation';
      end if;
      return new;
    end $$;
    create trigger examination_details_hold
      before update of title, school, cohort_id, held_on, zone on examination
      for each row execute function hold_examination_details();
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
