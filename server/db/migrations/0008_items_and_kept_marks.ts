import type { Knex } from 'knex';

/**
 * What a checklist of several procedures needs, and marks that are kept as they counted.
 *
 * An item keeps its identity from version to version as long as it says the same, so that its
 * statistics travel with it; a reworded one is new and names the one that it follows. A sheet
 * records a variant for each procedure. A mark can hold a pair or several findings, and belongs to
 * an attempt. At submission every item of a sheet is kept with the share that it earned and the
 * category that it was put in, so that nothing scores again when it is only read.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(ITEMS);
  await db.raw(SHEETS);
  await db.raw(KEPT);
  await db.raw(TAPS);
}

const ITEMS = `
  -- UUID v7 (RFC 9562): milliseconds since the epoch, then chance.
  create function new_id() returns uuid language sql volatile as $$
    select encode(set_bit(set_bit(overlay(uuid_send(gen_random_uuid())
      placing substring(int8send(floor(extract(epoch from clock_timestamp()) * 1000)::bigint) from 3)
      from 1 for 6), 52, 1), 53, 1), 'hex')::uuid
  $$;

  create table item (
    id uuid primary key,
    -- Wording, kind, anchors, options, unit: what an examiner reads and answers.
    says jsonb not null,
    follows uuid references item check (follows <> id)
  );
  create trigger item_stays before update or delete on item
    for each row execute function refuse_change();

  create table checklist_item (
    version_id uuid not null references checklist_version,
    key text not null,
    position integer not null check (position > 0),
    item_id uuid not null references item,
    primary key (version_id, key),
    unique (version_id, item_id)
  );
  create index checklist_item_item on checklist_item (item_id);

  create function item_says(item jsonb) returns jsonb language sql immutable as $$
    select jsonb_strip_nulls(jsonb_build_object('text', item -> 'text', 'kind', item -> 'kind',
      'anchors', item -> 'anchors', 'options', item -> 'options', 'unit', item -> 'unit',
      'settings', item -> 'settings',
      'first', case when jsonb_typeof(coalesce(item -> 'left', item -> 'before')) = 'object'
        then item_says(coalesce(item -> 'left', item -> 'before')) end))
  $$;

  create function name_items(version checklist_version) returns void language plpgsql as $$
  declare
    one record;
    known uuid;
    before uuid;
  begin
    for one in
      select i.item ->> 'key' as key, i.place, item_says(i.item) as says
      from jsonb_array_elements(version.content -> 'items') with ordinality i(item, place)
      order by i.place
    loop
      select c.item_id into known
      from checklist_version v
        join checklist_item c on c.version_id = v.id
        join item t on t.id = c.item_id
      where v.checklist_id = version.checklist_id and t.says = one.says
        and not exists (select from checklist_item n
          where n.version_id = version.id and n.item_id = c.item_id)
      order by c.key = one.key desc, v.version desc limit 1;
      if not found then
        select c.item_id into before
        from checklist_version v join checklist_item c on c.version_id = v.id
        where v.checklist_id = version.checklist_id and v.id <> version.id and c.key = one.key
        order by v.version desc limit 1;
        insert into item (id, says, follows) values (new_id(), one.says, before)
        returning id into known;
      end if;
      insert into checklist_item (version_id, key, position, item_id)
      values (version.id, one.key, one.place, known);
    end loop;
  end $$;

  do $$
  declare
    version checklist_version;
  begin
    for version in select * from checklist_version order by checklist_id, checklist_version.version loop
      perform name_items(version);
    end loop;
  end $$;

  create function name_own_items() returns trigger language plpgsql as $$
  begin
    perform name_items(new);
    return new;
  end $$;
  create trigger checklist_version_names_items after insert on checklist_version
    for each row execute function name_own_items();

  -- What is being written; it may be incomplete, a version may not.
  create table checklist_draft (
    checklist_id uuid primary key references checklist,
    content jsonb not null,
    updated_by uuid not null references account,
    updated_at timestamptz not null default now()
  );
`;

const SHEETS = `
  create function usual_variants(of_version uuid) returns jsonb language sql stable as $$
    select case when v.content -> 'procedures' is null
      then jsonb_build_object(c.procedure_id, v.content ->> 'usualVariant')
      else (select jsonb_object_agg(p ->> 'procedure', p ->> 'usualVariant')
        from jsonb_array_elements(v.content -> 'procedures') p) end
    from checklist_version v join checklist c on c.id = v.checklist_id where v.id = of_version
  $$;

  alter table sheet add column variants jsonb;
  update sheet h set variants = jsonb_build_object(c.procedure_id, h.variant)
  from checklist_version v join checklist c on c.id = v.checklist_id
  where v.id = h.checklist_version_id;
  alter table sheet
    alter column variants set not null,
    add check (jsonb_typeof(variants) = 'object');

  alter table sheet_mark
    add column other_value jsonb check (jsonb_typeof(other_value) in ('object', 'array')),
    add column attempt smallint not null default 1 check (attempt between 1 and 3),
    drop constraint sheet_mark_pkey,
    add primary key (sheet_id, item, attempt),
    drop constraint sheet_mark_check,
    drop constraint sheet_mark_check1,
    add constraint sheet_mark_holds_one_value check (
      num_nonnulls(number_value, choice_value, other_value) = (observation = 'observed')::integer);
  comment on column sheet_mark.other_value is
    'a pair of sides, a pair before and after, or the findings that were named';
`;

/** The share of each item on every submitted sheet, by the rules of the first version of the format. */
const KEPT = `
  create table sheet_item (
    sheet_id uuid not null references sheet,
    item text not null,
    item_id uuid not null references item,
    state text not null check (state in ('earned', 'unmarked', 'not-observed', 'not-applicable')),
    share numeric check (share between 0 and 1),
    -- Where the mark stands among the categories that agreement is measured in.
    category text,
    primary key (sheet_id, item),
    check ((state = 'earned') = (share is not null)),
    check ((state = 'earned') = (category is not null))
  );
  create index sheet_item_item on sheet_item (item_id);

  with asked as (
    select h.id as sheet_id, c.key, c.item_id, i.item, m.sheet_id is not null as marked,
      m.observation, m.manner, m.prompted, m.number_value, m.choice_value,
      i.item ->> 'kind' as kind,
      jsonb_array_length(i.item -> 'anchors') - 1 as top,
      coalesce((r.read)::numeric, (i.item ->> 'lower')::numeric) as lower,
      coalesce((r.read)::numeric, (i.item ->> 'upper')::numeric) as upper,
      case when r.read is null then (i.item ->> 'fullTolerance')::numeric
        else greatest((i.item ->> 'fullTolerance')::numeric, (i.item ->> 'step')::numeric) end as full_by,
      case when r.read is null then (i.item ->> 'halfTolerance')::numeric
        else greatest((i.item ->> 'halfTolerance')::numeric, (i.item ->> 'fullTolerance')::numeric,
          (i.item ->> 'step')::numeric) end as half_by
    from sheet h
      join station s on s.id = h.station_id
      join checklist_version v on v.id = h.checklist_version_id
      cross join jsonb_array_elements(v.content -> 'items') i(item)
      join checklist_item c on c.version_id = v.id and c.key = i.item ->> 'key'
      left join sheet_mark m on m.sheet_id = h.id and m.item = c.key
      cross join lateral (select case when i.item ->> 'kind' = 'measured'
        then s.patient_readings ->> c.key end as read) r
    where h.submitted_at is not null
      and (i.item -> 'variants' is null or jsonb_exists(i.item -> 'variants', h.variant))),
  shared as (
    select a.*, case
      when observation is distinct from 'observed' then null
      when manner = 'mimed' or (manner = 'said-only' and not (item ->> 'saidEarns')::boolean) then 0
      when kind = 'done' then (number_value = 1)::integer
      when kind = 'graded' then
        ((least(number_value, top - prompted::integer)::float8 / top::float8)::text)::numeric
      when kind = 'measured' then case
        when greatest(lower - number_value, number_value - upper, 0) <= full_by then 1
        when greatest(lower - number_value, number_value - upper, 0) <= half_by then 0.5
        else 0 end
      when choice_value = item ->> 'answer' then 1
      when jsonb_exists(item -> 'partly', choice_value) then 0.5
      else 0 end as share
    from asked a)
  insert into sheet_item (sheet_id, item, item_id, state, share, category)
  select sheet_id, key, item_id,
    case when share is not null then 'earned' when not marked then 'unmarked' else observation end,
    share,
    case when share is null then null
      when kind = 'choice' then choice_value
      when kind = 'graded' then round(share * top)::text
      else trim_scale(share)::text end
  from shared;
  create trigger sheet_item_stays before update or delete on sheet_item
    for each row execute function refuse_change();

  alter table sheet drop column variant;
`;

