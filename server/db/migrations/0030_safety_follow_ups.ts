import type { Knex } from 'knex';

/**
 * What a safety event was, and what was done about it: written by the lead, only ever added to, the
 * newest counts. The view names the events that stand: those that no examiner took back in time, late
 * ones among them.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table safety_follow_up (
      id uuid primary key,
      tap uuid not null references mark_event (id),
      account_id uuid not null references account (id),
      at timestamptz not null default clock_timestamp(),
      laid_to text not null check (laid_to in ('candidate', 'another cause')),
      text text not null check (length(text) between 10 and 1000)
    );
    create index safety_follow_up_tap on safety_follow_up (tap, at desc);

    create view safety_occurrence as
    select e.id, e.sheet_id, e.stands_at, e.late is not null as late,
      (e.body ->> 'remaining')::float8 as remaining,
      coalesce((select n.body ->> 'note' from mark_event n
        where n.sheet_id = e.sheet_id and n.body ->> 'type' = 'safety-note'
          and n.body ->> 'safety' = e.id::text
        order by n.stands_at desc, n.arrival desc limit 1), e.body ->> 'note', '') as note
    from mark_event e
    where e.body ->> 'type' = 'safety' and not exists (
      select from mark_event t
      where t.sheet_id = e.sheet_id and t.body ->> 'type' = 'safety-taken-back'
        and t.body ->> 'safety' = e.id::text and (t.late is null or e.late is not null));
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
