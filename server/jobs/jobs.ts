import type { Job, JobKind } from '@kritikos/contracts/jobs';
import { createHash } from 'node:crypto';
import type PgBoss from 'pg-boss';
import type { Logger } from 'pino';
import type { Database } from '../db/database.ts';
import { isDatabaseAway } from '../db/isDatabaseAway.ts';
import { newId } from '../http/newId.ts';
import { HttpProblem } from '../http/problems.ts';
import { onOurs, QUEUE, queueOn } from './queue.ts';
import * as repository from './repository.ts';

const LOOK_EVERY_SECONDS = 0.5;
const NOTE_EVERY_MILLISECONDS = 400;
const WAIT_MILLISECONDS = 100;
/** A job without a beat for so long has lost whoever was at it; beats come twice a second. */
const LOST_SECONDS = 15;
const LOOK_FOR_LOST_MILLISECONDS = 2_000;
/** What has taken its process with it so often will do so again. */
const MOST_ATTEMPTS = 3;
/** The queue's own limit is a day at most; what is lost is found by its beats long before. */
const EXPIRES_IN_HOURS = 23;
/** More than a person waits for at once; a page that asks in a loop is stopped here. */
const MOST_UNFINISHED = 12;
/** A result is kept trying to be kept for so long while the database is away. */
const KEEP_TRYING_MILLISECONDS = 60_000;

/** What a kind of job does, away from the thread that answers requests; `signal` calls it off. */
export type Worker = (
  db: Database,
  work: { readonly question: unknown; readonly ownerId: string },
  around: { readonly signal: AbortSignal; progress(share: number): void },
) => Promise<unknown>;

export interface Asked {
  readonly kind: JobKind;
  readonly ownerId: string;
  readonly examinationId?: string;
  /** What is asked; the same question is answered from the result that is kept. */
  readonly question: object;
}

/**
 * Long work behind a queue in the database: any server process may take it up, it outlives the page
 * that asked and the process that began it, and its result is kept.
 */
export class Jobs {
  private ready: Promise<PgBoss> | undefined;
  private worker = '';
  private stopping = false;
  private lookingForLost: NodeJS.Timeout | undefined;
  private readonly running = new Map<AbortController, Promise<void>>();

  constructor(
    private readonly db: Database,
    private readonly logger: Logger,
    private readonly workers: Readonly<Record<JobKind, Worker>>,
  ) {}

  /** Begins to take up work; asking begins it too. */
  async start(): Promise<PgBoss> {
    this.ready ??= this.begin();
    return this.ready;
  }

  private async begin(): Promise<PgBoss> {
    const boss = queueOn(this.db);
    boss.on('error', (error) => this.logger.warn({ err: error }, 'the job queue waits'));
    await boss.start();
    this.worker = await boss.work<{ job: string }>(
      QUEUE,
      { pollingIntervalSeconds: LOOK_EVERY_SECONDS },
      async ([taken]) => {
        if (!taken) return;
        const calledOff = new AbortController();
        const running = this.run(taken.data.job, calledOff);
        this.running.set(calledOff, running);
        await running.finally(() => this.running.delete(calledOff));
      },
    );
    this.lookForLost(boss);
    return boss;
  }

  /** Every two seconds: what a process left behind that was killed goes back into the queue. */
  private lookForLost(boss: PgBoss): void {
    this.lookingForLost = setTimeout(() => {
      this.queueLost(boss)
        .catch((error: unknown) => this.logger.warn({ err: error }, 'lost jobs wait to be found'))
        .finally(() => this.stopping || this.lookForLost(boss));
    }, LOOK_FOR_LOST_MILLISECONDS);
  }

  private async queueLost(boss: PgBoss): Promise<void> {
    const lost = { seconds: LOST_SECONDS, most: MOST_ATTEMPTS };
    const problem = `The server ended ${MOST_ATTEMPTS} times while it was at this. Ask for less at once, or tell whoever runs the server.`;
    await repository.giveUpLost(this.db, { ...lost, problem });
    await this.db.transaction(async (trx) => {
      for (const id of await repository.takeBackLost(trx, lost)) await this.queue(boss, trx, id);
    });
  }

  /** Puts a job into the queue, as a part of the transaction that wants it done. */
  private async queue(boss: PgBoss, trx: Database, id: string): Promise<void> {
    await boss.send(
      QUEUE,
      { job: id },
      { retryLimit: 0, expireInHours: EXPIRES_IN_HOURS, db: onOurs(trx) },
    );
  }

  /** Lays down what is under way, for another process, or for this one when it starts again. */
  async stop(): Promise<void> {
    this.stopping = true;
    clearTimeout(this.lookingForLost);
    const boss = await this.ready?.catch(() => undefined);
    for (const calledOff of this.running.keys()) calledOff.abort();
    await Promise.allSettled(this.running.values());
    await boss?.stop({ graceful: false, close: true });
  }

