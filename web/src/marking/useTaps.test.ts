import type { EventBody, Sheet, SheetState } from '@kritikos/contracts/marking';
import { procedureById } from '@kritikos/catalogue/procedures';
import { liftChecklist } from '@kritikos/catalogue/stationChecklist';
import { afterEvent } from '@kritikos/core/marking/sheetState';
import { usualVariants } from '@kritikos/core/scoring/checklist';
import { v7 as newId } from 'uuid';
import { shallowRef } from 'vue';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { clockAhead } from '../http/serverClock.ts';
import { faultWords } from './faultWords.ts';
import { useTaps } from './useTaps.ts';

const procedure = procedureById('lachman-anterior-translation');
if (!procedure) throw new Error('The catalogue has lost its first procedure.');
const content = liftChecklist(procedure);
const [fault] = content.faults.filter((f) =>
  content.items.some((i) => i.key === f.item && i.kind === 'done'),
);
if (!fault) throw new Error('It has no fault that spoils something done.');

/** A sheet as the examiner has it, with everything that was tapped. */
function opened() {
  const blank: SheetState = {
    marks: [],
    faults: [],
    variants: usualVariants(content),
    comment: '',
    rating: null,
    clock: null,
    safety: [],
    submittedAt: null,
  };
  const state = shallowRef<SheetState | null>(blank);
  const sheet = shallowRef({ minutes: 8, checklist: { content } } as Sheet);
  const tapped: EventBody[] = [];
  const taps = useTaps(sheet, state, (body) => {
    const tap = { id: newId(), at: new Date().toISOString() };
    tapped.push(body);
    state.value = state.value && afterEvent(state.value, body, tap);
    return tap.id;
  });
  /** What is on the sheet, the times of marks left away. */
  const on = () => ({
    ...state.value,
    marks: state.value?.marks.map((mark) => ({ ...mark, at: 0 })),
  });
  return { taps, state, tapped, on, blank };
}

beforeEach(() => {
  vi.useFakeTimers({ now: Date.parse('2026-12-02T09:00:00Z') });
  // Test files share the modules of their worker, and so this device’s idea of the server’s clock.
  clockAhead.value = 0;
  return () => vi.useRealTimers();
});

describe('Undo', () => {
  it('takes back what was done last, whatever it was, and says before and after what that is', () => {
    const { taps, on } = opened();
    taps.startClockOnce();
    const acts: [() => void, RegExp][] = [
      [() => taps.mark('consent', { value: 1 }), /: Done$/],
      [() => taps.mark('consent', { manner: 'said-only' }), /said only$/],
      [() => taps.clear('consent'), /mark taken back$/],
      [() => taps.toggleFault(fault.key), /^Fault seen: .*, with its mark$/],
      [() => taps.toggleFault(fault.key), /^Fault taken back: .*, with its mark$/],
      [() => taps.comment('Calm hands.'), /^Comment: Calm hands\.$/],
      [() => taps.rate(4), /^Overall: /],
      [() => taps.stopForSafety(), /^Safety stop at 8:00 left\.$/],
      [() => taps.toggleClock(), /^Clock started at 8:00 left$/],
    ];
    const before = acts.map(([act]) => {
      const was = on();
      act();
      return was;
    });
    for (const [i, [, words]] of [...acts.entries()].reverse()) {
      const says = taps.undoes.value;
      expect(says).toMatch(words);
      taps.undo();
      expect(taps.takenBack.value.what).toBe(says);
      expect(on()).toEqual(before[i]);
    }
    expect(taps.undoes.value).toBe('');
  });

  it('of a safety stop leaves the marks, and the clock has run on as if nothing had been', () => {
    const { taps, state, tapped } = opened();
    taps.startClockOnce();
    taps.mark('consent', { value: 1 });
    vi.advanceTimersByTime(60_000);
    taps.stopForSafety();
    expect(state.value?.clock).toMatchObject({ running: false, remaining: 420 });
    vi.advanceTimersByTime(5_000);
    taps.undo();
    expect(state.value?.safety).toEqual([]);
    expect(state.value?.marks.map((m) => m.item)).toEqual(['consent']);
    expect(state.value?.clock).toMatchObject({ running: true, remaining: 415 });
    // It stays in the stream, taken back.
    expect(tapped.map((body) => body.type)).toEqual([
      'clock',
      'mark',
      'safety',
      'safety-taken-back',
    ]);
  });

  it('takes a comment back whole, however often its writing paused', () => {
    const { taps, state } = opened();
    taps.comment('Calm');
    taps.comment('Calm hands, but');
    taps.comment('Calm hands, but late.');
    taps.mark('consent', { value: 1 });
    taps.comment('Calm hands.');
    taps.undo();
    expect(state.value?.comment).toBe('Calm hands, but late.');
    taps.undo();
    taps.undo();
    expect(state.value?.comment).toBe('');
  });

  it('has nothing to take back where nothing was done', () => {
    const { taps, tapped } = opened();
    taps.undo();
    expect(tapped).toEqual([]);
    expect(taps.takenBack.value.what).toBe('');
  });
});

describe('a safety stop', () => {
  it('is taken back by name later, when the clock has been started again, and that can be undone', () => {
    const { taps, state } = opened();
    taps.stopForSafety();
    const safety = state.value?.safety[0]?.id ?? '';
    taps.writeSafetyNote(safety, 'Cramp; rested.');
    taps.toggleClock();
    vi.advanceTimersByTime(10_000);
    taps.takeSafetyBack(safety);
    expect(state.value?.safety).toEqual([]);
    expect(state.value?.clock).toMatchObject({ running: true, remaining: 470 });
    taps.undo();
    expect(state.value?.safety).toMatchObject([{ note: 'Cramp; rested.' }]);
  });
});

describe('a fault', () => {
  const markOn = (state: SheetState | null) => state?.marks.find((m) => m.item === fault.item);

  it('makes the mark that is missing, says so, and takes it with it', () => {
    const { taps, state } = opened();
    taps.toggleFault(fault.key);
    expect(markOn(state.value)).toMatchObject({ value: fault.grade, byFault: fault.key });
    expect(faultWords(content, fault.item, [fault.key], markOn(state.value))).toBe(
      `by the fault: ${fault.text}`,
    );
    taps.toggleFault(fault.key);
    expect(markOn(state.value)).toBeUndefined();
  });

  it('keeps a mark that a hand made, and says what it would have made of it', () => {
    const { taps, state } = opened();
    taps.mark(fault.item, { value: 1 });
    taps.toggleFault(fault.key);
    expect(markOn(state.value)).toMatchObject({ value: 1, byFault: null });
    expect(faultWords(content, fault.item, [fault.key], markOn(state.value))).toBe(
      `your mark stands; the fault “${fault.text}” would make it Not`,
    );
    taps.mark(fault.item, { value: 0 });
    expect(faultWords(content, fault.item, [fault.key], markOn(state.value))).toBe('');
    taps.toggleFault(fault.key);
    expect(markOn(state.value)).toMatchObject({ value: 0, byFault: null });
  });

  it('marked over by hand, leaves that mark when it is taken back', () => {
    const { taps, state } = opened();
    taps.toggleFault(fault.key);
    taps.mark(fault.item, { value: 0 });
    taps.toggleFault(fault.key);
    expect(markOn(state.value)).toMatchObject({ value: 0, byFault: null });
    taps.undo();
    taps.undo();
    expect(markOn(state.value)).toMatchObject({ byFault: fault.key });
  });
});
