import type { MarkEvent, Sheet } from '@kritikos/contracts/marking';
import { beforeAll, describe, expect, it } from 'vitest';
import { EXAMINERS } from '../demo/people.ts';
import { newId } from '../http/newId.ts';
import { startServer } from '../testing/startServer.ts';
import type { Caller } from '../testing/startServer.ts';

/** The line of its own for taps says only yes; what it refuses is refused as everywhere else. */
const server = await startServer('demo');
const callers: Caller[] = [];
const sheets: Sheet[] = [];

const tap = (sheet: Sheet, sequence: number): MarkEvent => ({
  id: newId(),
  device: 'line',
  sequence,
  at: new Date().toISOString(),
  clockAhead: 0,
  checklistVersionId: sheet.checklist.id,
  body: { type: 'clear', item: 'consent' },
});

beforeAll(async () => {
  for (const { email } of EXAMINERS.slice(0, 4)) {
    const caller = await server.signIn(email);
    const [station] = (await caller.call('GET', '/own/stations')).body;
    const open = station.sheets.find((s: { submittedAt: unknown }) => !s.submittedAt);
    callers.push(caller);
    sheets.push((await caller.call('GET', `/sheets/${open.id}`)).body);
  }
});

describe('the line of taps', () => {
  it('writes the taps of many at once, each as its own account on its own sheet', async () => {
    const requests = Array.from({ length: 60 }, (_, i) => {
      const [caller, sheet] = [callers[i % 4] as Caller, sheets[i % 4] as Sheet];
      const events = [tap(sheet, Math.floor(i / 4))];
      return caller.call('POST', `/sheets/${sheet.id}/events`, {
        account: caller.account?.id,
        events,
      });
    });
    for (const response of await Promise.all(requests)) {
      expect(response.body.answers).toMatchObject([{ outcome: 'kept' }]);
    }
    for (const [i, sheet] of sheets.entries()) {
      const written = await server.db('mark_event').where({ sheet_id: sheet.id });
      expect(written).toHaveLength(15);
      expect(new Set(written.map((e) => e.account_id))).toEqual(new Set([callers[i]?.account?.id]));
    }
  });

  it('among many, refuses only whoever may not', async () => {
    const [mine, other] = [callers[0] as Caller, callers[1] as Caller];
    const sheet = sheets[0] as Sheet;
    const post = (caller: Caller, account: string | undefined, sequence: number) =>
      caller.call('POST', `/sheets/${sheet.id}/events`, {
        account,
        events: [tap(sheet, sequence)],
      });
    const responses = await Promise.all([
      post(mine, mine.account?.id, 100),
      post(other, other.account?.id, 101),
      post(other, mine.account?.id, 102),
      post(server.anyone, mine.account?.id, 103),
      post(mine, mine.account?.id, 104),
    ]);
    expect(responses.map((r) => r.status)).toEqual([200, 403, 409, 401, 200]);
  });

  it('wants the token of the page and the same site, as every change does', async () => {
    const mine = callers[0] as Caller;
    const sheet = sheets[0] as Sheet;
    const post = (sequence: number) =>
      mine.call('POST', `/sheets/${sheet.id}/events`, {
        account: mine.account?.id,
        events: [tap(sheet, sequence)],
      });
    await post(200).set('x-csrf-token', 'another').expect(403);
    await post(201).set('sec-fetch-site', 'cross-site').expect(403);
    await post(202).set('origin', 'https://elsewhere.example').expect(403);
    await post(203).expect(200);
  });

  it('ends with the session, and with the account', async () => {
    const mine = callers[3] as Caller;
    const sheet = sheets[3] as Sheet;
    const post = (sequence: number) =>
      mine.call('POST', `/sheets/${sheet.id}/events`, {
        account: mine.account?.id,
        events: [tap(sheet, sequence)],
      });
    const account = server.db('account').where({ id: mine.account?.id });
    await account.clone().update({ disabled_at: server.db.fn.now() });
    await post(300).expect(401);
    await account.clone().update({ disabled_at: null });
    await post(301).expect(200);
    await server.db('session').where({ account_id: mine.account?.id }).delete();
    await post(302).expect(401);
  });
});
