import type { EventBody, Sheet, SheetMark, SheetState } from '@kritikos/contracts/marking';
import { belongsToVariant } from '@kritikos/core/scoring/checklist';
import type { ChecklistItem } from '@kritikos/core/scoring/checklist';
import { computed, ref } from 'vue';
import type { Ref } from 'vue';
import { ruledItems, SKIPPED, standingMarks } from './ruledItems.ts';

export type MarkChange = Partial<Pick<SheetMark, 'value' | 'observation' | 'manner' | 'prompted'>>;

const BLANK: Pick<SheetMark, 'value' | 'observation' | 'manner' | 'prompted'> = {
  value: null,
  observation: 'observed',
  manner: 'done',
  prompted: false,
};

/**
 * One function a kind of tap on a sheet, and what stands on it. Whatever is tapped goes through
 * `happen`: to the device and the server where a candidate is marked, nowhere on a trial sheet.
 */
export function useTaps(
  sheet: Readonly<Ref<Sheet | null>>,
  state: Readonly<Ref<SheetState | null>>,
  happen: (body: EventBody) => void,
) {
  const undoable = ref<EventBody[]>([]);

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

  return {
    items,
    marks,
    ruled,
    attempt,
    beginAgain,
    unmarked,
    undoable,
    mark,
    clear,
    toggleFault,
    undo,
    comment,
    setVariant: (procedure: string, variant: string) => {
      const now = state.value?.variants[procedure];
      if (now && now !== variant)
        withUndo(
          { type: 'variant', procedure, variant },
          { type: 'variant', procedure, variant: now },
        );
    },
  };
}
export type Taps = ReturnType<typeof useTaps>;

function restoring(mark: SheetMark): EventBody {
  const { item, value, observation, manner, prompted, attempt } = mark;
  return { type: 'mark', item, value, observation, manner, prompted, attempt };
}

function withoutControls(text: string): string {
  return text.replace(/[\v\f]/g, '\n').replace(/(?![\t\n\r\u0080-\u009f])\p{Cc}/gu, '');
}
