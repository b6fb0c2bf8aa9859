import type { Knex } from 'knex';

/**
 * The stream of taps in its lasting shape: who tapped, on which checklist version, and two clocks.
 *
 * `at` is the time of the device and `clock_ahead` by how many milliseconds that device was ahead
 * of the server; `happened_at` is the corrected time, never later than `received_at`. What counts
 * of two taps is the later by (happened_at, arrival), whatever order they came in. A tap that came
 * too late to count keeps the reason in `late` and changes no sheet.
 *
 * Beside it: when marking was first opened stays known through a break, and a decision names the
 * sheets that it knew.
 */
export async function up(db: Knex): Promise<void> {
  await widenStream(db);
  await keepOpening(db);
  await nameDecidedSheets(db);
  await db.raw(RECORD_TAPS);
}

async function widenStream(db: Knex): Promise<void> {
  await db.raw(`
    alter table mark_event
      add column account_id uuid references account,
      add column checklist_version_id uuid,
      add column clock_ahead integer not null default 0,
      add column happened_at timestamptz,
      add column arrival bigint,
      add column late text check (late in ('after-submission', 'other-version'));

    alter table mark_event disable trigger mark_event_append_only;
    update mark_event e set
      account_id = h.examiner_id,
      checklist_version_id = h.checklist_version_id,
      happened_at = least(e.at, e.received_at),
      arrival = o.arrival
    from sheet h,
      (select id, row_number() over (order by received_at, sequence, id) as arrival from mark_event) o
    where h.id = e.sheet_id and o.id = e.id;
    alter table mark_event enable trigger mark_event_append_only;

    alter table mark_event
      alter column account_id set not null,
      alter column checklist_version_id set not null,
      alter column happened_at set not null,
      alter column arrival set not null,
      alter column clock_ahead drop default,
      alter column arrival add generated always as identity,
      add constraint mark_event_happened check (
        happened_at = least(at - clock_ahead * interval '1 millisecond', received_at)),
      add constraint mark_event_arrival unique (sheet_id, arrival);
    select setval(pg_get_serial_sequence('mark_event', 'arrival'),
      greatest(1, (select max(arrival) from mark_event)));
    create index mark_event_late on mark_event (sheet_id) where late is not null;

    -- A foreign key would lock the row of the version for every tap, and all tablets of a station
    -- would queue for the same one. Versions are never deleted, so that looking is enough.
    create function require_checklist_version() returns trigger language plpgsql as $$
    begin
      if not exists (select from checklist_version where id = new.checklist_version_id) then
        raise exception 'there is no checklist version %', new.checklist_version_id
          using errcode = 'foreign_key_violation';
      end if;
      return new;
    end $$;
    create trigger mark_event_names_version before insert on mark_event
      for each row execute function require_checklist_version();
    create trigger checklist_version_stays before delete on checklist_version
      for each row execute function refuse_change();

    -- What the stream keeps of a measurement, the projection keeps.
    alter table sheet_mark alter column number_value type numeric;
    comment on column sheet_mark.at is
      'when the item was first marked since it was last cleared; a correction does not move it';
    with opened as (select sheet_id, min(happened_at) as first from mark_event group by sheet_id),
      closed as (select sheet_id, min(happened_at) as last from mark_event
        where body ->> 'type' = 'submit' group by sheet_id)
    update sheet h set started_at = o.first, submitted_at = coalesce(c.last, h.submitted_at)
    from opened o left join closed c using (sheet_id) where o.sheet_id = h.id;
    alter table sheet add constraint sheet_on_one_time check (submitted_at >= started_at);
  `);
}

async function keepOpening(db: Knex): Promise<void> {
  await db.raw(`
    alter table examination add column marking_closed_at timestamptz;
    -- A break used to forget the opening; a sheet that was begun remembers it.
    update examination e set marking_opened_at = begun.first, marking_closed_at = now()
    from (select s.examination_id, min(h.started_at) as first
      from sheet h join station s on s.id = h.station_id
      where h.started_at is not null group by s.examination_id) begun
    where begun.examination_id = e.id and e.marking_opened_at is null;
    alter table examination add constraint examination_opened_before_closed check (
      marking_closed_at is null or marking_opened_at is not null);

    create function refuse_reopened_preparation() returns trigger language plpgsql as $$
    begin
      raise exception 'examination % has been opened for marking', old.id
        using errcode = 'restrict_violation';
    end $$;
    create trigger examination_stays_opened before update of marking_opened_at on examination
      for each row when (old.marking_opened_at is not null
        and new.marking_opened_at is distinct from old.marking_opened_at)
      execute function refuse_reopened_preparation();

    create function refuse_other_checklist() returns trigger language plpgsql as $$
    begin
      if (select count(distinct checklist_id) from checklist_version
          where id in (old.checklist_version_id, new.checklist_version_id)) > 1 then
        raise exception 'station % keeps its checklist', old.id using errcode = 'restrict_violation';
      end if;
      if exists (select from examination
          where id = old.examination_id and marking_opened_at is not null) then
        raise exception 'station % has been opened for marking', old.id
          using errcode = 'restrict_violation';
      end if;
      return new;
    end $$;
    create trigger station_keeps_checklist before update of checklist_version_id on station
      for each row when (new.checklist_version_id <> old.checklist_version_id)
      execute function refuse_other_checklist();
  `);
}

