import type { Job, JobKind } from '@kritikos/contracts/jobs';
import type { Database } from '../db/database.ts';
import { QUEUE } from './queue.ts';

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

/**
 * Writes a job down unless the same question is asked already of the same examination, or by the same
 * account where it is of none; true where it is new.
 */
export async function insertJob(db: Database, job: NewJob): Promise<boolean> {
  const { rowCount } = await db.raw(
    `insert into job (id, kind, owner_id, examination_id, question, hash)
     values (:id, :kind, :ownerId, :examinationId, :question, :hash)
     on conflict (kind, (coalesce(examination_id, owner_id)), hash)
       where state in ('waiting', 'running', 'done') do nothing`,
    { ...job, question: JSON.stringify(job.question) },
  );
  return rowCount === 1;
}

/** The job that answers a question, or is about to. */
export async function findAsked(
  db: Database,
  {
    kind,
    ownerId,
    examinationId,
    hash,
  }: Pick<NewJob, 'kind' | 'ownerId' | 'examinationId' | 'hash'>,
): Promise<Job | undefined> {
  const row = await db('job')
    .where({ kind, hash })
    .whereRaw('coalesce(examination_id, owner_id) = ?', [examinationId ?? ownerId])
    .whereIn('state', ['waiting', 'running', 'done'])
    .first(JOB);
  return row && jobOf(row);
}

/** How much of what an account asked for is not over. */
export async function countUnfinished(db: Database, owner: string): Promise<number> {
  const [row] = await db('job')
    .where({ owner_id: owner })
    .whereIn('state', ['waiting', 'running'])
    .count('* as n');
  return Number(row?.n ?? 0);
}

/**
 * A job of an examination, for who may read that now; any other for who asked for it. A right that
 * was lost loses the result.
 */
export async function findJob(db: Database, id: string, viewer: string): Promise<Job | undefined> {
  const row = await db('job')
    .where({ id })
    .whereRaw(
      `case when examination_id is null then owner_id = :viewer
        else exists (select from examination_lead o
          where o.examination_id = job.examination_id and o.account_id = :viewer) end`,
      { viewer },
    )
    .first(JOB);
  return row && jobOf(row);
}

export interface Work {
  readonly kind: JobKind;
  readonly ownerId: string;
  readonly question: unknown;
  /** Which taking up this is; a later one makes it void. */
  readonly attempt: number;
}

/** Takes up a job that waits; nothing where somebody else has, or it is over. */
export async function takeUp(db: Database, id: string): Promise<Work | undefined> {
  const { rows } = await db.raw(
    `update job set state = 'running', progress = 0, attempt = attempt + 1, beat_at = now()
     where id = ? and state = 'waiting'
     returning kind, owner_id as "ownerId", question, attempt`,
    [id],
  );
  return rows[0];
}

const isOwn = (db: Database, id: string, attempt: number) =>
  db('job').where({ id, attempt, state: 'running' });

/** Notes that somebody is at a job, and how far it is; false where it is not theirs any more. */
export async function beat(
  db: Database,
  id: string,
  attempt: number,
  progress: number,
): Promise<boolean> {
  const changed = await isOwn(db, id, attempt).update({ progress, beat_at: db.fn.now() });
  return changed === 1;
}

export async function finish(
  db: Database,
  id: string,
  attempt: number,
  result: unknown,
): Promise<void> {
  await isOwn(db, id, attempt).update({
    state: 'done',
    progress: 1,
    result: JSON.stringify(result),
    ended_at: db.fn.now(),
  });
}

export async function fail(
  db: Database,
  id: string,
  attempt: number,
  problem: string,
): Promise<void> {
  await isOwn(db, id, attempt).update({ state: 'failed', problem, ended_at: db.fn.now() });
}

/** Lays a job down that its process cannot go on with; that was not the fault of the job. */
export async function layDown(trx: Database, id: string, attempt: number): Promise<boolean> {
  const changed = await isOwn(trx, id, attempt).update({ state: 'waiting', attempt: attempt - 1 });
  return changed === 1;
}

/**
 * Jobs that nobody is at: their beats have stopped, or they wait and no queue knows of them. They
 * wait from now on; whoever calls this queues them in the same transaction.
 */
export async function takeBackLost(
  trx: Database,
  { seconds, most }: { readonly seconds: number; readonly most: number },
): Promise<string[]> {
  const { rows } = await trx.raw(
    `with lost as (
       select id from job
       where (state = 'running' and attempt < :most and beat_at < now() - :seconds * interval '1 second')
         or (state = 'waiting' and made_at < now() - :seconds * interval '1 second'
           and not exists (select from boss.job q where q.name = :queue
             and q.data ->> 'job' = job.id::text
             and (q.state in ('created', 'retry')
               or q.state = 'active' and q.started_on > now() - :seconds * interval '1 second')))
       for update skip locked)
     update job set state = 'waiting' from lost where lost.id = job.id returning job.id`,
    { seconds, most, queue: QUEUE },
  );
  return rows.map(({ id }: { id: string }) => id);
}

/** Jobs that were taken up often enough and whose beats have stopped every time. */
export async function giveUpLost(
  db: Database,
  { seconds, most, problem }: { seconds: number; most: number; problem: string },
): Promise<void> {
  await db.raw(
    `update job set state = 'failed', problem = :problem, ended_at = now()
     where state = 'running' and attempt >= :most
       and beat_at < now() - :seconds * interval '1 second'`,
    { seconds, most, problem },
  );
}

/** Calls a job off, for who asked for it; false where it is over already. */
export async function cancel(db: Database, id: string, owner: string): Promise<boolean> {
  const changed = await db('job')
    .where({ id, owner_id: owner })
    .whereIn('state', ['waiting', 'running'])
    .update({ state: 'cancelled', ended_at: db.fn.now() });
  return changed === 1;
}
