import { describe, expect, it } from 'vitest';
import { seededChance } from '../numerics/random.ts';
import { bootstrapSubjects } from './bootstrapSubjects.ts';
import { brennanPrediger, prepareBrennanPrediger } from './brennanPrediger.ts';
import { noErrorNote } from './chanceCorrected.ts';
import { clusteredAgreement, clusteredKappa } from './clusteredKappa.ts';
import { cohenKappa, prepareCohenKappa } from './cohenKappa.ts';
import { congerKappa, prepareCongerKappa } from './congerKappa.ts';
import { crossTable, fromCounts, tableOfPair } from './crossTable.ts';
import { everyCoefficient } from './everyCoefficient.ts';
import { fleissKappa } from './fleissKappa.ts';
import { gwetAC, prepareGwetAC } from './gwetAC.ts';
import { krippendorffAlpha } from './krippendorffAlpha.ts';
import { lightKappa } from './lightKappa.ts';
import { linearisedError } from './linearised.ts';
import { maximumKappa } from './maximumKappa.ts';
import { lineariseNumerically } from './numericalPulls.ts';
import { pairwiseAgreement, preparePairwiseAgreement } from './pairwiseAgreement.ts';
import { percentAgreement } from './percentAgreement.ts';
import { prevalenceBias } from './prevalenceBias.ts';
import { pooledShares, withPseudoSubjects } from './pseudoSubjects.ts';
import { categoriesOf, countMissing } from './ratings.ts';
import { candidatesForIntraclass, candidatesForKappa } from './sampleSize.ts';
import { prepareScottPi, scottPi } from './scottPi.ts';
import { tally } from './tally.ts';
import type { Prepared, Tally } from './tally.ts';
import { agreementWeights } from './weights.ts';

/** Graded marks of several raters who mostly agree, some of them missing. */
function graded(subjects: number, raters: number, seed: number, missing = 0): Tally {
  const chance = seededChance(seed);
  const marks = Array.from({ length: subjects }, () => {
    const truth = chance.below(4);
    return Array.from({ length: raters }, () => {
      if (chance.uniform() < missing) return null;
      return chance.uniform() < 0.7 ? truth : chance.below(4);
    });
  });
  return tally({ raters, marks }, [0, 1, 2, 3]);
}
/** The error that the coefficient itself has when one counts differences: no formula at all. */
function errorByDifferences(ratings: Tally, prepared: Prepared): number {
  const found = lineariseNumerically(ratings, prepared, -1);
  if (!found) throw new Error('undefined');
  return linearisedError(found);
}

describe('the error by formula', () => {
  // The infinitesimal jackknife (Efron & Tibshirani 1993, chapter 21) needs no formula: it moves the
  // count of every kind of subject by a little and looks what the coefficient does.
  const ratings = graded(60, 4, 3, 0.1);
  const n = 60;
  const linear = agreementWeights(4, 'linear');

  it.each([
    ['Scott', scottPi(ratings), prepareScottPi(ratings), true],
    ['Scott, weighted', scottPi(ratings, linear), prepareScottPi(ratings, linear), true],
    ['Gwet', gwetAC(ratings), prepareGwetAC(ratings), true],
    ['Gwet, weighted', gwetAC(ratings, linear), prepareGwetAC(ratings, linear), true],
    ['Brennan & Prediger', brennanPrediger(ratings), prepareBrennanPrediger(ratings), true],
    ['Conger', congerKappa(ratings), prepareCongerKappa(ratings), false],
    ['Conger, weighted', congerKappa(ratings, linear), prepareCongerKappa(ratings, linear), false],
    ['plain agreement', pairwiseAgreement(ratings), preparePairwiseAgreement(ratings), true],
    [
      'plain agreement, weighted',
      pairwiseAgreement(ratings, linear),
      preparePairwiseAgreement(ratings, linear),
      true,
    ],
  ] as const)('is that of differences: %s', (_, own, prepared, unbiased) => {
    const expected =
      errorByDifferences(ratings, prepared) * (unbiased ? Math.sqrt(n / (n - 1)) : 1);
    expect((own.standardError ?? NaN) / expected).toBeCloseTo(1, 2);
    expect(own.estimate).toBeCloseTo(prepared(ratings.times) ?? NaN, 12);
    expect(own.lower).toBeLessThan(own.estimate ?? NaN);
    expect(own.upper).toBeGreaterThan(own.estimate ?? NaN);
  });

  it('is that of differences for Cohen’s kappa of two raters', () => {
    const two = graded(50, 2, 8);
    const table = tableOfPair(two, 0, 1);
    for (const weights of [undefined, linear]) {
      const expected = errorByDifferences(two, prepareCohenKappa(two, weights));
      expect((cohenKappa(table, weights).standardError ?? NaN) / expected).toBeCloseTo(1, 4);
    }
  });
});

