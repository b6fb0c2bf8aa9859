import { describe, expect, it } from 'vitest';
import { huynh, huynhBeta, kr21 } from './dichotomousConsistency.ts';
import { fitTrueScores, livingstonLewis } from './livingstonLewis.ts';
import { chanceToReach, decisionQuality } from './trueScores.ts';

/** The true scores of 4,000 candidates, evenly over a beta whose quantiles are known in closed form. */
function trueScores(quantile: (p: number) => number, lower: number, upper: number): number[] {
  return Array.from(
    { length: 4000 },
    (_, i) => lower + (upper - lower) * quantile((i + 0.5) / 4000),
  );
}
/** Beta(2, 1) has the distribution function z^2, Beta(1, 3) has 1 - (1 - z)^3: from the density, by hand. */
const rising = (p: number) => Math.sqrt(p);
const falling = (p: number) => 1 - (1 - p) ** (1 / 3);

describe('a four-parameter beta by its moments', () => {
  // With a million tasks scores are true scores, and the factorial moments their plain ones.
  it.each([
    ['negatively skewed', rising, 2, 1, 0.2, 0.9],
    ['positively skewed', falling, 1, 3, 0.3, 0.8],
  ] as const)(
    'finds its ends and its shape again, %s',
    (_, quantile, alpha, beta, lower, upper) => {
      const { trueScores: fitted, notes } = fitTrueScores(trueScores(quantile, lower, upper), 1e6);
      expect(notes).toEqual([]);
      expect(fitted.alpha / alpha).toBeCloseTo(1, 2);
      expect(fitted.beta / beta).toBeCloseTo(1, 2);
      expect(fitted.lower).toBeCloseTo(lower, 2);
      expect(fitted.upper).toBeCloseTo(upper, 2);
    },
  );

  it('needs four tasks for four moments, and says when it must do with two', () => {
    // What 4 or 3 right-or-wrong tasks show of these true scores, in shares of 12,000 people.
    const seen = (tasks: number) => {
      const people = trueScores(rising, 0.2, 0.9);
      return Array.from({ length: tasks + 1 }, (_, x) => {
        const exactly = (t: number) => chanceToReach(x, tasks, t) - chanceToReach(x + 1, tasks, t);
        const p = people.reduce((sum, t) => sum + exactly(t), 0) / people.length;
        return Array.from({ length: Math.round(12_000 * p) }, () => x / tasks);
      }).flat();
    };
    const four = fitTrueScores(seen(4), 4);
    expect(four.notes).toEqual([]);
    expect(four.trueScores.lower).toBeGreaterThan(0.1);
    const three = fitTrueScores(seen(3), 3);
    expect(three.notes[0]).toMatch(/mean and spread only/);
    expect(three.trueScores).toMatchObject({ lower: 0, upper: 1 });
    // The mean of a beta over the whole scale is alpha / (alpha + beta): that of the true scores.
    const { alpha, beta } = three.trueScores;
    expect(alpha / (alpha + beta)).toBeCloseTo(0.2 + 0.7 * (2 / 3), 2);
  });

  it('does not take a beta whose ends lie outside the scale', () => {
    // Half of all candidates at each of two points: flatter than any beta within the scale.
    const two = [...Array<number>(50).fill(0.02), ...Array<number>(50).fill(0.99)];
    const spread = fitTrueScores([...two, 0.5], 1e6);
    expect(spread.trueScores.lower).toBeGreaterThanOrEqual(0);
    expect(spread.trueScores.upper).toBeLessThanOrEqual(1);
  });

  // A triangle is flatter-tailed than any beta within the scale: its moments ask for one from -.08 to
  // 1.08. A cut exponential asks for one that is too long at its thin end alone (1.06; .02 at the other).
  const triangle = (p: number) => (p < 0.5 ? Math.sqrt(p / 2) : 1 - Math.sqrt((1 - p) / 2));
  const thinAbove = (p: number) => -0.5 * Math.log(1 - p * (1 - Math.exp(-2)));
  it.each([
    ['at both ends', triangle],
    ['above', thinAbove],
    ['below', (p: number) => 1 - thinAbove(1 - p)],
  ])(
    'takes mean and spread alone where the four moments ask for more than the scale %s',
    (_, quantile) => {
      const { trueScores: fitted, notes } = fitTrueScores(trueScores(quantile, 0, 1), 1e6);
      expect(fitted).toMatchObject({ lower: 0, upper: 1 });
      expect(notes[0]).toMatch(/mean and spread only/);
    },
  );
});

describe('KR-21', () => {
  it('needs two people, for one does not vary', () => {
    expect(kr21([5], 10)).toBeNull();
    expect(kr21([], 10)).toBeNull();
    // By hand: mean 5, variance 8, (10/9)(1 - 25/80).
    expect(kr21([3, 7], 10)).toBeCloseTo((10 / 9) * (1 - 25 / 80), 12);
  });
});

