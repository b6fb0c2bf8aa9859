import { describe, expect, it } from 'vitest';
import { firstTwo, itemCells, placedPairs, pooledCells } from './sheetPairs.ts';
import type { RatedSheet } from './sheetPairs.ts';

const sheet = (
  candidate: number,
  examiner: string,
  categories: RatedSheet['categories'],
  shares: RatedSheet['shares'],
): RatedSheet => ({
  id: `${candidate}${examiner}`,
  candidate,
  examiner,
  percent: null,
  variants: '',
  categories,
  shares,
});
// A done item, a graded one, one that only a variant asks for, and one of a finding.
const sheets = [
  sheet(1, 'a', ['1', '2', undefined, 'positive'], [1, 1, null, 1]),
  sheet(1, 'b', ['0', '1', '1', 'void'], [0, 0.5, 1, 0.5]),
  sheet(1, 'c', ['0', '0', '0', 'void'], [0, 0, 0, 0]),
  sheet(2, 'a', ['1', null, undefined, 'positive'], [1, null, null, 1]),
  sheet(3, 'b', ['1', '2', undefined, 'positive'], [1, 1, null, 1]),
  sheet(3, 'a', ['1', null, undefined, 'positive'], [1, null, null, 1]),
];
const pairs = firstTwo(sheets);

describe('sheets of one candidate', () => {
  it('make a pair of the first two, and none of one alone', () => {
    expect(pairs.map(({ first, second }) => [first.id, second.id])).toEqual([
      ['1a', '1b'],
      ['3b', '3a'],
    ]);
  });

  it('are counted item by item where both were asked, a missing mark among them', () => {
    expect(itemCells(pairs, 0)).toEqual([
      { first: '1', second: '0', times: 1 },
      { first: '1', second: '1', times: 1 },
    ]);
    expect(itemCells(pairs, 1)).toEqual([
      { first: '2', second: '1', times: 1 },
      { first: '2', second: null, times: 1 },
    ]);
    expect(itemCells(pairs, 2)).toEqual([]);
  });

  it('are counted over all items by what they earned, each candidate by itself', () => {
    expect(pooledCells(pairs)).toEqual([
      { candidate: 1, first: '1', second: '0', times: 1 },
      { candidate: 1, first: '1', second: '0.5', times: 2 },
      { candidate: 3, first: '1', second: '1', times: 2 },
      { candidate: 3, first: '1', second: null, times: 1 },
    ]);
  });

  it('can be gone through one by one, as many as are counted', () => {
    const cells = (at: number | null) => [...placedPairs(pairs, at)].map(({ cell }) => cell.join());
    expect(cells(3)).toEqual(['positive,void', 'positive,positive']);
    expect(cells(null)).toEqual(['1,0', '1,0.5', '1,0.5', '1,1', '1,', '1,1']);
    expect([...placedPairs(pairs, null)].map(({ place }) => place)).toEqual([0, 1, 3, 0, 1, 3]);
  });
});
