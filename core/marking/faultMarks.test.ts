import { describe, expect, it } from 'vitest';
import { itemBase } from '../scoring/testing/items.ts';
import { decidingFault, markByFaults } from './faultMarks.ts';

const content = {
  items: [
    { ...itemBase, key: 'slack', kind: 'done' as const },
    { ...itemBase, key: 'pull', kind: 'graded' as const, anchors: ['None', 'Half', 'Whole'] },
    {
      ...itemBase,
      key: 'said',
      kind: 'choice' as const,
      answer: 'no',
      options: [
        { key: 'no', label: 'No', call: 0 as const },
        { key: 'yes', label: 'Yes', call: 1 as const },
      ],
    },
  ],
  faults: [
    { key: 'tense', text: 'Calf tense', item: 'slack', grade: 0 },
    { key: 'short', text: 'Pulls a short way', item: 'pull', grade: 1 },
    { key: 'push', text: 'Pushes instead', item: 'pull', grade: 0 },
    { key: 'guess', text: 'Guesses', item: 'said', grade: 0 },
  ],
};
const of = (item: string, seen: string[], mark?: { byFault: string | null; value: number }) =>
  markByFaults(content, item, seen, mark);

// Common practice, no source: of two things that were wrong the worse one is what is marked, and
// what an examiner put down by hand is not written over behind the examiner's back.
describe('a fault seen', () => {
  it('marks an item that nobody has marked', () => {
    expect(of('slack', ['tense'])).toMatchObject({ key: 'tense', grade: 0 });
  });

  it('leaves a mark that a hand made, whatever it says', () => {
    expect(of('slack', ['tense'], { byFault: null, value: 1 })).toBe('keep');
    expect(of('slack', ['tense'], { byFault: null, value: 0 })).toBe('keep');
    expect(of('slack', [], { byFault: null, value: 0 })).toBe('keep');
  });

  it('gives way to one that leaves less, and comes back when that one is taken back', () => {
    expect(of('pull', ['short', 'push'], { byFault: 'short', value: 1 })).toMatchObject({
      key: 'push',
    });
    expect(of('pull', ['short'], { byFault: 'push', value: 0 })).toMatchObject({ key: 'short' });
    expect(of('pull', ['push', 'short'], { byFault: 'push', value: 0 })).toBe('keep');
  });

  it('taken back, takes its mark with it', () => {
    expect(of('slack', [], { byFault: 'tense', value: 0 })).toBe('clear');
    expect(of('slack', [])).toBe('keep');
  });

  it('marks nothing where the item is not marked by grades, or is another', () => {
    expect(decidingFault(content, 'said', ['guess'])).toBeUndefined();
    expect(decidingFault(content, 'slack', ['push'])).toBeUndefined();
    expect(decidingFault(content, 'missing', ['push'])).toBeUndefined();
  });
});
