import type { Knex } from 'knex';

/**
 * Links with one purpose each, of which only a hash is kept, and the post that carries them: what
 * is to be sent waits here until it is, and where there is no mail server, here is where it is read.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table account alter column password_hash drop not null;
    comment on column account.password_hash is
      'null until whoever was invited has chosen a password';

    create table link (
      id uuid primary key,
      purpose text not null check (purpose in ('invitation', 'new-password', 'panel-seat', 'feedback')),
      token_hash bytea not null unique check (length(token_hash) = 32),
      -- Whom or what it is for: an account, a seat, a candidate.
      subject uuid not null,
      made_by uuid references account,
      made_at timestamptz not null default now(),
      expires_at timestamptz not null,
      used_at timestamptz,
      revoked_at timestamptz,
      check (expires_at > made_at)
    );
    create index link_subject on link (subject, purpose);

    create table letter (
      id uuid primary key,
      recipient text not null,
      subject text not null,
      body text not null,
      written_at timestamptz not null default now(),
      sent_at timestamptz,
      problem text
    );
    create index letter_written on letter (written_at);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
