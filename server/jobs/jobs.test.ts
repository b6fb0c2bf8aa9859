import type { Job } from '@kritikos/contracts/jobs';
import { beforeAll, describe, expect, it } from 'vitest';
import { pino } from 'pino';
import { newId } from '../http/newId.ts';
import { HttpProblem } from '../http/problems.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';
import { Jobs } from './jobs.ts';
import type { Worker } from './jobs.ts';
import { beat, cancel, findJob, insertJob, takeUp } from './repository.ts';

const server = await startServer('demo');
let lead: Caller;
let ownerId: string;
let examinationId: string;
beforeAll(async () => {
  lead = await server.lead();
  ownerId = lead.account?.id ?? '';
  examinationId = (await server.db('examination').first('id')).id;
});

/** A queue whose jobs do what a test tells them. */
async function withWorker(worker: Worker, test: (jobs: Jobs) => Promise<void>): Promise<void> {
  const workers = {
    'student-import': worker,
    bootstrap: worker,
    recomputation: worker,
    agreement: worker,
    behaviour: worker,
    timetable: worker,
    papers: worker,
    rehearsal: worker,
  };
  const jobs = new Jobs(server.tools.db, pino({ level: 'silent' }), workers);
  try {
    await test(jobs);
  } finally {
    await jobs.stop();
  }
}

const ask = (jobs: Jobs, question: object = { once: newId() }) =>
  jobs.ask({ kind: 'bootstrap', ownerId, question });
