import type { Knex } from 'knex';

/**
 * What the bank is searched by, and what an examination is built by.
 *
 * The weights of a checklist by domain are kept beside its versions. How a station behaved is kept
 * with the number of sheets that it was worked out from. A checklist that was copied names the one
 * it was copied from, so that items which say the same keep their identity, and their statistics.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table checklist_weight (
      version_id uuid not null references checklist_version,
      domain text not null,
      -- The share of the weight of all items, in per cent.
      percent real not null check (percent between 0 and 100),
      primary key (version_id, domain)
    );
    create function weigh_domains(version checklist_version) returns void language sql as $$
      insert into checklist_weight (version_id, domain, percent)
      select version.id, i ->> 'domain',
        100 * sum((i ->> 'weight')::float8) / sum(sum((i ->> 'weight')::float8)) over ()
      from jsonb_array_elements(version.content -> 'items') i group by 2
    $$;
    do $$
    declare
      version checklist_version;
    begin
      for version in select * from checklist_version loop
        perform weigh_domains(version);
      end loop;
    end $$;
    create function weigh_own_domains() returns trigger language plpgsql as $$
    begin
      perform weigh_domains(new);
      return new;
    end $$;
    create trigger checklist_version_weighs_domains after insert on checklist_version
      for each row execute function weigh_own_domains();

    create table station_behaviour (
      station_id uuid primary key references station,
      -- Submitted sheets that it was worked out from.
      sheets integer not null check (sheets > 0),
      candidates integer not null,
      -- The mean percent, the cut by borderline regression, the share of marks that agree.
      facility double precision check (facility between 0 and 100),
      cut double precision,
      pairs integer not null,
      agreement double precision check (agreement between 0 and 1),
      -- Items on which two examiners did not agree.
      disputed integer not null,
      at timestamptz not null default now()
    );

    alter table checklist add column copy_of uuid references checklist check (copy_of <> id);
    create or replace function name_items(version checklist_version) returns void language plpgsql as $$
    declare
      one record;
      known uuid;
      before uuid;
      family uuid[] := array(
        select c.id from checklist c where c.id = version.checklist_id
        union select c.copy_of from checklist c
        where c.id = version.checklist_id and c.copy_of is not null);
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
        where v.checklist_id = any(family) and t.says = one.says
          and not exists (select from checklist_item n
            where n.version_id = version.id and n.item_id = c.item_id)
        order by v.checklist_id = version.checklist_id desc, c.key = one.key desc, v.version desc
        limit 1;
        if not found then
          select c.item_id into before
          from checklist_version v join checklist_item c on c.version_id = v.id
          where v.checklist_id = any(family) and v.id <> version.id and c.key = one.key
          order by v.checklist_id = version.checklist_id desc, v.version desc limit 1;
          insert into item (id, says, follows) values (new_id(), one.says, before)
          returning id into known;
        end if;
        insert into checklist_item (version_id, key, position, item_id)
        values (version.id, one.key, one.place, known);
      end loop;
    end $$;

    create table blueprint (
      examination_id uuid primary key references examination,
      -- By what its rows are, then row and column: per cent of the examination.
      wanted jsonb not null default '{}' check (jsonb_typeof(wanted) = 'object'),
      updated_by uuid not null references account,
      updated_at timestamptz not null default now()
    );

    alter table examination add column follows uuid references examination check (follows <> id);
    comment on column examination.follows is 'the earlier examination that it was copied from';

    -- Stations change places in one statement.
    alter table station
      drop constraint station_examination_id_position_key,
      add constraint station_stands_alone unique (examination_id, position) deferrable;
    create index bank_station_version_condition on bank_station_version (condition);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
