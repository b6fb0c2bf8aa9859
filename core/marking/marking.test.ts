import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { ChecklistItem } from '../scoring/checklist.ts';
import { whyNotMarkable } from './checkMark.ts';
import { afterEvent } from './sheetState.ts';
import type { SheetEvent, SheetState } from './sheetState.ts';
import { itemBase } from '../scoring/testing/items.ts';

describe('a value on an item', () => {
  const done: ChecklistItem = { ...itemBase, key: 'item', kind: 'done' };
  const graded: ChecklistItem = {
    ...itemBase,
    key: 'item',
    kind: 'graded',
    anchors: ['No', 'Half', 'Whole'],
  };
  const measured: ChecklistItem = {
    ...itemBase,
    key: 'item',
    kind: 'measured',
    unit: '°',
    lower: 20,
    upper: 30,
    fullTolerance: 0,
    halfTolerance: 5,
    step: 5,
    minimum: -10,
    maximum: 150,
  };
  const choice: ChecklistItem = {
    ...itemBase,
    key: 'item',
    kind: 'choice',
    answer: 'soft',
    options: [
      { key: 'firm', label: 'Firm', call: 0 },
      { key: 'soft', label: 'Soft', call: 1 },
    ],
  };

  it.each([
    [done, 0],
    [done, 1],
    [graded, 2],
    [measured, -10],
    [measured, 27.5],
    [measured, 150],
    [graded, 0],
    [choice, 'soft'],
  ])('stands where it fits: %o, %s', (item, value) => {
    expect(whyNotMarkable(item, value, 'observed')).toBeNull();
  });

  it.each([
    [done, 2, 'must be 0 (not done) or 1 (done)'],
    [done, null, 'must be 0 (not done) or 1 (done)'],
    [graded, 3, 'must be a grade from 0 to 2'],
    [graded, 1.5, 'must be a grade from 0 to 2'],
    [graded, '1', 'must be a grade from 0 to 2'],
    [graded, -1, 'must be a grade from 0 to 2'],
    [graded, null, 'must be a grade from 0 to 2'],
    [measured, '25', 'must be from -10 to 150 °'],
    [measured, -11, 'must be from -10 to 150 °'],
    [measured, null, 'must be from -10 to 150 °'],
    [measured, 151, 'must be from -10 to 150 °'],
    [measured, Number.NaN, 'must be from -10 to 150 °'],
    [choice, 'hard', 'must be one of firm, soft'],
  ])('is refused in words where it does not: %o, %s', (item, value, reason) => {
    expect(whyNotMarkable(item, value, 'observed')).toBe(reason);
  });

  it.each(['not-observed', 'not-applicable'] as const)('is left away where %s', (observation) => {
    expect(whyNotMarkable(done, null, observation)).toBeNull();
    expect(whyNotMarkable(done, 1, observation)).toMatch(/must be empty/);
  });
});

