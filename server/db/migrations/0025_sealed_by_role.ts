import type { Knex } from 'knex';

/**
 * What a mistake of the program, or somebody who has only its password, must not be able to do: write
 * marks beside the stream of taps, change what a submitted sheet scored, or make an administrator.
 * The statements that may are functions here, which work as the owner of the database and look first;
 * the application's role may call them, and write those columns in no other way (`server/db/roles.ts`).
 *
 * Who is signed in the database cannot know: the function is told who acts, and holds that account to
 * its roles.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter function record_taps(uuid, uuid, jsonb)
      security definer set search_path = public, pg_temp;
    alter function record_taps_together(jsonb)
      security definer set search_path = public, pg_temp;

    -- The score of a sheet and what each of its items earned, once, where it was handed in.
    create function submit_sheet(the_sheet uuid, the_score jsonb, kept jsonb) returns void
    language plpgsql security definer set search_path = public, pg_temp as $$
    declare
      handed_in timestamptz;
    begin
      perform from sheet where id = the_sheet and submitted_at is null for update;
      if not found then
        raise exception 'sheet % is submitted, or is none', the_sheet
          using errcode = 'restrict_violation';
      end if;
      select min(stands_at) into handed_in from mark_event
      where sheet_id = the_sheet and late is null and body ->> 'type' = 'submit';
      if handed_in is null then
        raise exception 'sheet % was not handed in', the_sheet using errcode = 'restrict_violation';
      end if;
      insert into sheet_item (sheet_id, item, item_id, state, share, category)
      select the_sheet, k.item, c.item_id, k.state, k.share, k.category
      from jsonb_to_recordset(kept) as k(item text, state text, share numeric, category text)
        join checklist_item c on c.key = k.item and c.version_id = (
          select checklist_version_id from sheet where id = the_sheet);
      update sheet set
        submitted_at = handed_in,
        percent = (the_score ->> 'percent')::numeric,
        critical_missed = array(select jsonb_array_elements_text(the_score #> '{critical,missed}')),
        critical_met = array(select jsonb_array_elements_text(the_score #> '{critical,met}')),
        critical_unseen = array(select jsonb_array_elements_text(the_score #> '{critical,unseen}')),
        missing_marks = jsonb_array_length(the_score -> 'unmarked'),
        score = the_score
      where id = the_sheet;
    end $$;

    -- Another version of the checklist, for a station that nobody has marked at.
    create function use_version(the_station uuid, the_version uuid, the_variants jsonb) returns void
    language plpgsql security definer set search_path = public, pg_temp as $$
    begin
      if exists (select from sheet where station_id = the_station and started_at is not null) then
        raise exception 'station % has been marked at', the_station
          using errcode = 'restrict_violation';
      end if;
      update station set checklist_version_id = the_version where id = the_station;
      update sheet set checklist_version_id = the_version, variants = the_variants
      where station_id = the_station;
    end $$;

    -- Nobody submits at a station while something of it changes that sheets are scored by.
    create function hold_sheets(the_station uuid) returns void
    language sql security definer set search_path = public, pg_temp as $$
      select from sheet where station_id = the_station for update;
    $$;

    -- Somebody who may sign in. A database without anybody takes its first administrator; after that
    -- administrators make every kind of account, and leads make examiners.
    create function make_account(the_id uuid, the_email text, the_name text, the_roles text[],
      the_hash text, the_maker uuid) returns void
    language plpgsql security definer set search_path = public, pg_temp as $$
    begin
      perform refuse_to_give_roles(the_maker, the_roles);
      insert into account (id, email, name, roles, password_hash)
      values (the_id, the_email, the_name, the_roles, the_hash);
    end $$;

    create function refuse_to_give_roles(the_giver uuid, the_roles text[]) returns void
    language plpgsql as $$
    begin
      -- The owner of the database itself, which loads the demo and restores.
      if session_user = current_user then return; end if;
      if not exists (select from account) then return; end if;
      if exists (select from account where id = the_giver and disabled_at is null
          and ('administrator' = any(roles)
            or ('lead' = any(roles) and the_roles = array['examiner']))) then
        return;
      end if;
      raise exception 'account % may not give the roles %', the_giver, the_roles
        using errcode = 'insufficient_privilege';
    end $$;

    create function change_roles(the_account uuid, the_roles text[], the_giver uuid) returns void
    language plpgsql security definer set search_path = public, pg_temp as $$
    begin
      perform refuse_to_give_roles(the_giver, the_roles || array['administrator']);
      update account set roles = the_roles where id = the_account;
    end $$;

    create function set_disabled(the_account uuid, is_disabled boolean, the_actor uuid) returns void
    language plpgsql security definer set search_path = public, pg_temp as $$
    begin
      perform refuse_to_give_roles(the_actor, array['administrator']);
      update account set disabled_at = case when is_disabled then coalesce(disabled_at, now()) end
      where id = the_account;
    end $$;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
