import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { angoff } from './angoff.ts';
import { borderlineGroup } from './borderlineGroup.ts';
import { cohenRelative } from './cohenRelative.ts';
import { contrastingGroups } from './contrastingGroups.ts';
import { ebel } from './ebel.ts';
import { hofstee } from './hofstee.ts';
import { EVEN_JUDGES } from './overJudges.ts';

describe('Angoff', () => {
  it('is the mean of the judges’ means, with the error of a mean: 60 and 70 give 65, SE 5', () => {
    const result = angoff(
      [
        [0.5, 0.7],
        [0.6, 0.8],
      ],
      [1, 1],
    );
    expect(result.judges.map((x) => Math.round(x ?? 0))).toEqual([60, 70]);
    expect(result.estimate).toBeCloseTo(65, 10);
    expect(result.standardError).toBeCloseTo(5, 10);
    // Student's t with one degree of freedom is 12.706 (any table): 65 -+ 63.53.
    expect(result.lower).toBeCloseTo(65 - 63.53, 2);
    // Beyond the end of the scale there is no cut.
    expect(result.upper).toBe(100);
    expect(result.notes.join()).toMatch(/Two judges say next to nothing/);
  });

  it('says where all judges came to one cut, and takes none and all for judgements', () => {
    const same = angoff([[0.5], [0.5], [0.5]], [1]);
    expect(same).toMatchObject({ estimate: 50, standardError: 0, lower: null });
    expect(same.notes).toEqual([
      'All judges came to the same cut, so their spread gives no interval.',
    ]);
    expect(angoff([[0, 1]], [1, 1]).estimate).toBe(50);
    expect(() => angoff([[-0.1]], [1])).toThrow(/not between 0 and 1/);
    expect(() => angoff([[0.5]], [0])).toThrow(/above 0/);
  });

  // Of a judge apart whom the panel does not hold no cut says anything, so no note can wait for one.
  it('says beside three judges or more what its interval takes for granted', () => {
    const three = [[0.5], [0.6], [0.7]];
    expect(angoff(three, [1]).notes).toEqual([EVEN_JUDGES]);
    expect(ebel([{ difficulty: 'hard', relevance: 'essential', weight: 1 }], three).notes).toEqual([
      EVEN_JUDGES,
    ]);
  });

  it('leaves out blanks judge by judge, and counts them', () => {
    const result = angoff(
      [
        [0.5, null],
        [null, null],
      ],
      [1, 3],
    );
    expect(result).toMatchObject({ estimate: 50, n: 1 });
    expect(result.notes.join(' ')).toMatch(/3 judgements were left blank.*One judge alone/);
    expect(angoff([[null]], [1]).estimate).toBeNull();
  });

  it('refuses a percentage where a share is meant, and a negative weight', () => {
    expect(() => angoff([[60]], [1])).toThrow(/not between 0 and 1/);
    expect(() => angoff([[0.6]], [-1])).toThrow(/above 0/);
  });
});

describe('Hofstee', () => {
  const scores = Array.from({ length: 100 }, (_, i) => i + 1);

  it('finds where the line meets the curve: 1..100 with 40..60 and 0..1 meet at 50', () => {
    const { estimate } = hofstee(scores, {
      lowestCut: 40,
      highestCut: 60,
      fewestFails: 0,
      mostFails: 1,
    });
    expect(Math.abs((estimate ?? 0) - 50)).toBeLessThan(1);
  });

  it('says that the line misses the curve instead of inventing a cut', () => {
    const high = hofstee(scores, { lowestCut: 80, highestCut: 90, fewestFails: 0, mostFails: 0.2 });
    const low = hofstee(scores, { lowestCut: 5, highestCut: 10, fewestFails: 0.3, mostFails: 0.5 });
    expect(high).toMatchObject({ estimate: null });
    expect(high.notes[0]).toMatch(/fails more candidates than acceptable/);
    expect(low.notes[0]).toMatch(/fails fewer candidates than acceptable/);
  });

  it('refuses answers that no judge can mean before it blames the curve', () => {
    const bounds = { lowestCut: 40, highestCut: 60, fewestFails: 0, mostFails: 0.3 };
    expect(() => hofstee(scores, { ...bounds, mostFails: 30 })).toThrow(/30 % is 0.3/);
    expect(() => hofstee(scores, { ...bounds, fewestFails: -0.1 })).toThrow(
      /between 0 and 1, not at -0.1\.$/,
    );
    expect(() => hofstee(scores, { ...bounds, mostFails: 100 })).toThrow(/100 % is 1\.$/);
    expect(() => hofstee(scores, { ...bounds, mostFails: 130 })).toThrow(/not at 130\.$/);
    expect(() => hofstee(scores, { ...bounds, highestCut: 140 }, [0, 100])).toThrow(
      /scale from 0 to 100, not at 140/,
    );
    expect(() => hofstee(scores, { ...bounds, lowestCut: 70 })).toThrow(
      /lower bound must lie below/,
    );
  });

  it('takes a curve that just reaches a corner of the box, and has nothing to add', () => {
    // Of 1..100 just 60 lie below 61: the curve ends in the corner (61, .6).
    const corner = hofstee(scores, {
      lowestCut: 41,
      highestCut: 61,
      fewestFails: 0.6,
      mostFails: 0.9,
    });
    expect(corner.estimate).toBeCloseTo(61, 6);
    expect(corner.notes).toEqual([]);
    const other = hofstee(scores, {
      lowestCut: 41,
      highestCut: 61,
      fewestFails: 0.1,
      mostFails: 0.4,
    });
    expect(other.estimate).toBeCloseTo(41, 6);
    expect(
      hofstee([], { lowestCut: 40, highestCut: 60, fewestFails: 0, mostFails: 1 }).notes,
    ).toEqual(['There is no score.']);
  });

  it('stays inside the box', () => {
    const marks = fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 1, maxLength: 60 });
    fc.assert(
      fc.property(marks, (own) => {
        const { estimate } = hofstee(own, {
          lowestCut: 45,
          highestCut: 65,
          fewestFails: 0.02,
          mostFails: 0.3,
        });
        if (estimate === null) return;
        expect(estimate).toBeGreaterThanOrEqual(45);
        expect(estimate).toBeLessThanOrEqual(65);
      }),
    );
  });
});

