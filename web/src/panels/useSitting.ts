import type { Said, Sitting } from '@kritikos/contracts/panels';
import type { Placement } from '@kritikos/core/panels/panel';
import { computed, onScopeDispose, ref, shallowRef } from 'vue';
import { v7 as newId } from 'uuid';
import { ApiProblem, call, messageOf, NoConnection } from '../http/api.ts';

const AT_ONCE = 50;
const GATHER = 300;
const LOOK_EVERY = 4_000;
/** The time between two tries while the network is away. */
const TRY_AGAIN = 3_000;

type Word = Omit<Said, 'id'>;

/**
 * A judge at their seat: what is to be judged, what they have said, and how it gets to the server.
 * What is said stands on the page at once, is kept on the device until the server has it, and is
 * sent again while the network is away; another device with the same link sees it when it looks.
 */
export function useSitting(token: string) {
  const sitting = shallowRef<Sitting | null>(null);
  const words = ref<Record<string, Word>>({});
  const waiting = ref<Said[]>([]);
  const problem = ref('');
  const away = ref(false);
  let timer: ReturnType<typeof setTimeout> | undefined;
  let sending = false;

  const place = () =>
    `kritikos.seat.${sitting.value?.seat.id}.${sitting.value?.round?.number ?? 0}`;

  /** What is said while the sitting is being read: newer than what is read, whenever it was sent. */
  let meanwhile: Record<string, Word> | null = null;

  let reading = 0;

  async function load(): Promise<void> {
    meanwhile ??= {};
    const own = ++reading;
    try {
      const now = await call('POST /sittings', { body: { token } });
      if (own !== reading) return; // one that was asked for later tells of more
      sitting.value = now;
      away.value = false;
      problem.value = '';
      if (waiting.value.length === 0) waiting.value = kept(place());
      const said = Object.fromEntries(now.words.map((word) => [word.subject, word]));
      const unsent = Object.fromEntries(waiting.value.map((w) => [w.subject, w]));
      words.value = { ...said, ...unsent, ...meanwhile };
      if (waiting.value.length > 0) soon(0);
    } catch (thrown) {
      if (own !== reading) return;
      away.value = thrown instanceof NoConnection;
      problem.value = messageOf(thrown);
    } finally {
      if (own === reading) meanwhile = null;
    }
  }

  /** Says something of a subject; `null` for both takes it back. */
  function say(subject: string, share: number | null, placement: Placement | null = null): void {
    const word: Said = { id: newId(), subject, share, placement };
    words.value = { ...words.value, [subject]: word };
    if (meanwhile) meanwhile[subject] = word;
    waiting.value = [...waiting.value.filter((own) => own.subject !== subject), word];
    keep(place(), waiting.value);
    soon(GATHER);
  }

  function soon(delay: number): void {
    clearTimeout(timer);
    timer = setTimeout(() => void send(), delay);
  }

  async function send(): Promise<void> {
    const round = sitting.value?.round?.number;
    if (sending || round === undefined || waiting.value.length === 0) return;
    sending = true;
    const batch = waiting.value.slice(0, AT_ONCE);
    try {
      await call('POST /sittings/words', { body: { token, round, words: batch } });
      const sent = new Set(batch.map(({ id }) => id));
      waiting.value = waiting.value.filter(({ id }) => !sent.has(id));
      keep(place(), waiting.value);
      away.value = false;
      problem.value = '';
      if (waiting.value.length > 0) soon(0);
    } catch (thrown) {
      away.value = !(thrown instanceof ApiProblem) || thrown.problem.status >= 500;
      problem.value = messageOf(thrown);
      if (away.value) soon(TRY_AGAIN);
      else await refused();
    } finally {
      sending = false;
    }
  }

  /** The round was closed, or handed in on another device: what holds now comes back, and why. */
  async function refused(): Promise<void> {
    const why = problem.value;
    keep(place(), []);
    waiting.value = [];
    await load();
    problem.value ||= why;
  }

  async function handIn(done: boolean): Promise<void> {
    const round = sitting.value?.round?.number;
    if (round === undefined) return;
    try {
      while (waiting.value.length > 0 && !away.value) await send();
      if (waiting.value.length > 0) throw new NoConnection();
      const standing = await call('POST /sittings/hand-in', { body: { token, round, done } });
      if (sitting.value) sitting.value = { ...sitting.value, ...standing };
      problem.value = '';
    } catch (thrown) {
      problem.value = messageOf(thrown);
    }
  }

  /** Now and then the page asks how the panel stands; all of it is read again only when a round turned. */
  async function look(): Promise<void> {
    const now = sitting.value;
    if (!now || document.visibilityState === 'hidden') return;
    try {
      const standing = await call('POST /sittings/standing', { body: { token } });
      away.value = false;
      // An answer that was under way while something newer came tells of what was before it.
      if (sitting.value !== now) return;
      const turned =
        standing.round?.number !== now.round?.number ||
        standing.round?.open !== now.round?.open ||
        standing.handedIn !== now.handedIn;
      if (turned && waiting.value.length === 0) await load();
      else sitting.value = { ...now, progress: standing.progress };
    } catch (thrown) {
      away.value = thrown instanceof NoConnection;
      if (!away.value) problem.value = messageOf(thrown);
    }
  }

  const clock = setInterval(() => void look(), LOOK_EVERY);
  onScopeDispose(() => {
    clearInterval(clock);
    clearTimeout(timer);
  });
  void load();

  const open = computed(
    () => sitting.value?.round?.open === true && sitting.value.handedIn === false,
  );
  return { sitting, words, waiting, problem, away, open, load, say, handIn };
}

function keep(at: string, words: readonly Said[]): void {
  try {
    if (words.length === 0) localStorage.removeItem(at);
    else localStorage.setItem(at, JSON.stringify(words));
  } catch {
    // A browser that keeps nothing still sends what is said.
  }
}

function kept(at: string): Said[] {
  try {
    return JSON.parse(localStorage.getItem(at) ?? '[]') as Said[];
  } catch {
    return [];
  }
}
