import type { EventBody, MarkEvent, Recorded, Sheet } from '@kritikos/contracts/marking';
import { beforeAll, describe, expect, it } from 'vitest';
import { EXAMINERS } from '../demo/people.ts';
import { newId } from '../http/newId.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

/** Clocks that are wrong: what was done later counts all the same. */
const server = await startServer('demo');
const HOUR = 3_600_000;
let examiner: Caller;
let sheet: Sheet;
let next = 0;

/** Sets the clock of the database back or ahead, as far as taps are concerned. */
async function serverClock(ahead: number): Promise<void> {
  await server.db.raw(`create schema if not exists clock;
    create or replace function clock.clock_timestamp() returns timestamptz language sql volatile as
      $$ select pg_catalog.clock_timestamp() + ${ahead} * interval '1 millisecond' $$;
    grant usage on schema clock to public;
    alter function record_taps(uuid, uuid, jsonb) set search_path = clock, public, pg_catalog`);
}

beforeAll(async () => {
  examiner = await server.signIn(EXAMINERS[0].email);
  const [station] = (await examiner.call('GET', '/own/stations')).body;
  const open = station.sheets.find((s: { submittedAt: unknown }) => !s.submittedAt);
  sheet = await read(open.id);
});

const read = async (id: string): Promise<Sheet> =>
  (await examiner.call('GET', `/sheets/${id}`).expect(200)).body;

/** A tablet: how wrong its clock is, whether it has measured that, and what it has been told. */
function tablet(ahead: number, measured = 0) {
  const device = newId();
  let seen = 0;
  return {
    look: async () => {
      const now = await read(sheet.id);
      seen = now.stamp;
      return now;
    },
    measure: (now: number) => (measured = now),
    tap: async (body: EventBody): Promise<Recorded> => {
      const event: MarkEvent = {
        id: newId(),
        device,
        sequence: next++,
        at: new Date(Date.now() + ahead).toISOString(),
        clockAhead: measured,
        checklistVersionId: sheet.checklist.id,
        seen,
        body,
      };
      const { body: answer } = await examiner
        .call('POST', `/sheets/${sheet.id}/events`, {
          account: examiner.account?.id,
          events: [event],
        })
        .expect(200);
      seen = Math.max(seen, (answer as Recorded).stamp);
      return answer as Recorded;
    },
  };
}

const mark = (value: number, item = 'consent'): EventBody => ({
  ...{ type: 'mark', item, value },
  ...{ observation: 'observed', manner: 'done', prompted: false },
});
const valueOf = async (item = 'consent') =>
  (await read(sheet.id)).state.marks.find((own) => own.item === item)?.value;

describe('a correction', () => {
  it('counts after the clock of the server was set back an hour', async () => {
    const own = tablet(0);
    await own.tap(mark(1));
    await serverClock(-HOUR);
    // The tablet measures the new difference with the next answer.
    own.measure(HOUR);
    expect((await own.tap(mark(0))).answers[0]?.outcome).toBe('kept');
    expect(await valueOf()).toBe(0);
    await own.tap(mark(1));
    expect(await valueOf()).toBe(1);
    await serverClock(0);
    own.measure(0);
    await own.tap(mark(0));
    expect(await valueOf()).toBe(0);
  });

  it('counts from another tablet whose clock is an hour behind and not measured', async () => {
    await tablet(0).tap(mark(0));
    const other = tablet(-HOUR);
    await other.look();
    await other.tap(mark(1));
    expect(await valueOf()).toBe(1);
  });

  it('of a tablet that had not heard of it does not overwrite what was marked later', async () => {
    const offline = tablet(-60_000); // tapped a minute ago, sent now
    await offline.look();
    await tablet(0).tap(mark(0));
    await offline.tap(mark(1));
    expect(await valueOf()).toBe(0);
  });
});

describe('the order of the acts', () => {
  it('is that of the taps, whatever the clock of the server does between them', async () => {
    const own = tablet(0);
    const items = sheet.checklist.content.items.filter(({ kind }) => kind === 'done').slice(1, 4);
    for (const [i, { key }] of items.entries()) {
      await serverClock(-i * HOUR);
      own.measure(i * HOUR);
      await own.tap(mark(1, key));
    }
    const marks = (await read(sheet.id)).state.marks.filter(({ item }) =>
      items.some(({ key }) => key === item),
    );
    expect(marks.map(({ item }) => item)).toEqual(items.map(({ key }) => key));
    const times = marks.map(({ at }) => at);
    expect(new Set(times).size).toBe(items.length);
    await serverClock(0);
  });

  it('holds to the end: a sheet is submitted after it was begun', async () => {
    const own = tablet(0);
    await own.look();
    await own.tap({ type: 'rating', grade: 4 });
    await serverClock(-HOUR);
    own.measure(HOUR);
    expect((await own.tap({ type: 'submit' })).answers[0]?.outcome).toBe('kept');
    const row = await server.db('sheet').where({ id: sheet.id }).first();
    expect(row.submitted_at.getTime()).toBeGreaterThan(row.started_at.getTime());
    await serverClock(0);
  });
});
