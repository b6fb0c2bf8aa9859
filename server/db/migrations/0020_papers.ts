import type { Knex } from 'knex';

/** The papers of an examination as archives, kept where every server process finds them. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table paper_pack (
      id uuid primary key,
      examination_id uuid not null references examination,
      paper text not null check (paper in ('A4', 'Letter')),
      -- The plan that was published then.
      timetable_id uuid references timetable,
      -- What it was made from: another print of the same things has the same.
      fingerprint bytea not null check (length(fingerprint) = 32),
      content bytea not null,
      bytes integer not null generated always as (length(content)) stored,
      pages integer not null check (pages > 0),
      files integer not null check (files > 0),
      made_by uuid not null references account,
      made_at timestamptz not null default now()
    );
    create index paper_pack_newest on paper_pack (examination_id, made_at desc);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
