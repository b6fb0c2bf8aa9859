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
      add column checklist_version_id uuid references checklist_version,
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
    arrived timestamptz;
    fresh uuid[];
    marks boolean;
    others boolean;
    first timestamptz;
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
    before := coalesce((select max(arrival) from mark_event where sheet_id = the_sheet), 0);
    with written as (
      insert into mark_event (id, sheet_id, account_id, checklist_version_id, device, sequence, at,
        clock_ahead, happened_at, received_at, late, body)
      select t.id, the_sheet, the_account, t."checklistVersionId", t.device, t.sequence, t.at,
        t."clockAhead", least(t.at - t."clockAhead" * interval '1 millisecond', arrived), arrived,
        case when own.submitted_at is not null then 'after-submission'
          when t."checklistVersionId" <> own.checklist_version_id then 'other-version' end,
        t.body
      from jsonb_populate_recordset(null::tap, batch) t
      order by 9, t.device, t.sequence
      on conflict do nothing
      returning id, late, arrival, happened_at, body ->> 'type' as type)
    select array_agg(id) filter (where late is null), coalesce(max(arrival), before),
      bool_or(type in ('mark', 'clear')) filter (where late is null),
      bool_or(type not in ('mark', 'clear')) filter (where late is null),
      min(happened_at) filter (where late is null)
    into fresh, stamp, marks, others, first from written;

    if marks then perform project_marks(the_sheet, fresh); end if;
    if others or own.started_at is null or first < own.started_at then
      perform project_sheet(the_sheet, first);
    end if;

    select coalesce(array_agg(case
        when e.id is null then 'place-taken'
        when (e.sheet_id, e.account_id, e.checklist_version_id, e.device, e.sequence, e.at, e.body)
          is distinct from
          (the_sheet, the_account, t."checklistVersionId", t.device, t.sequence, t.at, t.body)
          then 'other-body'
        when e.late is not null then 'late'
        else 'kept' end order by t.place), '{}')
    into outcomes
    from rows from (jsonb_populate_recordset(null::tap, batch)) with ordinality
        as t(id, device, sequence, at, "clockAhead", "checklistVersionId", body, place)
      left join mark_event e on e.id = t.id;
    select h.rating is not null or h.safety_events > 0 into rated from sheet h where h.id = the_sheet;
    "submittedAt" := own.submitted_at;
  end $$;

  -- The marks of the items that these taps touch, read off the stream in its order.
  create function project_marks(the_sheet uuid, taps uuid[]) returns void language plpgsql as $$
  begin
    with touched as (
      select distinct body ->> 'item' as item from mark_event
      where id = any(taps) and body ->> 'type' in ('mark', 'clear')),
    stream as (
      select e.id, e.body, e.body ->> 'item' as item, e.body ->> 'type' as type,
        e.happened_at, e.arrival
      from mark_event e
      where e.sheet_id = the_sheet and e.late is null and e.body ->> 'type' in ('mark', 'clear')
        and e.body ->> 'item' in (select item from touched)),
    newest as (
      select distinct on (item) * from stream order by item, happened_at desc, arrival desc),
    cleared as (
      select distinct on (item) item, happened_at, arrival from stream where type = 'clear'
      order by item, happened_at desc, arrival desc),
    first as (
      select s.item, min(s.happened_at) as at
      from stream s left join cleared c using (item)
      where s.type = 'mark'
        and (c.item is null or (s.happened_at, s.arrival) > (c.happened_at, c.arrival))
      group by s.item),
    gone as (
      delete from sheet_mark m using newest n
      where m.sheet_id = the_sheet and m.item = n.item and n.type = 'clear')
    insert into sheet_mark (sheet_id, item, number_value, choice_value, observation, manner,
      prompted, at, event_id)
    select the_sheet, item,
      case jsonb_typeof(body -> 'value') when 'number' then (body ->> 'value')::numeric end,
      case jsonb_typeof(body -> 'value') when 'string' then body ->> 'value' end,
      body ->> 'observation', body ->> 'manner', (body ->> 'prompted')::boolean, first.at, id
    from newest join first using (item) where type = 'mark'
    on conflict (sheet_id, item) do update set
      number_value = excluded.number_value, choice_value = excluded.choice_value,
      observation = excluded.observation, manner = excluded.manner, prompted = excluded.prompted,
      at = excluded.at, event_id = excluded.event_id;
  end $$;

  -- Everything on a sheet but its marks, read off the stream in its order.
  create function project_sheet(the_sheet uuid, first timestamptz) returns void
  language plpgsql as $$
  begin
    with stream as (
      select body, body ->> 'type' as type, happened_at, arrival from mark_event
      where sheet_id = the_sheet and late is null and body ->> 'type' not in ('mark', 'clear')),
    newest as (
      select distinct on (kind) kind, body, happened_at from (
        select *, case type when 'safety' then 'clock' else type end as kind from stream) s
      order by kind, happened_at desc, arrival desc)
    update sheet set
      started_at = least(started_at, first),
      variant = coalesce((select body ->> 'variant' from newest where kind = 'variant'), variant),
      comment = coalesce((select body ->> 'text' from newest where kind = 'comment'), comment),
      rating = coalesce((select (body ->> 'grade')::integer from newest where kind = 'rating'), rating),
      clock = coalesce((select jsonb_build_object(
          'running', coalesce((body ->> 'running')::boolean, false),
          'remaining', body -> 'remaining',
          'since', to_char(happened_at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'))
        from newest where kind = 'clock'), clock),
      safety_events = (select count(*) from stream where type = 'safety')
    where id = the_sheet;

    with newest as (
      select distinct on (fault) body ->> 'fault' as fault, (body ->> 'present')::boolean as present
      from mark_event
      where sheet_id = the_sheet and late is null and body ->> 'type' = 'fault'
      order by fault, happened_at desc, arrival desc),
    gone as (
      delete from sheet_fault f using newest n
      where f.sheet_id = the_sheet and f.fault = n.fault and not n.present)
    insert into sheet_fault (sheet_id, fault)
    select the_sheet, fault from newest where present
    on conflict do nothing;
  end $$;
`;

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
