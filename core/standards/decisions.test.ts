import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededChance } from '../numerics/random.ts';
import { angoffRounds, judgesAgainstData } from './angoff.ts';
import { compareConsequences } from './consequences.ts';
import { contrastingGroups } from './contrastingGroups.ts';
import { huynh, huynhBeta, kr21, subkoviak } from './dichotomousConsistency.ts';
import { ebel } from './ebel.ts';
import { equate } from './equating.ts';
import { fixedPercent, meanMinusSd } from './fixedCuts.ts';
import { livingstonLewis } from './livingstonLewis.ts';
import { chanceToReach, decisionQuality } from './trueScores.ts';

describe('panels', () => {
  it('Ebel: cells of weight 3 and 1 with shares .8 and .4 give 70', () => {
    const cells = [
      { difficulty: 'easy', relevance: 'essential', weight: 3 },
      { difficulty: 'hard', relevance: 'useful', weight: 1 },
      { difficulty: 'hard', relevance: 'essential', weight: 0 },
    ];
    expect(ebel(cells, [[0.8, 0.4, null]]).estimate).toBeCloseTo(70, 10);
    const two = ebel(cells, [
      [0.8, 0.4, null],
      [0.6, null, null],
    ]);
    expect(two.judges).toEqual([expect.closeTo(70, 10), expect.closeTo(60, 10)]);
    expect(two.standardError).toBeCloseTo(5, 10);
    expect(two.notes[0]).toMatch(/1 cells were left blank/);
    expect(() => ebel(cells, [[8, 4, null]])).toThrow(/not between 0 and 1/);
    expect(ebel(cells, [[null, null, null]])).toMatchObject({
      estimate: null,
      notes: ['No judge has judged a cell that holds items.'],
      judges: [null],
    });
    // Student's t with one degree of freedom is 12.706 (any table): 65 -+ 63.53.
    expect(two.lower).toBeCloseTo(65 - 63.53, 2);
    const alone = ebel(cells, [[0, 1, null]]);
    expect(alone).toMatchObject({ estimate: 25, standardError: null });
    expect(alone.notes).toEqual(['One judge alone gives a cut without an error.']);
    expect(() => ebel(cells, [[-0.1, 0.4, null]])).toThrow(/not between 0 and 1/);
  });

  it('Angoff over rounds: the spread falls, and who moved is counted', () => {
    const rounds = angoffRounds(
      [
        [
          [0.4, 0.4],
          [0.8, 0.8],
        ],
        [
          [0.55, 0.55],
          [0.8, 0.8],
        ],
      ],
      [1, 1],
    );
    expect(rounds.map((r) => r.cut)).toEqual([expect.closeTo(60, 10), expect.closeTo(67.5, 10)]);
    expect(rounds[1]?.spread).toBeLessThan(rounds[0]?.spread ?? 0);
    expect(rounds.map((r) => r.moved)).toEqual([0, 1]);
    // Who says nothing in one of the rounds has not moved, who moves by a percent has not either.
    const gaps = angoffRounds(
      [
        [[null], [0.5], [0.5]],
        [[0.9], [null], [0.51]],
      ],
      [1],
    );
    expect(gaps.map((r) => r.moved)).toEqual([0, 0]);
    expect(gaps[0]?.spread).toBe(0);
  });

  it('Angoff: a judge who ranks the items as the data do correlates, one who turns them does not', () => {
    const [with_, against, short] = judgesAgainstData(
      [
        [0.3, 0.5, 0.9],
        [0.9, 0.5, 0.3],
        [0.3, null, 0.9],
      ],
      [0.2, 0.6, 0.8],
    );
    expect(with_).toBeGreaterThan(0.9);
    expect(against).toBeLessThan(-0.9);
    expect(short).toBeNull();
    expect(judgesAgainstData([[0.3, 0.5, 0.9]], [0.2, null, 0.8])).toEqual([null]);
    expect(judgesAgainstData([[0.1, 0.2, 0.3]], [0.2, 0.4, 0.6])).toEqual([expect.closeTo(1, 10)]);
  });
});

