import type { EventBody, Sheet, SheetMark, SheetState } from '@kritikos/contracts/marking';
import { markByFaults } from '@kritikos/core/marking/faultMarks';
import { secondsLeft } from '@kritikos/core/marking/stationClock';
import { belongsToVariant } from '@kritikos/core/scoring/checklist';
import type { ChecklistItem, Fault } from '@kritikos/core/scoring/checklist';
import { computed, ref } from 'vue';
import type { Ref } from 'vue';
import { correctedNow } from '../http/serverClock.ts';
import { describeEvent } from './describeEvent.ts';
import { ruledItems, SKIPPED, standingMarks } from './ruledItems.ts';
import { useUndo } from './useUndo.ts';

export type MarkChange = Partial<Pick<SheetMark, 'value' | 'observation' | 'manner' | 'prompted'>>;

const BLANK: Pick<SheetMark, 'value' | 'observation' | 'manner' | 'prompted'> = {
  value: null,
  observation: 'observed',
  manner: 'done',
  prompted: false,
};

/**
 * One function a kind of tap on a sheet, and what stands on it. Whatever is tapped goes through
 * `happen`: to the device and the server where a candidate is marked, nowhere on a trial sheet. It
 * answers with the id of the tap, or `null` where the sheet takes none.
 *
 * Undo takes back what was done last, whatever it was; a fault and the mark that it made are one act.
 * Only what goes by itself is no act: the clock that starts with the first mark, and the submission.
 */
