import 'fake-indexeddb/auto';
import type { EventBody, MarkEvent, RecordEvents } from '@kritikos/contracts/marking';
import { v7 as newId } from 'uuid';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { countWaiting, keepTap, waitingTaps } from './deviceStore.ts';
import { keeping, send, sendAs, sendWhenKept, stopped, troubles, waiting } from './sending.ts';

const VERSION = newId();
const TAP: EventBody = { type: 'clear', item: 'slack' };
let me: string;
let sent: RecordEvents[];
/** What the server does with a request for a sheet; by itself it keeps everything. */
let server: (sheet: string, batch: RecordEvents) => Response | Error | Promise<Response>;

const json = (body: unknown, status = 200, headers: Record<string, string> = {}) =>
  new Response(JSON.stringify(body), { status, headers });
const problem = (type: string, status: number, headers = {}) =>
  json({ type: `urn:kritikos:problem:${type}`, title: 'No', status }, status, headers);
const keeps = (batch: RecordEvents) =>
  json({
    answers: batch.events.map((e) => ({ outcome: 'kept', id: (e as MarkEvent).id })),
    before: 0,
    stamp: 1,
    submittedAt: null,
  });

beforeEach(() => {
  me = newId();
  sent = [];
  server = (_, batch) => keeps(batch);
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'Date'] });
  vi.stubGlobal('fetch', async (path: string, init: { body?: string }) => {
    if (!init.body) return json({ csrfToken: 'token' });
    const batch = JSON.parse(init.body) as RecordEvents;
    sent.push(batch);
    const answer = await server(path.split('/')[3] ?? '', batch);
    if (answer instanceof Error) throw answer;
    return answer;
  });
});
afterEach(async () => {
  await sendAs('');
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

const tapOn = async (sheetId: string, body: EventBody = TAP, account = me) =>
  keepTap({ account, sheetId }, VERSION, body);
const waits = async () => (await countWaiting(me)).own;
/** Lets the retries of the next minute happen. */
const aMinute = async () => {
  for (let i = 0; i < 60; i++) {
    await vi.advanceTimersByTimeAsync(1000);
    await send();
  }
};

describe('sending', () => {
  it('sends as the account that tapped, never another’s taps', async () => {
    const [mine, other] = [newId(), newId()];
    await tapOn(mine);
    await tapOn(mine, TAP, other);
    await sendAs(me);
    expect(sent.map((batch) => batch.account)).toEqual([me]);
    expect(await waits()).toBe(0);
    expect((await countWaiting(other)).own).toBe(1);
    await sendAs(other);
    expect((await countWaiting(other)).own).toBe(0);
  });

  it('one sheet’s fault does not hold up another, and is tried again by itself', async () => {
    const [ill, well] = [newId(), newId()];
    let faults = 0;
    server = (sheet, batch) =>
      sheet === ill && faults++ < 2 ? problem('fault', 500) : keeps(batch);
    await tapOn(ill);
    await tapOn(well);
    await sendAs(me);
    expect(await waitingTaps({ account: me, sheetId: well })).toEqual([]);
    expect(troubles.value[ill]).toBeDefined();
    await aMinute();
    expect(await waits()).toBe(0);
    expect(troubles.value[ill]).toBeUndefined();
  });

  it.each([
    ['no network', () => new Error('no route'), 'offline'],
    ['a proxy that refuses', () => json({ error: 'blocked' }, 403), 'offline'],
    ['too many requests', () => problem('too-many-attempts', 429, { 'retry-after': '3' }), 'busy'],
    ['a database that is away', () => problem('unavailable', 503), 'offline'],
    ['being signed out', () => problem('not-signed-in', 401), 'signed out'],
  ] as const)('%s is tried again without a button', async (_, refusal, why) => {
    server = refusal;
    await tapOn(newId());
    await sendAs(me);
    expect(stopped.value).toBe(why);
    expect(await waits()).toBe(1);
    server = (__, batch) => keeps(batch);
    await aMinute();
    expect(stopped.value).toBe('');
    expect(await waits()).toBe(0);
  });

  it('waits while marking is closed, and goes when it opens', async () => {
    const sheet = newId();
    server = () => problem('marking-closed', 409);
    await tapOn(sheet);
    await sendAs(me);
    expect(troubles.value[sheet]).toBe('No');
    expect(stopped.value).toBe('');
    server = (_, batch) => keeps(batch);
    await aMinute();
    expect(await waits()).toBe(0);
  });

  it('sets the taps of a sheet aside that is not this examiner’s any more', async () => {
    const sheet = newId();
    server = () => problem('not-allowed', 403);
    await tapOn(sheet);
    await sendAs(me);
    expect(await countWaiting(me)).toMatchObject({ own: 0, setAside: 1 });
    expect((await waitingTaps({ account: me, sheetId: sheet }))[0]?.refused).toBe('No');
  });

  it('sends a submission alone, after everything else of its sheet is answered', async () => {
    const sheet = newId();
    for (let i = 0; i < 150; i++) await tapOn(sheet);
    await tapOn(sheet, { type: 'submit' });
    await sendAs(me);
    expect(sent.map((batch) => batch.events.length)).toEqual([100, 50, 1]);
    expect((sent[2]?.events[0] as MarkEvent).body.type).toBe('submit');
  });

  it('counts a tap from the moment of it, and says until it is on the device’s disk that it is not', async () => {
    await sendAs(me);
    server = () => new Error('no network');
    let written = (): void => undefined;
    const disk = new Promise<void>((resolve) => (written = resolve));
    const going = sendWhenKept(disk.then(() => tapOn(newId())));
    expect([waiting.value, keeping.value]).toEqual([1, true]);
    written();
    await going;
    expect([waiting.value, keeping.value, stopped.value]).toEqual([1, false, 'offline']);
  });
});
