import type { Knex } from 'knex';

/**
 * Critical items by name instead of by number: what a sheet says of each item that fails the
 * station. Two examiners who each count one miss may have missed two different items.
 *
 * Decisions stay as they were signed; what they were signed under is their schema (1 until now).
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table sheet
      add column critical_missed text[] not null default '{}',
      add column critical_met text[] not null default '{}',
      add column critical_unseen text[] not null default '{}';

    -- jsonb_exists is the operator ?, which the driver would take for a parameter.
    -- The scores name the missed, the unmarked and the unobserved items; what is left of the
    -- critical items that the sheet's variant asks for was met.
    with verdict as (
      select h.id, item ->> 'key' as item,
        case
          when jsonb_exists(h.score -> 'criticalFailures', item ->> 'key') then 'missed'
          when jsonb_exists(h.score -> 'unmarked', item ->> 'key')
            or jsonb_exists(h.score -> 'notObserved', item ->> 'key') then 'unseen'
          else 'met'
        end as verdict
      from sheet h
        join checklist_version v on v.id = h.checklist_version_id
        cross join jsonb_array_elements(v.content -> 'items') item
      where h.score is not null and item ->> 'criticality' = 'fails-station'
        and (item -> 'variants' is null or jsonb_exists(item -> 'variants', h.variant))
        and not jsonb_exists(h.score -> 'notApplicable', item ->> 'key')),
    gathered as (
      select id,
        coalesce(array_agg(item) filter (where verdict = 'missed'), '{}') as missed,
        coalesce(array_agg(item) filter (where verdict = 'met'), '{}') as met,
        coalesce(array_agg(item) filter (where verdict = 'unseen'), '{}') as unseen
      from verdict group by id)
    update sheet set critical_missed = missed, critical_met = met, critical_unseen = unseen
    from gathered where gathered.id = sheet.id;

    alter table sheet drop column critical_failures;

    alter table sheet
      add constraint sheet_critical_items_apart check (
        not (critical_missed && critical_met)
        and not (critical_missed && critical_unseen)
        and not (critical_met && critical_unseen));

    update sheet set score = (score - 'criticalFailures') || jsonb_build_object('critical',
        jsonb_build_object('missed', to_jsonb(critical_missed), 'met', to_jsonb(critical_met),
          'unseen', to_jsonb(critical_unseen)))
    where score is not null;

    update standard_draft set settings = jsonb_set(settings, '{rule,criticalBy}', '"all"');
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
