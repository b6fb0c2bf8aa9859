import fc from 'fast-check';
import { linearRegression, linearRegressionLine, rSquared } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { leastSquares } from '../numerics/leastSquares.ts';
import { seededChance } from '../numerics/random.ts';
import { bootstrapCut } from './bootstrapCut.ts';
import { borderlineRegression } from './borderlineRegression.ts';

/** A station as the trade knows it: grades 1..5, about 12 points a grade, spread of 8 points. */
function station(n: number, seed: number) {
  const chance = seededChance(seed);
  const grades = Array.from({ length: n }, () => 1 + chance.below(5));
  const scores = grades.map((g) => 28 + 12 * g + 8 * chance.normal());
  return { scores, grades };
}

describe('least squares', () => {
  // Anscombe 1973, The American Statistician 27:17, first data set: y = 3.00 + 0.500 x, R² = .67.
  it('draws Anscombe’s first line', () => {
    const x = [10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5];
    const y = [8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68];
    const line = leastSquares(x, y);
    expect(line?.slope).toBeCloseTo(0.5, 3);
    expect(line?.intercept).toBeCloseTo(3.0, 2);
    expect(line?.rSquared).toBeCloseTo(0.67, 2);
    expect(line?.residualSd).toBeCloseTo(1.237, 3);
  });

  it('equals simple-statistics on any points', () => {
    const point = fc.tuple(fc.integer({ min: 1, max: 5 }), fc.integer({ min: 0, max: 1000 }));
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 80 }), (points) => {
        fc.pre(new Set(points.map(([x]) => x)).size > 1);
        fc.pre(new Set(points.map(([, y]) => y)).size > 1);
        const x = points.map((p) => p[0]);
        const y = points.map((p) => p[1] / 10);
        const ours = leastSquares(x, y);
        const pairs = x.map((value, i) => [value, y[i] ?? 0]);
        const theirs = linearRegression(pairs);
        expect(ours?.slope).toBeCloseTo(theirs.m, 8);
        expect(ours?.intercept).toBeCloseTo(theirs.b, 8);
        expect(ours?.rSquared).toBeCloseTo(rSquared(pairs, linearRegressionLine(theirs)), 8);
      }),
    );
  });

  it('draws no line through equal grades', () => {
    expect(leastSquares([3, 3, 3], [50, 60, 70])).toBeNull();
  });
});

describe('borderline regression', () => {
  it('reads the cut off the line: grades 1..5, scores 30..90, borderline 2.5 give 52.5', () => {
    const { cut, line } = borderlineRegression([30, 45, 60, 75, 90], [1, 2, 3, 4, 5], 2.5);
    expect(cut.estimate).toBeCloseTo(52.5, 12);
    expect(cut.standardError).toBeCloseTo(0, 6);
    expect(line?.rSquared).toBeCloseTo(1, 12);
    expect(cut.notes).toEqual([
      'Only 2 candidates were graded near the borderline; the cut leans on the others.',
    ]);
  });

  it('says how few were near the borderline, be it one or nobody', () => {
    const noted = (grades: number[]) =>
      borderlineRegression([30, 60, 90], grades, 2.5).cut.notes[0];
    expect(noted([1, 2, 5])).toMatch(/^Only one candidate was graded near the borderline;/);
    expect(noted([1, 4, 5])).toMatch(/^No candidate was graded near the borderline;/);
  });

  it('counts who was graded within a grade of the borderline, and asks for ten of them', () => {
    const near = (n: number) => {
      const grades = [1, 5, ...Array.from({ length: n }, () => 3)];
      const scores = grades.map((g, i) => 15 * g + (i % 3));
      return borderlineRegression(scores, grades, 3);
    };
    expect(near(9)).toMatchObject({ nearBorderline: 9 });
    expect(near(9).cut.notes[0]).toMatch(/Only 9 candidates/);
    expect(near(10).cut.notes).toEqual([]);
  });

  it('says when the cut lies outside the possible scores, on either side', () => {
    const outside = /outside the possible scores/;
    expect(borderlineRegression([80, 90, 100], [1, 2, 3], 4.5).cut.notes.join()).toMatch(outside);
    expect(borderlineRegression([0, 10, 20], [2, 3, 4], 1.5).cut.notes.join()).toMatch(outside);
    expect(borderlineRegression([20, 30, 40], [2, 3, 4], 2.5).cut.notes.join()).not.toMatch(
      outside,
    );
  });

  it('warns of a falling line, of few borderline candidates and of a low R-squared', () => {
    const { cut } = borderlineRegression([80, 40, 75, 50], [1, 4, 5, 4], 2.5);
    expect(cut.notes.join(' ')).toMatch(/does not rise/);
    expect(cut.notes.join(' ')).toMatch(/No candidate was graded near/);
    expect(cut.notes.join(' ')).toMatch(/explains \d+ % of the score/);
  });

  it('gives no cut where everyone has the same grade, and says so', () => {
    const { cut } = borderlineRegression([60, 70, 80], [3, 3, 3], 2.5);
    expect(cut.estimate).toBeNull();
    expect(cut.notes[0]).toMatch(/same overall grade/);
  });

  it('moves up with the borderline point when the line rises', () => {
    const { scores, grades } = station(60, 3);
    const at = (b: number) => borderlineRegression(scores, grades, b).cut.estimate ?? NaN;
    expect(at(3)).toBeGreaterThan(at(2.5));
  });
});

