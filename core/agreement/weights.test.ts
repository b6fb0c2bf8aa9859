import { describe, expect, it } from 'vitest';
import { tally } from './tally.ts';
import {
  agreementWeights,
  leastAgreement,
  symmetricWeights,
  weightsOf,
  weightsOfScale,
} from './weights.ts';

const near = (rows: readonly (readonly number[])[]) =>
  rows.map((row) => row.map((w) => expect.closeTo(w, 12) as number));

describe('weights', () => {
  // Cohen 1968: three categories, 1 less the distance over the longest, or its square.
  it('fall with the distance in ranks, straight or squared', () => {
    expect(agreementWeights(3, 'linear')).toEqual(
      near([
        [1, 0.5, 0],
        [0.5, 1, 0.5],
        [0, 0.5, 1],
      ]),
    );
    expect(agreementWeights(3, 'quadratic')[0]).toEqual([1, 0.75, 0]);
    expect(agreementWeights(2, 'unweighted')).toEqual([
      [1, 0],
      [0, 1],
    ]);
    expect(agreementWeights(1, 'linear')).toEqual([[1]]);
  });

  it('fall with the distance on a scale whose grades are not evenly spaced', () => {
    const linear = weightsOfScale([0, 1, 2, 3, 5], 'linear');
    expect(linear[3]?.[4]).toBeCloseTo(0.6, 12);
    expect(linear[0]).toEqual(near([[1, 0.8, 0.6, 0.4, 0]])[0]);
    expect(linear.map((row, i) => row[i])).toEqual([1, 1, 1, 1, 1]);
    expect(weightsOfScale([0, 2, 4], 'quadratic')[0]).toEqual(near([[1, 0.75, 0]])[0]);
    expect(weightsOfScale([1, 5], 'unweighted')).toEqual([
      [1, 0],
      [0, 1],
    ]);
    // Where the scale begins makes no difference.
    expect(weightsOfScale([-10, -8, -5], 'linear')).toEqual(
      near(weightsOfScale([0, 2, 5], 'linear')),
    );
    expect(() => weightsOfScale([3], 'linear')).toThrow(/two grades at least/);
    expect(() => weightsOfScale([3, 3], 'linear')).toThrow(/two grades at least/);
  });

  it('are refused where they do not fit the marks', () => {
    const marks = tally({ raters: 2, marks: [['a', 'b']] });
    const fits = [
      [1, 0.5],
      [0.5, 1],
    ];
    expect(weightsOf(marks, fits)).toBe(fits);
    expect(weightsOf(marks)).toEqual(agreementWeights(2, 'unweighted'));
    expect(() => weightsOf(marks, [[1, 0.5]])).toThrow(/table of 2 by 2/);
    expect(() => weightsOf(marks, [[1], [1]])).toThrow(/table of 2 by 2/);
    expect(() => weightsOf(marks, [...fits, [0, 0]])).toThrow(/table of 2 by 2/);
    const off = (w: number) => [
      [1, w],
      [0, 1],
    ];
    expect(() => weightsOf(marks, off(1.5))).toThrow(/Weight 1.5 is not between 0 and 1/);
    expect(() => weightsOf(marks, off(-0.5))).toThrow(/Weight -0.5/);
    expect(weightsOf(marks, off(1))).toEqual(off(1));
    expect(() =>
      weightsOf(marks, [
        [0.9, 0],
        [0, 1],
      ]),
    ).toThrow(/full agreement must be 1/);
  });

  it('are made symmetric by the mean of both directions', () => {
    expect([
      ...symmetricWeights([
        [1, 0.2],
        [0.6, 1],
      ]),
    ]).toEqual(near([[1, 0.4, 0.4, 1]])[0]);
  });
});

describe('the least agreement of two raters with given habits', () => {
  it('is what they meet in willy-nilly, by hand: .7 and .8 of one category, .5', () => {
    const unweighted = agreementWeights(2, 'unweighted');
    expect(leastAgreement([0.7, 0.3], [0.8, 0.2], unweighted)).toBeCloseTo(0.5, 12);
    expect(leastAgreement([0.5, 0.5], [0.4, 0.6], unweighted)).toBeCloseTo(0.1, 12);
    expect(leastAgreement([0.5, 0.5], [0.5, 0.5], unweighted)).toBe(0);
  });

  it('sets the highest of the one against the lowest of the other where weights fall', () => {
    // First .5 .3 .2, second .2 .2 .6: .5 of the lowest meets the highest (0), .1 of the highest
    // and .2 of the middle meet the middle (.5 and 1), .2 of the highest the lowest (0).
    const linear = agreementWeights(3, 'linear');
    expect(leastAgreement([0.5, 0.3, 0.2], [0.2, 0.2, 0.6], linear)).toBeCloseTo(
      0.1 * 0.5 + 0.2 * 1,
      12,
    );
    expect(leastAgreement([1, 0, 0], [0, 0, 1], linear)).toBe(0);
    expect(leastAgreement([0, 1, 0], [0, 1, 0], linear)).toBeCloseTo(1, 12);
  });
});