describe('cuts that ask nobody', () => {
  it('a fixed percent says what is wrong with it', () => {
    expect(fixedPercent(50)).toMatchObject({ estimate: 50, standardError: null });
    expect(fixedPercent(0).notes).toEqual([
      'A fixed percentage does not know how hard the examination was.',
    ]);
    expect(fixedPercent(100).estimate).toBe(100);
    expect(() => fixedPercent(120)).toThrow(/between 0 and 100/);
  });

  it('mean less one SD of 50, 60, 70 is 50', () => {
    expect(meanMinusSd([50, 60, 70], 1).estimate).toBeCloseTo(50, 10);
    expect(meanMinusSd([50], 1).estimate).toBeNull();
    const scores = Array.from({ length: 16 }, (_, i) => 50 + i);
    expect(meanMinusSd(scores.slice(1), 1).notes[1]).toMatch(/^With fewer than 16 candidates/);
    expect(meanMinusSd(scores, 1).notes).toHaveLength(1);
    // SD 10: 10 root(1/3 + 1/4), and 10 root(1/3) for the mean itself.
    expect(meanMinusSd([50, 60, 70], 1).standardError).toBeCloseTo(10 * Math.sqrt(7 / 12), 10);
    expect(meanMinusSd([50, 60, 70], 0).standardError).toBeCloseTo(10 / Math.sqrt(3), 10);
    // t with two degrees of freedom is 4.303 (any table).
    expect(meanMinusSd([50, 60, 70], 0).upper).toBeCloseTo(60 + 43.03 / Math.sqrt(3), 2);
  });
});

describe('contrasting groups by a logistic curve', () => {
  it('parts symmetric groups in the middle', () => {
    expect(contrastingGroups([30, 40, 50, 55], [45, 50, 60, 70]).logistic).toBeCloseTo(50, 6);
  });

  // R: glm(c(0,0,0,0,1,1,1,1) ~ c(41,48,52,60,50,58,63,70), binomial): -a / b = 55.169138
  it('equals R’s glm', () => {
    expect(contrastingGroups([41, 48, 52, 60], [50, 58, 63, 70]).logistic).toBeCloseTo(
      55.169138,
      3,
    );
  });

  it('has no curve where the groups do not overlap', () => {
    expect(contrastingGroups([30, 40], [60, 70]).logistic).toBeNull();
  });
});

/** Candidates with beta true scores take two parallel examinations of n tasks. */
function twice(count: number, n: number, alpha: number, beta: number, seed: number) {
  const chance = seededChance(seed);
  const gamma = (k: number) => {
    let sum = 0;
    for (let i = 0; i < k; i++) sum -= Math.log(1 - chance.uniform());
    return sum;
  };
  const sit = (t: number) =>
    Array.from({ length: n }, () => (chance.uniform() < t ? 1 : 0)).reduce<number>(
      (a, b) => a + b,
      0,
    );
  return Array.from({ length: count }, () => {
    const [a, b] = [gamma(alpha), gamma(beta)];
    const t = a / (a + b);
    return { t, first: sit(t), second: sit(t) };
  });
}

