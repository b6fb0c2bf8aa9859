import type { AgreementOverview } from '@kritikos/contracts/agreement';
import { pino } from 'pino';
import { beforeAll, describe, expect, it } from 'vitest';
import { Jobs } from '../jobs/jobs.ts';
import type { Worker } from '../jobs/jobs.ts';
import { workersOn } from '../jobs/workers.ts';
import { asApplication } from '../testing/asApplication.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';
import { readAgreement } from './service.ts';
import { agreementWork } from './working.ts';

const server = await startServer('demo');
let lead: Caller;
let id: string;
beforeAll(async () => {
  lead = await server.lead();
  id = await server.thisYears();
});

/** The page of agreement where the work is done as a test has it. */
async function withWork(
  work: Worker,
  test: (read: () => Promise<AgreementOverview>) => Promise<void>,
): Promise<void> {
  const url = new URL(asApplication(process.env.TEST_DATABASE_URL ?? ''));
  url.pathname = `/${server.database}`;
  const workers = { ...workersOn(url.href), agreement: work };
  const jobs = new Jobs(server.tools.db, pino({ level: 'silent' }), workers);
  const account = lead.account;
  if (!account) throw new Error('Nobody is signed in.');
  try {
    await test(() => readAgreement(server.tools.db, jobs, id, account));
  } finally {
    await jobs.stop();
  }
}

/** Rejects when the work is called off, also where it was already. */
function calledOffBy(signal: AbortSignal): Promise<never> {
  return new Promise((_, reject) => {
    const refuse = () => reject(new Error('called off'));
    if (signal.aborted) refuse();
    else signal.addEventListener('abort', refuse);
  });
}

/** Waits until it is called off, after so many stations. */
const afterStations =
  (stations: number): Worker =>
  async (db, work, { signal, progress }) => {
    const calledOff = new AbortController();
    signal.addEventListener('abort', () => calledOff.abort());
    let done = 0;
    const counting = (share: number) => {
      progress(share);
      if (++done >= stations) calledOff.abort();
    };
    await agreementWork(db, work, { signal: calledOff.signal, progress: counting }).catch(
      () => undefined,
    );
    await calledOffBy(signal);
  };

describe('a page of agreement that is looked at while it is worked out', () => {
  it('shows the stations that are there, says which are awaited, and can be stopped', async () => {
    await withWork(afterStations(3), async (read) => {
      const before = await read();
      expect(before.job?.state).toMatch(/waiting|running/);
      expect(before.severity).toBeNull();
      let now = before;
      await expect.poll(async () => (now = await read()).stations.length).toBeGreaterThanOrEqual(3);
      expect(now.stations.length + now.awaited.length).toBe(8);
      expect(now.awaited.length).toBeGreaterThan(0);
      expect(now.sentence).toMatch(/gave the same mark in \d+ % of cases/);
      const asked = now.job?.id;
      await lead.call('DELETE', `/jobs/${asked}`).expect(200);
      // What was worked out stays, and whoever asks again asks for the rest.
      await expect.poll(async () => (await read()).job?.id).not.toBe(asked);
    });
  });

  it('says that it is being worked out while there is nothing yet', async () => {
    await server.db('kept_analysis').delete();
    await server.db('job').where({ kind: 'agreement' }).delete();
    await withWork(
      (_, __, { signal }) => calledOffBy(signal),
      async (read) => {
        const { sentence, stations, awaited } = await read();
        expect([sentence, stations.length, awaited.length]).toEqual([
          'The first stations are being worked out.',
          0,
          8,
        ]);
      },
    );
  });

  it('is worked out once, and anew where a sheet came in', async () => {
    await server.db('job').where({ kind: 'agreement' }).delete();
    let times = 0;
    const counted: Worker = (...given) => {
      times++;
      return agreementWork(...given);
    };
    await withWork(counted, async (read) => {
      const over = async () => {
        let now = await read();
        await expect.poll(async () => (now = await read()).job).toBeNull();
        return now;
      };
      const first = await over();
      expect(await over()).toEqual(first);
      expect(times).toBe(1);
      // A sheet less is as good as a sheet more: the station has another number of them.
      await server.db.raw(
        `update sheet set submitted_at = null where id = (
           select h.id from sheet h join station s on s.id = h.station_id
           where s.examination_id = ? and s.position = 1 and h.submitted_at is not null limit 1)`,
        [id],
      );
      const after = await over();
      expect(times).toBe(2);
      expect(after.severity?.sheets).toBe((first.severity?.sheets ?? 0) - 1);
      expect(after.stations.slice(1)).toEqual(first.stations.slice(1));
    });
  });
});
