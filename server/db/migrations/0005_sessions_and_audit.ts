import type { Knex } from 'knex';

/**
 * Sessions are kept by the hash of their id, so that who reads the database cannot use them, and
 * name their account, so that a new password can end the others. Whoever is signed in signs in
 * again once.
 *
 * The audit becomes a chain: every entry, in the order in which it was sealed, carries a hash over
 * itself and over the one before. Sealing happens in small batches after the entries are written,
 * so that writers do not wait for one another.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    drop table session;
    create table session (
      id_hash bytea primary key check (length(id_hash) = 32),
      account_id uuid references account,
      data jsonb not null,
      expires_at timestamptz not null
    );
    create index session_expires on session (expires_at);
    create index session_account on session (account_id);

    create table audit_link (
      position bigint primary key check (position > 0),
      entry_id uuid not null unique references audit_entry,
      hash bytea not null check (length(hash) = 32)
    );
    create trigger audit_link_append_only before update or delete on audit_link
      for each row execute function refuse_change();
    create index audit_entry_at on audit_entry (at, id);
    create index audit_entry_account on audit_entry (account_id, at);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
