import { describe, expect, it } from 'vitest';
import { blandAltman, SEEN_TAILS } from './blandAltman.ts';
import { kendallW } from './kendallW.ts';
import { linConcordance } from './linConcordance.ts';
import { seededChance } from '../numerics/random.ts';
import { withinSubjectSd } from './withinSubject.ts';

// Bland & Altman 1986, Lancet: first readings of peak flow by two meters, 17 subjects (from memory).
const WRIGHT = [
  494, 395, 516, 434, 476, 557, 413, 442, 650, 433, 417, 656, 267, 478, 178, 423, 427,
];
const MINI = [512, 430, 520, 428, 500, 600, 364, 380, 658, 445, 432, 626, 260, 477, 259, 350, 451];

describe('Bland & Altman’s limits of agreement', () => {
  it('give their published bias, spread and limits', () => {
    const result = blandAltman(WRIGHT, MINI);
    expect(result?.bias.estimate).toBeCloseTo(-2.1, 1);
    expect(result?.sd).toBeCloseTo(38.8, 1);
    // Published with 2 SD: -79.7 and 75.5; with 1.96 SD they lie 1.6 further in.
    expect(result?.lowerLimit.estimate).toBeCloseTo(-78.1, 1);
    expect(result?.upperLimit.estimate).toBeCloseTo(73.9, 1);
    // Published interval of the bias: -22.0 to 17.8 l/min.
    expect(result?.bias.lower).toBeCloseTo(-22.0, 0);
    expect(result?.bias.upper).toBeCloseTo(17.8, 0);
    // The error of a limit is root(3 / n) SD = 16.3 as published, t with 16 degrees of freedom 2.12.
    const { lower = NaN, upper = NaN } = result?.lowerLimit.blandAltman ?? {};
    expect((upper - lower) / 2).toBeCloseTo(2.12 * 16.3, 0);
    expect((upper + lower) / 2).toBeCloseTo(result?.lowerLimit.estimate ?? NaN, 9);
  });

  // By hand: differences -3 -1 0 0 1 3 have mean 0, s^2 4 and fourth powers 164; what is trimmed of
  // six, a share 1 / (2 root 2) = .354 at each end, are two values, which leaves 0. So g is 6 * 164 /
  // 400 = 2.46, c = 6 / 4.04 = 1.485 and the error of ln s^2 is 1.485 root((2.46 - .5) / 5) = .930;
  // s lies between root(5.941 exp(-1.822)) = .980 and root(5.941 exp(1.822)) = 6.062 (Bonett 2006),
  // the bias within 2.571 * 2 / root 6 = 2.099, and the ends of the upper limit (Zou 2013) are
  // 3.92 - root(2.099^2 + (1.96 * 1.020)^2) = 1.021 and 3.92 + root(2.099^2 + (1.96 * 4.063)^2) = 12.154.
  it('reach further outwards than inwards, by the spread’s own error at each end', () => {
    const differences = [-3, -1, 0, 0, 1, 3];
    const result = blandAltman(
      differences.map((d) => 10 + d),
      differences.map(() => 10),
    );
    expect(result?.upperLimit.lower).toBeCloseTo(1.021, 2);
    expect(result?.upperLimit.upper).toBeCloseTo(12.154, 2);
    expect(result?.lowerLimit.lower).toBeCloseTo(-12.154, 2);
    expect(result?.lowerLimit.upper).toBeCloseTo(-1.021, 2);
    expect(result?.notes).toEqual([SEEN_TAILS]);
  });

  // In R's rt() with 5 degrees of freedom the published limits hold in about 84 of 100 (common
  // knowledge: the variance of an SD grows with the kurtosis, here 9 for the normal's 3).
  it('hold more often than the published ones where differences have tails', () => {
    const chance = seededChance(5);
    const truth = 1.96 * Math.sqrt(5 / 3);
    let [own, published] = [0, 0];
    for (let i = 0; i < 1000; i++) {
      const far = Array.from({ length: 60 }, () => {
        const squares = Array.from({ length: 5 }, () => chance.normal() ** 2);
        return chance.normal() / Math.sqrt(squares.reduce((sum, x) => sum + x, 0) / 5);
      });
      const upper = blandAltman(
        far,
        far.map(() => 0),
      )?.upperLimit;
      if (!upper) continue;
      if (upper.lower <= truth && truth <= upper.upper) own++;
      if (upper.blandAltman.lower <= truth && truth <= upper.blandAltman.upper) published++;
    }
    // By 20,000 samples in another language 91.7 and 84.2; four errors of 1,000 are 3.5 and 4.6.
    expect(own / 10).toBeGreaterThan(88.2);
    expect(published / 10).toBeLessThan(88.8);
  });

  it('of differences that are all equal are that difference', () => {
    const result = blandAltman([3, 4, 5], [1, 2, 3]);
    expect(result?.upperLimit).toMatchObject({ estimate: 2, lower: 2, upper: 2 });
  });

  // Anscombe 1973: his first set has slope .5001 with error .1179, t 4.24 on 9, p .00217. Here the
  // x are the middles and the y the differences of two measurements.
  it('tell a bias that grows with what is measured', () => {
    const middles = [10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5];
    const differences = [8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68];
    const first = middles.map((m, i) => m + (differences[i] ?? 0) / 2);
    const second = middles.map((m, i) => m - (differences[i] ?? 0) / 2);
    const { slope, p } = blandAltman(first, second)?.proportionalBias ?? { slope: null, p: NaN };
    expect(slope?.estimate).toBeCloseTo(0.5001, 4);
    // t with 9 degrees of freedom is 2.262 (any table).
    expect(slope?.lower).toBeCloseTo(0.5001 - 2.262 * 0.1179, 3);
    expect(slope?.upper).toBeCloseTo(0.5001 + 2.262 * 0.1179, 3);
    expect(p).toBeCloseTo(0.00217, 5);
    expect(blandAltman([1, 2, 3], [2, 1, 0])?.proportionalBias).toBeNull();
  });

  it('need three pairs', () => {
    expect(blandAltman([1, 2], [1, 3])).toBeNull();
  });
});

