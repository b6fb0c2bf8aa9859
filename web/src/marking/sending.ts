import type { RecordEvents } from '@kritikos/contracts/marking';
import { useEventListener } from '@vueuse/core';
import { computed, ref } from 'vue';
import { ApiProblem, call, messageOf } from '../http/api.ts';
import { countWaiting, sendable, setAside, settle, sheetsWaiting } from './deviceStore.ts';

const MOST_AT_ONCE = 100;
const FIRST_RETRY = 1_000;
const LONGEST_RETRY = 15_000;

const counts = ref({ own: 0, setAside: 0, others: 0 });
/** Taps that are on the screen and on their way to the device’s disk. */
const inHand = ref(0);
/** Taps that the server has not answered for, counted from the moment of the tap. */
export const waiting = computed(() => counts.value.own + inHand.value);
/** Whether a tap is not on the device’s disk yet: the page must not be left before it is. */
export const keeping = computed(() => inHand.value > 0);
/** Taps that the server refused; they wait for the examiner. */
export const setAsideCount = computed(() => counts.value.setAside);
/** Taps on this device that other examiners made; they are sent when those sign in here. */
export const ofOthers = computed(() => counts.value.others);
/** Why nothing can be sent at all now, or ''. */
export const stopped = ref<'' | 'offline' | 'signed out' | 'busy'>('');
/** Why a sheet’s taps wait although the server can be reached, by sheet; they are tried again. */
export const troubles = ref<Record<string, string>>({});
/** Taps that came after the sheet was submitted elsewhere, by sheet: kept, and shown to the lead. */
export const lateTaps = ref<Record<string, number>>({});
/** Counts up for a sheet when something other than the examiner’s own taps changed it. */
export const changes = ref<Record<string, number>>({});

let account = '';
let pause = FIRST_RETRY;
let timer: ReturnType<typeof setTimeout> | undefined;
const notBefore = new Map<string, { at: number; pause: number }>();
let busy: Promise<void> | undefined;
let askedAgain = false;

/** Says as whom this device sends; nobody else’s taps leave it. */
export async function sendAs(id: string): Promise<void> {
  account = id;
  stopped.value = '';
  pause = FIRST_RETRY;
  notBefore.clear();
  await send();
}

/** Counts a tap as waiting from now, and sends it once `kept` has put it on the device’s disk. */
export async function sendWhenKept(kept: Promise<unknown>): Promise<void> {
  inHand.value++;
  try {
    await kept;
    counts.value = await countWaiting(account);
  } finally {
    inHand.value--;
  }
  await send();
}

/** Sends what waits, oldest first, until nothing more can be sent now. */
export function send(): Promise<void> {
  // A tap that comes while the last batch is on its way must not be forgotten.
  askedAgain = busy !== undefined;
  busy ??= sendAll().finally(() => {
    busy = undefined;
    if (askedAgain && stopped.value === '') void send();
  });
  return busy;
}

async function sendAll(): Promise<void> {
  clearTimeout(timer);
  const as = account;
  const sheets = as === '' ? [] : await sheetsWaiting(as);
  let next = Infinity;
  try {
    for (const sheetId of sheets) {
      const held = notBefore.get(sheetId);
      if (held && held.at > Date.now()) next = Math.min(next, held.at);
      else next = Math.min(next, await sendSheet(as, sheetId));
    }
    stopped.value = '';
    pause = FIRST_RETRY;
  } catch (thrown) {
    const problem = thrown instanceof ApiProblem ? thrown : undefined;
    stopped.value = whyStopped(problem);
    const wanted = problem?.retryAfter ? 1000 * problem.retryAfter : pause;
    next = Date.now() + Math.min(wanted, 60_000);
    pause = Math.min(2 * pause, LONGEST_RETRY);
  }
  if (Number.isFinite(next)) timer = setTimeout(() => void send(), Math.max(0, next - Date.now()));
  counts.value = await countWaiting(account);
}

function whyStopped(problem: ApiProblem | undefined): typeof stopped.value {
  if (problem?.problem.status === 401 || problem?.type === 'other-account') return 'signed out';
  return problem?.problem.status === 429 ? 'busy' : 'offline';
}

/**
 * Sends one sheet’s taps. Answers when to try it again, `Infinity` for not by itself. Throws what
 * would stop the other sheets too: no network, signed out, too many requests.
 */
async function sendSheet(as: string, sheetId: string): Promise<number> {
  const owner = { account: as, sheetId };
  try {
    for (;;) {
      const events = await sendable(owner, MOST_AT_ONCE);
      if (events.length === 0 || as !== account) break;
      const batch: RecordEvents = { account: as, events };
      const answer = await call('POST /sheets/:sheet/events', {
        params: { sheet: sheetId },
        body: batch,
      });
      const { late, refused, changedElsewhere } = await settle(owner, events, answer);
      if (late > 0) lateTaps.value[sheetId] = (lateTaps.value[sheetId] ?? 0) + late;
      if (late > 0 || refused > 0 || changedElsewhere) changed(sheetId);
      counts.value = await countWaiting(as);
    }
    notBefore.delete(sheetId);
    delete troubles.value[sheetId];
    return Infinity;
  } catch (thrown) {
    if (!(thrown instanceof ApiProblem) || stopsEverything(thrown)) throw thrown;
    if (passes(thrown)) return tryLater(sheetId, thrown);
    await setAside(owner, messageOf(thrown));
    changed(sheetId);
    return Infinity;
  }
}

function stopsEverything({ problem, type }: ApiProblem): boolean {
  return (
    [401, 429, 503].includes(problem.status) || ['other-account', 'forged-request'].includes(type)
  );
}

/** A fault of the server, or marking that is closed: the cause goes away without the examiner. */
function passes({ problem, type }: ApiProblem): boolean {
  return problem.status >= 500 || type === 'marking-closed';
}

function tryLater(sheetId: string, thrown: ApiProblem): number {
  const last = notBefore.get(sheetId)?.pause ?? FIRST_RETRY / 2;
  const next = { at: 0, pause: Math.min(2 * last, LONGEST_RETRY) };
  next.at = Date.now() + next.pause;
  notBefore.set(sheetId, next);
  troubles.value[sheetId] = messageOf(thrown);
  return next.at;
}

function changed(sheetId: string): void {
  changes.value[sheetId] = (changes.value[sheetId] ?? 0) + 1;
}

// The cause of a pause is often gone when somebody comes back to the page or the network does.
useEventListener(['online', 'focus'], () => void send());
useEventListener('beforeunload', (event: BeforeUnloadEvent) => {
  if (keeping.value) event.preventDefault();
});
