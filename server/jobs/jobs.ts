import type { Job, JobKind } from '@kritikos/contracts/jobs';
import { createHash } from 'node:crypto';
import type PgBoss from 'pg-boss';
import type { Logger } from 'pino';
import type { Database } from '../db/database.ts';
import { newId } from '../http/newId.ts';
import { HttpProblem } from '../http/problems.ts';
import { QUEUE, queueOn } from './queue.ts';
import * as repository from './repository.ts';

const LOOK_EVERY_SECONDS = 0.5;
const NOTE_EVERY_MILLISECONDS = 400;
const WAIT_MILLISECONDS = 100;

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
  private readonly running = new Map<AbortController, Promise<void>>();

  constructor(
    private readonly db: Database,
    private readonly url: string,
    private readonly logger: Logger,
    private readonly workers: Readonly<Record<JobKind, Worker>>,
  ) {}

  /** Begins to take up work; asking begins it too. */
  async start(): Promise<PgBoss> {
    this.ready ??= this.begin();
    return this.ready;
  }

  private async begin(): Promise<PgBoss> {
    const boss = queueOn(this.url);
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
    return boss;
  }

  /** Lays down what is under way, for another process, or for this one when it starts again. */
  async stop(): Promise<void> {
    this.stopping = true;
    const boss = await this.ready?.catch(() => undefined);
    for (const calledOff of this.running.keys()) calledOff.abort();
    await Promise.allSettled(this.running.values());
    await boss?.stop({ graceful: false, close: true });
  }

  /** Asks for work to be done, or answers with the job that has the answer already. */
  async ask({ kind, ownerId, examinationId = undefined, question }: Asked): Promise<Job> {
    const boss = await this.start();
    const hash = createHash('sha256').update(JSON.stringify(question)).digest();
    const id = newId();
    const fresh = await repository.insertJob(this.db, {
      id,
      kind,
      ownerId,
      examinationId: examinationId ?? null,
      question,
      hash,
    });
    if (fresh) {
      await boss.send(QUEUE, { job: id }, { retryLimit: 2, expireInMinutes: 30 });
      boss.notifyWorker(this.worker);
    }
    const asked = await repository.findAsked(this.db, kind, hash);
    if (!asked)
      return this.ask({ kind, ownerId, question, ...(examinationId ? { examinationId } : {}) });
    return asked;
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
    let share = 0;
    let noted = 0;
    const note = () => {
      noted = Date.now();
      repository
        .noteProgress(this.db, id, share)
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
      await repository.finish(this.db, id, result ?? {});
    } catch (error) {
      // Laid down, the queue gives it out again.
      if (this.stopping) throw error;
      if (calledOff.signal.aborted) return;
      const told = error instanceof HttpProblem;
      if (!told) this.logger.error({ err: error, job: id }, 'a job failed');
      const why = told
        ? [error.title, error.detail].filter(Boolean).join('. ')
        : 'Something went wrong on the server; it is written in its log.';
      await repository.fail(this.db, id, why);
    } finally {
      clearInterval(noting);
    }
  }
}