describe('plain agreement of any number of raters', () => {
  const marks = [
    [1, 1, 2],
    [1, 1, 1],
    [2, 1, null],
    [null, 2, null],
  ];
  const ratings = tally({ raters: 3, marks });

  it('is the mean over subjects of the pairs that agree: (1/3 + 1 + 0) / 3', () => {
    const { estimate, standardError, n, notes } = pairwiseAgreement(ratings);
    expect(estimate).toBeCloseTo(4 / 9, 12);
    expect(n).toBe(3);
    // Of 1/3, 1 and 0 the standard deviation, over root 3.
    const deviations = [1 / 3, 1, 0].map((x) => (x - 4 / 9) ** 2);
    const sum = deviations.reduce((a, b) => a + b, 0);
    expect(standardError).toBeCloseTo(Math.sqrt(sum / 2 / 3), 12);
    expect(notes).toEqual([]);
    expect(pairwiseAgreement(tally({ raters: 3, marks: [[1, 1, 2]] })).estimate).toBeCloseTo(
      1 / 3,
      12,
    );
  });

  it('takes a near miss in part where there are weights', () => {
    const near = tally(
      {
        raters: 2,
        marks: [
          [0, 1],
          [0, 0],
        ],
      },
      [0, 1, 2],
    );
    expect(pairwiseAgreement(near, agreementWeights(3, 'linear')).estimate).toBeCloseTo(0.75, 12);
  });

  it('does not exist of no pairs, and has no error of one subject or of full agreement', () => {
    const none = tally({
      raters: 2,
      marks: [
        [1, null],
        [null, 2],
      ],
    });
    expect(pairwiseAgreement(none)).toMatchObject({
      estimate: null,
      n: 0,
      notes: ['No subject was marked by two raters or more.'],
    });
    expect(preparePairwiseAgreement(none)(none.times)).toBeNull();
    const one = pairwiseAgreement(tally({ raters: 2, marks: [[1, 2]] }));
    expect(one).toMatchObject({ estimate: 0, standardError: null, lower: null });
    expect(one.notes[0]).toMatch(/One subject alone/);
    const all = pairwiseAgreement(
      tally({
        raters: 2,
        marks: [
          [1, 1],
          [2, 2],
        ],
      }),
    );
    expect(all.notes[0]).toMatch(/agreed on all 2/);
  });

  it('is evaluated on resamples by their counts', () => {
    const prepared = preparePairwiseAgreement(ratings);
    // The first subject twice and the second once; the last, with one mark, says nothing.
    expect(prepared([2, 1, 0, 5])).toBeCloseTo((2 / 3 + 1) / 3, 12);
    expect(prepared([0, 0, 0, 3])).toBeNull();
  });
});

