import { describe, expect, it } from 'vitest';
import { intervalAround, undefinedEstimate } from './estimate.ts';
import { groupBy } from './groupBy.ts';
import { leastSquares } from './leastSquares.ts';
import { normalCumulative, normalQuantile, Z_95 } from './normal.ts';
import { seededChance } from './random.ts';
import { mean, quantileOfSorted, standardDeviation, variance } from './summary.ts';

describe('a line by least squares', () => {
  // Anscombe 1973, Graphs in statistical analysis: four clouds, one line.
  const x = [10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5];
  const clouds: [string, number[], number[]][] = [
    ['first', x, [8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68]],
    ['second', x, [9.14, 8.14, 8.74, 8.77, 9.26, 8.1, 6.13, 3.1, 9.13, 7.26, 4.74]],
    ['third', x, [7.46, 6.77, 12.74, 7.11, 7.81, 8.84, 6.08, 5.39, 8.15, 6.42, 5.73]],
    [
      'fourth',
      [8, 8, 8, 8, 8, 8, 8, 19, 8, 8, 8],
      [6.58, 5.76, 7.71, 8.84, 8.47, 7.04, 5.25, 12.5, 5.56, 7.91, 6.89],
    ],
  ];

  it.each(clouds)('fits the %s cloud of the quartet as published', (_, xs, ys) => {
    const line = leastSquares(xs, ys);
    expect(line?.slope).toBeCloseTo(0.5, 2);
    expect(line?.intercept).toBeCloseTo(3.0, 1);
    expect(line?.rSquared).toBeCloseTo(0.667, 2);
    expect(line?.residualSd).toBeCloseTo(1.237, 2);
    expect(line?.sumSquaresX).toBeCloseTo(110, 9);
  });

  it('finds no line where x does not vary, and no share where y does not', () => {
    expect(leastSquares([3, 3, 3], [1, 2, 3])).toBeNull();
    expect(leastSquares([3], [1])).toBeNull();
    expect(leastSquares([1, 2, 3], [5, 5, 5])).toMatchObject({ slope: 0, rSquared: null });
    expect(leastSquares([1, 2], [5, 7])?.residualSd).toBeNull();
  });

  it('is not fooled by numbers that are large and close together', () => {
    const line = leastSquares([1e8 + 1, 1e8 + 2, 1e8 + 3], [1, 3, 5]);
    expect(line?.slope).toBeCloseTo(2, 6);
  });
});

describe('the normal distribution', () => {
  // Fisher & Yates' tables, as in any handbook.
  it.each([
    [0.5, 0],
    [0.9, 1.281552],
    [0.95, 1.644854],
    [0.975, 1.959964],
    [0.995, 2.575829],
    [0.001, -3.090232],
  ])('has its %d quantile at %d', (probability, z) => {
    expect(normalQuantile(probability)).toBeCloseTo(z, 6);
    expect(normalCumulative(z)).toBeCloseTo(probability, 6);
  });

  it('gives intervals of 95 %', () => {
    expect(Z_95).toBe(normalQuantile(0.975));
  });
});

describe('summaries', () => {
  it('agree with the textbook’s eight numbers', () => {
    // 2, 4, 4, 4, 5, 5, 7, 9: mean 5, sum of squares 32 (the worked example of many textbooks).
    const values = [2, 4, 4, 4, 5, 5, 7, 9];
    expect(mean(values)).toBe(5);
    expect(variance(values)).toBeCloseTo(32 / 7, 12);
    expect(standardDeviation(values)).toBeCloseTo(Math.sqrt(32 / 7), 12);
  });

  it('say nothing where there is nothing to say', () => {
    expect(mean([])).toBeNull();
    expect(variance([4])).toBeNull();
    expect(standardDeviation([])).toBeNull();
  });

  it('keep their digits far from zero', () => {
    // The case that breaks the one-pass formula; NIST StRD, NumAcc4: variance 0.1 squared.
    const values = Array.from({ length: 1001 }, (_, i) =>
      i === 0 ? 10_000_000.2 : i % 2 ? 10_000_000.1 : 10_000_000.3,
    );
    expect(standardDeviation(values)).toBeCloseTo(0.1, 8);
  });

  it('interpolate quantiles as R does by default', () => {
    // quantile(1:10, c(0, .1, .25, .5, .9, 1)) in R, type 7.
    const ten = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10];
    const quantiles = [0, 0.1, 0.25, 0.5, 0.9, 1].map((p) => quantileOfSorted(ten, p));
    expect(quantiles.map((q) => Number(q.toFixed(12)))).toEqual([1, 1.9, 3.25, 5.5, 9.1, 10]);
    expect(quantileOfSorted([42], 0.3)).toBe(42);
  });
});

describe('a seeded source of chance', () => {
  it('repeats itself for the same seed and differs for another', () => {
    const draw = (seed: number) => Array.from({ length: 5 }, seededChance(seed).uniform);
    expect(draw(7)).toEqual(draw(7));
    expect(draw(7)).not.toEqual(draw(8));
  });

  it('spreads evenly over its range, one by one and in bulk', () => {
    const chance = seededChance(2026);
    const bulk = new Int32Array(60_000);
    chance.fill(bulk, 6);
    const single = Array.from({ length: 60_000 }, () => chance.below(6));
    for (const rolls of [bulk, single]) {
      const counts = [0, 0, 0, 0, 0, 0];
      for (const roll of rolls) counts[roll] = (counts[roll] ?? NaN) + 1;
      // Chi-squared with 5 degrees of freedom: 99.9 % of fair dice stay below 20.5.
      const chiSquared = counts.reduce((sum, n) => sum + (n - 10_000) ** 2 / 10_000, 0);
      expect(chiSquared).toBeLessThan(20.5);
    }
  });

  it('draws normal numbers with mean 0 and standard deviation 1', () => {
    const chance = seededChance(1);
    const draws = Array.from({ length: 40_000 }, () => chance.normal());
    expect(Math.abs(mean(draws) ?? NaN)).toBeLessThan(0.02);
    expect(Math.abs((standardDeviation(draws) ?? NaN) - 1)).toBeLessThan(0.02);
    const beyond = draws.filter((z) => Math.abs(z) > Z_95).length / draws.length;
    expect(Math.abs(beyond - 0.05)).toBeLessThan(0.005);
  });
});

describe('an estimate', () => {
  it('has an interval of 1.96 standard errors, cut off where the statistic ends', () => {
    const method = 'any';
    const free = intervalAround({ estimate: 0.5, standardError: 0.1, method, n: 20 });
    expect(free.lower).toBeCloseTo(0.304, 3);
    expect(free.upper).toBeCloseTo(0.696, 3);
    const bounded = intervalAround({
      estimate: 0.95,
      standardError: 0.1,
      method,
      n: 20,
      within: [-1, 1],
    });
    expect(bounded.upper).toBe(1);
  });

  it('has no interval without an error, and no number where it is undefined', () => {
    const bare = intervalAround({ estimate: 0.5, standardError: null, method: 'any', n: 3 });
    expect([bare.lower, bare.upper]).toEqual([null, null]);
    const none = undefinedEstimate('any', 0, 'Nobody was marked.');
    expect(none).toMatchObject({ estimate: null, n: 0, notes: ['Nobody was marked.'] });
  });
});

describe('groups', () => {
  it('keep the order in which names and values come', () => {
    const groups = groupBy(['knee', 'hip', 'kneecap', 'heel'], (word) => word[0]);
    expect([...groups]).toEqual([
      ['k', ['knee', 'kneecap']],
      ['h', ['hip', 'heel']],
    ]);
  });
});
