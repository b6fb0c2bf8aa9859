import { describe, expect, it } from 'vitest';
import type { ChecklistItem } from '../scoring/checklist.ts';
import { categoriesOf, categoryOf, partOf, POOLED } from './category.ts';
import {
  itemAgreement,
  itemTable,
  meanScoreDifference,
  pooledAgreement,
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
    expect([0, 1 / 3, 2 / 3, 1].map(partOf)).toEqual([0, 0.5, 0.5, 1]);
  });

  it('follow what the mark earned in the end, where that is another share', () => {
    expect(categoryOf(graded, mark('graded', 3), 0)).toBe(0);
    expect(categoryOf(choice, mark('result', 'positive'), 0)).toBe('positive');
  });
});

describe('two sheets of one candidate', () => {
  const cell = (first: number | string | null, second: number | string | null, times = 1) => ({
    first,
    second,
    times,
  });

  it('are compared item by item, with a gap where one has no mark', () => {
    const cells = [cell('0', '1'), cell('0', '0'), cell('1', '1', 2), cell(null, '1', 3)];
    const table = itemTable(done, cells);
    expect(table.counts).toEqual([
      [1, 1],
      [0, 2],
    ]);
    expect(itemAgreement(done, cells)).toMatchObject({
      pairs: 4,
      missing: 3,
      percentAgreement: { estimate: 0.75 },
    });
  });

  it('cannot stand in a category that the item does not have', () => {
    expect(() => itemTable(done, [cell('1', '2')])).toThrow(/Mark 2 is not one/);
    expect(() => itemTable(done, [cell('yes', '1')])).toThrow(/Mark yes is not one/);
  });

  it('differ in their scores on average by those that both have: (10 - 6) / 2', () => {
    const scores = [
      { first: 80, second: 70 },
      { first: 60, second: 66 },
      { first: 50, second: null },
      { first: null, second: 40 },
    ];
    expect(meanScoreDifference(scores)).toBeCloseTo(2, 12);
    expect(meanScoreDifference(scores.slice(2))).toBeNull();
  });

  it('are pooled over items, PABAK with the interval of agreement on its own scale', () => {
    const pooled = [
      { candidate: 0, first: 1, second: 1 },
      { candidate: 0, first: 1, second: 0.5 },
      { candidate: 1, first: 0, second: 1 },
      { candidate: 1, first: 0.5, second: null },
      { candidate: 2, first: 0, second: 0 },
      { candidate: 3, first: 1, second: 1 },
    ];
    expect(pooledTable(pooled.map((pair) => ({ ...pair, times: 1 }))).n).toBe(5);
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