describe('concordance', () => {
  it('of Lin is 4/7 for a shift of one over 1, 2, 3, and 1 for equal pairs', () => {
    expect(linConcordance([1, 2, 3], [2, 3, 4]).estimate).toBeCloseTo(4 / 7, 12);
    expect(linConcordance(WRIGHT, WRIGHT).estimate).toBeCloseTo(1, 12);
    expect(linConcordance([5, 5], [5, 5]).estimate).toBeNull();
    expect(linConcordance([5], [5]).notes[0]).toMatch(/two pairs of measurements/);
    expect(linConcordance([], []).estimate).toBeNull();
    for (const [x, y] of [
      [
        [1, 2],
        [2, 4],
      ],
      [
        [3, 3, 3],
        [1, 2, 3],
      ],
      [
        [1, 2, 3, 4],
        [2, 1, 1, 2],
      ],
    ] as const) {
      expect(linConcordance(x, y)).toMatchObject({ lower: null, upper: null, standardError: null });
    }
  });

  // Drawn again and again the estimate spreads as the error says, here about a shifted and stretched
  // second reading; the interval is even about the estimate on Fisher's scale.
  it('of Lin has an error that repeated samples show', () => {
    const chance = seededChance(77);
    const draw = () => {
      const x = Array.from({ length: 80 }, () => 10 * chance.normal());
      return linConcordance(
        x,
        x.map((v) => 1.2 * v + 4 + 5 * chance.normal()),
      );
    };
    const samples = Array.from({ length: 1500 }, draw);
    const estimates = samples.map((s) => s.estimate ?? NaN);
    const mean = estimates.reduce((a, b) => a + b, 0) / estimates.length;
    const spread = Math.sqrt(
      estimates.reduce((sum, e) => sum + (e - mean) ** 2, 0) / (estimates.length - 1),
    );
    const error = samples.reduce((sum, s) => sum + (s.standardError ?? NaN), 0) / samples.length;
    // The spread of 1,500 samples is known to 1.8 %; the formula is one for large samples.
    expect(Math.abs(error / spread - 1)).toBeLessThan(0.06);
    const { estimate, lower, upper, standardError } = draw();
    const z = Math.atanh(estimate ?? NaN);
    expect(Math.atanh(upper ?? NaN) - z).toBeCloseTo(z - Math.atanh(lower ?? NaN), 9);
    const errorOfZ = (standardError ?? NaN) / (1 - (estimate ?? NaN) ** 2);
    // t with 78 degrees of freedom is 1.991 (any table).
    expect((Math.atanh(upper ?? NaN) - z) / errorOfZ).toBeCloseTo(1.991, 3);
    expect(upper).toBeGreaterThan(lower ?? NaN);
  });

  it('of Kendall is 1 for the same order, 0 for opposite ones, and allows for ties', () => {
    expect(
      kendallW([
        [1, 10],
        [2, 20],
        [3, 30],
      ])?.w,
    ).toBeCloseTo(1, 12);
    expect(
      kendallW([
        [1, 3],
        [2, 2],
        [3, 1],
      ])?.w,
    ).toBeCloseTo(0, 12);
    // Chi-square m (n - 1) W = 4 on 2 degrees of freedom, whose tail is exp(-4 / 2).
    const three = kendallW([
      [1, 10],
      [2, 20],
      [3, 30],
    ]);
    expect(three).toMatchObject({ df: 2 });
    expect(three?.chiSquare).toBeCloseTo(4, 12);
    expect(three?.p).toBeCloseTo(Math.exp(-2), 9);
    // Siegel & Castellan 1988: the chi-square holds from seven subjects on, from memory.
    expect(three?.notes.join()).toMatch(/rough guide only/);
    const seven = Array.from({ length: 7 }, (_, i) => [i, (3 * i) % 7]);
    expect(kendallW(seven)?.notes).toEqual([]);
    expect(kendallW([])).toBeNull();
    expect(kendallW([[1], [2]])).toBeNull();
    expect(
      kendallW([
        [1, 1],
        [1, 1],
        [2, 2],
      ])?.w,
    ).toBeCloseTo(1, 12);
    expect(
      kendallW([
        [1, 1],
        [1, 1],
      ]),
    ).toBeNull();
  });
});

