import { describe, expect, it } from 'vitest';
import { recordsOf } from './markColumns.ts';

describe('marks in columns', () => {
  it('are a record for each candidate who has something there', () => {
    const missed = [{ item: 'stop', observed: 2, missed: 1 }];
    const columns = {
      percents: [60, null, null, 81.25, 70],
      grades: [3, null, 2, null, null],
      critical: [{ place: 3, counts: missed }],
    };
    expect(recordsOf(columns, ['a', 'b', 'c', 'd', 'e'])).toEqual([
      { candidate: 'a', percent: 60, grade: 3, critical: [] },
      { candidate: 'c', percent: null, grade: 2, critical: [] },
      { candidate: 'd', percent: 81.25, grade: null, critical: missed },
      { candidate: 'e', percent: 70, grade: null, critical: [] },
    ]);
  });

  it('are refused where the list is another', () => {
    const columns = { percents: [1], grades: [1], critical: [] };
    expect(() => recordsOf(columns, ['a', 'b'])).toThrow(RangeError);
    expect(() => recordsOf({ ...columns, grades: [1, 2] }, ['a', 'b'])).toThrow(/1 scores/);
    expect(() => recordsOf({ ...columns, percents: [1, 2] }, ['a', 'b'])).toThrow(/1 grades/);
  });
});
