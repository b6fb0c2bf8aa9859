import { describe, expect, it } from 'vitest';
import { crossTable } from './crossTable.ts';
import { percentAgreement, wilsonInterval } from './percentAgreement.ts';

describe('percent agreement', () => {
  // Newcombe 1998, Statistics in Medicine 17:857, table I, score method (from memory).
  it.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])('Wilson’s interval of %d in %d is Newcombe’s', (r, n, lower, upper) => {
    const [low, high] = wilsonInterval(r, n);
    expect(low).toBeCloseTo(lower, 4);
    expect(high).toBeCloseTo(upper, 4);
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