describe('why there is no coefficient, and why no interval', () => {
  const none = tally({
    raters: 2,
    marks: [
      [1, null],
      [null, 2],
    ],
  });
  const same = tally({
    raters: 2,
    marks: [
      [1, 1],
      [1, 1],
    ],
  });
  const split = tally({
    raters: 2,
    marks: [
      [1, 1],
      [2, 2],
      [3, 3],
    ],
  });

  it('is said of marks that nobody can compare, and of marks that do not vary', () => {
    for (const coefficient of [scottPi, gwetAC, brennanPrediger, congerKappa, lightKappa]) {
      expect(coefficient(none).estimate).toBeNull();
      expect(coefficient(none).notes).toHaveLength(1);
      expect(coefficient(same).estimate).toBeNull();
    }
    expect(scottPi(none).notes[0]).toMatch(/No subject was marked by two raters/);
    expect(scottPi(same).notes[0]).toMatch(/one and the same category/);
    expect(krippendorffAlpha(none, 'nominal').notes[0]).toMatch(/No subject was marked by two/);
    expect(krippendorffAlpha(same, 'nominal').notes[0]).toMatch(/one and the same category/);
    expect(maximumKappa(crossTable<number>([]))).toBeNull();
    expect(
      maximumKappa(
        crossTable([
          [1, 1],
          [1, 1],
        ]),
      ),
    ).toBeNull();
  });

  it('is said where chance alone would agree in full: every disagreement counts as agreement', () => {
    const lenient = [
      [1, 1],
      [1, 1],
    ];
    const marks = tally({
      raters: 2,
      marks: [
        [1, 2],
        [2, 2],
        [1, 1],
      ],
    });
    const { estimate, notes, n } = scottPi(marks, lenient);
    expect([estimate, n]).toEqual([null, 3]);
    expect(notes[0]).toMatch(/Chance alone would give full agreement/);
    expect(prepareScottPi(marks, lenient)(marks.times)).toBeNull();
    expect(prepareCongerKappa(marks, lenient)(marks.times)).toBeNull();
  });

  it('is said of full agreement, of one subject, and of subjects who are all alike', () => {
    for (const coefficient of [scottPi, gwetAC, brennanPrediger, congerKappa, lightKappa]) {
      const { estimate, lower, notes } = coefficient(split);
      expect(estimate).toBeCloseTo(1, 12);
      expect(lower).toBeNull();
      expect(notes[0]).toMatch(/agreed on all 3/);
    }
    expect(krippendorffAlpha(split, 'nominal').notes[0]).toMatch(/agreed on all 3/);
    expect(noErrorNote(0.4, 1)).toMatch(/One subject alone/);
    expect(noErrorNote(0.4, 5)).toMatch(/same degree of agreement/);
    expect(noErrorNote(1, 5)).toMatch(/agreed on all 5/);
    const usual = graded(30, 2, 5);
    for (const coefficient of [scottPi, gwetAC, brennanPrediger, congerKappa, lightKappa]) {
      expect(coefficient(usual).notes).toEqual([]);
    }
    expect(krippendorffAlpha(usual, 'ordinal').notes).toEqual([]);
  });

  it('has no error of a single subject', () => {
    const one = tally({ raters: 3, marks: [[1, 2, 2]] });
    expect(scottPi(one)).toMatchObject({ standardError: null, lower: null });
    expect(congerKappa(one).standardError).toBeNull();
  });
});

describe('Krippendorff’s levels', () => {
  it('want numbers where distances count, and none below zero where ratios do', () => {
    const words = tally({
      raters: 2,
      marks: [
        ['a', 1],
        [1, 1],
      ],
    });
    expect(() => krippendorffAlpha(words, 'interval')).toThrow(/must be numbers at the interval/);
    expect(() => krippendorffAlpha(words, 'ratio')).toThrow(/must be numbers at the ratio/);
    expect(krippendorffAlpha(words, 'nominal').estimate).not.toBeNull();
    const below = tally({
      raters: 2,
      marks: [
        [-1, 1],
        [1, 1],
        [2, 2],
      ],
    });
    expect(() => krippendorffAlpha(below, 'ratio')).toThrow(/-1 lies below it/);
    expect(krippendorffAlpha(below, 'interval').estimate).not.toBeNull();
  });

  it('give an error and an interval about the estimate', () => {
    const { estimate, lower, upper, standardError, method } = krippendorffAlpha(
      graded(40, 3, 7, 0.1),
      'interval',
    );
    expect(lower).toBeLessThan(estimate ?? NaN);
    expect(upper).toBeGreaterThan(estimate ?? NaN);
    expect(standardError).toBeGreaterThan(0.01);
    expect(method).toMatch(/Krippendorff 2011, interval; interval by effective sample size/);
  });
});

describe('every coefficient of one set of ratings', () => {
  const settings = { level: 'ordinal', seed: 1 } as const;

  it('of two raters is each as it stands alone', () => {
    const two = graded(40, 2, 21);
    const table = tableOfPair(two, 0, 1);
    const every = everyCoefficient(two, settings);
    expect(every.percentAgreement).toEqual(percentAgreement(table));
    expect(every.cohenKappa).toEqual(cohenKappa(table));
    expect(every.scottPi).toEqual(scottPi(two));
    expect(every.gwetAC).toEqual(gwetAC(two));
    expect(every.fleissKappa).toEqual(fleissKappa(two));
    expect(every.congerKappa).toEqual(congerKappa(two));
    expect(every.brennanPrediger).toEqual(brennanPrediger(two));
    expect(every.lightKappa).toEqual(lightKappa(two));
    expect(every.krippendorffAlpha).toEqual(krippendorffAlpha(two, 'ordinal'));
  });

  it('of three raters has no Cohen’s kappa, and plain agreement over pairs', () => {
    const three = graded(40, 3, 22);
    const every = everyCoefficient(three, settings);
    expect(every.cohenKappa).toBeNull();
    expect(every.percentAgreement).toEqual(pairwiseAgreement(three));
  });

  it('is resampled when that is asked for, and says so', () => {
    const two = graded(40, 2, 23);
    const every = everyCoefficient(two, { ...settings, resamples: 200 });
    for (const own of Object.values(every)) {
      expect(own.method).toMatch(/percentile bootstrap, 200 resamples/);
      expect(own.notes.join(' ')).toMatch(/too narrow/);
    }
    expect(everyCoefficient(two, settings).scottPi.method).not.toMatch(/bootstrap/);
  });
});

