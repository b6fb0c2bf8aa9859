import 'fake-indexeddb/auto';
import type { EventBody, MarkEvent, Recorded, Sheet } from '@kritikos/contracts/marking';
import { Dexie } from 'dexie';
import { v7 as newId } from 'uuid';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { clockAhead } from '../http/serverClock.ts';
import {
  countWaiting,
  doAgain,
  drop,
  fold,
  keepSheet,
  keepTap,
  keptSheet,
  openStore,
  sendable,
  settle,
  sheetsWaiting,
  waitingTaps,
} from './deviceStore.ts';
import type { Owner } from './deviceStore.ts';

const VERSION = newId();
const mark = (item: string, value: number): EventBody => ({
  type: 'mark',
  item,
  value,
  observation: 'observed',
  manner: 'done',
  prompted: false,
});
const SUBMIT: EventBody = { type: 'submit' };
const EMPTY: Sheet['state'] = {
  marks: [],
  faults: [],
  variants: { own: 'usual' },
  comment: '',
  rating: null,
  clock: null,
  safety: [],
  submittedAt: null,
};
const sheetWith = (id: string, more: Partial<Sheet> = {}): Sheet =>
  ({ id, state: EMPTY, stamp: 0, tapped: [], ...more }) as Sheet;
const owner = (account: string = newId()): Owner => ({ account, sheetId: newId() });
const tap = (whose: Owner, body: EventBody) => keepTap(whose, VERSION, body);
const kept = (taps: readonly MarkEvent[], before = 0, stamp = before + taps.length): Recorded => ({
  answers: taps.map(({ id }) => ({ outcome: 'kept', id })),
  before,
  stamp,
  submittedAt: null,
});
const refusing = (taps: readonly MarkEvent[], reason: string): Recorded => ({
  ...kept(taps),
  answers: taps.map(({ id }) => ({ outcome: 'refused', id, reason })),
});
const shown = async (whose: Owner) => {
  const known = await keptSheet(whose);
  return known && fold(known.sheet, known.taps);
};

afterEach(() => {
  vi.useRealTimers();
  clockAhead.value = 0;
});

describe('the taps on a device', () => {
  it('are numbered one after the other, also when they come at once', async () => {
    const whose = owner();
    const taps = Array.from({ length: 20 }, (_, i) => tap(whose, mark(`item-${i}`, 1)));
    const events = await Promise.all(taps);
    expect(events.map((e) => e.sequence).sort((a, b) => a - b)).toEqual(events.map((_, i) => i));
    expect(new Set(events.map((e) => e.device)).size).toBe(1);
    const times = (await waitingTaps(whose)).map((e) => Date.parse(e.at));
    expect(times).toEqual([...new Set(times)].sort((a, b) => a - b));
  });

  it('keep their order when the clock of the device is set back', async () => {
    vi.useFakeTimers({ now: Date.parse('2026-11-26T10:00:00Z'), toFake: ['Date'] });
    const whose = owner();
    const first = await tap(whose, mark('slack', 0));
    vi.setSystemTime(Date.parse('2026-11-26T09:00:00Z'));
    const second = await tap(whose, mark('slack', 1));
    expect(Date.parse(second.at)).toBeGreaterThan(Date.parse(first.at));
  });

  it('carry how far the clock was off, and are shown by the corrected time', async () => {
    vi.useFakeTimers({ now: Date.parse('2026-11-26T10:00:07Z'), toFake: ['Date'] });
    clockAhead.value = 7000;
    const whose = owner();
    await keepSheet(whose.account, sheetWith(whose.sheetId));
    expect(await tap(whose, mark('slack', 1))).toMatchObject({
      at: '2026-11-26T10:00:07.000Z',
      clockAhead: 7000,
      checklistVersionId: VERSION,
    });
    expect((await shown(whose))?.marks[0]?.at).toBe(Date.parse('2026-11-26T10:00:00Z'));
  });

  it('stay until they are answered for, and only those go', async () => {
    const whose = owner();
    const first = await tap(whose, mark('slack', 1));
    const second = await tap(whose, mark('angle', 0));
    await settle(whose, [first], kept([first]));
    expect((await waitingTaps(whose)).map((e) => e.id)).toEqual([second.id]);
    // Said twice, it changes nothing.
    await settle(whose, [first], kept([first]));
    expect(await countWaiting(whose.account)).toMatchObject({ own: 1, setAside: 0 });
  });

  it('go on counting after all that waited has gone', async () => {
    const whose = owner();
    const first = await tap(whose, mark('slack', 1));
    await settle(whose, [first], kept([first]));
    expect((await tap(whose, mark('slack', 0))).sequence).toBe(1);
  });

  it('belong to the account that tapped them: another is told their number only', async () => {
    const [mine, yours] = [owner(), owner()];
    const before = (await countWaiting(mine.account)).others;
    await tap(mine, mark('slack', 1));
    for (const item of ['a', 'b', 'c']) await tap(yours, mark(item, 0));
    expect(await countWaiting(mine.account)).toEqual({ own: 1, setAside: 0, others: before + 3 });
    expect(await sheetsWaiting(mine.account)).toEqual([mine.sheetId]);
    // The same sheet id under another account is another sheet.
    expect(await waitingTaps({ ...yours, account: mine.account })).toEqual([]);
  });
});

