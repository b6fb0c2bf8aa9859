import type { MarkEvent, OwnStation, Sheet, SheetState } from '@kritikos/contracts/marking';
import { afterEvent } from '@kritikos/core/marking/sheetState';
import { Dexie } from 'dexie';
import type { EntityTable } from 'dexie';
import { v7 as newId } from 'uuid';

interface WaitingEvent extends MarkEvent {
  sheetId: string;
}

interface KeptSheet {
  id: string;
  /** The sheet as the server knows it, acknowledged events included. */
  sheet: Sheet;
}

interface Counter {
  sheetId: string;
  device: string;
  next: number;
}

interface Kept {
  key: string;
  value: unknown;
}

/** What this device keeps: sheets as last known, and every tap until the server has it. */
const store = new Dexie('kritikos') as Dexie & {
  waiting: EntityTable<WaitingEvent, 'id'>;
  sheets: EntityTable<KeptSheet, 'id'>;
  counters: EntityTable<Counter, 'sheetId'>;
  kept: EntityTable<Kept, 'key'>;
};
store.version(1).stores({
  waiting: 'id, sheetId, [sheetId+sequence]',
  sheets: 'id',
  counters: 'sheetId',
  kept: 'key',
});

/** Writes a tap down on the device. It is safe here before the network hears of it. */
export async function keepEvent(
  sheetId: string,
  body: MarkEvent['body'],
  at: string,
): Promise<MarkEvent> {
  return store.transaction('rw', store.waiting, store.counters, async () => {
    const counter = (await store.counters.get(sheetId)) ?? { sheetId, device: newId(), next: 0 };
    await store.counters.put({ ...counter, next: counter.next + 1 });
    const event = { id: newId(), device: counter.device, sequence: counter.next, at, body };
    // Whatever Vue made of the value, what is stored is plain.
    await store.waiting.add({ ...(JSON.parse(JSON.stringify(event)) as MarkEvent), sheetId });
    return event;
  });
}

/** The taps on a sheet that the server has not acknowledged, in order. */
export async function waitingEvents(sheetId: string): Promise<MarkEvent[]> {
  const events = await store.waiting.where('sheetId').equals(sheetId).sortBy('sequence');
  return events.map(({ id, device, sequence, at, body }) => ({ id, device, sequence, at, body }));
}

/** How many taps wait on this device, over all sheets. */
export function countWaiting(): Promise<number> {
  return store.waiting.count();
}

/** Sheets on this device with taps that the server has not acknowledged. */
export async function sheetsWaiting(): Promise<string[]> {
  return (await store.waiting.orderBy('sheetId').uniqueKeys()) as string[];
}

/** Forgets taps that are on the server's disk, and folds them into the sheet as last known. */
export async function acknowledge(sheetId: string, ids: readonly string[]): Promise<void> {
  await store.transaction('rw', store.waiting, store.sheets, async () => {
    const done = new Set(ids);
    const events = (await waitingEvents(sheetId)).filter((event) => done.has(event.id));
    const kept = await store.sheets.get(sheetId);
    if (kept)
      await store.sheets.put({
        id: sheetId,
        sheet: { ...kept.sheet, state: fold(kept.sheet.state, events) },
      });
    await store.waiting.bulkDelete([...ids]);
  });
}

export async function keepSheet(sheet: Sheet): Promise<void> {
  await store.sheets.put({ id: sheet.id, sheet });
}

export async function keptSheet(id: string): Promise<Sheet | undefined> {
  return (await store.sheets.get(id))?.sheet;
}

export async function keepStations(accountId: string, stations: OwnStation[]): Promise<void> {
  await store.kept.put({ key: `stations ${accountId}`, value: stations });
}

export async function keptStations(accountId: string): Promise<OwnStation[] | undefined> {
  return (await store.kept.get(`stations ${accountId}`))?.value as OwnStation[] | undefined;
}

/** The state with the events on top. */
export function fold(state: SheetState, events: readonly MarkEvent[]): SheetState {
  return events.reduce((now, event) => afterEvent(now, event.body, event.at), state);
}