describe('a bootstrap over subjects', () => {
  const two = graded(60, 2, 31);
  const scott = { whole: scottPi(two), prepared: prepareScottPi(two) };

  it('comes near the error by formula, by either interval', () => {
    for (const interval of ['percentile', 'bca'] as const) {
      const { own } = bootstrapSubjects(
        two,
        { own: scott },
        { resamples: 2000, seed: 4, interval },
      );
      expect((own.standardError ?? NaN) / (scott.whole.standardError ?? NaN)).toBeCloseTo(1, 0);
      expect(own.lower).toBeLessThan(scott.whole.estimate ?? NaN);
      expect(own.upper).toBeGreaterThan(scott.whole.estimate ?? NaN);
    }
  });

  it('leaves a coefficient as it stands where there is nothing to draw from', () => {
    const one = tally({ raters: 2, marks: [[1, 2]] });
    const own = { whole: scottPi(one), prepared: prepareScottPi(one) };
    expect(bootstrapSubjects(one, { own }, { resamples: 100, seed: 1 }).own).toEqual(own.whole);
    expect(bootstrapSubjects(two, { scott }, { resamples: 1, seed: 1 }).scott).toEqual(scott.whole);
    expect(bootstrapSubjects(two, {}, { resamples: 100, seed: 1 })).toEqual({});
  });
});

describe('Fleiss’ own error', () => {
  it('is named only where every subject has the same number of marks, and no weights are used', () => {
    expect(fleissKappa(graded(30, 3, 41)).method).toMatch(/Fleiss, Nee & Landis 1979/);
    expect(fleissKappa(graded(30, 3, 41, 0.2)).method).not.toMatch(/Landis/);
    expect(fleissKappa(graded(30, 3, 41), agreementWeights(4, 'linear')).method).not.toMatch(
      /Landis/,
    );
    // Subjects whom nobody marked change nothing.
    const rows = [
      [1, 1, 2],
      [2, 2, 2],
      [1, 1, 1],
      [2, 1, 1],
    ];
    const plain = fleissKappa(tally({ raters: 3, marks: rows }));
    const padded = fleissKappa(tally({ raters: 3, marks: [...rows, [null, null, null]] }));
    expect(padded.standardError).toBeCloseTo(plain.standardError ?? NaN, 12);
    const single = tally({
      raters: 3,
      marks: [
        [1, null, null],
        [2, null, null],
      ],
    });
    expect(fleissKappa(single).estimate).toBeNull();
  });
});

describe('two subjects more', () => {
  it('add up to two, half of them in agreement, by the shares of the categories', () => {
    const marks = tally(
      {
        raters: 2,
        marks: [
          [0, 0],
          [0, 1],
        ],
      },
      [0, 1, 2],
    );
    expect([...pooledShares(marks)]).toEqual([0.75, 0.25, 0]);
    const larger = withPseudoSubjects(marks);
    const added = larger.times.slice(marks.times.length);
    expect(added.reduce((sum, t) => sum + t, 0)).toBeCloseTo(2, 12);
    // 0 0 and 1 1 in agreement, and 0 0, 0 1, 1 0, 1 1 by chance; nobody used category 2.
    expect([...added]).toEqual(
      [0.75, 0.5625, 0.1875, 0.25, 0.1875, 0.0625].map((w) => expect.closeTo(w, 12) as number),
    );
    expect([...larger.category.slice(marks.category.length)]).toEqual([
      0, 0, 0, 0, 0, 1, 1, 1, 1, 0, 1, 1,
    ]);
    expect(larger.start.at(-1)).toBe(larger.category.length);
    const empty = tally({ raters: 2, marks: [[null, null]] }, [0, 1]);
    expect([...pooledShares(empty)]).toEqual([0, 0]);
  });
});

