import type { Draft, StationPart, StationParts } from '@kritikos/contracts/drafts';
import { LEFT_AS_IT_IS } from '@kritikos/contracts/drafts';
import type { DraftContent } from '@kritikos/core/checklists/draftChecklist';
import type { Mend } from '@kritikos/core/checklists/finding';
import { mend } from '@kritikos/core/checklists/mend';
import { changesTo, contentOf } from '@kritikos/core/checklists/pieces';
import type { PieceChange } from '@kritikos/core/checklists/pieces';
import { useDebounceFn, useEventListener, useIntervalFn } from '@vueuse/core';
import { v7 as newId } from 'uuid';
import { computed, ref, shallowRef } from 'vue';
import { onHint } from '../hints/useHints.ts';
import { ApiProblem, call, messageOf, NoConnection } from '../http/api.ts';
import { DraftSync } from './draftSync.ts';
import type { Beside } from './draftSync.ts';

/** After the last key; and while somebody types on, at the latest after. */
const PAUSE_MILLISECONDS = 350;
const LONGEST_MILLISECONDS = 800;
const AGAIN_MILLISECONDS = 2_000;
/** Tells that somebody is still here, and hears what a lost connection did not tell. */
const LOOK_MILLISECONDS = 30_000;
/** Keys that follow one another so soon in one field are undone together; acts are undone one by one. */
const ONE_GO_MILLISECONDS = 1_000;

/** The field that somebody types in; `null` where a button or a choice is what changes something. */
function fieldTypedIn(): Element | null {
  const at = document.activeElement;
  return at?.matches(':read-write') ? at : null;
}

export type SaveState = 'saved' | 'saving' | 'offline' | 'refused';

interface Step {
  readonly back: readonly PieceChange[];
  readonly pieces: string;
  readonly field: Element | null;
  readonly at: number;
}

/**
 * A draft under somebody's hand. What is changed stands on the page at once, is at the server a
 * moment after the last key, and others see it a moment later.
 */
