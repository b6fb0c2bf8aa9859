import { describe, expect, it } from 'vitest';
import { crossTable, fromCounts } from './crossTable.ts';
import { percentAgreement } from './percentAgreement.ts';

describe('percent agreement', () => {
  // By R's binom.test(85, 100) and binom.test(7, 8) (from memory).
  it.each([
    [85, 100, 0.7647, 0.9135],
    [7, 8, 0.4735, 0.9968],
    [8, 8, 0.6306, 1],
  ])('has the exact interval of %d in %d', (agreed, n, lower, upper) => {
    const {
      lower: low,
      upper: high,
      standardError,
    } = percentAgreement(
      fromCounts(
        [0, 1],
        [
          [agreed, n - agreed],
          [0, 0],
        ],
      ),
    );
    expect(low).toBeCloseTo(lower, 4);
    expect(high).toBeCloseTo(upper, 4);
    const p = agreed / n;
    expect(standardError).toBeCloseTo(Math.sqrt((p * (1 - p)) / n), 12);
  });

  it('leaves out and counts pairs with a missing mark', () => {
    const table = crossTable<number>([
      [1, 1],
      [0, 1],
      [null, 1],
      [0, null],
    ]);
    expect(table.missing).toBe(2);
    expect(percentAgreement(table)).toMatchObject({ estimate: 0.5, n: 2 });
  });

  it('refuses a mark that is not one of the categories', () => {
    expect(() => crossTable([[0, 3]], [0, 1])).toThrow(/Mark 3 is not one of the categories/);
  });
});
