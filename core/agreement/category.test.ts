import { describe, expect, it } from 'vitest';
import type { ChecklistItem } from '../scoring/checklist.ts';
import { categoriesOf, categoryOf, partOf, POOLED } from './category.ts';
import { itemBase, markOn as mark } from '../scoring/testing/items.ts';

const done: ChecklistItem = { ...itemBase, key: 'done', kind: 'done' };
const graded: ChecklistItem = {
  ...itemBase,
  key: 'graded',
  kind: 'graded',
  anchors: ['a', 'b', 'c', 'd'],
};
const measured: ChecklistItem = {
  ...itemBase,
  key: 'angle',
  kind: 'measured',
  unit: '°',
  lower: 20,
  upper: 30,
  fullTolerance: 0,
  halfTolerance: 5,
  step: 1,
  minimum: 0,
  maximum: 90,
};
const choice: ChecklistItem = {
  ...itemBase,
  key: 'result',
  kind: 'choice',
  answer: 'positive',
  options: [
    { key: 'void', label: 'Void', call: null },
    { key: 'positive', label: 'Positive', call: 2 },
    { key: 'negative', label: 'Negative', call: 0 },
    { key: 'doubtful', label: 'Doubtful', call: 1 },
  ],
};
const keys = (item: ChecklistItem) => categoriesOf(item).map(({ key }) => key);

describe('the categories of an item', () => {
  it('run from the lowest to the highest, what is void last', () => {
    expect(categoriesOf(done)).toEqual([
      { key: 0, label: 'not done' },
      { key: 1, label: 'done' },
    ]);
    expect(categoriesOf(graded)).toEqual(
      [0, 1, 2, 3].map((grade) => ({ key: grade, label: String(grade) })),
    );
    expect(keys(measured)).toEqual([0, 0.5, 1]);
    expect(keys(choice)).toEqual(['negative', 'doubtful', 'positive', 'void']);
    expect(categoriesOf(choice)[3]).toEqual({ key: 'void', label: 'Void' });
    expect(POOLED.map(({ key }) => key)).toEqual([0, 0.5, 1]);
  });

  it('hold a mark by what it earned, a choice by its option', () => {
    expect(categoryOf(done, mark('done', 1))).toBe(1);
    expect(categoryOf(done, mark('done', 1, { manner: 'said-only' }))).toBe(0);
    expect([0, 1, 2, 3].map((grade) => categoryOf(graded, mark('graded', grade)))).toEqual([
      0, 1, 2, 3,
    ]);
    expect(categoryOf(graded, mark('graded', 3, { prompted: true }))).toBe(2);
    expect([25, 33, 50].map((angle) => categoryOf(measured, mark('angle', angle)))).toEqual([
      1, 0.5, 0,
    ]);
    expect(categoryOf(choice, mark('result', 'negative'))).toBe('negative');
    const unseen = { observation: 'not-observed' } as const;
    expect(categoryOf(choice, mark('result', null, unseen))).toBeNull();
    expect(categoryOf(graded, mark('graded', null, unseen))).toBeNull();
  });

  it('are pooled as nothing, part and all', () => {
    expect([0, 1 / 3, 2 / 3, 1].map(partOf)).toEqual([0, 0.5, 0.5, 1]);
  });

  it('follow what the mark earned in the end, where that is another share', () => {
    expect(categoryOf(graded, mark('graded', 3), 0)).toBe(0);
    expect(categoryOf(choice, mark('result', 'positive'), 0)).toBe('positive');
  });
});