describe('a tap that the server refuses', () => {
  it('is set aside with the reason, off the screen, and the rest goes on', async () => {
    const whose = owner();
    await keepSheet(whose.account, sheetWith(whose.sheetId));
    const bad = await tap(whose, mark('slack', 9));
    const good = await tap(whose, mark('angle', 1));
    const answer: Recorded = {
      answers: [
        { outcome: 'refused', id: bad.id, reason: 'must be 0 or 1' },
        { outcome: 'kept', id: good.id },
      ],
      before: 0,
      stamp: 1,
      submittedAt: null,
    };
    expect(await settle(whose, [bad, good], answer)).toMatchObject({ refused: 1, late: 0 });
    expect(await countWaiting(whose.account)).toMatchObject({ own: 0, setAside: 1 });
    expect((await shown(whose))?.marks.map((m) => m.item)).toEqual(['angle']);
    expect(await sendable(whose, 100)).toEqual([]);
    expect((await waitingTaps(whose))[0]?.refused).toBe('must be 0 or 1');
  });

  it('holds the submission until it is done again or dropped', async () => {
    const whose = owner();
    const bad = await tap(whose, mark('slack', 9));
    const submission = await tap(whose, SUBMIT);
    // First the tap alone; the submission waits while that is unanswered.
    expect((await sendable(whose, 100)).map((t) => t.id)).toEqual([bad.id]);
    await settle(whose, [bad], refusing([bad], 'no'));
    expect(await sendable(whose, 100)).toEqual([]);
    const [aside] = await waitingTaps(whose);
    if (!aside) throw new Error('nothing was set aside');
    await doAgain(whose, aside);
    const [again] = await sendable(whose, 100);
    expect(again).toMatchObject({ body: bad.body });
    expect(again?.id).not.toBe(bad.id);
    await settle(whose, again ? [again] : [], kept(again ? [again] : []));
    const [last] = await sendable(whose, 100);
    expect(last?.body).toEqual(SUBMIT);
    // It was put behind what was done again, so that it is the later of the two.
    expect(last?.sequence).toBeGreaterThan(again?.sequence ?? Infinity);
    expect(last?.id).not.toBe(submission.id);
  });

  it('leaves a word on the record when it is dropped', async () => {
    const whose = owner();
    const bad = await tap(whose, mark('slack', 9));
    await settle(whose, [bad], refusing([bad], 'no'));
    const [aside] = await waitingTaps(whose);
    if (!aside) throw new Error('nothing was set aside');
    await drop(whose, aside, 'Slack: 9', 'Tapped by mistake');
    expect((await sendable(whose, 100)).map((t) => t.body)).toEqual([
      { type: 'dropped', what: 'Slack: 9', why: 'Tapped by mistake' },
    ]);
  });
});

