import type { ChecklistContent, ChecklistItem } from '@kritikos/core/scoring/checklist';
import type { SheetMark } from '@kritikos/contracts/marking';
import { describe, expect, it } from 'vitest';
import { describeMark, valueOfDigit } from './markChoices.ts';
import { ruledItems, SKIPPED, standingMarks, TOO_LATE } from './ruledItems.ts';

const base = {
  text: 'An act',
  domain: 'technique',
  weight: 1,
  observability: 'seen',
  criticality: 'none',
  safety: false,
  saidEarns: false,
} as const;
const done = { kind: 'done' } as const;
const sides: ChecklistItem = { ...base, key: 'sides', kind: 'sides', left: done, right: done };
const retest: ChecklistItem = {
  ...base,
  key: 'retest',
  kind: 'retest',
  before: done,
  after: done,
  settings: ['step height'],
};
const cluster: ChecklistItem = {
  ...base,
  key: 'cluster',
  kind: 'cluster',
  options: [
    { key: 'history', label: 'History' },
    { key: 'line', label: 'Line tenderness' },
    { key: 'drawer', label: 'Drawer' },
  ],
  needs: ['history', 'line'],
  never: ['drawer'],
};
const count: ChecklistItem = {
  ...base,
  key: 'twists',
  kind: 'count',
  unit: 'twists',
  lower: 3,
  upper: 3,
  halfTolerance: 1,
  maximum: 8,
};
const markOf = (
  item: string,
  value: SheetMark['value'],
  more: Partial<SheetMark> = {},
): SheetMark => ({
  item,
  value,
  observation: 'observed',
  manner: 'done',
  prompted: false,
  attempt: 1,
  byFault: null,
  at: 0,
  ...more,
});

describe('a digit key', () => {
  it('marks the half of a pair that is due', () => {
    const left = valueOfDigit(sides, undefined, 1);
    expect(left).toEqual({ left: 1, right: null });
    const both = valueOfDigit(sides, markOf('sides', left ?? null), 2);
    expect(both).toEqual({ left: 1, right: 0 });
    // With both halves marked it begins anew with the first.
    expect(valueOfDigit(sides, markOf('sides', both ?? null), 2)).toEqual({ left: 0, right: 0 });
    expect(
      valueOfDigit(retest, markOf('retest', { before: 1, after: null, changed: [] }), 1),
    ).toEqual({
      before: 1,
      after: 1,
      changed: [],
    });
  });

  it('names a finding or takes it back, and is a count', () => {
    expect(valueOfDigit(cluster, markOf('cluster', ['history']), 2)).toEqual(['history', 'line']);
    expect(valueOfDigit(cluster, markOf('cluster', ['history']), 1)).toEqual([]);
    expect(valueOfDigit(cluster, undefined, 9)).toBeUndefined();
    expect(valueOfDigit(count, undefined, 3)).toBe(3);
    expect(valueOfDigit(count, undefined, 9)).toBeUndefined();
  });
});

describe('the line under an item', () => {
  it('says which half is missing, what was changed, and whether the combination is there', () => {
    expect(describeMark(sides, markOf('sides', { left: 1, right: null }))).toBe(
      'the right is missing',
    );
    expect(describeMark(retest, undefined)).toBe('the same step height');
    const changed = { before: 1, after: 1, changed: ['step height'] };
    expect(describeMark(retest, markOf('retest', changed))).toBe(
      'not comparable, changed: step height',
    );
    const named = (...keys: string[]) => describeMark(cluster, markOf('cluster', keys));
    expect(named('history', 'line')).toBe('the combination is complete');
    expect(named('history')).toBe('a part of the combination');
    expect(named('history', 'line', 'drawer')).toBe('not the combination');
  });

  it('says how often, and whether that was enough', () => {
    expect(describeMark(count, undefined)).toBe('3 twists');
    expect(describeMark(count, markOf('twists', 2))).toBe('near the band');
  });
});

describe('the rules of a checklist on the sheet', () => {
  const content: Pick<ChecklistContent, 'order' | 'branches'> = {
    order: [{ earns: 'sag', before: 'drawer' }],
    branches: [{ when: 'straight', is: ['positive'], skips: ['bent'] }],
  };
  const ruled = (...marks: SheetMark[]) =>
    ruledItems(content as ChecklistContent, standingMarks(marks));

  it('say that an item came too late, once the other was marked before it', () => {
    const [sag, drawer] = [markOf('sag', 1, { at: 2 }), markOf('drawer', 1, { at: 1 })];
    expect(ruled(sag, drawer).get('sag')).toBe(TOO_LATE);
    expect(ruled({ ...sag, at: 0 }, drawer).size).toBe(0);
  });

  it('say that an item does not apply, as long as the other says so', () => {
    expect(ruled(markOf('straight', 'positive')).get('bent')).toBe(SKIPPED);
    expect(ruled(markOf('straight', 'negative')).size).toBe(0);
  });

  it('look at the last attempt of each item', () => {
    const again = [markOf('straight', 'negative', { attempt: 2 }), markOf('straight', 'positive')];
    expect(ruled(...again).size).toBe(0);
    expect(standingMarks(again).get('straight')?.value).toBe('negative');
  });
});
