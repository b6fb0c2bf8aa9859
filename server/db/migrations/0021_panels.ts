import type { Knex } from 'knex';

/**
 * Panels of judges: what they judge, who sits, in which rounds, and everything that was said. What a
 * judge says is a stream that is only added to; the newest word on a thing in a round holds.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table panel (
      id uuid primary key,
      examination_id uuid not null references examination,
      title text not null check (title <> ''),
      method text not null check (method in ('angoff-percent', 'angoff-yes-no', 'angoff-points', 'ebel')),
      level text not null check (level in ('item', 'station')),
      asks_hofstee boolean not null,
      asks_beuk boolean not null,
      -- Whether judges see, between rounds, what earlier candidates earned.
      shows_facilities boolean not null,
      made_by uuid not null references account,
      made_at timestamptz not null default now(),
      check (not (method = 'angoff-yes-no' and level = 'station')),
      unique (examination_id, title)
    );
    -- The stations that are judged, on the version of the checklist that they had then.
    create table panel_station (
      panel_id uuid not null references panel,
      station_id uuid not null references station,
      checklist_version_id uuid not null references checklist_version,
      position integer not null check (position > 0),
      primary key (panel_id, station_id)
    );
    create table panel_seat (
      id uuid primary key,
      panel_id uuid not null references panel,
      name text not null check (name <> ''),
      email text,
      made_at timestamptz not null default now(),
      withdrawn_at timestamptz,
      unique (panel_id, name)
    );
    create table panel_round (
      panel_id uuid not null references panel,
      number integer not null check (number between 1 and 9),
      open boolean not null,
      primary key (panel_id, number)
    );
    create unique index panel_one_open_round on panel_round (panel_id) where open;
    -- What became of rounds: opened, closed (with whom missing), opened again with a reason.
    create table panel_round_event (
      id uuid primary key,
      panel_id uuid not null,
      number integer not null,
      what text not null check (what in ('opened', 'closed', 'reopened')),
      reason text check ((what = 'reopened') = (reason is not null)),
      missing text[] not null default '{}',
      made_by uuid not null references account,
      made_at timestamptz not null default now(),
      foreign key (panel_id, number) references panel_round
    );
    create table panel_judgement (
      id uuid primary key,
      sequence bigint generated always as identity,
      seat_id uuid not null references panel_seat,
      number integer not null check (number > 0),
      subject text not null check (length(subject) between 1 and 200),
      -- A share in [0, 1], a place in the grid, or neither where a word was taken back.
      share double precision check (share between 0 and 1),
      difficulty text check (difficulty in ('easy', 'medium', 'hard')),
      relevance text check (relevance in ('essential', 'important', 'acceptable')),
      made_at timestamptz not null default now(),
      check ((difficulty is null) = (relevance is null)),
      check (share is null or difficulty is null)
    );
    create index panel_judgement_newest on panel_judgement (seat_id, number, subject, sequence desc);
    -- Who has handed in a round; whoever goes on judging takes it back first.
    create table panel_hand_in (
      seat_id uuid not null references panel_seat,
      number integer not null,
      made_at timestamptz not null default now(),
      primary key (seat_id, number)
    );
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