export function useTaps(
  sheet: Readonly<Ref<Sheet | null>>,
  state: Readonly<Ref<SheetState | null>>,
  happen: (body: EventBody) => string | null,
) {
  const { remember, undo, undoes, takenBack } = useUndo();
  const content = computed(() => sheet.value?.checklist.content);

  /** What is done with these events is one act, which these others take back. */
  function act(bodies: readonly EventBody[], back: readonly EventBody[]): void {
    const [first, ...more] = bodies;
    if (!first) return;
    const what = more.length > 0 ? `${describe(first)}, with its mark` : describe(first);
    remember({ what, takeBack: () => back.forEach((body) => happen(body)) });
    bodies.forEach((body) => happen(body));
  }

  const items = computed<readonly ChecklistItem[]>(() => {
    const seen = state.value?.variants ?? {};
    return content.value?.items.filter((i) => belongsToVariant(i, seen)) ?? [];
  });
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
    const before = begun.value;
    begun.value = Math.min(content.value?.attempts.allowed ?? 1, attempt.value + 1);
    remember({ what: `Attempt ${begun.value}`, takeBack: () => (begun.value = before) });
  }

  /** The mark of an item in the present attempt; one of an earlier attempt is left as it was. */
  function markNow(item: string): SheetMark | undefined {
    const mark = marks.value.get(item);
    return mark?.attempt === attempt.value ? mark : undefined;
  }

  /** What puts an item back as it is now. */
  const asNow = (item: string): EventBody => {
    const now = markNow(item);
    return now ? restoring(now) : clearing(item);
  };
  const clearing = (item: string): EventBody => ({ type: 'clear', item, attempt: attempt.value });

  /** By hand: whatever a fault had made of the item is now the examiner’s. */
  function mark(item: string, change: MarkChange): void {
    const { value, observation, manner, prompted } = { ...BLANK, ...markNow(item), ...change };
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
    act([body], [asNow(item)]);
  }

  function clear(item: string): void {
    if (markNow(item)) act([clearing(item)], [asNow(item)]);
  }

  /** What a fault makes of the mark of its item goes with it, there and back. */
  function toggleFault(fault: string): void {
    const found = content.value?.faults.find((f) => f.key === fault);
    if (!found || !content.value || !state.value) return;
    const { item } = found;
    const present = !state.value.faults.includes(fault);
    const others = state.value.faults.filter((f) => f !== fault);
    const made = items.value.some(({ key }) => key === item)
      ? markByFaults(content.value, item, present ? [...others, fault] : others, markNow(item))
      : 'keep';
    const seen = (is: boolean): EventBody => ({ type: 'fault', fault, present: is });
    if (made === 'keep') return act([seen(present)], [seen(!present)]);
    const marking = made === 'clear' ? clearing(item) : markOf(made);
    act([seen(present), marking], [seen(!present), asNow(item)]);
  }

  const markOf = ({ key, item, grade }: Fault): EventBody => ({
    ...BLANK,
    type: 'mark',
    item,
    value: grade,
    byFault: key,
    attempt: attempt.value,
  });

  /** What is pasted can hold characters that no paper has; a line break of another kind is one. */
  function comment(text: string): void {
    const body: EventBody = { type: 'comment', text: withoutControls(text) };
    const before = state.value?.comment ?? '';
    remember({
      what: describe(body),
      oneWith: 'comment',
      takeBack: () => happen({ type: 'comment', text: before }),
    });
    happen(body);
  }

  function describe(body: EventBody): string {
    return content.value ? describeEvent(body, content.value) : '';
  }

  function rate(grade: number): void {
    const back: EventBody = { type: 'rating', grade: state.value?.rating ?? null };
    act([{ type: 'rating', grade }], [back]);
  }

  const left = () =>
    tenths(secondsLeft(state.value?.clock ?? null, sheet.value?.minutes ?? 0, correctedNow()));

  /** Called now, it answers later with what the clock would be, had nobody touched it. */
  function clockAsIf(): () => { running: boolean; remaining: number } {
    const before = state.value?.clock ?? null;
    const minutes = sheet.value?.minutes ?? 0;
    return () => ({
      running: before?.running ?? false,
      remaining: tenths(secondsLeft(before, minutes, correctedNow())),
    });
  }

  function toggleClock(): void {
    const untouched = clockAsIf();
    const body: EventBody = {
      type: 'clock',
      running: !(state.value?.clock?.running ?? false),
      remaining: left(),
    };
    remember({
      what: describe(body),
      takeBack: () => happen({ type: 'clock', ...untouched() }),
    });
    happen(body);
  }

  /** The clock starts with the first mark; that is no act of its own. */
  function startClockOnce(): void {
    if (state.value?.clock === null) happen({ type: 'clock', running: true, remaining: left() });
  }

  /** One tap and no question: the patient comes first, and a slip is taken back afterwards. */
  function stopForSafety(note = ''): void {
    const untouched = clockAsIf();
    const body: EventBody = { type: 'safety', note, remaining: left() };
    const safety = happen(body);
    if (safety === null) return;
    remember({
      what: describe(body),
      takeBack: () => happen({ type: 'safety-taken-back', safety, ...untouched() }),
    });
  }

  function writeSafetyNote(safety: string, text: string): void {
    const before = state.value?.safety.find((s) => s.id === safety)?.note ?? '';
    const body: EventBody = { type: 'safety-note', safety, note: withoutControls(text) };
    remember({
      what: describe(body),
      oneWith: safety,
      takeBack: () => happen({ type: 'safety-note', safety, note: before }),
    });
    happen(body);
  }

  /** The clock stays as it is: how long the stop was, nobody knows any more. */
  function takeSafetyBack(safety: string): void {
    const event = state.value?.safety.find((s) => s.id === safety);
    const clock = state.value?.clock;
    if (!event || !clock) return;
    const { running } = clock;
    const body: EventBody = { type: 'safety-taken-back', safety, running, remaining: left() };
    const { note, remaining } = event;
    act([body], [{ type: 'safety', note, remaining }]);
  }

  return {
    items,
    marks,
    ruled,
    attempt,
    beginAgain,
    unmarked,
    undo,
    undoes,
    takenBack,
    mark,
    clear,
    toggleFault,
    comment,
    rate,
    toggleClock,
    startClockOnce,
    stopForSafety,
    writeSafetyNote,
    takeSafetyBack,
    setVariant: (procedure: string, variant: string) => {
      const now = state.value?.variants[procedure];
      if (now && now !== variant)
        act(
          [{ type: 'variant', procedure, variant }],
          [{ type: 'variant', procedure, variant: now }],
        );
    },
  };
}
export type Taps = ReturnType<typeof useTaps>;

function restoring(mark: SheetMark): EventBody {
  const { item, value, observation, manner, prompted, attempt, byFault } = mark;
  const made = byFault === null ? {} : { byFault };
  return { type: 'mark', item, value, observation, manner, prompted, attempt, ...made };
}

/** A clock is kept to a tenth of a second. */
function tenths(seconds: number): number {
  return Math.round(10 * seconds) / 10;
}

function withoutControls(text: string): string {
  return text.replace(/[\v\f]/g, '\n').replace(/(?![\t\n\r\u0080-\u009f])\p{Cc}/gu, '');
}