describe('groups of candidates', () => {
  it('borderline: 50, 55, 60 give 55; nobody borderline gives no cut', () => {
    const { mean, median } = borderlineGroup([20, 50, 55, 60, 90], [1, 2, 2, 3, 5], 2.5);
    expect(mean.estimate).toBeCloseTo(55, 12);
    expect(median).toBe(55);
    expect(borderlineGroup([20, 90], [1, 5], 2.5).mean.notes[0]).toMatch(/Nobody was graded/);
    // SD 5 of three: 5 / root 3, and t with two degrees of freedom is 4.303 (any table).
    expect(mean.standardError).toBeCloseTo(5 / Math.sqrt(3), 10);
    expect(mean.upper).toBeCloseTo(55 + (4.303 * 5) / Math.sqrt(3), 2);
    const of = (n: number) =>
      borderlineGroup(
        Array.from({ length: n }, (_, i) => 50 + i),
        Array.from({ length: n }, () => 3),
        2.5,
      ).mean.notes;
    expect(of(9)).toEqual(['Only 9 candidates were graded borderline.']);
    expect(of(10)).toEqual([]);
  });

  it('contrasting: equal spreads about 40 and 60 cross at 50', () => {
    const { normal, leastMisclassified, misclassified } = contrastingGroups(
      [38, 40, 42],
      [58, 60, 62],
    );
    expect(normal).toBeCloseTo(50, 10);
    expect(leastMisclassified).toBeCloseTo(50, 10);
    expect(misclassified).toBe(0);
    const backwards = contrastingGroups([60, 62, 64], [40, 41, 63]);
    expect(backwards).toMatchObject({ normal: null, logistic: null, leastMisclassified: null });
    expect(backwards.notes[0]).toMatch(/score 62.0 on average.*competent 48.0.*wrong way round/);
    expect(contrastingGroups([], [40, 41]).notes[0]).toMatch(/Nobody was judged not competent/);
  });

  it('contrasting: the crossing point has equal densities in both groups', () => {
    const low = [30, 35, 44, 41, 38];
    const high = [50, 62, 75, 58, 66];
    const x = contrastingGroups(low, high).normal ?? NaN;
    const density = (values: number[]) => {
      const m = values.reduce((s, v) => s + v, 0) / values.length;
      const v = values.reduce((s, y) => s + (y - m) ** 2, 0) / (values.length - 1);
      return Math.exp(-((x - m) ** 2) / (2 * v)) / Math.sqrt(v);
    };
    expect(density(low)).toBeCloseTo(density(high), 10);
  });

  it('Cohen: .6 of a 95th percentile of 90 is 54, with 20 by chance 62', () => {
    expect(cohenRelative([90, 90, 90])).toBeCloseTo(54, 12);
    expect(cohenRelative([90, 90], 0.95, 0.6, 20)).toBeCloseTo(62, 12);
    expect(cohenRelative([])).toBeNull();
    // The best of three is the 100th percentile in whatever order they came.
    expect(cohenRelative([90, 40, 65], 1)).toBeCloseTo(54, 12);
    expect(cohenRelative([40, 65, 90], 0)).toBeCloseTo(24, 12);
  });
});
