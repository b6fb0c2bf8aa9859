import type { Knex } from 'knex';

/**
 * Long work that shows within seconds whether somebody is at it: who does a job notes a beat, and a
 * job whose beats have stopped is taken up by whoever looks next. Each taking up has a number, so that
 * a process that wakes up again finds that the work is not its own any more.
 *
 * The same question is asked once an examination, or once an account where it is of none: whose
 * result it is decides who reads it.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table job
      add column attempt integer not null default 0 check (attempt >= 0),
      add column beat_at timestamptz;
    update job set beat_at = made_at where state = 'running';
    alter table job add constraint job_beats check ((state = 'running') <= (beat_at is not null));
    create index job_unfinished on job (owner_id) where state in ('waiting', 'running');

    drop index job_asked_once;
    create unique index job_asked_once on job (kind, (coalesce(examination_id, owner_id)), hash)
      where state in ('waiting', 'running', 'done');
  `);
}

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