describe('decisions over a stretched beta', () => {
  // Density 2 z of Beta(2, 1) on t = .2 + .7 z, integrated by the midpoint rule in the test itself.
  const [n, passing, cut] = [10, 6, 0.6];
  const steps = 200_000;
  let [falsePass, falseFail, pass, alike] = [0, 0, 0, 0];
  for (let i = 0; i < steps; i++) {
    const z = (i + 0.5) / steps;
    const t = 0.2 + 0.7 * z;
    let p = 0;
    for (let x = passing; x <= n; x++) {
      let choose = 1;
      for (let k = 0; k < x; k++) choose = (choose * (n - k)) / (k + 1);
      p += choose * t ** x * (1 - t) ** (n - x);
    }
    const mass = (2 * z) / steps;
    pass += mass * p;
    alike += mass * (p * p + (1 - p) ** 2);
    if (t < cut) falsePass += mass * p;
    else falseFail += mass * (1 - p);
  }
  const stretched = { alpha: 2, beta: 1, lower: 0.2, upper: 0.9 };

  it('are what the integral over its density says', () => {
    const found = decisionQuality(stretched, n, passing, cut);
    expect(found.falsePass).toBeCloseTo(falsePass, 5);
    expect(found.falseFail).toBeCloseTo(falseFail, 5);
    expect(found.passRate).toBeCloseTo(pass, 5);
    expect(found.consistency).toBeCloseTo(alike, 5);
    const byChance = pass ** 2 + (1 - pass) ** 2;
    expect(found.kappa).toBeCloseTo((alike - byChance) / (1 - byChance), 4);
  });

  it('have no false pass where every true score reaches the cut, no kappa where all pass', () => {
    const all = decisionQuality(stretched, n, 0, 0.1);
    expect(all).toMatchObject({ falsePass: 0, falseFail: 0, kappa: null });
    expect(all.passRate).toBeCloseTo(1, 12);
  });

  it('count the chance to reach a score from either tail', () => {
    // Three fair coins: at least one head in 7 of 8 throws, two in 4, three in 1.
    expect([0, 1, 2, 3].map((c) => chanceToReach(c, 3, 0.5))).toEqual(
      [1, 7 / 8, 1 / 2, 1 / 8].map((p) => expect.closeTo(p, 12) as number),
    );
  });
});

describe('a score of any kind as so many tasks', () => {
  // Mean 50, variance 2500 / 5.5 and reliability .5 make (2500 - r s2) / (s2 (1 - r)) = 10 tasks.
  const d = Math.sqrt((3 * (2500 / 5.5)) / 4);
  const scores = [50 - d, 50 - d, 50 + d, 50 + d];

  it('passes with the least number of tasks that reaches the cut: 6 of 10 for 60 %', () => {
    const found = livingstonLewis(scores, 0.5, 60);
    expect(found?.effectiveLength).toBeCloseTo(10, 9);
    const { trueScores: fitted } = found ?? {};
    if (!fitted) throw new Error('no fit');
    expect(found?.passRate).toBeCloseTo(decisionQuality(fitted, 10, 6, 0.6).passRate, 12);
    expect(found?.accuracy).toBeCloseTo(decisionQuality(fitted, 10, 6, 0.6).accuracy, 12);
  });

  it('does not depend on where the scale begins and how long it is', () => {
    const moved = livingstonLewis(
      scores.map((x) => 20 + x / 2),
      0.5,
      20 + 60 / 2,
      [20, 70],
    );
    const plain = livingstonLewis(scores, 0.5, 60);
    expect(moved?.effectiveLength).toBeCloseTo(plain?.effectiveLength ?? NaN, 9);
    expect(moved?.accuracy).toBeCloseTo(plain?.accuracy ?? NaN, 9);
    expect(moved?.passRate).toBeCloseTo(plain?.passRate ?? NaN, 9);
  });

  it('needs three candidates, and takes a cut at either end of the scale', () => {
    expect(livingstonLewis([50, 60, 70], 0.8, 60)).not.toBeNull();
    expect(livingstonLewis([50, 70], 0.8, 60)).toBeNull();
    expect(livingstonLewis([50, 60, 70], 0.8, 0)?.passRate).toBeCloseTo(1, 9);
    expect(livingstonLewis([50, 60, 70], 0.8, 100)?.passRate).toBeLessThan(0.05);
    expect(() => livingstonLewis([50, 60, 70], 0.8, -1)).toThrow(/outside the scores/);
    expect(() => livingstonLewis([50, -1, 70], 0.8, 60)).toThrow(/Score -1 lies outside/);
    expect(() => livingstonLewis([50, 60, 70], 0, 60)).toThrow(/between 0 and 1/);
  });
});

describe('right-or-wrong items', () => {
  it('KR-21 by hand: 0, 1, 2 of 2 items give 1; no spread and one item give none', () => {
    // 2 / 1 (1 - 1 (2 - 1) / (2 x 1)) = 1.
    expect(kr21([0, 1, 2], 2)).toBeCloseTo(1, 12);
    expect(kr21([5, 5, 5], 10)).toBeNull();
    expect(kr21([0, 1], 1)).toBeNull();
  });

  it('Huynh is the beta-binomial of KR-21, and none where KR-21 is not above 0', () => {
    const right = [2, 4, 5, 6, 7, 8, 9, 10];
    const m = right.reduce((a, b) => a + b, 0) / right.length;
    const { alpha, beta } = huynhBeta(m, kr21(right, 10) ?? NaN, 10);
    const own = decisionQuality({ alpha, beta, lower: 0, upper: 1 }, 10, 6, 0.6);
    expect(huynh(right, 10, 6)).toEqual(own);
    expect(huynh([4, 5, 6, 5, 5], 10, 6)).toBeNull();
  });
});