async function nameDecidedSheets(db: Knex): Promise<void> {
  await db.raw(`
    create table decision_sheet (
      decision_id uuid not null references decision,
      sheet_id uuid not null references sheet,
      primary key (decision_id, sheet_id)
    );
    create index decision_sheet_sheet on decision_sheet (sheet_id);
    -- Until now a decision knew what had arrived when it was signed.
    insert into decision_sheet (decision_id, sheet_id)
    select d.id, e.sheet_id
    from decision d
      join station s on s.examination_id = d.examination_id
      join sheet h on h.station_id = s.id
      join mark_event e on e.sheet_id = h.id and e.body ->> 'type' = 'submit'
        and e.received_at <= d.signed_at;
    create trigger decision_sheet_append_only before update or delete on decision_sheet
      for each row execute function refuse_change();
  `);
}

/**
 * Writes a batch of taps on one sheet and projects them, in one round trip.
 *
 * `refusal` says why the sheet is not this account's to mark ('no-sheet', 'other-examiner',
 * 'not-assigned', 'not-open'); where it is null, `outcomes` has one word a tap in the order of the
 * batch ('kept', 'late', 'place-taken', 'other-body'), `before` and `stamp` are the arrival of the
 * sheet's newest tap before and after, and `rated` tells whether a submission may follow. A
 * submission is written here and scored by the caller.
 */
