import type { Knex } from 'knex';

/**
 * The school's own shelf of procedures. Each keeps its versions, as the open catalogue format
 * writes them; a checklist version tells whether it was offered by the catalogue, by the shelf, or
 * written by hand.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table shelf_procedure (
      id uuid primary key,
      -- The id that it has in files and in stations.
      procedure_id text not null unique check (procedure_id <> ''),
      -- Out of the choice for new stations; those that ask it stay.
      retired_at timestamptz
    );
    create table shelf_version (
      procedure_id text not null references shelf_procedure (procedure_id),
      version integer not null check (version > 0),
      format integer not null default 1 check (format = 1),
      content jsonb not null check (content ->> 'id' = procedure_id),
      -- What the bank is searched by, out of the content, which is long.
      names jsonb not null generated always as (content -> 'names') stored,
      title text not null generated always as (content ->> 'title') stored,
      kind text not null generated always as (content ->> 'kind') stored,
      structures jsonb not null generated always as (content -> 'structures') stored,
      brought_by uuid not null references account,
      brought_at timestamptz not null default now(),
      primary key (procedure_id, version)
    );
    create trigger shelf_version_stays before update or delete on shelf_version
      for each row execute function refuse_change();

    create view shelf as
      select distinct on (s.procedure_id) s.id, s.procedure_id, s.retired_at is not null as retired,
        v.version, v.content, v.names, v.title, v.kind, v.structures, v.brought_by, v.brought_at
      from shelf_procedure s join shelf_version v using (procedure_id)
      order by s.procedure_id, v.version desc;

    alter table checklist_version drop constraint checklist_version_origin_check,
      add check (origin in ('catalogue', 'shelf', 'school'));
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