describe('a sheet', () => {
  const empty: SheetState = {
    marks: [],
    faults: [],
    variants: { own: 'usual' },
    comment: '',
    rating: null,
    clock: null,
    safety: [],
    submittedAt: null,
  };
  const AT = '2026-11-26T09:00:00.000Z';
  const TAP = { id: 'a tap', at: AT };
  const mark = (item: string, value: number): SheetEvent => ({
    type: 'mark',
    item,
    value,
    observation: 'observed',
    manner: 'done',
    prompted: false,
  });
  const after = (...events: SheetEvent[]) =>
    events.reduce((state, event) => afterEvent(state, event, TAP), empty);

  it('keeps the last mark of an item in the place of its first, and none after it is cleared', () => {
    const twice = after(mark('slack', 0), mark('angle', 1), mark('slack', 1));
    expect(twice.marks.map((m) => [m.item, m.value])).toEqual([
      ['slack', 1],
      ['angle', 1],
    ]);
    expect(after(mark('slack', 1), { type: 'clear', item: 'slack' }).marks).toEqual([]);
  });

  it('keeps a fault once, however often it is seen', () => {
    const seen: SheetEvent = { type: 'fault', fault: 'jerk', present: true };
    expect(after(seen, seen).faults).toEqual(['jerk']);
    expect(after(seen, { ...seen, present: false }).faults).toEqual([]);
  });

  it('keeps the time of the first mark of an item when it is corrected, and clears only its own', () => {
    const later = { id: 'a later tap', at: '2026-11-26T09:05:00.000Z' };
    const corrected = afterEvent(
      after(mark('slack', 0), mark('angle', 1)),
      mark('slack', 1),
      later,
    );
    expect(corrected.marks.map((m) => m.at)).toEqual([Date.parse(AT), Date.parse(AT)]);
    const cleared = afterEvent(corrected, { type: 'clear', item: 'slack' }, later);
    expect(cleared.marks.map((m) => m.item)).toEqual(['angle']);
    const again = afterEvent(cleared, mark('slack', 1), later);
    expect(again.marks.map((m) => [m.item, m.at])).toEqual([
      ['angle', Date.parse(AT)],
      ['slack', Date.parse(later.at)],
    ]);
  });

  it('takes back one fault and leaves the others', () => {
    const fault = (name: string, present = true): SheetEvent => ({
      type: 'fault',
      fault: name,
      present,
    });
    expect(after(fault('jerk'), fault('rush'), fault('jerk', false)).faults).toEqual(['rush']);
  });

  it('is not changed by a tap that was set aside and dropped', () => {
    const before = after(mark('slack', 1), { type: 'clock', running: true, remaining: 420 });
    expect(before.clock).toEqual({ running: true, remaining: 420, since: AT });
    expect(afterEvent(before, { type: 'dropped', what: 'comment', why: 'tab' }, TAP)).toEqual(
      before,
    );
  });

  it('stops the clock with a safety event, known by its tap', () => {
    const state = after(
      { type: 'clock', running: true, remaining: 420 },
      { type: 'safety', note: 'Forced extension', remaining: 313 },
    );
    expect(state.clock).toEqual({ running: false, remaining: 313, since: AT });
    expect(state.safety).toEqual([
      { id: TAP.id, at: AT, remaining: 313, note: 'Forced extension' },
    ]);
  });

  it('keeps what is written of one safety event to it, and takes that one back, the clock with it', () => {
    const stop = (id: string, remaining: number) =>
      [
        { type: 'safety', note: '', remaining },
        { id, at: AT },
      ] as const;
    const both = [stop('first', 300), stop('second', 200)].reduce(
      (state, [event, tap]) => afterEvent(state, event, tap),
      empty,
    );
    const told = afterEvent(
      both,
      { type: 'safety-note', safety: 'first', note: 'Cramp; rested.' },
      TAP,
    );
    expect(told.safety.map(({ id, note }) => [id, note])).toEqual([
      ['first', 'Cramp; rested.'],
      ['second', ''],
    ]);
    const back = afterEvent(
      told,
      { type: 'safety-taken-back', safety: 'second', running: true, remaining: 195 },
      TAP,
    );
    expect(back.safety.map(({ id }) => id)).toEqual(['first']);
    expect(back.clock).toEqual({ running: true, remaining: 195, since: AT });
  });

  it('knows which fault made a mark until a hand marks the item', () => {
    const byFault: SheetEvent = {
      ...mark('slack', 0),
      type: 'mark',
      byFault: 'tense',
    } as SheetEvent;
    expect(after(byFault).marks[0]?.byFault).toBe('tense');
    expect(after(byFault, mark('slack', 0)).marks[0]?.byFault).toBeNull();
  });

  it('takes school, comment, rating and submission as they come', () => {
    const state = after(
      { type: 'variant', variant: 'shin-push' },
      { type: 'comment', text: 'Calm hands.' },
      { type: 'rating', grade: 4 },
      { type: 'submit' },
    );
    expect(state).toMatchObject({
      variants: { own: 'shin-push' },
      comment: 'Calm hands.',
      rating: 4,
      submittedAt: AT,
    });
  });

  it('comes out the same wherever the stream of events is cut and folded on', () => {
    const events = fc.array(
      fc.oneof(
        fc
          .record({
            item: fc.constantFrom('a', 'b', 'c'),
            value: fc.integer({ min: 0, max: 1 }),
          })
          .map(({ item, value }) => mark(item, value)),
        fc.constantFrom('a', 'b').map((item): SheetEvent => ({ type: 'clear', item })),
        fc.boolean().map((present): SheetEvent => ({ type: 'fault', fault: 'jerk', present })),
      ),
      { maxLength: 30 },
    );
    fc.assert(
      fc.property(events, fc.nat(30), (stream, cut) => {
        const whole = after(...stream);
        const begun = stream.slice(0, cut).reduce((s, e) => afterEvent(s, e, TAP), empty);
        const resumed = stream.slice(cut).reduce((s, e) => afterEvent(s, e, TAP), begun);
        expect(resumed).toEqual(whole);
        const items = whole.marks.map((m) => m.item);
        expect(new Set(items).size).toBe(items.length);
      }),
    );
  });
});
