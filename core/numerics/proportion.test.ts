import binomialPmf from '@stdlib/stats-base-dists-binomial-pmf';
import { describe, expect, it } from 'vitest';
import { exactInterval, wilsonInterval } from './proportion.ts';

describe('the interval of a proportion', () => {
  // Newcombe 1998, Statistics in Medicine 17:857, table I, score method (from memory).
  it.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])('by Wilson of %d in %d is Newcombe’s', (r, n, lower, upper) => {
    const [low, high] = wilsonInterval(r, n);
    expect(low).toBeCloseTo(lower, 4);
    expect(high).toBeCloseTo(upper, 4);
  });

  // The same table, Clopper-Pearson's method (from memory).
  it.each([
    [81, 263, 0.2527, 0.3676],
    [15, 148, 0.0578, 0.1617],
    [0, 20, 0, 0.1684],
    [1, 29, 0.0009, 0.1776],
  ])('by Clopper and Pearson of %d in %d is Newcombe’s', (r, n, lower, upper) => {
    const [low, high] = exactInterval(r, n);
    expect(low).toBeCloseTo(lower, 4);
    expect(high).toBeCloseTo(upper, 4);
  });

  it('by Clopper and Pearson holds the truth in at least 95 of 100, counted out in full', () => {
    for (const n of [1, 8, 16, 30, 100]) {
      for (const p of [0.02, 0.2, 0.5, 0.8, 0.95, 0.99]) {
        let covered = 0;
        for (let x = 0; x <= n; x++) {
          const [low, high] = exactInterval(x, n);
          if (low <= p && p <= high) covered += binomialPmf(x, n, p);
        }
        expect(covered).toBeGreaterThanOrEqual(0.95);
      }
    }
  });
});