describe('decision consistency and accuracy', () => {
  const people = twice(6000, 30, 6, 4, 5);
  const cut = 18;
  const alike = people.filter((p) => p.first >= cut === p.second >= cut).length / people.length;
  const rightly = people.filter((p) => p.first >= cut === p.t >= cut / 30).length / people.length;
  const scores = people.map((p) => p.first);
  const mean = (x: number[]) => x.reduce((s, v) => s + v, 0) / x.length;
  const [m1, m2] = [mean(scores), mean(people.map((p) => p.second))];
  const both = mean(people.map((p) => (p.first - m1) * (p.second - m2)));
  const reliability = both / mean(scores.map((x) => (x - m1) ** 2));

  // The truth is counted: 6,000 people sit a parallel examination, an error of .005 (binomial).
  it('Livingston & Lewis foretell what a second examination shows', () => {
    const result = livingstonLewis(
      scores.map((x) => (100 * x) / 30),
      reliability,
      60,
    );
    expect(Math.abs((result?.consistency ?? 0) - alike)).toBeLessThan(0.012);
    expect(Math.abs((result?.accuracy ?? 0) - rightly)).toBeLessThan(0.012);
    expect(Math.abs((result?.effectiveLength ?? 0) - 30)).toBeLessThan(2);
    expect(result?.kappa).toBeLessThan(result?.consistency ?? 0);
  });

  it('so do Huynh and Subkoviak for right-or-wrong items', () => {
    expect(Math.abs((huynh(scores, 30, cut)?.consistency ?? 0) - alike)).toBeLessThan(0.012);
    // Subkoviak's regressed scores are bunched together; he is known to be a few points too high or low.
    expect(Math.abs((subkoviak(scores, 30, cut)?.consistency ?? 0) - alike)).toBeLessThan(0.03);
    expect(Math.abs((kr21(scores, 30) ?? 0) - reliability)).toBeLessThan(0.03);
  });

  it('hold for a U-shaped beta, whose ends are infinite', () => {
    // Two binomial scores of one beta true score are beta-binomial together (Huynh 1976):
    // P(x, y) = C(n, x) C(n, y) B(a + x + y, b + 2n - x - y) / B(a, b), counted out in full.
    const [n, passing, a, b] = [10, 6, 0.15, 0.1];
    const logGamma = (x: number): number =>
      x < 12
        ? logGamma(x + 1) - Math.log(x)
        : (x - 0.5) * Math.log(x) -
          x +
          0.5 * Math.log(2 * Math.PI) +
          1 / (12 * x) -
          1 / (360 * x ** 3);
    const logBeta = (p: number, q: number) => logGamma(p) + logGamma(q) - logGamma(p + q);
    const logChoose = (x: number) => logGamma(n + 1) - logGamma(x + 1) - logGamma(n - x + 1);
    let alike = 0;
    let passRate = 0;
    for (let x = 0; x <= n; x++) {
      for (let y = 0; y <= n; y++) {
        const p = Math.exp(
          logChoose(x) + logChoose(y) + logBeta(a + x + y, b + 2 * n - x - y) - logBeta(a, b),
        );
        if (x >= passing === y >= passing) alike += p;
        if (x >= passing) passRate += p;
      }
    }
    const found = decisionQuality({ alpha: a, beta: b, lower: 0, upper: 1 }, n, passing, 0.6);
    expect(found.consistency).toBeCloseTo(alike, 5);
    expect(found.passRate).toBeCloseTo(passRate, 5);
    expect(found.accuracy + found.falsePass + found.falseFail).toBeCloseTo(1, 12);
  });

  it('are the docstrings’ by hand', () => {
    expect(huynhBeta(6.5, 0.6, 10).alpha).toBeCloseTo(4.3333, 4);
    expect(huynhBeta(6.5, 0.6, 10).beta).toBeCloseTo(2.3333, 4);
    expect(subkoviak([0, 1], 1, 1, 0)?.consistency).toBeCloseTo(0.5, 12);
    expect(chanceToReach(2, 3, 0.5)).toBeCloseTo(0.5, 12);
  });

  it('rise with reliability and as the cut leaves the middle', () => {
    const marks = scores.map((x) => (100 * x) / 30);
    const at = (r: number, c: number) => livingstonLewis(marks, r, c)?.consistency ?? NaN;
    expect(at(0.85, 60)).toBeGreaterThan(at(0.6, 60));
    expect(at(0.7, 30)).toBeGreaterThan(at(0.7, 60));
  });

  it('refuse a cut or a score outside the scale', () => {
    expect(() => livingstonLewis([50, 60, 70], 0.8, 120)).toThrow(
      /outside the scores from 0 to 100/,
    );
    expect(() => livingstonLewis([50, 60, 170], 0.8, 60)).toThrow(/Score 170 lies outside/);
    expect(() => livingstonLewis([50, 60, 70], 1, 60)).toThrow(/between 0 and 1/);
    expect(livingstonLewis([60, 60, 60], 0.8, 60)).toBeNull();
  });
});

