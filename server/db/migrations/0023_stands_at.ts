import type { Knex } from 'knex';

/**
 * The time that decides which of two taps counts never runs backwards on a sheet. Until now it was
 * the corrected time alone, so that after a clock was set back, the server's or one that had not been
 * measured, a correction stood behind what it corrected.
 *
 * `stands_at` is the corrected time, or where that is not later, a millisecond after the newest tap
 * that the device knew of: its own earlier ones by their number, and what it had been told of by the
 * server (`seen`, the sheet's place in its stream). This is a hybrid logical clock (Kulkarni et al.
 * 2014): it keeps to the time where clocks are right, and to what was known where they are not.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table mark_event add column stands_at timestamptz, add column seen bigint;
    comment on column mark_event.stands_at is
      'which of two taps counts: the corrected time, but after every tap that the device knew of';
    comment on column mark_event.seen is
      'the arrival of the newest tap that the device had been told of when this was tapped';
    alter table mark_event disable trigger mark_event_append_only;
    update mark_event set stands_at = happened_at;
    alter table mark_event enable trigger mark_event_append_only;
    alter table mark_event
      alter column stands_at set not null,
      add constraint mark_event_stands check (stands_at >= happened_at),
      add constraint mark_event_seen check (seen >= 0);
    alter type tap add attribute seen bigint;
  `);
  await db.raw(RECORD_TAPS);
}

/**
 * As in the fourth migration, with the time at which a tap stands. Beginning, marks and submission
 * are on that time, so that none comes before another that it followed; the station's clock is on the
 * corrected one, which the server's own is compared with.
 */
const RECORD_TAPS = `
  create or replace function record_taps(the_sheet uuid, the_account uuid, batch jsonb,
    out refusal text, out outcomes text[], out before bigint, out stamp bigint, out rated boolean,
    out "submittedAt" timestamptz)
  language plpgsql as $$
  declare
    own record;
    one record;
    known record;
    earlier record;
    arrived timestamptz;
    stands timestamptz;
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
        as t(id, device, sequence, at, "clockAhead", "checklistVersionId", body, seen, place)
      order by happened, t.device, t.sequence
    loop
      lateness := case
        when own.submitted_at is not null then 'after-submission'
        when one."checklistVersionId" <> own.checklist_version_id then 'other-version' end;
      select max(e.stands_at) filter (where e.arrival <= one.seen
          or (e.device = one.device and e.sequence < one.sequence)) as known,
        max(e.stands_at) filter (where e.late is null) as newest
      into earlier from mark_event e where e.sheet_id = the_sheet;
      stands := greatest(one.happened, earlier.known + interval '1 millisecond');
      insert into mark_event as e (id, sheet_id, account_id, checklist_version_id, device, sequence,
        at, clock_ahead, happened_at, stands_at, seen, received_at, late, body)
      values (one.id, the_sheet, the_account, one."checklistVersionId", one.device, one.sequence,
        one.at, one."clockAhead", one.happened, stands, one.seen, arrived, lateness, one.body)
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
      first := least(first, stands);
      in_order := in_order and coalesce(earlier.newest <= stands, true);
      if in_order then
        perform apply_tap(the_sheet, one.id, one.body, one.happened, stands);
      end if;
    end loop;

    if own.started_at is null or first < own.started_at then
      update sheet h set started_at = least(h.started_at, first) where h.id = the_sheet;
    end if;
    if not in_order then perform read_off_stream(the_sheet); end if;
    select h.rating is not null or h.safety_events > 0 into rated from sheet h where h.id = the_sheet;
    "submittedAt" := own.submitted_at;
  end $$;

  drop function apply_tap(uuid, uuid, jsonb, timestamptz);
  create function apply_tap(the_sheet uuid, the_tap uuid, body jsonb, happened timestamptz,
    stands timestamptz)
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
        body ->> 'observation', body ->> 'manner', (body ->> 'prompted')::boolean, stands, the_tap)
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