/** As in the fourth migration, with variants by procedure, attempts, and values of every shape. */
const TAPS = `
  create or replace function apply_tap(the_sheet uuid, the_tap uuid, body jsonb, happened timestamptz)
  returns void language plpgsql as $$
  begin
    case body ->> 'type'
    when 'mark' then
      insert into sheet_mark (sheet_id, item, attempt, number_value, choice_value, other_value,
        observation, manner, prompted, at, event_id)
      values (the_sheet, body ->> 'item', coalesce((body ->> 'attempt')::smallint, 1),
        case jsonb_typeof(body -> 'value') when 'number' then (body ->> 'value')::numeric end,
        case jsonb_typeof(body -> 'value') when 'string' then body ->> 'value' end,
        case when jsonb_typeof(body -> 'value') in ('object', 'array') then body -> 'value' end,
        body ->> 'observation', body ->> 'manner', (body ->> 'prompted')::boolean, happened, the_tap)
      on conflict (sheet_id, item, attempt) do update set
        number_value = excluded.number_value, choice_value = excluded.choice_value,
        other_value = excluded.other_value, observation = excluded.observation,
        manner = excluded.manner, prompted = excluded.prompted, event_id = excluded.event_id;
    when 'clear' then
      delete from sheet_mark m where m.sheet_id = the_sheet and m.item = body ->> 'item'
        and m.attempt = coalesce((body ->> 'attempt')::smallint, 1);
    when 'fault' then
      if (body ->> 'present')::boolean then
        insert into sheet_fault (sheet_id, fault) values (the_sheet, body ->> 'fault')
        on conflict do nothing;
      else
        delete from sheet_fault f where f.sheet_id = the_sheet and f.fault = body ->> 'fault';
      end if;
    when 'variant' then
      -- Where no procedure is named, there is only one.
      update sheet set variants = variants || jsonb_build_object(
        coalesce(body ->> 'procedure', (select k from jsonb_object_keys(variants) k limit 1)),
        body ->> 'variant')
      where id = the_sheet;
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

  create or replace function read_off_stream(the_sheet uuid) returns void language plpgsql as $$
  declare
    one record;
  begin
    delete from sheet_mark where sheet_id = the_sheet;
    delete from sheet_fault where sheet_id = the_sheet;
    update sheet h set comment = '', rating = null, clock = null, safety_events = 0,
      variants = usual_variants(h.checklist_version_id)
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