describe('consequences side by side', () => {
  it('count who passes, who changes side and who is within one SEM', () => {
    const [first, second, none] = compareConsequences(
      [40, 55, 60, null],
      [
        { method: 'a', cut: 50 },
        { method: 'b', cut: 58 },
        { method: 'c', cut: null },
      ],
      0,
      4,
    );
    expect(first).toMatchObject({ passed: 2, failed: 1, lost: [], gained: [], withinOneSem: 0 });
    expect(second).toMatchObject({ passed: 1, lost: [1], gained: [], withinOneSem: 2 });
    expect(none).toMatchObject({ passRate: null, lost: [], gained: [], withinOneSem: null });
    expect([first?.passRate, second?.passRate]).toEqual([2 / 3, 1 / 3]);
  });

  it('hold nobody against a method that has no cut, and have no rate without a score', () => {
    const cuts = [
      { method: 'none', cut: null },
      { method: 'some', cut: 50 },
    ];
    expect(compareConsequences([40, 55], cuts)[1]).toMatchObject({
      passed: 1,
      lost: [],
      gained: [],
    });
    expect(compareConsequences([40, 55], cuts, 7)[1]).toMatchObject({ lost: [], gained: [] });
    expect(compareConsequences([null], cuts)[1]).toMatchObject({ passed: 0, passRate: null });
  });

  it('never lose anybody to a lower cut', () => {
    const score = fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 1, maxLength: 40 });
    fc.assert(
      fc.property(
        score,
        fc.integer({ min: 0, max: 100 }),
        fc.integer({ min: 0, max: 100 }),
        (scores, a, b) => {
          const [high, low] = compareConsequences(scores, [
            { method: 'h', cut: Math.max(a, b) },
            { method: 'l', cut: Math.min(a, b) },
          ]);
          expect(low?.lost).toEqual([]);
          expect((low?.passed ?? 0) - (high?.passed ?? 0)).toBe(low?.gained.length);
        },
      ),
    );
  });
});

describe('two cohorts with common stations', () => {
  it('5 better on the anchors and 10 on the paper: the paper is 5 easier, 68 is 63', () => {
    const result = equate(
      { totals: [66, 68, 70], anchors: [63, 65, 67] },
      { totals: [56, 58, 60], anchors: [58, 60, 62] },
      'mean',
    );
    expect(result?.cohortDifference).toBeCloseTo(5, 10);
    expect(result?.paperDifference).toBeCloseTo(5, 10);
    expect(result?.toLast(68)).toBeCloseTo(63, 10);
  });

  it('linear: a cohort equated to itself changes nothing', () => {
    const own = { totals: [40, 55, 70, 62], anchors: [42, 50, 71, 66] };
    const result = equate(own, own);
    expect(result?.toLast(47)).toBeCloseTo(47, 10);
    expect(equate(own, { totals: [50, 50], anchors: [50, 50] })).toBeNull();
    // Chained by hand: anchors 50 and 60 with SD 5 and 10, totals 40 and 70 with SD 10 and 5;
    // 50 lies one SD above 40, so at 55 on the anchors, half an SD below 60, so at 70 - 2.5.
    const pair = (mean: number, sd: number) => [mean - sd / Math.SQRT2, mean + sd / Math.SQRT2];
    const chained = equate(
      { totals: pair(40, 10), anchors: pair(50, 5) },
      { totals: pair(70, 5), anchors: pair(60, 10) },
    );
    expect(chained?.toLast(50)).toBeCloseTo(67.5, 10);
    expect(chained?.cohortDifference).toBeCloseTo(-10, 10);
    expect(chained?.paperDifference).toBeCloseTo(40 - 65, 10);
    for (const short of [
      { totals: [50], anchors: [40, 50] },
      { totals: [40, 50], anchors: [50] },
      { totals: [], anchors: [40, 50] },
    ]) {
      expect(equate(short, own, 'mean')).toBeNull();
      expect(equate(own, short, 'mean')).toBeNull();
    }
  });
});