  /** Asks for work to be done, or answers with the job that has the answer already. */
  async ask(asked: Asked): Promise<Job> {
    const { kind, ownerId, question } = asked;
    const boss = await this.start();
    const hash = createHash('sha256').update(JSON.stringify(question)).digest();
    const id = newId();
    const job = { id, kind, ownerId, examinationId: asked.examinationId ?? null, question, hash };
    const found = await this.db.transaction(async (trx) => {
      if (await repository.insertJob(trx, job)) {
        await refuseTooMany(trx, ownerId);
        await this.queue(boss, trx, id);
      }
      return repository.findAsked(trx, job);
    });
    boss.notifyWorker(this.worker);
    return found ?? this.ask(asked);
  }

  /** Waits for a job to be over, and answers with it. */
  async over(id: string, viewer: string): Promise<Job> {
    for (;;) {
      const found = await repository.findJob(this.db, id, viewer);
      if (!found || !['waiting', 'running'].includes(found.state)) {
        if (found?.state === 'done') return found;
        throw new HttpProblem(
          409,
          'conflict',
          found?.state === 'cancelled' ? 'The work was called off' : 'The work failed',
          found?.problem ?? 'Ask for it again.',
        );
      }
      await new Promise((resolve) => setTimeout(resolve, WAIT_MILLISECONDS));
    }
  }

  /** Waits so long for a job to be over or to have come further, and answers with it as it is. */
  async within(job: Job, viewer: string, milliseconds: number): Promise<Job> {
    const until = Date.now() + milliseconds;
    let now = job;
    const goesOn = () =>
      ['waiting', 'running'].includes(now.state) && now.progress === job.progress;
    while (goesOn() && Date.now() < until) {
      await new Promise((resolve) => setTimeout(resolve, WAIT_MILLISECONDS / 2));
      now = (await repository.findJob(this.db, job.id, viewer)) ?? now;
    }
    return now;
  }

  private async run(id: string, calledOff: AbortController): Promise<void> {
    const work = await repository.takeUp(this.db, id);
    if (!work) return;
    const { attempt } = work;
    let share = 0;
    let noted = 0;
    const note = () => {
      noted = Date.now();
      repository
        .beat(this.db, id, attempt, share)
        .then((goesOn) => goesOn || calledOff.abort())
        .catch(() => undefined); // the next note says it
    };
    const noting = setInterval(note, NOTE_EVERY_MILLISECONDS);
    try {
      const result = await this.workers[work.kind](this.db, work, {
        signal: calledOff.signal,
        progress: (now) => {
          share = Math.max(share, Math.min(1, now));
          // Whoever waits hears of the first step at once, of thousands now and then.
          if (Date.now() - noted > NOTE_EVERY_MILLISECONDS / 4) note();
        },
      });
      await this.asSoonAsItCan(() => repository.finish(this.db, id, attempt, result ?? {}));
    } catch (error) {
      if (this.stopping) await this.layDown(id, attempt);
      // Without beats it is found by whoever looks next, once the database is back.
      else if (!calledOff.signal.aborted && !isDatabaseAway(error)) {
        const why = this.whyFailed(id, error);
        await this.asSoonAsItCan(() => repository.fail(this.db, id, attempt, why));
      }
    } finally {
      clearInterval(noting);
    }
  }

  /** Gives work back to the queue, for another process or for this one when it starts again. */
  private async layDown(id: string, attempt: number): Promise<void> {
    const boss = await this.start();
    await this.db.transaction(async (trx) => {
      if (await repository.layDown(trx, id, attempt)) await this.queue(boss, trx, id);
    });
  }

  private whyFailed(id: string, error: unknown): string {
    if (error instanceof HttpProblem) return [error.title, error.detail].filter(Boolean).join('. ');
    this.logger.error({ err: error, job: id }, 'a job failed');
    return 'Something went wrong on the server; it is written in its log.';
  }

  /** Writes down how work ended; a database that is away meanwhile is waited for. */
  private async asSoonAsItCan(write: () => Promise<void>): Promise<void> {
    const until = Date.now() + KEEP_TRYING_MILLISECONDS;
    for (;;) {
      try {
        return await write();
      } catch (error) {
        if (this.stopping || Date.now() > until || !isDatabaseAway(error)) throw error;
        await new Promise((resolve) => setTimeout(resolve, NOTE_EVERY_MILLISECONDS));
      }
    }
  }
}

async function refuseTooMany(trx: Database, ownerId: string): Promise<void> {
  if ((await repository.countUnfinished(trx, ownerId)) <= MOST_UNFINISHED) return;
  throw new HttpProblem(
    429,
    'too-many-attempts',
    'Enough of your work is under way',
    `${MOST_UNFINISHED} things that you asked for are not over. Wait for one of them, or stop it.`,
  );
}
