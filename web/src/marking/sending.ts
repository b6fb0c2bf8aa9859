import type { Recorded, RecordEvents } from '@kritikos/contracts/marking';
import { computed, ref } from 'vue';
import { ApiProblem, call } from '../http/api.ts';
import {
  acknowledge,
  countWaiting,
  keptSheet,
  sheetsWaiting,
  waitingEvents,
} from './deviceStore.ts';

const MOST_AT_ONCE = 100;
const FIRST_RETRY = 1_000;
const LONGEST_RETRY = 15_000;

/** Taps on this device's disk that the server has not acknowledged. */
const kept = ref(0);
/** Taps that are on the screen and on their way to the device's disk. */
const inHand = ref(0);
/** Taps that the server has not acknowledged, counted from the moment of the tap. */
export const waiting = computed(() => kept.value + inHand.value);
/** True while the server cannot be reached. */
export const offline = ref(false);
/** Why the server refuses the taps of a sheet, by sheet; they stay on the device. */
export const refusals = ref<Record<string, ApiProblem>>({});

let retry: ReturnType<typeof setTimeout> | undefined;
let pause = FIRST_RETRY;
let busy: Promise<void> | undefined;
let askedAgain = false;

/** Counts a tap as waiting from now, and sends it once `keeping` has put it on the device's disk. */
export async function sendWhenKept(keeping: Promise<unknown>): Promise<void> {
  inHand.value++;
  try {
    await keeping;
    kept.value = await countWaiting();
  } finally {
    inHand.value--;
  }
  await send();
}

/** Sends what waits, oldest first, until nothing waits or the server cannot be reached. */
export function send(): Promise<void> {
  // A tap that comes while the last batch is on its way must not be forgotten.
  askedAgain = busy !== undefined;
  busy ??= sendAll().finally(() => {
    busy = undefined;
    if (askedAgain && !offline.value) void send();
  });
  return busy;
}

async function sendAll(): Promise<void> {
  clearTimeout(retry);
  try {
    for (let sheetId = await nextSheet(); sheetId; sheetId = await nextSheet()) {
      await sendSheet(sheetId);
    }
    offline.value = false;
    pause = FIRST_RETRY;
  } catch {
    offline.value = true;
    retry = setTimeout(() => void send(), pause);
    pause = Math.min(2 * pause, LONGEST_RETRY);
  }
  kept.value = await countWaiting();
}

async function nextSheet(): Promise<string | undefined> {
  return (await sheetsWaiting()).find((id) => !(id in refusals.value));
}

/** Sends one sheet's taps. A refusal is remembered for the screen; only lost connections throw. */
async function sendSheet(sheetId: string): Promise<void> {
  const events = (await waitingEvents(sheetId)).slice(0, MOST_AT_ONCE);
  const sheet = await keptSheet(sheetId);
  const batch: RecordEvents = { checklistVersionId: sheet?.checklist.id ?? '', events };
  try {
    const { acknowledged } = await call<Recorded>('POST', `/sheets/${sheetId}/events`, batch);
    await acknowledge(sheetId, acknowledged);
    kept.value = await countWaiting();
  } catch (error) {
    const refused = error instanceof ApiProblem && error.problem.status < 500;
    if (!refused) throw error;
    refusals.value = { ...refusals.value, [sheetId]: error };
  }
}

/** Tries a refused sheet again, after signing in or after the sheet was reloaded. */
export async function sendAgain(sheetId: string): Promise<void> {
  refusals.value = Object.fromEntries(
    Object.entries(refusals.value).filter(([id]) => id !== sheetId),
  );
  await send();
}

window.addEventListener('online', () => void send());
void countWaiting().then((count) => {
  kept.value = count;
});
