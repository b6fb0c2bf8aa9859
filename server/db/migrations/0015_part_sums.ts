import type { Knex } from 'knex';

/** As the score names its parts; migrations stay as they were, whatever the core calls them later. */
const PARTS = [
  'domains,preparation',
  'domains,positioning',
  'domains,technique',
  'domains,comparison',
  'domains,interpretation',
  'domains,communication',
  'safety',
];

/**
 * The weights of a sheet by domain and for safety as numbers: the results of ten thousand candidates
 * add up arrays instead of taking a hundred thousand scores apart.
 */
export async function up(db: Knex): Promise<void> {
  const sums = PARTS.flatMap((part) =>
    ['earned', 'possible'].map((sum) => `(score #>> '{${part},${sum}}')::float8`),
  );
  await db.raw(`
    alter table sheet add column part_sums float8[] generated always as
      (case when score is not null then array[${sums.join(', ')}] end) stored;
    comment on column sheet.part_sums is
      'weight earned and possible in each domain, then for safety, out of the score';
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
