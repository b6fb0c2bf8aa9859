import type {
  EventBody,
  MarkEvent,
  OwnStation,
  Recorded,
  Sheet,
  SheetState,
} from '@kritikos/contracts/marking';
import type { ProcedureChecklist } from '@kritikos/catalogue/procedure';
import { liftChecklist } from '@kritikos/catalogue/stationChecklist';
import { afterEvent } from '@kritikos/core/marking/sheetState';
import { Dexie } from 'dexie';
import type { EntityTable, Table, Transaction } from 'dexie';
import { v7 as newId } from 'uuid';
import { clockAhead, correctedNow } from '../http/serverClock.ts';

/** Whose sheet it is. A tablet is passed on; what is on it belongs to the account that tapped it. */
export interface Owner {
  readonly account: string;
  readonly sheetId: string;
}

/** A tap that the server has not answered for, or has refused. */
export interface WaitingTap extends MarkEvent {
  account: string;
  sheetId: string;
  /** Why the server refused it, where it did; the tap is then set aside. */
  refused?: string;
}

interface KeptSheet {
  account: string;
  id: string;
  /** The sheet as the server knows it, answered taps included. */
  sheet: Sheet;
}

interface Counter {
  account: string;
  sheetId: string;
  device: string;
  next: number;
  /** The corrected time of the newest tap: the next one is later, whatever the clock does. */
  last: number;
}

interface Kept {
  key: string;
  value: unknown;
}

type Store = Dexie & {
  waiting: EntityTable<WaitingTap, 'id'>;
  ownSheets: Table<KeptSheet, [string, string]>;
  ownCounters: Table<Counter, [string, string]>;
  kept: EntityTable<Kept, 'key'>;
};

/** Opens the store of this device; what an older version of it kept is taken over. */
export function openStore(name: string): Store {
  const store = new Dexie(name) as Store;
  store.version(1).stores({
    waiting: 'id, sheetId, [sheetId+sequence]',
    sheets: 'id',
    counters: 'sheetId',
    kept: 'key',
  });
  store
    .version(2)
    .stores({
      waiting: 'id, account, [account+sheetId]',
      ownSheets: '[account+id]',
      ownCounters: '[account+sheetId]',
    })
    .upgrade(giveToAccount);
  store.version(3).stores({ sheets: null, counters: null });
  store.version(4).upgrade(liftSheets);
  store.version(5).upgrade(nameSafetyEvents);
  return store;
}

/** Until the second version one account used a device: what is on it belongs to whoever that was. */
async function giveToAccount(trx: Transaction): Promise<void> {
  const remembered = localStorage.getItem('kritikos.account');
  const account = remembered ? (JSON.parse(remembered) as { id: string }).id : '';
  const known = await trx.table<{ id: string; sheet: Sheet }>('sheets').toArray();
  const versions = new Map(known.map(({ id, sheet }) => [id, sheet.checklist.id]));
  await trx
    .table<WaitingTap>('waiting')
    .toCollection()
    .modify((tap) => {
      tap.account = account;
      tap.clockAhead = 0;
      tap.checklistVersionId = versions.get(tap.sheetId) ?? '';
    });
  for (const { id, sheet } of known) {
    const whole = { ...sheet, stamp: 0, tapped: [] };
    await trx.table<KeptSheet>('ownSheets').put({ account, id, sheet: whole });
  }
  for (const counter of await trx.table<Counter>('counters').toArray()) {
    await trx.table<Counter>('ownCounters').put({ ...counter, account, last: 0 });
  }
}

/** Until the third version a checklist was of one procedure, and its sheet named one variant. */
async function liftSheets(trx: Transaction): Promise<void> {
  await trx
    .table<KeptSheet>('ownSheets')
    .toCollection()
    .modify(({ sheet }) => {
      const { checklist, state } = sheet;
      const before = state as SheetState & { variant?: string };
      if (before.variant === undefined) return;
      const content = checklist.content as unknown as ProcedureChecklist;
      const { procedureId: id, title } = checklist;
      sheet.checklist.content = liftChecklist({
        id,
        title,
        checklist: content,
      }) as Sheet['checklist']['content'];
      sheet.state.variants = { [id]: before.variant };
      sheet.state.marks = state.marks.map((mark) => ({ ...mark, attempt: 1 }));
      delete before.variant;
    });
}

/**
 * Until the fourth version a sheet only counted its safety events, and no mark said which fault made
 * it. An event without its tap's id cannot be taken back here; it can once the sheet is read again.
 */