export function useDraft(id: string) {
  const draft = shallowRef<Draft | null>(null);
  const error = ref('');
  const others = ref<readonly string[]>([]);
  const closedAt = ref<string | null>(null);
  const pieces = shallowRef<DraftSync['pieces']>({});
  const beside = shallowRef<readonly Beside[]>([]);
  const state = ref<SaveState>('saved');
  const refusal = ref('');
  const steps = shallowRef<readonly Step[]>([]);
  const waiting = ref(0);
  let sync: DraftSync | null = null;
  let saving: Promise<boolean> | null = null;

  async function load(): Promise<void> {
    error.value = '';
    try {
      await call('PUT /drafts/:draft/presence', { params: { draft: id } });
      const read = await call('GET /drafts/:draft', { params: { draft: id } });
      sync = new DraftSync(
        read,
        {
          send: (changes, sending) =>
            call('POST /drafts/:draft/changes', {
              params: { draft: id },
              body: { id: sending, changes: [...changes] },
            }),
          news: async (since) => {
            await call('PUT /drafts/:draft/presence', { params: { draft: id } });
            return call('GET /drafts/:draft/news', { params: { draft: id }, query: { since } });
          },
        },
        newId,
      );
      draft.value = read;
      others.value = read.others;
      closedAt.value = read.closedAt;
      show();
    } catch (thrown) {
      error.value = messageOf(thrown);
    }
  }

  function show(): void {
    if (!sync) return;
    pieces.value = sync.pieces;
    beside.value = sync.beside;
    waiting.value = sync.waiting;
  }

  /** Sends what waits; true where everything is at the server. */
  function save(): Promise<boolean> {
    saving ??= saveOnce().finally(() => (saving = null));
    return saving;
  }

  async function saveOnce(): Promise<boolean> {
    if (!sync) return false;
    state.value = 'saving';
    try {
      await sync.exchange();
      state.value = 'saved';
      refusal.value = '';
    } catch (thrown) {
      if (thrown instanceof NoConnection) {
        state.value = 'offline';
        setTimeout(() => void save(), AGAIN_MILLISECONDS);
      } else {
        if (thrown instanceof ApiProblem && thrown.problem.status < 500) sync.takeBack();
        state.value = 'refused';
        refusal.value = messageOf(thrown);
      }
    }
    show();
    return sync.waiting === 0;
  }
  const saveSoon = useDebounceFn(save, PAUSE_MILLISECONDS, { maxWait: LONGEST_MILLISECONDS });

  async function readNews(): Promise<void> {
    if (!sync || saving) return;
    try {
      const news = await sync.readNews();
      others.value = news.others;
      closedAt.value = news.closedAt;
      show();
    } catch {
      // Whoever writes next is told that there is no connection.
    }
  }
  onHint((heard) => {
    if ('draft' in heard && heard.draft === id) void readNews();
  });
  useIntervalFn(() => void readNews(), LOOK_MILLISECONDS);
  useEventListener('beforeunload', (event: BeforeUnloadEvent) => {
    if (sync && sync.waiting > 0) event.preventDefault();
  });

  function take(changes: readonly PieceChange[], undoing = false): void {
    if (!sync || changes.length === 0 || closedAt.value !== null) return;
    const before = sync.pieces;
    if (!undoing) {
      remember(changes.map(({ piece }) => ({ piece, value: before[piece] ?? null })));
    }
    sync.change(changes);
    show();
    void saveSoon();
  }

  function remember(back: readonly PieceChange[]): void {
    const named = back.map(({ piece }) => piece).join(' ');
    const last = steps.value.at(-1);
    const field = fieldTypedIn();
    const at = Date.now();
    const typesOn = field !== null && last?.field === field && last.pieces === named;
    if (typesOn && at - last.at < ONE_GO_MILLISECONDS) {
      steps.value = [...steps.value.slice(0, -1), { ...last, at }];
    } else steps.value = [...steps.value.slice(-99), { back, pieces: named, field, at }];
  }

  function undo(): void {
    const last = steps.value.at(-1);
    if (!last) return;
    steps.value = steps.value.slice(0, -1);
    take(last.back, true);
  }

  const content = computed(() => contentOf(pieces.value));

  /** Changes the checklist as a whole; what came of it is told apart piece by piece. */
  function edit(change: (content: DraftContent) => DraftContent): void {
    take(changesTo(pieces.value, change(content.value)));
  }

  const partOf = <P extends StationPart>(part: P) =>
    computed(() => (pieces.value[part] ?? null) as StationParts[P] | null);

  function setPart<P extends StationPart>(part: P, value: StationParts[P]): void {
    take([{ piece: part, value }]);
  }

  /** What was found and is left as it is, by its words: said otherwise, it is found again. */
  const left = computed(() => new Set((pieces.value[LEFT_AS_IT_IS] ?? []) as readonly string[]));
  function leave(words: string, asItIs: boolean): void {
    const others = [...left.value].filter((one) => one !== words);
    take([{ piece: LEFT_AS_IT_IS, value: asItIs ? [...others, words] : others }]);
  }

  function putRight(action: Mend): void {
    const mended = mend(content.value, action);
    edit(() => mended.content);
    if (mended.minutes !== undefined) setPart('minutes', mended.minutes);
  }

  return {
    draft,
    error,
    others,
    closedAt,
    pieces,
    content,
    beside,
    state,
    refusal,
    waiting,
    undoable: computed(() => steps.value.length > 0),
    title: partOf('title'),
    minutes: partOf('minutes'),
    patient: partOf('patient'),
    equipment: partOf('equipment'),
    left,
    leave,
    load,
    edit,
    setPart,
    putRight,
    undo,
    /** Puts a piece as it once was in the place of what stands. */
    bringBack: (piece: string, value: unknown) => take([{ piece, value: value ?? null }]),
    insist: (one: Beside) => {
      sync?.insist(one);
      show();
      void saveSoon();
    },
    settle: (piece: string) => {
      sync?.settle(piece);
      show();
    },
    save,
    /** The change that this page has seen last. */
    seen: () => sync?.sequence ?? 0,
  };
}
export type WrittenDraft = ReturnType<typeof useDraft>;
