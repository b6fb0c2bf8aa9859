import type { Knex } from 'knex';

/**
 * A sheet that was submitted can be put back into its examiner's hand, by a lead, with a reason, as
 * long as no decision knows it. What it had scored stays with the reopening; its taps stay in the
 * stream, and what is tapped from now on counts after them.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table sheet_reopening (
      id uuid primary key,
      sheet_id uuid not null references sheet (id),
      account_id uuid not null references account (id),
      at timestamptz not null default clock_timestamp(),
      reason text not null check (length(reason) between 10 and 1000),
      submitted_at timestamptz not null,
      score jsonb not null,
      stamp bigint not null
    );
    comment on column sheet_reopening.stamp is
      'the sheet''s place in its stream: what arrived after it was tapped on the reopened sheet';
    create index sheet_reopening_sheet on sheet_reopening (sheet_id, at desc);

    -- What an item earned goes only with a reopening.
    create function refuse_unless_reopened() returns trigger language plpgsql as $$
    begin
      if exists (select from sheet h join sheet_reopening r on r.sheet_id = h.id
          where h.id = old.sheet_id and h.submitted_at is null) then
        return old;
      end if;
      raise exception '% is append-only, but for a sheet that is reopened', tg_table_name using errcode = 'restrict_violation';
    end $$;
    drop trigger sheet_item_stays on sheet_item;
    create trigger sheet_item_stays before update on sheet_item
      for each row execute function refuse_change();
    create trigger sheet_item_goes_with_reopening before delete on sheet_item
      for each row execute function refuse_unless_reopened();

    create function reopen_sheet(the_sheet uuid, the_reopening uuid, the_lead uuid, the_reason text)
    returns text
    language plpgsql security definer set search_path = public, pg_temp as $$
    declare
      own record;
    begin
      select h.submitted_at, h.score, s.examination_id into own
      from sheet h join station s on s.id = h.station_id where h.id = the_sheet for update of h;
      if own.submitted_at is null then return 'not-submitted'; end if;
      if not exists (select from examination_lead o where o.examination_id = own.examination_id
          and o.account_id = the_lead and o.may = 'lead') then
        raise exception 'account % does not lead the examination of sheet %', the_lead, the_sheet
          using errcode = 'insufficient_privilege';
      end if;
      if exists (select from decision_sheet where sheet_id = the_sheet) then return 'decided'; end if;
      insert into sheet_reopening (id, sheet_id, account_id, reason, submitted_at, score, stamp)
      values (the_reopening, the_sheet, the_lead, the_reason, own.submitted_at, own.score,
        (select max(e.arrival) from mark_event e where e.sheet_id = the_sheet));
      update sheet set submitted_at = null, percent = null, score = null, missing_marks = 0,
        critical_missed = '{}', critical_met = '{}', critical_unseen = '{}',
        kept_categories = null, kept_shares = null
      where id = the_sheet;
      delete from sheet_item where sheet_id = the_sheet;
      return 'reopened';
    end $$;
  `);
  await db.raw(SUBMIT_SHEET);
}

/** As in the twenty-fifth migration; of several submissions the newest is the one that is scored. */
const SUBMIT_SHEET = `
  create or replace function submit_sheet(the_sheet uuid, the_score jsonb, kept jsonb) returns void
  language plpgsql security definer set search_path = public, pg_temp as $$
  declare
    handed_in timestamptz;
  begin
    perform from sheet where id = the_sheet and submitted_at is null for update;
    if not found then
      raise exception 'sheet % is submitted, or is none', the_sheet
        using errcode = 'restrict_violation';
    end if;
    select max(e.stands_at) into handed_in from mark_event e
    where e.sheet_id = the_sheet and e.late is null and e.body ->> 'type' = 'submit'
      and e.arrival > coalesce((select max(r.stamp) from sheet_reopening r
        where r.sheet_id = the_sheet), 0);
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
`;

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