describe('a sheet on a device', () => {
  it('takes the answered taps over, so that none is shown less than was tapped', async () => {
    const whose = owner();
    await keepSheet(whose.account, sheetWith(whose.sheetId));
    const first = await tap(whose, mark('slack', 1));
    const second = await tap(whose, mark('angle', 1));
    const items = async () => (await shown(whose))?.marks.map((m) => m.item);
    expect(await items()).toEqual(['slack', 'angle']);
    await settle(whose, [first], kept([first]));
    expect((await keptSheet(whose))?.sheet.state.marks).toHaveLength(1);
    expect(await items()).toEqual(['slack', 'angle']);
    await settle(whose, [second], kept([second], 1));
    expect(await waitingTaps(whose)).toEqual([]);
    expect(await items()).toEqual(['slack', 'angle']);
  });

  it('is not overwritten by an answer that is older than what it knows', async () => {
    const whose = owner();
    await keepSheet(whose.account, sheetWith(whose.sheetId));
    const first = await tap(whose, mark('slack', 1));
    await settle(whose, [first], kept([first], 0, 5));
    // A slow answer from before the tap arrives after it.
    const known = await keepSheet(whose.account, sheetWith(whose.sheetId, { stamp: 4 }));
    expect(known.state.marks).toHaveLength(1);
    expect((await shown(whose))?.marks).toHaveLength(1);
  });

  it('counts a safety event once whose answer was lost', async () => {
    const whose = owner();
    await keepSheet(whose.account, sheetWith(whose.sheetId));
    const stop = await tap(whose, { type: 'safety', note: '', remaining: 60 });
    // The server has it; the device never heard, and fetches the sheet.
    const { id, at } = stop;
    const state = { ...EMPTY, safety: [{ id, at, remaining: 60, note: '' }] };
    await keepSheet(
      whose.account,
      sheetWith(whose.sheetId, { state, stamp: 1, tapped: [stop.id] }),
    );
    expect((await shown(whose))?.safety).toHaveLength(1);
    expect(await waitingTaps(whose)).toEqual([]);
  });

  it('says when somebody else wrote on it, and what came too late', async () => {
    const whose = owner();
    await keepSheet(whose.account, sheetWith(whose.sheetId, { stamp: 3 }));
    const first = await tap(whose, mark('slack', 1));
    expect(await settle(whose, [first], kept([first], 3))).toMatchObject({
      changedElsewhere: false,
    });
    const second = await tap(whose, mark('slack', 0));
    const answer: Recorded = {
      ...kept([second], 9),
      answers: [{ outcome: 'late', id: second.id }],
    };
    expect(await settle(whose, [second], answer)).toEqual({
      late: 1,
      refused: 0,
      changedElsewhere: true,
    });
    expect((await shown(whose))?.marks[0]?.value).toBe(1);
  });
});

describe('a device of the first version', () => {
  it('keeps its taps, which belong to whoever was signed in', async () => {
    const name = `old-${newId()}`;
    const old = new Dexie(name);
    old.version(1).stores({
      waiting: 'id, sheetId, [sheetId+sequence]',
      sheets: 'id',
      counters: 'sheetId',
      kept: 'key',
    });
    const [account, sheetId, id] = [newId(), newId(), newId()];
    await old.table('waiting').add({
      id,
      sheetId,
      device: 'tablet',
      sequence: 4,
      at: '2026-11-20T09:00:00.000Z',
      body: mark('slack', 1),
    });
    await old
      .table('sheets')
      .add({ id: sheetId, sheet: { ...sheetWith(sheetId), checklist: { id: VERSION } } });
    await old.table('counters').add({ sheetId, device: 'tablet', next: 5 });
    old.close();
    vi.stubGlobal('localStorage', { getItem: () => JSON.stringify({ id: account }) });
    const store = openStore(name);
    expect(await store.waiting.toArray()).toMatchObject([
      { id, account, sheetId, sequence: 4, clockAhead: 0, checklistVersionId: VERSION },
    ]);
    expect(await store.ownCounters.get([account, sheetId])).toMatchObject({ next: 5 });
    expect(await store.ownSheets.get([account, sheetId])).toBeDefined();
    store.close();
    vi.unstubAllGlobals();
  });
});
