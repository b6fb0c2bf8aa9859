import type { Job, JobKind } from '@kritikos/contracts/jobs';
import type { Database } from '../db/database.ts';

export interface NewJob {
  readonly id: string;
  readonly kind: JobKind;
  readonly ownerId: string;
  readonly examinationId: string | null;
  readonly question: object;
  readonly hash: Buffer;
}

const JOB = {
  id: 'id',
  kind: 'kind',
  state: 'state',
  progress: 'progress',
  result: 'result',
  problem: 'problem',
  madeAt: 'made_at',
  endedAt: 'ended_at',
};

type Row = Omit<Job, 'madeAt' | 'endedAt'> & { madeAt: Date; endedAt: Date | null };

function jobOf(row: Row): Job {
  return {
    ...row,
    madeAt: row.madeAt.toISOString(),
    endedAt: row.endedAt?.toISOString() ?? null,
  };
}

/** Writes a job down unless the same question is asked already; true where it is new. */
export async function insertJob(db: Database, job: NewJob): Promise<boolean> {
  const { rowCount } = await db.raw(
    `insert into job (id, kind, owner_id, examination_id, question, hash)
     values (:id, :kind, :ownerId, :examinationId, :question, :hash)
     on conflict (kind, hash) where state in ('waiting', 'running', 'done') do nothing`,
    { ...job, question: JSON.stringify(job.question) },
  );
  return rowCount === 1;
}

/** The job that answers a question, or is about to. */
export async function findAsked(
  db: Database,
  kind: JobKind,
  hash: Buffer,
): Promise<Job | undefined> {
  const row = await db('job')
    .where({ kind, hash })
    .whereIn('state', ['waiting', 'running', 'done'])
    .first(JOB);
  return row && jobOf(row);
}

/** A job, for who asked for it and for who may read the examination that it is of. */
export async function findJob(db: Database, id: string, viewer: string): Promise<Job | undefined> {
  const row = await db('job')
    .where({ id })
    .whereRaw(
      `(owner_id = :viewer or exists (select from examination_lead o
        where o.examination_id = job.examination_id and o.account_id = :viewer))`,
      { viewer },
    )
    .first(JOB);
  return row && jobOf(row);
}

export interface Work {
  readonly kind: JobKind;
  readonly ownerId: string;
  readonly question: unknown;
}

/** Takes a job up; nothing where it was cancelled or is over. */
export async function takeUp(db: Database, id: string): Promise<Work | undefined> {
  const { rows } = await db.raw(
    `update job set state = 'running', progress = 0
     where id = ? and state in ('waiting', 'running')
     returning kind, owner_id as "ownerId", question`,
    [id],
  );
  return rows[0];
}

/** Notes how far a job is; false where it was cancelled meanwhile. */
export async function noteProgress(db: Database, id: string, progress: number): Promise<boolean> {
  const changed = await db('job').where({ id, state: 'running' }).update({ progress });
  return changed === 1;
}

export async function finish(db: Database, id: string, result: unknown): Promise<void> {
  await db('job')
    .where({ id, state: 'running' })
    .update({ state: 'done', progress: 1, result: JSON.stringify(result), ended_at: db.fn.now() });
}

export async function fail(db: Database, id: string, problem: string): Promise<void> {
  await db('job')
    .where({ id })
    .whereIn('state', ['waiting', 'running'])
    .update({ state: 'failed', problem, ended_at: db.fn.now() });
}

/** Calls a job off, for who asked for it; false where it is over already. */
export async function cancel(db: Database, id: string, owner: string): Promise<boolean> {
  const changed = await db('job')
    .where({ id, owner_id: owner })
    .whereIn('state', ['waiting', 'running'])
    .update({ state: 'cancelled', ended_at: db.fn.now() });
  return changed === 1;
}