/** A job in the database that nobody was told of. */
async function written(): Promise<string> {
  const id = newId();
  const hash = Buffer.from(id.replaceAll('-', '').padEnd(64, '0'), 'hex');
  await insertJob(server.db, {
    id,
    kind: 'bootstrap',
    ownerId,
    examinationId: null,
    question: {},
    hash,
  });
  return id;
}
const read = (id: string) => findJob(server.db, id, ownerId);
/** A machine that others use too can stand still for seconds; what is asserted is that it happens. */
async function until(id: string, holds: (job: Job) => boolean): Promise<Job> {
  for (let i = 0; i < 400; i++) {
    const job = await read(id);
    if (job && holds(job)) return job;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error(`The job never got there: ${JSON.stringify(await read(id))}`);
}

describe('a job', () => {
  it('is done once for one question, and keeps its result for who asks again', async () => {
    let times = 0;
    await withWorker(
      (_, { question }) => Promise.resolve({ times: ++times, question }),
      async (jobs) => {
        const question = { marks: [1, 2, 3], once: newId() };
        const first = await ask(jobs, question);
        const done = await jobs.over(first.id, ownerId);
        expect(done).toMatchObject({ state: 'done', progress: 1, result: { times: 1, question } });
        expect(await ask(jobs, question)).toEqual(done);
        const other = await ask(jobs, { ...question, marks: [1, 2, 4] });
        expect(other.id).not.toBe(first.id);
        await jobs.over(other.id, ownerId);
        expect(times).toBe(2);
      },
    );
  });

  it('says how far it is', async () => {
    let goOn = (): void => undefined;
    const held = new Promise<void>((resolve) => (goOn = resolve));
    await withWorker(
      async (_, __, { progress }) => {
        progress(0.4);
        progress(0.2); // it never goes back
        await held;
      },
      async (jobs) => {
        const { id } = await ask(jobs);
        const half = await until(id, (job) => job.progress > 0.3);
        expect(half).toMatchObject({ state: 'running', result: null });
        goOn();
        expect((await jobs.over(id, ownerId)).progress).toBe(1);
      },
    );
  });

  it('is called off by who asked for it, and by nobody else', async () => {
    let stopped = false;
    await withWorker(
      (_, __, { signal }) =>
        new Promise((_resolve, reject) =>
          signal.addEventListener('abort', () => {
            stopped = true;
            reject(new Error('called off'));
          }),
        ),
      async (jobs) => {
        const { id } = await ask(jobs);
        await until(id, (job) => job.state === 'running');
        expect(await cancel(server.db, id, newId())).toBe(false);
        expect(await cancel(server.db, id, ownerId)).toBe(true);
        await expect.poll(() => stopped).toBe(true);
        expect(await read(id)).toMatchObject({ state: 'cancelled', result: null });
        await expect(jobs.over(id, ownerId)).rejects.toThrow(/Ask for it again/);
        // The same question can be asked anew.
        expect(await cancel(server.db, id, ownerId)).toBe(false);
      },
    );
  });

  it('that fails says why in words where there are words, and hides the rest', async () => {
    const failures = [
      new HttpProblem(422, 'invalid', 'No', 'The list is empty.'),
      new Error('pg: x'),
    ];
    await withWorker(
      () => Promise.reject(failures.shift() as Error),
      async (jobs) => {
        const told = await ask(jobs);
        expect(await until(told.id, (job) => job.state === 'failed')).toMatchObject({
          problem: 'No. The list is empty.',
        });
        const hidden = await ask(jobs);
        expect(await until(hidden.id, (job) => job.state === 'failed')).toMatchObject({
          problem: expect.not.stringContaining('pg'),
        });
      },
    );
  });

  it('that was under way when its process stopped is taken up by another', async () => {
    let id = '';
    await withWorker(
      (_, __, { signal }) =>
        new Promise((_resolve, reject) =>
          signal.addEventListener('abort', () => reject(new Error('stopped'))),
        ),
      async (jobs) => {
        ({ id } = await ask(jobs));
        await until(id, (job) => job.state === 'running');
      },
    );
    expect((await read(id))?.state).toBe('waiting');
    await withWorker(
      () => Promise.resolve({ by: 'the other' }),
      async (jobs) => {
        await jobs.start();
        expect((await jobs.over(id, ownerId)).result).toEqual({ by: 'the other' });
      },
    );
  });

  it('whose process was killed is taken up within seconds, and is not its own any more', async () => {
    const id = await written();
    const killed = await takeUp(server.db, id);
    await server
      .db('job')
      .where({ id })
      .update({ beat_at: server.db.raw(`now() - interval '16 s'`) });
    await withWorker(
      () => Promise.resolve({ by: 'the other' }),
      async (jobs) => {
        await jobs.start();
        expect((await jobs.over(id, ownerId)).result).toEqual({ by: 'the other' });
      },
    );
    expect(await beat(server.db, id, killed?.attempt ?? 0, 1)).toBe(false);
    const [row] = await server.db('job').where({ id });
    expect(row.attempt).toBe(2);
  });

  it('that beats is left to who is at it', async () => {
    const id = await written();
    await takeUp(server.db, id);
    await withWorker(
      () => Promise.reject(new Error('somebody else is at it')),
      async (jobs) => {
        await jobs.start();
        await new Promise((resolve) => setTimeout(resolve, 3_000));
        expect((await read(id))?.state).toBe('running');
      },
    );
    await cancel(server.db, id, ownerId);
  });

  it('that was written and never queued, by a version before this one, is done all the same', async () => {
    const id = await written();
    await server
      .db('job')
      .where({ id })
      .update({ made_at: server.db.raw(`now() - interval '1 day'`) });
    await withWorker(
      () => Promise.resolve({ found: true }),
      async (jobs) => {
        await jobs.start();
        expect((await jobs.over(id, ownerId)).result).toEqual({ found: true });
      },
    );
  });

  it('that took its process with it three times fails with words', async () => {
    const id = await written();
    await takeUp(server.db, id);
    await server
      .db('job')
      .where({ id })
      .update({ attempt: 3, beat_at: server.db.raw(`now() - interval '16 s'`) });
    await withWorker(
      () => Promise.resolve({}),
      async (jobs) => {
        await jobs.start();
        const failed = await until(id, (job) => job.state === 'failed');
        expect(failed.problem).toMatch(/ended 3 times/);
      },
    );
  });

  it('is not written where it cannot be queued', async () => {
    await withWorker(
      () => Promise.resolve({}),
      async (jobs) => {
        const boss = await jobs.start();
        boss.send = () => Promise.reject(new Error('no queue'));
        const question = { once: newId() };
        await expect(ask(jobs, question)).rejects.toThrow('no queue');
        const asked = await server.db('job').whereRaw(`question ->> 'once' = ?`, [question.once]);
        expect(asked).toEqual([]);
      },
    );
  });

  it('of two examinations with the same question are two', async () => {
    const [one, two] = await server.db('examination').pluck('id');
    await withWorker(
      () => Promise.resolve({}),
      async (jobs) => {
        const asked = { kind: 'bootstrap', ownerId, question: { stations: [[], []] } } as const;
        const first = await jobs.ask({ ...asked, examinationId: one });
        const second = await jobs.ask({ ...asked, examinationId: two });
        expect(second.id).not.toBe(first.id);
        expect((await jobs.ask({ ...asked, examinationId: two })).id).toBe(second.id);
        const stranger = (await server.db('account').whereNot({ id: ownerId }).first('id')).id;
        const alone = await jobs.ask({ ...asked, ownerId });
        const other = await jobs.ask({ ...asked, ownerId: stranger });
        expect(other.id).not.toBe(alone.id);
        expect(await findJob(server.db, alone.id, stranger)).toBeUndefined();
      },
    );
  });

  it('is refused to whoever has a dozen under way', async () => {
    const ids: string[] = [];
    for (let i = 0; i < 12; i++) ids.push(await written());
    await withWorker(
      () => Promise.resolve({}),
      async (jobs) => {
        await expect(ask(jobs)).rejects.toMatchObject({ status: 429 });
        for (const id of ids) await cancel(server.db, id, ownerId);
        await expect(ask(jobs)).resolves.toMatchObject({ kind: 'bootstrap' });
      },
    );
  });

  it('is shown to who asked, to who reads the examination that it is of, and to nobody else', async () => {
    // The server's own queue wakes here. What tests before it left under way asks nothing that it knows.
    await server
      .db('job')
      .whereIn('state', ['waiting', 'running'])
      .update({ state: 'cancelled', ended_at: server.db.fn.now() });
    const { body } = await lead
      .call('POST', `/examinations/${examinationId}/recomputation`)
      .expect(200);
    expect((await findJob(server.db, body.id, newId()))?.id).toBeUndefined();
    const done = await until(body.id, (job) => job.state === 'done');
    expect(done.result).toEqual({ sheets: expect.any(Number), differing: [] });
    expect((done.result as { sheets: number }).sheets).toBeGreaterThan(100);
    await lead.call('GET', `/jobs/${body.id}`).expect(200);
    await lead.call('GET', `/jobs/${newId()}`).expect(404);
    // A right that was lost loses what was asked with it.
    const own = { examination_id: examinationId, account_id: ownerId };
    const [right] = await server.db('examination_lead').where(own).delete().returning('*');
    await lead.call('GET', `/jobs/${body.id}`).expect(404);
    await server.db('examination_lead').insert(right);
  });
});