const RECORD_TAPS = `
  create type tap as (
    id uuid, device text, sequence integer, at timestamptz, "clockAhead" integer,
    "checklistVersionId" uuid, body jsonb);

  create function record_taps(the_sheet uuid, the_account uuid, batch jsonb,
    out refusal text, out outcomes text[], out before bigint, out stamp bigint, out rated boolean,
    out "submittedAt" timestamptz)
  language plpgsql as $$
  declare
    own record;
    one record;
    known record;
    arrived timestamptz;
    happened timestamptz;
    lateness text;
    first timestamptz;
    in_order boolean := true;
  begin
    select h.examiner_id, h.checklist_version_id, h.started_at, h.submitted_at,
      e.marking_opened_at is not null and e.marking_closed_at is null as open,
      h.started_at is not null or exists (select from station_examiner x
        where x.station_id = h.station_id and x.account_id = h.examiner_id) as assigned
    into own
    from sheet h
      join station s on s.id = h.station_id
      join examination e on e.id = s.examination_id
    where h.id = the_sheet for update of h;
    refusal := case
      when not found then 'no-sheet'
      when own.examiner_id <> the_account then 'other-examiner'
      when not own.assigned then 'not-assigned'
      when own.started_at is null and not own.open then 'not-open' end;
    if refusal is not null then return; end if;

    arrived := date_trunc('milliseconds', clock_timestamp());
    before := coalesce((select max(e.arrival) from mark_event e where e.sheet_id = the_sheet), 0);
    stamp := before;
    outcomes := '{}';
    for one in
      select t.*, least(t.at - t."clockAhead" * interval '1 millisecond', arrived) as happened
      from rows from (jsonb_populate_recordset(null::tap, batch)) with ordinality
        as t(id, device, sequence, at, "clockAhead", "checklistVersionId", body, place)
      order by happened, t.device, t.sequence
    loop
      lateness := case
        when own.submitted_at is not null then 'after-submission'
        when one."checklistVersionId" <> own.checklist_version_id then 'other-version' end;
      insert into mark_event as e (id, sheet_id, account_id, checklist_version_id, device, sequence,
        at, clock_ahead, happened_at, received_at, late, body)
      values (one.id, the_sheet, the_account, one."checklistVersionId", one.device, one.sequence,
        one.at, one."clockAhead", one.happened, arrived, lateness, one.body)
      on conflict do nothing returning e.arrival into stamp;
      if not found then
        stamp := greatest(before, (select max(m.arrival) from mark_event m where m.sheet_id = the_sheet));
        select e.late, (e.sheet_id, e.account_id, e.checklist_version_id, e.device, e.sequence, e.at,
            e.body) is not distinct from (the_sheet, the_account, one."checklistVersionId",
            one.device, one.sequence, one.at, one.body) as same
        into known from mark_event e where e.id = one.id;
        outcomes[one.place] := case
          when known is null then 'place-taken' when not known.same then 'other-body'
          when known.late is not null then 'late' else 'kept' end;
        continue;
      end if;
      outcomes[one.place] := case when lateness is null then 'kept' else 'late' end;
      continue when lateness is not null;
      first := least(first, one.happened);
      in_order := in_order and not exists (select from mark_event e
        where e.sheet_id = the_sheet and e.late is null and e.happened_at > one.happened);
      if in_order then
        perform apply_tap(the_sheet, one.id, one.body, one.happened);
      end if;
    end loop;

    if own.started_at is null or first < own.started_at then
      update sheet h set started_at = least(h.started_at, first) where h.id = the_sheet;
    end if;
    if not in_order then perform read_off_stream(the_sheet); end if;
    select h.rating is not null or h.safety_events > 0 into rated from sheet h where h.id = the_sheet;
    "submittedAt" := own.submitted_at;
  end $$;

  -- What one tap changes on a sheet, where it is the newest.
  create function apply_tap(the_sheet uuid, the_tap uuid, body jsonb, happened timestamptz)
  returns void language plpgsql as $$
  begin
    case body ->> 'type'
    when 'mark' then
      insert into sheet_mark (sheet_id, item, number_value, choice_value, observation, manner,
        prompted, at, event_id)
      values (the_sheet, body ->> 'item',
        case jsonb_typeof(body -> 'value') when 'number' then (body ->> 'value')::numeric end,
        case jsonb_typeof(body -> 'value') when 'string' then body ->> 'value' end,
        body ->> 'observation', body ->> 'manner', (body ->> 'prompted')::boolean, happened, the_tap)
      on conflict (sheet_id, item) do update set
        number_value = excluded.number_value, choice_value = excluded.choice_value,
        observation = excluded.observation, manner = excluded.manner,
        prompted = excluded.prompted, event_id = excluded.event_id;
    when 'clear' then
      delete from sheet_mark m where m.sheet_id = the_sheet and m.item = body ->> 'item';
    when 'fault' then
      if (body ->> 'present')::boolean then
        insert into sheet_fault (sheet_id, fault) values (the_sheet, body ->> 'fault')
        on conflict do nothing;
      else
        delete from sheet_fault f where f.sheet_id = the_sheet and f.fault = body ->> 'fault';
      end if;
    when 'variant' then
      update sheet set variant = body ->> 'variant' where id = the_sheet;
    when 'comment' then
      update sheet set comment = body ->> 'text' where id = the_sheet;
    when 'rating' then
      update sheet set rating = (body ->> 'grade')::integer where id = the_sheet;
    when 'clock', 'safety' then
      update sheet set
        clock = jsonb_build_object('running', coalesce((body ->> 'running')::boolean, false),
          'remaining', body -> 'remaining',
          'since', to_char(happened at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')),
        safety_events = safety_events + (body ->> 'type' = 'safety')::integer
      where id = the_sheet;
    else -- a submission is scored by the caller; a dropped tap changes nothing
    end case;
  end $$;

  -- A tap came that is older than what is on the sheet: the sheet is made anew of its whole stream.
  create function read_off_stream(the_sheet uuid) returns void language plpgsql as $$
  declare
    one record;
  begin
    delete from sheet_mark where sheet_id = the_sheet;
    delete from sheet_fault where sheet_id = the_sheet;
    update sheet h set comment = '', rating = null, clock = null, safety_events = 0,
      variant = (select v.content ->> 'usualVariant' from checklist_version v
        where v.id = h.checklist_version_id)
    where h.id = the_sheet;
    for one in
      select e.id, e.body, e.happened_at from mark_event e
      where e.sheet_id = the_sheet and e.late is null order by e.happened_at, e.arrival
    loop
      perform apply_tap(the_sheet, one.id, one.body, one.happened_at);
    end loop;
  end $$;
`;

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
