import type { EventBody, Sheet, SheetMark, SheetState } from '@kritikos/contracts/marking';
import { belongsToVariant } from '@kritikos/core/scoring/checklist';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import { afterEvent } from '@kritikos/core/marking/sheetState';
import { computed, ref, shallowRef } from 'vue';
import { call, messageOf, NoConnection } from '../http/api.ts';
import { fold, keepEvent, keepSheet, keptSheet, waitingEvents } from './deviceStore.ts';
import { send, sendWhenKept } from './sending.ts';

export type MarkChange = Partial<Pick<SheetMark, 'value' | 'observation' | 'manner' | 'prompted'>>;

const BLANK: Pick<SheetMark, 'value' | 'observation' | 'manner' | 'prompted'> = {
  value: null,
  observation: 'observed',
  manner: 'done',
  prompted: false,
};

/**
 * The sheet under the examiner's hand: what is on it, and one function a kind of tap. A tap is on
 * the screen at once, on the device a moment later, and at the server when the network allows.
 */
export function useSheet(id: string) {
  const sheet = shallowRef<Sheet | null>(null);
  const state = shallowRef<SheetState | null>(null);
  const error = ref('');
  const undoable = ref<EventBody[]>([]);
  let keeping: Promise<unknown> = Promise.resolve();

  async function load(): Promise<void> {
    try {
      const fetched = await call<Sheet>('GET', `/sheets/${id}`);
      await keepSheet(fetched);
      sheet.value = fetched;
    } catch (thrown) {
      const kept = thrown instanceof NoConnection ? await keptSheet(id) : undefined;
      if (!kept) {
        error.value = messageOf(thrown);
        return;
      }
      sheet.value = kept;
    }
    state.value = fold(sheet.value.state, await waitingEvents(id));
    void send();
  }

  /** Every change goes through here: screen, device, server, in this order. */
  function happen(body: EventBody): void {
    if (!state.value || state.value.submittedAt) return;
    const at = new Date().toISOString();
    state.value = afterEvent(state.value, body, at);
    const kept = keeping.then(() => keepEvent(id, body, at));
    keeping = kept;
    sendWhenKept(kept).catch((thrown: unknown) => {
      error.value = `This device cannot keep marks: ${messageOf(thrown)} Use another device, or paper.`;
    });
  }

  function withUndo(body: EventBody, back: EventBody): void {
    undoable.value = [...undoable.value.slice(-49), back];
    happen(body);
  }

  const items = computed<readonly ChecklistItem[]>(() => {
    const variant = state.value?.variant ?? null;
    return sheet.value?.checklist.content.items.filter((i) => belongsToVariant(i, variant)) ?? [];
  });
  const marks = computed(() => new Map(state.value?.marks.map((m) => [m.item, m])));
  const unmarked = computed(() => items.value.filter((item) => !marks.value.has(item.key)));

  function mark(item: string, change: MarkChange): void {
    const before = marks.value.get(item);
    const { value, observation, manner, prompted } = { ...BLANK, ...before, ...change };
    const seen = change.value === undefined ? observation : 'observed';
    const body: EventBody = {
      type: 'mark',
      item,
      value: seen === 'observed' ? value : null,
      observation: seen,
      manner,
      prompted,
    };
    withUndo(body, before ? restoring(before) : { type: 'clear', item });
  }

  function clear(item: string): void {
    const before = marks.value.get(item);
    if (before) withUndo({ type: 'clear', item }, restoring(before));
  }

  /** A visible fault marks the item that it spoils; taking it back leaves the mark for the examiner. */
  function toggleFault(fault: string): void {
    const found = sheet.value?.checklist.content.faults.find((f) => f.key === fault);
    if (!found || !state.value) return;
    const present = !state.value.faults.includes(fault);
    withUndo({ type: 'fault', fault, present }, { type: 'fault', fault, present: !present });
    const spoiled = items.value.find((item) => item.key === found.item);
    if (present && spoiled) mark(spoiled.key, { value: found.grade });
  }

  function undo(): void {
    const back = undoable.value.at(-1);
    if (!back) return;
    undoable.value = undoable.value.slice(0, -1);
    happen(back);
  }

  return {
    sheet,
    state,
    error,
    items,
    marks,
    unmarked,
    undoable,
    load,
    mark,
    clear,
    toggleFault,
    undo,
    happen,
    setVariant: (variant: string) => {
      const now = state.value?.variant;
      if (now && now !== variant)
        withUndo({ type: 'variant', variant }, { type: 'variant', variant: now });
    },
    /** Resolves when everything tapped so far is on the device. */
    settled: () => keeping,
  };
}

function restoring(mark: SheetMark): EventBody {
  const { item, value, observation, manner, prompted } = mark;
  return { type: 'mark', item, value, observation, manner, prompted };
}
