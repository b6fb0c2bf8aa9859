import type { Knex } from 'knex';

/**
 * A safety event is one that can be named: what happened is written to it, and a slip is taken back.
 * Until now a sheet only counted them. And a mark says which fault made it, so that it goes when the
 * fault is taken back; of the marks until now nobody knows, and they count as made by hand.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table sheet add column safety jsonb not null default '[]';
    comment on column sheet.safety is
      'the safety events that stand: {id of the tap, at, seconds remaining, note}';
    update sheet h set safety = s.events
    from (select e.sheet_id, jsonb_agg(jsonb_build_object('id', e.id,
          'at', to_char(e.happened_at at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'),
          'remaining', e.body -> 'remaining', 'note', coalesce(e.body ->> 'note', ''))
          order by e.stands_at, e.arrival) as events
        from mark_event e where e.late is null and e.body ->> 'type' = 'safety'
        group by e.sheet_id) s
    where s.sheet_id = h.id;
    alter table sheet drop column safety_events;
    alter table sheet add column safety_events integer not null
      generated always as (jsonb_array_length(safety)) stored;

    alter table sheet_mark add column by_fault text;
    comment on column sheet_mark.by_fault is 'the fault that made the mark, until a hand marks the item';

    create index mark_event_safety on mark_event (sheet_id) where body ->> 'type' = 'safety';
  `);
  await db.raw(APPLY_TAP);
}

/** As in the twenty-third migration, with the safety events and the fault of a mark. */
const APPLY_TAP = `
  create or replace function apply_tap(the_sheet uuid, the_tap uuid, body jsonb,
    happened timestamptz, stands timestamptz)
  returns void language plpgsql as $$
  declare
    moment text := to_char(happened at time zone 'utc', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"');
  begin
    case body ->> 'type'
    when 'mark' then
      insert into sheet_mark (sheet_id, item, attempt, number_value, choice_value, other_value,
        observation, manner, prompted, by_fault, at, event_id)
      values (the_sheet, body ->> 'item', coalesce((body ->> 'attempt')::smallint, 1),
        case jsonb_typeof(body -> 'value') when 'number' then (body ->> 'value')::numeric end,
        case jsonb_typeof(body -> 'value') when 'string' then body ->> 'value' end,
        case when jsonb_typeof(body -> 'value') in ('object', 'array') then body -> 'value' end,
        body ->> 'observation', body ->> 'manner', (body ->> 'prompted')::boolean,
        body ->> 'byFault', stands, the_tap)
      on conflict (sheet_id, item, attempt) do update set
        number_value = excluded.number_value, choice_value = excluded.choice_value,
        other_value = excluded.other_value, observation = excluded.observation,
        manner = excluded.manner, prompted = excluded.prompted, by_fault = excluded.by_fault,
        event_id = excluded.event_id;
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
    when 'clock', 'safety', 'safety-taken-back' then
      update sheet set
        clock = jsonb_build_object('running', coalesce((body ->> 'running')::boolean, false),
          'remaining', body -> 'remaining', 'since', moment),
        safety = case body ->> 'type'
          when 'safety' then safety || jsonb_build_array(jsonb_build_object('id', the_tap,
            'at', moment, 'remaining', body -> 'remaining', 'note', body -> 'note'))
          when 'safety-taken-back' then coalesce((select jsonb_agg(s.one order by s.place)
            from jsonb_array_elements(safety) with ordinality as s(one, place)
            where s.one ->> 'id' <> body ->> 'safety'), '[]')
          else safety end
      where id = the_sheet;
    when 'safety-note' then
      update sheet set safety = coalesce((select jsonb_agg(
          case when s.one ->> 'id' = body ->> 'safety'
            then s.one || jsonb_build_object('note', body -> 'note') else s.one end
          order by s.place)
        from jsonb_array_elements(safety) with ordinality as s(one, place)), '[]')
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
    update sheet h set comment = '', rating = null, clock = null, safety = '[]',
      variants = usual_variants(h.checklist_version_id)
    where h.id = the_sheet;
    for one in
      select e.id, e.body, e.happened_at, e.stands_at from mark_event e
      where e.sheet_id = the_sheet and e.late is null order by e.stands_at, e.arrival
    loop
      perform apply_tap(the_sheet, one.id, one.body, one.happened_at, one.stands_at);
    end loop;
  end $$;
`;

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
