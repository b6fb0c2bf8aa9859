import type { Knex } from 'knex';

/**
 * Long work, with its owner, how far it is, and its result, which outlives the page that asked. The
 * queue that carries it keeps its own schema. The same question on the same marks, told by a hash,
 * is asked once: who asks again is shown the job that there is.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table job (
      id uuid primary key,
      kind text not null,
      owner_id uuid not null references account,
      examination_id uuid references examination,
      question jsonb not null,
      hash bytea not null check (length(hash) = 32),
      state text not null default 'waiting'
        check (state in ('waiting', 'running', 'done', 'failed', 'cancelled')),
      progress real not null default 0 check (progress between 0 and 1),
      result jsonb,
      problem text,
      made_at timestamptz not null default now(),
      ended_at timestamptz,
      check ((state = 'done') = (result is not null)),
      check ((state = 'failed') = (problem is not null)),
      check ((state in ('done', 'failed', 'cancelled')) = (ended_at is not null))
    );
    create unique index job_asked_once on job (kind, hash)
      where state in ('waiting', 'running', 'done');
    create index job_owner on job (owner_id, made_at);
    create index job_examination on job (examination_id);

    -- A list that somebody brings in, until it was taken or a day has passed.
    create table upload (
      id uuid primary key,
      owner_id uuid not null references account,
      file_name text not null,
      content bytea not null,
      made_at timestamptz not null default now()
    );
    create index upload_made on upload (made_at);
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