describe('the spread of repeated measurements', () => {
  // Bland & Altman 1996: variances 2 and 0 of two readings each, so s_w = 1 on 2 degrees of freedom,
  // whose chi-square quantiles are .0506 and 7.378 (any table).
  it('of 10 12 and 20 20 is 1, with its exact interval', () => {
    const { estimate, standardError, lower, upper, n, notes } = withinSubjectSd([
      [10, 12],
      [20, 20],
      [7, null],
    ]);
    expect(estimate).toBeCloseTo(1, 12);
    expect(standardError).toBeCloseTo(0.5, 12);
    expect(lower).toBeCloseTo(Math.sqrt(2 / 7.378), 3);
    expect(upper).toBeCloseTo(Math.sqrt(2 / 0.05064), 2);
    expect([n, notes]).toEqual([2, []]);
  });

  it('weighs subjects by what their own readings tell', () => {
    // Variances 1 on two degrees and 8 on one: root((2 + 8) / 3).
    expect(
      withinSubjectSd([
        [1, 2, 3],
        [4, 8],
      ]).estimate,
    ).toBeCloseTo(Math.sqrt(10 / 3), 12);
  });

  it('has no interval where all are equal, and is nothing of single readings', () => {
    const equal = withinSubjectSd([[5, 5]]);
    expect(equal).toMatchObject({ estimate: 0, lower: null, upper: null });
    expect(equal.notes[0]).toMatch(/All repetitions are equal/);
    expect(withinSubjectSd([[5], [null, 6]])).toMatchObject({ estimate: null, n: 0 });
  });
});
