import type { Knex } from 'knex';

/**
 * Somebody may hold several roles, and a lead leads examinations, not the installation. Whoever led
 * until now becomes an administrator too, and leads every examination that there is.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table account add column roles text[] not null default '{}'
      check (roles <@ '{administrator,lead,examiner,judge}'::text[]);
    update account set roles =
      case role when 'lead' then '{administrator,lead}'::text[] else array[role] end;
    alter table account drop column role, alter column roles drop default;

    -- Somebody must be able to give roles back. Two who take them from each other at the same
    -- moment wait here for one another.
    create function refuse_to_lose_last_administrator() returns trigger language plpgsql as $$
    begin
      perform pg_advisory_xact_lock(hashtext('administrators'));
      if not exists (select from account
          where 'administrator' = any(roles) and disabled_at is null and id <> old.id) then
        raise exception 'account % is the last administrator', old.id
          using errcode = 'restrict_violation';
      end if;
      return new;
    end $$;
    create trigger account_keeps_administrator before update of roles, disabled_at on account
      for each row when ('administrator' = any(old.roles) and old.disabled_at is null
        and not ('administrator' = any(new.roles) and new.disabled_at is null))
      execute function refuse_to_lose_last_administrator();

    create table examination_lead (
      examination_id uuid not null references examination,
      account_id uuid not null references account,
      may text not null check (may in ('lead', 'read')),
      primary key (examination_id, account_id)
    );
    create index examination_lead_account on examination_lead (account_id);
    insert into examination_lead
    select e.id, a.id, 'lead' from examination e cross join account a where 'lead' = any(a.roles);
  `);
  await db.raw(TAPS_BY_ROLE);
}

/** As in the fifth migration, but for the role, which is one of several now. */
const TAPS_BY_ROLE = `
  create or replace function record_taps_together(requests jsonb)
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
        and a.id = one.account and 'examiner' = any(a.roles) and a.disabled_at is null;
      if found then
        return query select one.place, t.refusal, t.outcomes, t.before, t.stamp, t."submittedAt"
        from record_taps(one.sheet, one.account, one.taps) t;
      else
        return query select one.place, 'no-session', null::text[], null::bigint, null::bigint,
          null::timestamptz;
      end if;
    end loop;
  end $$;
`;

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
