import type {
  EventBody,
  MarkEvent,
  Sheet,
  SheetMark,
  SheetState,
} from '@kritikos/contracts/marking';
import { afterEvent } from '@kritikos/core/marking/sheetState';
import { belongsToVariant } from '@kritikos/core/scoring/checklist';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import { v7 as newId } from 'uuid';
import { computed, ref, shallowRef, watch } from 'vue';
import { call, messageOf, NoConnection } from '../http/api.ts';
import { clockAhead, correctedNow } from '../http/serverClock.ts';
import { doAgain, drop, fold, keepSheet, keepTap, keptSheet } from './deviceStore.ts';
import type { WaitingTap } from './deviceStore.ts';
import { ruledItems, SKIPPED, standingMarks } from './ruledItems.ts';
import { changes, send, sendWhenKept } from './sending.ts';

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
export function useSheet(id: string, account: string) {
  const owner = { account, sheetId: id };
  const sheet = shallowRef<Sheet | null>(null);
  const state = shallowRef<SheetState | null>(null);
  const error = ref('');
  const undoable = ref<EventBody[]>([]);
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

  /** Every change goes through here: screen, device, server, in this order. */
  function happen(body: EventBody): void {
    const version = sheet.value?.checklist.id;
    if (!state.value || !version || state.value.submittedAt) return;
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
    state.value = afterEvent(state.value, body, new Date(now).toISOString());
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
  }

  function withUndo(body: EventBody, back: EventBody): void {
    undoable.value = [...undoable.value.slice(-49), back];
    happen(body);
  }

  const items = computed<readonly ChecklistItem[]>(() => {
    const seen = state.value?.variants ?? {};
    return sheet.value?.checklist.content.items.filter((i) => belongsToVariant(i, seen)) ?? [];
  });
  const content = computed(() => sheet.value?.checklist.content);
  /** The attempt that is marked now; one that was begun and not marked yet is only here. */
  const begun = ref(1);
  const attempt = computed(() =>
    Math.max(begun.value, ...(state.value?.marks.map((m) => m.attempt) ?? [])),
  );
  /** What stands of every item: its mark of this attempt, or of the last one that it was marked in. */
  const marks = computed(() => standingMarks(state.value?.marks ?? []));
  const ruled = computed(() => ruledItems(content.value, marks.value));
  const unmarked = computed(() =>
    items.value.filter(({ key }) => !marks.value.has(key) && ruled.value.get(key) !== SKIPPED),
  );

  function beginAgain(): void {
    const allowed = content.value?.attempts.allowed ?? 1;
    begun.value = Math.min(allowed, attempt.value + 1);
  }

  /** The mark of an item in the present attempt; one of an earlier attempt is left as it was. */
  function markNow(item: string): SheetMark | undefined {
    const mark = marks.value.get(item);
    return mark?.attempt === attempt.value ? mark : undefined;
  }

  function mark(item: string, change: MarkChange): void {
    const before = markNow(item);
    const { value, observation, manner, prompted } = { ...BLANK, ...before, ...change };
    const seen = change.value === undefined ? observation : 'observed';
    const body: EventBody = {
      type: 'mark',
      item,
      value: seen === 'observed' ? value : null,
      observation: seen,
      manner,
      prompted,
      attempt: attempt.value,
    };
    withUndo(body, before ? restoring(before) : clearing(item));
  }

  function clear(item: string): void {
    const before = markNow(item);
    if (before) withUndo(clearing(item), restoring(before));
  }

  const clearing = (item: string): EventBody => ({ type: 'clear', item, attempt: attempt.value });

  /** A visible fault marks the item that it spoils; taking it back leaves the mark for the examiner. */
  function toggleFault(fault: string): void {
    const found = sheet.value?.checklist.content.faults.find((f) => f.key === fault);
    if (!found || !state.value) return;
    const present = !state.value.faults.includes(fault);
    withUndo({ type: 'fault', fault, present }, { type: 'fault', fault, present: !present });
    const spoiled = items.value.find((item) => item.key === found.item);
    const graded = spoiled?.kind === 'done' || spoiled?.kind === 'graded';
    if (present && spoiled && graded) mark(spoiled.key, { value: found.grade });
  }

  function undo(): void {
    const back = undoable.value.at(-1);
    if (!back) return;
    undoable.value = undoable.value.slice(0, -1);
    happen(back);
  }

  /** What is pasted can hold characters that no paper has; a line break of another kind is one. */
  function comment(text: string): void {
    happen({ type: 'comment', text: withoutControls(text) });
  }

  async function afterwards(change: Promise<void>): Promise<void> {
    await change;
    await show();
    void sendWhenKept(Promise.resolve());
  }

  return {
    sheet,
    state,
    error,
    items,
    marks,
    ruled,
    attempt,
    beginAgain,
    unmarked,
    undoable,
    refused,
    load,
    mark,
    clear,
    toggleFault,
    undo,
    happen,
    comment,
    setVariant: (procedure: string, variant: string) => {
      const now = state.value?.variants[procedure];
      if (now && now !== variant)
        withUndo(
          { type: 'variant', procedure, variant },
          { type: 'variant', procedure, variant: now },
        );
    },
    doAgain: (tap: WaitingTap) => afterwards(doAgain(owner, tap)),
    drop: (tap: WaitingTap, what: string, why: string) => afterwards(drop(owner, tap, what, why)),
    /** Resolves when everything tapped so far is on the device. */
    settled: () => keeping,
  };
}

function restoring(mark: SheetMark): EventBody {
  const { item, value, observation, manner, prompted, attempt } = mark;
  return { type: 'mark', item, value, observation, manner, prompted, attempt };
}

function withoutControls(text: string): string {
  return text.replace(/[\v\f]/g, '\n').replace(/(?![\t\n\r\u0080-\u009f])\p{Cc}/gu, '');
}
