import { describe, expect, it } from 'vitest';
import type { ChecklistItem } from './checklist.ts';
import { keptItems } from './keptItems.ts';
import { rulesOf, scoreSheet } from './scoreSheet.ts';

const item = (key: string): ChecklistItem => ({
  ...{ key, text: key, kind: 'done', domain: 'technique', weight: 1, observability: 'seen' },
  ...{ criticality: 'none', safety: false, saidEarns: false },
});
const mark = (key: string, value: number) => ({
  ...{ item: key, value, observation: 'observed' as const, manner: 'done' as const },
  ...{ prompted: false, attempt: 1, at: 0 },
});
const rules = rulesOf({ order: [], branches: [], attempts: { allowed: 1, counts: 'last' } });

describe('what is kept of an item', () => {
  // Every object of the language has a property of this name.
  it('called constructor is what its mark says, or that it has none', () => {
    const items = [item('constructor'), item('consent')];
    const kept = (marks: Parameters<typeof scoreSheet>[1]) => {
      const score = scoreSheet(items, marks, {}, rules);
      return keptItems(items, marks, score).map(({ state, share }) => [state, share]);
    };
    expect(kept([mark('consent', 1)])).toEqual([
      ['unmarked', null],
      ['earned', 1],
    ]);
    expect(kept([mark('constructor', 0), mark('consent', 1)])).toEqual([
      ['earned', 0],
      ['earned', 1],
    ]);
  });
});
