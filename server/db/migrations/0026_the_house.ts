import type { Knex } from 'knex';

/**
 * Rooms, simulated patients, equipment and what examiners may examine belong to the house, and are
 * changed by whom the house names: whoever holds the role of the office, and administrators. Anybody
 * else who needs a change proposes it. Why somebody must not mark somebody is told in confidence: it is
 * read by whoever wrote it down, and by administrators.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table account drop constraint account_roles_check;
    alter table account add constraint account_roles_check
      check (roles <@ '{administrator,office,lead,examiner,judge}'::text[]);

    alter table conflict_of_interest add column written_by uuid references account;
    comment on column conflict_of_interest.written_by is 'null for what was written before this was noted';

    create table house_proposal (
      id uuid primary key,
      -- For whose sake it is wanted.
      examination_id uuid not null references examination,
      change jsonb not null,
      words text not null check (words <> ''),
      made_by uuid not null references account,
      made_at timestamptz not null default now(),
      decided_by uuid references account,
      decided_at timestamptz,
      taken boolean,
      check ((decided_at is null) = (decided_by is null)),
      check ((decided_at is null) = (taken is null))
    );
    -- The same is proposed once, until it is decided.
    create unique index house_proposal_open on house_proposal (examination_id, md5(change::text))
      where decided_at is null;
    create index house_proposal_made on house_proposal (made_at);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
