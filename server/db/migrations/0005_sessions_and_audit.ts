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

    -- Taps of several requests, each as whoever its session is of: reading the sessions and writing
    -- the taps is one statement. In the order of the sheets, so that two statements never wait for
    -- each other.
    create function record_taps_together(requests jsonb)
    returns table (place bigint, refusal text, outcomes text[], before bigint, stamp bigint,
      "submittedAt" timestamptz)
    language plpgsql as $$
    declare
      one record;
    begin
      for one in
        select r.* from rows from (jsonb_to_recordset(requests)
            as (session text, token text, sheet uuid, account uuid, taps jsonb))
          with ordinality as r(session, token, sheet, account, taps, place)
        order by r.sheet, r.place
      loop
        perform from session s join account a on a.id = s.account_id
        where s.id_hash = decode(one.session, 'hex') and s.expires_at > now()
          and s.data ->> 'csrfToken' = one.token
          and a.id = one.account and a.role = 'examiner' and a.disabled_at is null;
        if found then
          return query select one.place, t.refusal, t.outcomes, t.before, t.stamp, t."submittedAt"
          from record_taps(one.sheet, one.account, one.taps) t;
        else
          return query select one.place, 'no-session', null::text[], null::bigint, null::bigint,
            null::timestamptz;
        end if;
      end loop;
    end $$;
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