async function nameSafetyEvents(trx: Transaction): Promise<void> {
  await trx
    .table<KeptSheet>('ownSheets')
    .toCollection()
    .modify(({ sheet: { state } }) => {
      const before = state as SheetState & { safetyEvents?: number };
      const at = state.clock?.since ?? new Date(0).toISOString();
      state.safety = Array.from({ length: before.safetyEvents ?? 0 }, () => ({
        id: '',
        at,
        remaining: state.clock?.remaining ?? 0,
        note: '',
      }));
      state.marks = state.marks.map((mark) => ({ ...mark, byFault: null }));
      delete before.safetyEvents;
    });
}

/** What this device keeps: sheets as last known, and every tap until the server has it. */
const store = openStore('kritikos');

/** Writes a tap down on the device. It is safe here before the network hears of it. */
export async function keepTap(
  owner: Owner,
  checklistVersionId: string,
  body: EventBody,
  id: string = newId(),
): Promise<MarkEvent> {
  return store.transaction('rw', store.waiting, store.ownCounters, store.ownSheets, () =>
    addTap(owner, checklistVersionId, body, id),
  );
}

async function addTap(
  { account, sheetId }: Owner,
  checklistVersionId: string,
  body: EventBody,
  id: string = newId(),
): Promise<MarkEvent> {
  const fresh = { account, sheetId, device: newId(), next: 0, last: 0 };
  const counter = (await store.ownCounters.get([account, sheetId])) ?? fresh;
  const happened = Math.max(correctedNow(), counter.last + 1);
  const stamp = (await store.ownSheets.get([account, sheetId]))?.sheet.stamp;
  await store.ownCounters.put({ ...counter, next: counter.next + 1, last: happened });
  const event: MarkEvent = {
    id,
    device: counter.device,
    sequence: counter.next,
    at: new Date(happened + clockAhead.value).toISOString(),
    clockAhead: clockAhead.value,
    checklistVersionId,
    ...(stamp === undefined ? {} : { seen: stamp }),
    body,
  };
  // Whatever Vue made of the value, what is stored is plain.
  await store.waiting.add({
    ...(JSON.parse(JSON.stringify(event)) as MarkEvent),
    account,
    sheetId,
  });
  return event;
}

/** The taps on a sheet that the server has not taken, in order; those set aside among them. */
export async function waitingTaps({ account, sheetId }: Owner): Promise<WaitingTap[]> {
  return store.waiting.where({ account, sheetId }).sortBy('sequence');
}

/**
 * What can be sent of a sheet now. A submission goes alone and last: it waits while another tap of
 * its sheet is unanswered or set aside.
 */
export async function sendable(owner: Owner, most: number): Promise<MarkEvent[]> {
  const taps = await waitingTaps(owner);
  const open = taps.filter((tap) => tap.refused === undefined);
  const others = open.filter((tap) => tap.body.type !== 'submit');
  const ready = others.length > 0 ? others.slice(0, most) : taps.length > open.length ? [] : open;
  return ready.map(eventOf);
}

/** A tap as the server takes it: without what only this device needs to know. */
function eventOf({ account, sheetId, refused, ...event }: WaitingTap): MarkEvent {
  void [account, sheetId, refused];
  return event;
}

/** How many taps on this device wait: of this account, of it set aside, and of other accounts. */
export async function countWaiting(
  account: string,
): Promise<{ own: number; setAside: number; others: number }> {
  const own = await store.waiting.where({ account }).toArray();
  const setAside = own.filter((tap) => tap.refused !== undefined).length;
  return {
    own: own.length - setAside,
    setAside,
    others: (await store.waiting.count()) - own.length,
  };
}

/** The sheets with taps of this account that wait. */
export async function sheetsWaiting(account: string): Promise<string[]> {
  const taps = await store.waiting.where({ account }).toArray();
  return [...new Set(taps.map((tap) => tap.sheetId))];
}

/**
 * Takes in what the server says became of taps: what is on its disk leaves the device and goes
 * into the sheet as last known, what is refused is set aside. Answers whether anything but this
 * device’s own taps has changed the sheet.
 */
