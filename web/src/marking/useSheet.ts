import type { EventBody, MarkEvent, Sheet, SheetState } from '@kritikos/contracts/marking';
import { afterEvent } from '@kritikos/core/marking/sheetState';
import { v7 as newId } from 'uuid';
import { ref, shallowRef, watch } from 'vue';
import { call, messageOf, NoConnection } from '../http/api.ts';
import { clockAhead, correctedNow } from '../http/serverClock.ts';
import { doAgain, drop, fold, keepSheet, keepTap, keptSheet } from './deviceStore.ts';
import type { WaitingTap } from './deviceStore.ts';
import { changes, send, sendWhenKept } from './sending.ts';
import { useTaps } from './useTaps.ts';

/**
 * The sheet under the examiner's hand: what is on it, and one function a kind of tap. A tap is on
 * the screen at once, on the device a moment later, and at the server when the network allows.
 */
export function useSheet(id: string, account: string) {
  const owner = { account, sheetId: id };
  const sheet = shallowRef<Sheet | null>(null);
  const state = shallowRef<SheetState | null>(null);
  const error = ref('');
  /** Taps that the server refused, with its reason, until they are done again or dropped. */
  const refused = shallowRef<WaitingTap[]>([]);
  /** Taps on the screen that are not on the device yet. */
  let inHand: MarkEvent[] = [];
  let keeping: Promise<unknown> = Promise.resolve();

  async function load(): Promise<void> {
    error.value = '';
    try {
      await keepSheet(account, await call('GET /sheets/:sheet', { params: { sheet: id } }));
    } catch (thrown) {
      if (!(thrown instanceof NoConnection) || !(await keptSheet(owner))) {
        error.value = messageOf(thrown);
        return;
      }
    }
    await show();
    void send();
  }

  /** Shows what is known: the sheet as the server told it, the waiting taps, and those in hand. */
  async function show(): Promise<void> {
    const known = await keptSheet(owner);
    if (!known) return;
    const stored = new Set(known.taps.map((tap) => tap.id));
    sheet.value = known.sheet;
    refused.value = known.taps.filter((tap) => tap.refused !== undefined);
    const all = [...known.taps, ...inHand.filter((tap) => !stored.has(tap.id))];
    state.value = fold(known.sheet, all);
  }
  watch(
    () => changes.value[id],
    () => void load(),
  );

  /** Every change goes through here: screen, device, server, in this order. Answers with its id. */
  function happen(body: EventBody): string | null {
    const version = sheet.value?.checklist.id;
    if (!state.value || !version || state.value.submittedAt) return null;
    const now = correctedNow();
    const tap: MarkEvent = {
      id: newId(),
      device: 'in hand',
      sequence: 0,
      at: new Date(now + clockAhead.value).toISOString(),
      clockAhead: clockAhead.value,
      checklistVersionId: version,
      body,
    };
    inHand.push(tap);
    const at = new Date(now).toISOString();
    state.value = afterEvent(state.value, body, { id: tap.id, at });
    const keep = () => keepTap(owner, version, body, tap.id);
    // A write that fails is tried once more, and never silences the taps after it.
    const kept = keeping.then(() => keep().catch(keep));
    keeping = kept.catch(() => undefined);
    kept
      .finally(() => (inHand = inHand.filter((t) => t !== tap)))
      .catch(async (thrown: unknown) => {
        error.value = `This device could not keep the last tap, so it is off the screen again: ${messageOf(thrown)} Tap again; if that fails too, use another device, or paper.`;
        await show();
      });
    sendWhenKept(kept).catch(() => undefined); // said above
    return tap.id;
  }

  const taps = useTaps(sheet, state, happen);

  async function afterwards(change: Promise<void>): Promise<void> {
    await change;
    await show();
    void sendWhenKept(Promise.resolve());
  }

  return {
    ...taps,
    sheet,
    state,
    error,
    refused,
    load,
    happen,
    doAgain: (tap: WaitingTap) => afterwards(doAgain(owner, tap)),
    drop: (tap: WaitingTap, what: string, why: string) => afterwards(drop(owner, tap, what, why)),
    /** Resolves when everything tapped so far is on the device. */
    settled: () => keeping,
  };
}
