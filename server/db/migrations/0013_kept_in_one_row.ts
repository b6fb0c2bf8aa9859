import type { Knex } from 'knex';

/**
 * What is kept of a sheet's items once more in one row, in the order of its checklist: agreement
 * over ten thousand candidates compares two rows a candidate instead of joining forty. The database
 * fills it itself from `sheet_item`.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table sheet add column kept_categories text[], add column kept_shares float8[];
    comment on column sheet.kept_categories is
      'by place on the checklist: the category of the mark, empty where the item was asked for and has none, null where it was not asked for';
    comment on column sheet.kept_shares is 'by place on the checklist: the share that was earned';

    create function kept_in_one_row(sheets uuid[]) returns void language sql as $$
      update sheet h set kept_categories = k.categories, kept_shares = k.shares
      from (
        select s.id,
          array_agg(case when i.sheet_id is not null then coalesce(i.category, '') end
            order by c.position) as categories,
          array_agg(i.share::float8 order by c.position) as shares
        from sheet s
          join checklist_item c on c.version_id = s.checklist_version_id
          left join sheet_item i on i.sheet_id = s.id and i.item = c.key
        where s.id = any(sheets) group by s.id) k
      where k.id = h.id
    $$;
    select kept_in_one_row(array(select distinct sheet_id from sheet_item));

    create function keep_in_one_row() returns trigger language plpgsql as $$
    begin
      perform kept_in_one_row(array(select distinct sheet_id from fresh));
      return null;
    end $$;
    create trigger sheet_item_kept_in_one_row after insert on sheet_item
      referencing new table as fresh for each statement execute function keep_in_one_row();
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