describe('bootstrap error of the cut', () => {
  it('is the same every time for one seed', () => {
    const { scores, grades } = station(40, 5);
    expect(bootstrapCut(scores, grades, 2.5, 500, 7)).toEqual(
      bootstrapCut(scores, grades, 2.5, 500, 7),
    );
    // Two resamples differ, and that is all that an error needs; one has none.
    expect(bootstrapCut(scores, grades, 2.5, 2, 7).standardError).toBeGreaterThan(0);
    expect(bootstrapCut(scores, grades, 2.5, 1, 7)).toMatchObject({ standardError: null, used: 1 });
  });

  // With equal spread around the line the bootstrap and the error of a fitted mean estimate the
  // same thing; 10 % leaves room for 2,000 resamples and n = 300.
  it('agrees with the analytic error where the textbook says it must', () => {
    const { scores, grades } = station(300, 11);
    const analytic = borderlineRegression(scores, grades, 2.5).cut.standardError ?? NaN;
    const boot = bootstrapCut(scores, grades, 2.5, 2000, 1).standardError ?? NaN;
    expect(Math.abs(boot / analytic - 1)).toBeLessThan(0.1);
  });

  // The same resampling written plainly over simple-statistics' regression.
  it('agrees with a plain bootstrap over a general-purpose library', () => {
    const { scores, grades } = station(60, 13);
    const chance = seededChance(99);
    const cuts = Array.from({ length: 2000 }, () => {
      const drawn = grades.map(() => chance.below(grades.length));
      const { m, b } = linearRegression(drawn.map((i) => [grades[i] ?? 0, scores[i] ?? 0]));
      return b + m * 2.5;
    });
    const average = cuts.reduce((sum, c) => sum + c, 0) / cuts.length;
    const plain = Math.sqrt(cuts.reduce((s, c) => s + (c - average) ** 2, 0) / (cuts.length - 1));
    const ours = bootstrapCut(scores, grades, 2.5, 2000, 1).standardError ?? NaN;
    // Two independent sets of 2,000 resamples: each SE has a relative error of about 1.6 %.
    expect(Math.abs(ours / plain - 1)).toBeLessThan(0.07);
  });

  it('reads its limits off the resamples in their order', () => {
    const { scores, grades } = station(40, 21);
    const chance = seededChance(4);
    const drawn = new Int32Array(40);
    const cuts = Array.from({ length: 101 }, () => {
      chance.fill(drawn, 40);
      const { m, b } = linearRegression([...drawn].map((i) => [grades[i] ?? 0, scores[i] ?? 0]));
      return b + m * 2.5;
    }).sort((a, b) => a - b);
    const { lower, upper } = bootstrapCut(scores, grades, 2.5, 101, 4);
    // 2.5 and 97.5 of 100 steps between 101 values lie halfway between two of them.
    expect(lower).toBeCloseTo(((cuts[2] ?? NaN) + (cuts[3] ?? NaN)) / 2, 9);
    expect(upper).toBeCloseTo(((cuts[97] ?? NaN) + (cuts[98] ?? NaN)) / 2, 9);
  });

  it('computes what an earlier generator drew again, for decisions that name it', () => {
    const { scores, grades } = { scores: [41, 55, 62, 70, 48, 66], grades: [1, 2, 3, 4, 2, 3] };
    const first = bootstrapCut(scores, grades, 2.5, 400, 1, 1).standardError;
    // Written down before there was a second generator.
    expect(first).toBeCloseTo(1.4196364263828678, 12);
    expect(bootstrapCut(scores, grades, 2.5, 400, 1).standardError).not.toBeCloseTo(
      1.4196364263828678,
      12,
    );
  });

  it('says how many resamples gave a line', () => {
    const result = bootstrapCut([50, 60, 70], [2, 2, 3], 2.5, 400, 1);
    expect(result.used).toBeGreaterThan(0);
    expect(result.used).toBeLessThan(400);
    expect(bootstrapCut([50, 60], [2, 3], 2.5, 10, 1).standardError).toBeNull();
    // One line has no spread.
    const one = bootstrapCut([50, 60, 70, 75], [2, 3, 4, 5], 2.5, 1, 1);
    expect(one).toMatchObject({ standardError: null, lower: null, upper: null, used: 1 });
  });
});
