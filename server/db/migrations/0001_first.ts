import type { Knex } from 'knex';

/**
 * The first schema: people, examinations, marking as a stream of events with its projection,
 * and signed decisions. What must be true stands here as constraints, not only in the code.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table setting (
      name text primary key,
      value text not null
    );

    create table account (
      id uuid primary key,
      email text not null unique check (email = lower(email)),
      name text not null check (name <> ''),
      role text not null check (role in ('lead', 'examiner')),
      password_hash text not null,
      created_at timestamptz not null default now(),
      disabled_at timestamptz
    );

    -- The shape that connect-pg-simple expects.
    create table session (
      sid varchar not null primary key,
      sess json not null,
      expire timestamp(6) not null
    );
    create index session_expire on session (expire);

    -- The shape that rate-limiter-flexible expects.
    create table sign_in_attempt (
      key varchar(255) primary key,
      points integer not null default 0,
      expire bigint
    );

    create table examination (
      id uuid primary key,
      title text not null check (title <> ''),
      school text not null,
      cohort text not null,
      held_on date not null,
      zone text not null,
      marking_opened_at timestamptz,
      created_by uuid references account,
      created_at timestamptz not null default now()
    );

    create table candidate (
      id uuid primary key,
      examination_id uuid not null references examination,
      number integer not null check (number > 0),
      name text not null check (name <> ''),
      circuit text not null default '',
      unique (examination_id, number)
    );

    create table checklist (
      id uuid primary key,
      procedure_id text not null,
      title text not null,
      region text not null
    );

    create table checklist_version (
      id uuid primary key,
      checklist_id uuid not null references checklist,
      version integer not null check (version > 0),
      content jsonb not null,
      frozen_at timestamptz,
      created_at timestamptz not null default now(),
      unique (checklist_id, version)
    );

    create table station (
      id uuid primary key,
      examination_id uuid not null references examination,
      position integer not null check (position > 0),
      title text not null check (title <> ''),
      minutes integer not null check (minutes between 1 and 60),
      checklist_version_id uuid not null references checklist_version,
      unique (examination_id, position)
    );
    create index station_checklist_version on station (checklist_version_id);

    create table station_examiner (
      station_id uuid not null references station,
      account_id uuid not null references account,
      -- 1: marks every candidate; 3: marks every third, as a second examiner.
      every integer not null check (every > 0),
      primary key (station_id, account_id)
    );
    create index station_examiner_account on station_examiner (account_id);

    create table briefing_confirmation (
      station_id uuid not null references station,
      account_id uuid not null references account,
      checklist_version_id uuid not null references checklist_version,
      confirmed_at timestamptz not null default now(),
      primary key (station_id, account_id, checklist_version_id)
    );

    -- One examiner's record of one candidate at one station. Everything below checklist_version_id
    -- is a projection of mark_event, kept in the same transaction.
    create table sheet (
      id uuid primary key,
      station_id uuid not null references station,
      candidate_id uuid not null references candidate,
      examiner_id uuid not null references account,
      checklist_version_id uuid not null references checklist_version,
      variant text not null,
      comment text not null default '',
      rating integer check (rating between 1 and 5),
      clock jsonb,
      safety_events integer not null default 0,
      started_at timestamptz,
      submitted_at timestamptz,
      percent numeric(9, 6) check (percent between 0 and 100),
      critical_failures integer not null default 0,
      missing_marks integer not null default 0,
      score jsonb,
      unique (station_id, candidate_id, examiner_id),
      check (submitted_at is null or started_at is not null)
    );
    create index sheet_examiner on sheet (examiner_id, station_id);
    create index sheet_candidate on sheet (candidate_id);

    create table mark_event (
      id uuid primary key,
      sheet_id uuid not null references sheet,
      device text not null,
      sequence integer not null check (sequence >= 0),
      body jsonb not null,
      at timestamptz not null,
      received_at timestamptz not null default clock_timestamp(),
      unique (sheet_id, device, sequence)
    );

    create table sheet_mark (
      sheet_id uuid not null references sheet,
      item text not null,
      number_value numeric(12, 4),
      choice_value text,
      observation text not null check (observation in ('observed', 'not-observed', 'not-applicable')),
      manner text not null check (manner in ('done', 'said-only', 'mimed')),
      prompted boolean not null,
      at timestamptz not null,
      event_id uuid not null references mark_event,
      primary key (sheet_id, item),
      check (number_value is null or choice_value is null),
      check ((observation = 'observed') = (num_nonnulls(number_value, choice_value) = 1))
    );

    create table sheet_fault (
      sheet_id uuid not null references sheet,
      fault text not null,
      primary key (sheet_id, fault)
    );

    create table standard_draft (
      examination_id uuid primary key references examination,
      settings jsonb not null,
      updated_at timestamptz not null default now()
    );

    create table decision (
      id uuid primary key,
      examination_id uuid not null references examination,
      number integer not null check (number > 0),
      follows uuid references decision,
      content jsonb not null,
      reason text not null check (length(reason) >= 10),
      signed_by uuid not null references account,
      signed_at timestamptz not null default now(),
      unique (examination_id, number),
      -- Each decision has at most one that follows it; the first of an examination follows none.
      unique nulls not distinct (examination_id, follows)
    );

    create table audit_entry (
      id uuid primary key,
      at timestamptz not null default now(),
      account_id uuid references account,
      action text not null,
      subject uuid,
      detail jsonb not null default '{}'
    );
    create index audit_entry_subject on audit_entry (subject, at);

    create function refuse_change() returns trigger language plpgsql as $$
    begin
      raise exception '% is append-only', tg_table_name using errcode = 'restrict_violation';
    end $$;
    create trigger mark_event_append_only before update or delete on mark_event
      for each row execute function refuse_change();
    create trigger decision_append_only before update or delete on decision
      for each row execute function refuse_change();
    create trigger audit_entry_append_only before update or delete on audit_entry
      for each row execute function refuse_change();

    create function refuse_thaw() returns trigger language plpgsql as $$
    begin
      if old.frozen_at is not null and (new.content <> old.content or new.frozen_at is distinct from old.frozen_at) then
        raise exception 'checklist version % is frozen', old.id using errcode = 'restrict_violation';
      end if;
      return new;
    end $$;
    create trigger checklist_version_frozen before update on checklist_version
      for each row execute function refuse_thaw();
  `);
}

export async function down(): Promise<void> {
  throw new Error('The first migration is not undone; restore a backup instead.');
}