export async function settle(
  owner: Owner,
  sent: readonly MarkEvent[],
  { answers, before, stamp }: Recorded,
): Promise<{ late: number; refused: number; changedElsewhere: boolean }> {
  const { account, sheetId } = owner;
  return store.transaction('rw', store.waiting, store.ownSheets, async () => {
    const outcome = (i: number) => answers[i]?.outcome;
    const kept = sent.filter((_, i) => outcome(i) === 'kept');
    const late = sent.filter((_, i) => outcome(i) === 'late');
    await store.waiting.bulkDelete([...kept, ...late].map((tap) => tap.id));
    let refused = 0;
    for (const [i, tap] of sent.entries()) {
      const answer = answers[i];
      if (answer?.outcome !== 'refused') continue;
      await store.waiting.update(tap.id, { refused: answer.reason });
      refused++;
    }
    const known = await store.ownSheets.get([account, sheetId]);
    if (!known) return { late: late.length, refused, changedElsewhere: false };
    const { sheet } = known;
    await store.ownSheets.put({
      ...known,
      sheet: {
        ...sheet,
        state: fold(sheet, kept),
        stamp: Math.max(sheet.stamp, stamp),
        tapped: [...new Set([...sheet.tapped, ...kept.map((tap) => tap.id)])],
      },
    });
    return { late: late.length, refused, changedElsewhere: before > sheet.stamp };
  });
}

/** Sets everything aside that waits of a sheet, because the server refuses the sheet itself. */
export async function setAside({ account, sheetId }: Owner, reason: string): Promise<void> {
  await store.waiting.where({ account, sheetId }).modify((tap) => void (tap.refused = reason));
}

/** Does a tap again that was set aside, as a new one. */
export async function doAgain(owner: Owner, tap: WaitingTap): Promise<void> {
  await replace(owner, tap, tap.body);
}

/** Lets a tap go that was set aside; the sheet’s record says what it was, and why. */
export async function drop(
  owner: Owner,
  tap: WaitingTap,
  what: string,
  why: string,
): Promise<void> {
  await replace(owner, tap, { type: 'dropped', what: what.slice(0, 300), why });
}

/** Puts a new tap in the place of one set aside, before a submission that waits. */
async function replace(owner: Owner, tap: WaitingTap, body: EventBody): Promise<void> {
  await store.transaction('rw', store.waiting, store.ownCounters, store.ownSheets, async () => {
    const submission = (await waitingTaps(owner)).find((t) => t.body.type === 'submit');
    await store.waiting.delete(tap.id);
    await addTap(owner, tap.checklistVersionId, body);
    if (!submission || submission.id === tap.id) return;
    await store.waiting.delete(submission.id);
    await addTap(owner, submission.checklistVersionId, submission.body);
  });
}

/**
 * Keeps a sheet as the server has just told it, and answers with the sheet as it is then known. An
 * answer that is older than what this device knows changes nothing; taps that it names have arrived.
 */
export async function keepSheet(account: string, sheet: Sheet): Promise<Sheet> {
  return store.transaction('rw', store.waiting, store.ownSheets, async () => {
    const known = await store.ownSheets.get([account, sheet.id]);
    await store.waiting.bulkDelete(sheet.tapped);
    if (known && known.sheet.stamp > sheet.stamp) return known.sheet;
    await store.ownSheets.put({ account, id: sheet.id, sheet });
    return sheet;
  });
}

/** A sheet as last known and the taps that wait on it, both of one moment. */
export async function keptSheet(
  owner: Owner,
): Promise<{ sheet: Sheet; taps: WaitingTap[] } | undefined> {
  return store.transaction('r', store.waiting, store.ownSheets, async () => {
    const known = await store.ownSheets.get([owner.account, owner.sheetId]);
    return known && { sheet: known.sheet, taps: await waitingTaps(owner) };
  });
}

export async function keepStations(account: string, stations: OwnStation[]): Promise<void> {
  await store.kept.put({ key: `stations ${account}`, value: stations });
}

export async function keptStations(account: string): Promise<OwnStation[] | undefined> {
  return (await store.kept.get(`stations ${account}`))?.value as OwnStation[] | undefined;
}

/** The sheet’s state with these taps on top, those left away that are in it or were refused. */
export function fold(
  sheet: Pick<Sheet, 'state' | 'tapped'>,
  taps: readonly (MarkEvent & { refused?: string })[],
): SheetState {
  return taps
    .filter((tap) => tap.refused === undefined && !sheet.tapped.includes(tap.id))
    .reduce(
      (now, { id, body, at, clockAhead }) =>
        afterEvent(now, body, { id, at: new Date(Date.parse(at) - clockAhead).toISOString() }),
      sheet.state,
    );
}
