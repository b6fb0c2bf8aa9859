import 'fake-indexeddb/auto';
import type { EventBody, Sheet } from '@kritikos/contracts/marking';
import { v7 as newId } from 'uuid';
import { describe, expect, it } from 'vitest';
import {
  acknowledge,
  countWaiting,
  fold,
  keepEvent,
  keepSheet,
  keptSheet,
  sheetsWaiting,
  waitingEvents,
} from './deviceStore.ts';

const AT = '2026-11-26T09:00:00.000Z';
const mark = (item: string, value: number): EventBody => ({
  type: 'mark',
  item,
  value,
  observation: 'observed',
  manner: 'done',
  prompted: false,
});
const EMPTY: Sheet['state'] = {
  marks: [],
  faults: [],
  variant: 'usual',
  comment: '',
  rating: null,
  clock: null,
  safetyEvents: 0,
  submittedAt: null,
};
const sheetWith = (id: string): Sheet => ({ id, state: EMPTY }) as Sheet;

describe('the taps on a device', () => {
  it('are numbered one after the other, also when they come at once', async () => {
    const sheet = newId();
    const taps = Array.from({ length: 20 }, (_, i) => keepEvent(sheet, mark(`item-${i}`, 1), AT));
    const events = await Promise.all(taps);
    expect(events.map((e) => e.sequence).sort((a, b) => a - b)).toEqual(events.map((_, i) => i));
    expect(new Set(events.map((e) => e.device)).size).toBe(1);
    expect((await waitingEvents(sheet)).map((e) => e.sequence)).toEqual(events.map((_, i) => i));
  });

  it('stay until they are acknowledged, and only those go', async () => {
    const sheet = newId();
    const first = await keepEvent(sheet, mark('slack', 1), AT);
    const second = await keepEvent(sheet, mark('angle', 0), AT);
    const before = await countWaiting();
    await acknowledge(sheet, [first.id]);
    expect((await waitingEvents(sheet)).map((e) => e.id)).toEqual([second.id]);
    expect(await countWaiting()).toBe(before - 1);
    // Said twice, it changes nothing.
    await acknowledge(sheet, [first.id]);
    expect(await countWaiting()).toBe(before - 1);
  });

  it('go on counting after all that waited has gone', async () => {
    const sheet = newId();
    const first = await keepEvent(sheet, mark('slack', 1), AT);
    await acknowledge(sheet, [first.id]);
    expect((await keepEvent(sheet, mark('slack', 0), AT)).sequence).toBe(1);
  });

  it('of one sheet are kept apart from those of another', async () => {
    const [one, two] = [newId(), newId()];
    await keepEvent(one, mark('slack', 1), AT);
    await keepEvent(two, mark('slack', 0), AT);
    expect(await waitingEvents(one)).toHaveLength(1);
    expect(await sheetsWaiting()).toEqual(expect.arrayContaining([one, two]));
  });
});

describe('a sheet on a device', () => {
  it('takes the acknowledged taps over, so that none is shown less than was tapped', async () => {
    const id = newId();
    await keepSheet(sheetWith(id));
    const first = await keepEvent(id, mark('slack', 1), AT);
    const second = await keepEvent(id, mark('angle', 1), AT);
    const shown = async () => {
      const known = (await keptSheet(id))?.state ?? EMPTY;
      return fold(known, await waitingEvents(id)).marks.map((m) => m.item);
    };
    expect(await shown()).toEqual(['slack', 'angle']);
    await acknowledge(id, [first.id]);
    expect((await keptSheet(id))?.state.marks).toHaveLength(1);
    expect(await shown()).toEqual(['slack', 'angle']);
    await acknowledge(id, [second.id]);
    expect(await waitingEvents(id)).toEqual([]);
    expect(await shown()).toEqual(['slack', 'angle']);
  });
});
