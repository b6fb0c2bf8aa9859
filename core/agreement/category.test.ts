import { describe, expect, it } from 'vitest';
import type { ChecklistItem } from '../scoring/checklist.ts';
import type { Mark } from '../scoring/mark.ts';
import { categoriesOf, categoryOf, POOLED, pooledCategoryOf } from './category.ts';
import {
  itemAgreement,
  itemPairs,
  itemTable,
  meanScoreDifference,
  pooledAgreement,
  pooledPairs,
  pooledTable,
} from './sheetAgreement.ts';
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
    expect([0, 1, 2, 3].map((grade) => pooledCategoryOf(graded, mark('graded', grade)))).toEqual([
      0, 0.5, 0.5, 1,
    ]);
    expect(pooledCategoryOf(done, mark('done', null))).toBeNull();
  });
});

describe('two sheets of one candidate', () => {
  const sheet = (percent: number | null, ...marks: Mark[]) => ({
    variant: 'usual',
    percent,
    marks,
  });
  const pairs = [
    {
      first: sheet(80, mark('done', 1), mark('graded', 3)),
      second: sheet(70, mark('done', 1), mark('graded', 1)),
    },
    { first: sheet(60, mark('done', 0), mark('graded', 2)), second: sheet(66, mark('done', 1)) },
    { first: sheet(50, mark('done', 0)), second: sheet(null, mark('done', 0)) },
    { first: sheet(null, mark('done', 1)), second: sheet(40, mark('done', 1)) },
  ];

  it('are compared item by item, with a gap where one has no mark', () => {
    expect(itemPairs(graded, pairs).map(({ first, second }) => [first, second])).toEqual([
      [3, 1],
      [2, null],
      [null, null],
      [null, null],
    ]);
    const table = itemTable(done, itemPairs(done, pairs));
    expect(table.counts).toEqual([
      [1, 1],
      [0, 2],
    ]);
    expect(itemAgreement(done, pairs)).toMatchObject({
      pairs: 4,
      missing: 0,
      percentAgreement: { estimate: 0.75 },
    });
  });

  it('leave out an item that one of the two schools does not ask for', () => {
    const seated = { ...done, variants: ['seated'] };
    const mixed = [
      {
        first: { ...sheet(1, mark('done', 1)), variant: 'seated' },
        second: sheet(1, mark('done', 1)),
      },
    ];
    expect(itemPairs(seated, mixed)).toEqual([]);
    expect(itemPairs(done, mixed)).toEqual([{ pair: 0, item: 'done', first: 1, second: 1 }]);
  });

  it('differ in their scores on average by those that both have: (10 - 6) / 2', () => {
    expect(meanScoreDifference(pairs)).toBeCloseTo(2, 12);
    expect(meanScoreDifference(pairs.slice(2))).toBeNull();
  });

  it('are pooled over items, PABAK with the interval of agreement on its own scale', () => {
    const pooled = pooledPairs([done, graded], pairs);
    expect(pooled).toHaveLength(8);
    expect(pooledTable(pooled).n).toBe(5);
    const { percentAgreement, pabak } = pooledAgreement(pooled);
    // Three of five agree: (3 x .6 - 1) / 2, and lower, upper and error likewise (Byrt 1993).
    expect(percentAgreement.estimate).toBeCloseTo(0.6, 12);
    expect(pabak.estimate).toBeCloseTo(0.4, 12);
    const scaled = (po: number | null) => (3 * (po ?? NaN) - 1) / 2;
    expect(pabak.lower).toBeCloseTo(scaled(percentAgreement.lower), 12);
    expect(pabak.upper).toBeCloseTo(scaled(percentAgreement.upper), 12);
    expect(pabak.standardError).toBeCloseTo(1.5 * (percentAgreement.standardError ?? NaN), 12);
  });
});
