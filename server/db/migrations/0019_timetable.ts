import type { Knex } from 'knex';

/**
 * Who and what may be used on the day, and the timetable: the plans of an examination with their
 * slots. That nobody is in two places and no couch has two stations, the database itself holds.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw('create extension if not exists btree_gist');
  await db.raw(`
    -- The regions that somebody may examine; whoever is not here may examine all.
    create table examiner_scope (
      account_id uuid primary key references account,
      regions text[] not null check (cardinality(regions) > 0)
    );
    create table conflict_of_interest (
      account_id uuid not null references account,
      student_id uuid not null references student,
      reason text not null check (length(reason) >= 3),
      primary key (account_id, student_id)
    );
    create index conflict_student on conflict_of_interest (student_id);
    create table simulated_patient (
      id uuid primary key,
      name text not null unique check (name <> ''),
      -- Procedures that they must not undergo.
      barred text[] not null default '{}',
      -- How often the same joint may be stressed before a pause; null where nothing was agreed.
      most_in_a_row integer check (most_in_a_row between 1 and 20),
      retired_at timestamptz
    );
    create table room (
      id uuid primary key,
      name text not null unique check (name <> ''),
      couches integer not null check (couches between 1 and 40)
    );
    create table equipment (
      what text primary key check (what <> ''),
      pieces integer not null check (pieces between 0 and 999)
    );

    -- Who takes part, and when they are there; null for all the time.
    create table examination_examiner (
      examination_id uuid not null references examination,
      account_id uuid not null references account,
      present tstzmultirange check (not isempty(present)),
      primary key (examination_id, account_id)
    );
    create table examination_patient (
      examination_id uuid not null references examination,
      patient_id uuid not null references simulated_patient,
      present tstzmultirange check (not isempty(present)),
      primary key (examination_id, patient_id)
    );
    -- Where the station of a circuit stands. A couch has one station.
    create table station_place (
      examination_id uuid not null references examination,
      station_id uuid not null references station on delete cascade,
      circuit integer not null check (circuit > 0),
      room_id uuid not null references room,
      couch integer not null check (couch > 0),
      primary key (station_id, circuit),
      unique (examination_id, room_id, couch)
    );

    create table timetable_wish (
      examination_id uuid primary key references examination,
      wish jsonb not null,
      updated_by uuid not null references account,
      updated_at timestamptz not null default now()
    );
    create table timetable (
      id uuid primary key,
      examination_id uuid not null references examination,
      number integer not null check (number > 0),
      state text not null check (state in ('draft', 'published', 'superseded', 'dropped')),
      wish jsonb not null,
      -- The plan that its beginning was taken from, and when on the day that was.
      follows uuid references timetable,
      replanned_at timestamptz check ((replanned_at is null) = (follows is null)),
      seed integer not null,
      bound double precision not null,
      length double precision not null,
      unmet jsonb not null,
      precision jsonb,
      revision integer not null default 0 check (revision >= 0),
      made_by uuid not null references account,
      made_at timestamptz not null default now(),
      published_by uuid references account,
      published_at timestamptz check ((published_at is null) = (published_by is null)),
      check ((state in ('published', 'superseded')) = (published_at is not null)),
      unique (examination_id, number)
    );
    create unique index timetable_one_draft on timetable (examination_id) where state = 'draft';
    create unique index timetable_one_published on timetable (examination_id) where state = 'published';

    create table slot (
      timetable_id uuid not null references timetable,
      candidate_id uuid not null references candidate,
      starts timestamptz not null,
      ends timestamptz not null check (ends > starts),
      day integer not null check (day >= 0),
      circuit integer not null check (circuit > 0),
      wave integer not null check (wave >= 0),
      -- null for a rest
      station_id uuid references station,
      primary key (timetable_id, candidate_id, starts),
      constraint slot_candidate_in_one_place exclude using gist
        (timetable_id with =, candidate_id with =, tstzrange(starts, ends) with &&)
        deferrable initially deferred,
      constraint slot_station_has_one_candidate exclude using gist
        (timetable_id with =, station_id with =, circuit with =, tstzrange(starts, ends) with &&)
        where (station_id is not null) deferrable initially deferred
    );
    create table slot_person (
      timetable_id uuid not null,
      candidate_id uuid not null,
      starts timestamptz not null,
      ends timestamptz not null,
      part text not null check (part in ('examiner', 'second', 'patient')),
      account_id uuid references account,
      patient_id uuid references simulated_patient,
      check ((part = 'patient') = (patient_id is not null)),
      check ((part = 'patient') = (account_id is null)),
      primary key (timetable_id, candidate_id, starts, part),
      foreign key (timetable_id, candidate_id, starts)
        references slot on delete cascade deferrable initially deferred,
      constraint slot_examiner_in_one_place exclude using gist
        (timetable_id with =, account_id with =, tstzrange(starts, ends) with &&)
        where (account_id is not null) deferrable initially deferred,
      constraint slot_patient_in_one_place exclude using gist
        (timetable_id with =, patient_id with =, tstzrange(starts, ends) with &&)
        where (patient_id is not null) deferrable initially deferred
    );

    -- What was changed by hand, and what was there before it. An undone change stays, with what undid it.
    create table timetable_change (
      timetable_id uuid not null references timetable,
      revision integer not null check (revision > 0),
      words text not null,
      before jsonb not null,
      after jsonb not null,
      undoes integer,
      made_by uuid not null references account,
      made_at timestamptz not null default now(),
      primary key (timetable_id, revision),
      unique (timetable_id, undoes)
    );
    -- What left the house from a plan: stale as soon as another is published, or this one changed.
    create table timetable_copy (
      id uuid primary key,
      timetable_id uuid not null references timetable,
      revision integer not null,
      what text not null,
      taken_by uuid not null references account,
      taken_at timestamptz not null default now()
    );
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
