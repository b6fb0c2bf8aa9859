import type { Knex } from 'knex';

/**
 * Checklists while they are written. A draft is a stream of changes, each of one piece: an item, or
 * a part around the items. Whoever changed a piece that somebody else had changed meanwhile has not
 * overwritten it, and what they wrote is kept beside it. The pieces as they stand are a projection.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    -- Of the table for drafts that the eighth migration made, nothing was ever written or read.
    drop table checklist_draft;

    create table draft (
      id uuid primary key,
      checklist_id uuid not null references checklist,
      -- The station of the bank that gets a new version with it.
      bank_station_id uuid references bank_station,
      started_from uuid not null references checklist_version,
      begun_by uuid not null references account,
      begun_at timestamptz not null default now(),
      -- The number of its last change.
      sequence integer not null default 0 check (sequence >= 0),
      changed_at timestamptz not null default now(),
      -- Published, or put away.
      closed_at timestamptz,
      closed_by uuid references account,
      published_as uuid references checklist_version,
      check ((closed_at is null) = (closed_by is null)),
      check (published_as is null or closed_at is not null)
    );
    create unique index draft_one_open on draft (checklist_id) where closed_at is null;

    create table draft_change (
      draft_id uuid not null references draft,
      sequence integer not null check (sequence > 0),
      -- What was sent together; the same sending twice is written once.
      sending uuid not null,
      piece text not null check (piece <> ''),
      -- Null where the piece is gone.
      value jsonb check (value <> 'null'::jsonb),
      -- Whether it stands, or was written on top of what another had changed meanwhile.
      taken boolean not null,
      account_id uuid not null references account,
      at timestamptz not null default now(),
      primary key (draft_id, sequence)
    );
    create index draft_change_sending on draft_change (draft_id, sending);
    create index draft_change_piece on draft_change (draft_id, piece, sequence desc);
    create trigger draft_change_append_only before update or delete on draft_change
      for each row execute function refuse_change();

    create table draft_piece (
      draft_id uuid not null references draft,
      piece text not null,
      value jsonb check (value <> 'null'::jsonb),
      -- The change that made it so; 0 where it is as the draft was begun.
      sequence integer not null check (sequence >= 0),
      primary key (draft_id, piece)
    );
    create index draft_piece_sequence on draft_piece (draft_id, sequence);

    create function refuse_change_of_closed() returns trigger language plpgsql as $$
    begin
      if exists (select from draft d where d.id = new.draft_id and d.closed_at is not null) then
        raise exception 'draft % is closed', new.draft_id using errcode = 'restrict_violation';
      end if;
      return new;
    end $$;
    create trigger draft_change_while_open before insert on draft_change
      for each row execute function refuse_change_of_closed();

    -- Who has a draft open, and saw it when.
    create table draft_reader (
      draft_id uuid not null references draft,
      account_id uuid not null references account,
      seen_at timestamptz not null default now(),
      primary key (draft_id, account_id)
    );

    alter table checklist_version add column made_by uuid references account;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
