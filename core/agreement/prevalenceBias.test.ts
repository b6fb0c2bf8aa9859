import { describe, expect, it } from 'vitest';
import { fromCounts } from './crossTable.ts';
import { prevalenceBias } from './prevalenceBias.ts';

describe('prevalence index, bias index and PABAK', () => {
  // The two tables of Feinstein & Cicchetti 1990 that Byrt, Bishop & Carlin 1993 take up again
  // (from memory): the same 85 % agreement, kappa .70 and .32, PABAK .70 for both.
  it('gives PABAK .70 for both paradox tables, and the prevalence that parts them', () => {
    const balanced = prevalenceBias(
      fromCounts(
        [0, 1],
        [
          [40, 9],
          [6, 45],
        ],
      ),
    );
    const skewed = prevalenceBias(
      fromCounts(
        [0, 1],
        [
          [80, 10],
          [5, 5],
        ],
      ),
    );
    expect(balanced.pabak.estimate).toBeCloseTo(0.7, 12);
    expect(skewed.pabak.estimate).toBeCloseTo(0.7, 12);
    expect(balanced.prevalenceIndex).toBeCloseTo(0.05, 12);
    expect(balanced.biasIndex).toBeCloseTo(0.03, 12);
    expect(skewed.prevalenceIndex).toBeCloseTo(0.75, 12);
    expect(skewed.biasIndex).toBeCloseTo(0.05, 12);
  });

  it('carries all three over to more than two categories', () => {
    const result = prevalenceBias(
      fromCounts(
        [0, 1, 2],
        [
          [5, 1, 0],
          [0, 5, 1],
          [0, 0, 5],
        ],
      ),
    );
    // By hand: totals 6, 6, 5 and 5, 6, 6 of 17 pairs.
    expect(result.prevalenceIndex).toBeCloseTo((3 * (12 / 34) - 1) / 2, 12);
    expect(result.biasIndex).toBeCloseTo(2 / 34, 12);
    // (3 * 15/17 - 1) / 2, by hand
    expect(result.pabak.estimate).toBeCloseTo((3 * (15 / 17) - 1) / 2, 12);
  });

  it('says why there is nothing to adjust', () => {
    expect(
      prevalenceBias(
        fromCounts(
          [0, 1],
          [
            [0, 0],
            [0, 0],
          ],
        ),
      ).pabak.notes[0],
    ).toMatch(/No subject/);
    expect(prevalenceBias(fromCounts([1], [[4]])).pabak.notes[0]).toMatch(/Only one category/);
  });
});