describe('indices and sizes by hand', () => {
  it('PABAK has the error of agreement, stretched, and its exact interval', () => {
    // 80 10 / 5 5: po .85, PABAK .70, error 2 root(.85 x .15 / 100).
    const { pabak } = prevalenceBias(
      fromCounts(
        [0, 1],
        [
          [80, 10],
          [5, 5],
        ],
      ),
    );
    expect(pabak.standardError).toBeCloseTo(2 * Math.sqrt(0.001275), 12);
    // The exact interval of 85 in 100 is .7647 to .9135 (binom.test, from memory).
    expect(pabak.lower).toBeCloseTo(2 * 0.7647 - 1, 3);
    expect(pabak.upper).toBeCloseTo(2 * 0.9135 - 1, 3);
    expect(pabak.notes).toEqual([]);
  });

  it('the largest kappa of margins 25 25 and 30 20 is .80', () => {
    expect(
      maximumKappa(
        fromCounts(
          [0, 1],
          [
            [20, 5],
            [10, 15],
          ],
        ),
      ),
    ).toBeCloseTo(0.8, 12);
  });

  it('candidates for an interval: 62 for a kappa, 55 for two raters, 36 for three', () => {
    expect(candidatesForKappa(0.6, 0.5, 0.2)).toBe(62);
    expect(candidatesForIntraclass(0.8, 2, 0.1)).toBe(55);
    // Bonett 2002 with k = 3: 8 (3.8415) (.04) (6.76) / (6 (.04)) + 1 = 35.6.
    expect(candidatesForIntraclass(0.8, 3, 0.1)).toBe(36);
  });

  it('categories stand in order: numbers ascending, then words by the alphabet', () => {
    expect(
      categoriesOf({
        raters: 2,
        marks: [
          [10, 9],
          [null, 2],
        ],
      }),
    ).toEqual([2, 9, 10]);
    expect(
      categoriesOf({
        raters: 2,
        marks: [
          ['b', 'a'],
          ['c', null],
        ],
      }),
    ).toEqual(['a', 'b', 'c']);
    expect(
      categoriesOf({
        raters: 2,
        marks: [
          ['1st', 10],
          [9, 'a'],
        ],
      }),
    ).toEqual([9, 10, '1st', 'a']);
    expect(
      countMissing({
        raters: 2,
        marks: [
          [1, null],
          [null, null],
          [2, 2],
        ],
      }),
    ).toBe(3);
  });
});

describe('several marks of one candidate', () => {
  const chance = seededChance(12);
  const pairs = Array.from({ length: 60 }, (_, i) => {
    const first = chance.below(2);
    return { candidate: i % 12, first, second: chance.uniform() < 0.75 ? first : 1 - first };
  });

  it('have an error that goes by candidates: that of leaving one candidate’s marks out', () => {
    // The jackknife over candidates, written out plainly over the kappa of the table.
    const kappaOf = (own: typeof pairs) =>
      cohenKappa(
        crossTable(
          own.map((p) => [p.first, p.second] as const),
          [0, 1],
        ),
      ).estimate ?? NaN;
    const without = Array.from({ length: 12 }, (_, c) =>
      kappaOf(pairs.filter((p) => p.candidate !== c)),
    );
    const mean = without.reduce((a, b) => a + b, 0) / 12;
    const jackknife = Math.sqrt((11 / 12) * without.reduce((s, x) => s + (x - mean) ** 2, 0));
    const { estimate, standardError, lower, upper, notes, n } = clusteredKappa(pairs, [0, 1]);
    expect(estimate).toBeCloseTo(kappaOf(pairs), 12);
    expect((standardError ?? NaN) / jackknife).toBeCloseTo(1, 1);
    expect(lower).toBeLessThan(estimate ?? NaN);
    expect(upper).toBeGreaterThan(estimate ?? NaN);
    expect([notes, n]).toEqual([[], 12]);
  });

  it('have no interval where all agree, and say so', () => {
    const agreed = pairs.map(({ candidate, first }) => ({ candidate, first, second: first }));
    const { lower, notes } = clusteredAgreement(agreed, [0, 1]);
    expect(lower).toBeNull();
    expect(notes).toHaveLength(1);
    expect(clusteredAgreement([], [0, 1]).notes[0]).toMatch(/No candidate was marked by both/);
  });
});
