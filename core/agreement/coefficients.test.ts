import { describe, expect, it } from 'vitest';
import { brennanPrediger, prepareBrennanPrediger } from './brennanPrediger.ts';
import { noErrorNote } from './chanceCorrected.ts';
import { cohenKappa, prepareCohenKappa } from './cohenKappa.ts';
import { congerKappa, prepareCongerKappa } from './congerKappa.ts';
import { crossTable, tableOfPair } from './crossTable.ts';
import { gwetAC, prepareGwetAC } from './gwetAC.ts';
import { krippendorffAlpha } from './krippendorffAlpha.ts';
import { lightKappa } from './lightKappa.ts';
import { linearisedError } from './linearised.ts';
import { maximumKappa } from './maximumKappa.ts';
import { lineariseNumerically } from './numericalPulls.ts';
import { pairwiseAgreement, preparePairwiseAgreement } from './pairwiseAgreement.ts';
import { prepareScottPi, scottPi } from './scottPi.ts';
import { tally } from './tally.ts';
import { gradedRatings as graded } from './testing/gradedRatings.ts';
import type { Prepared, Tally } from './tally.ts';
import { agreementWeights } from './weights.ts';

/** The error that the coefficient itself has when one counts differences: no formula at all. */
function errorByDifferences(ratings: Tally, prepared: Prepared): number {
  const found = lineariseNumerically(ratings, prepared, -1);
  if (!found) throw new Error('undefined');
  return linearisedError(found);
}

describe('the error by formula', () => {
  // The infinitesimal jackknife (Efron & Tibshirani 1993, chapter 21) needs no formula: it moves the
  // count of every kind of subject by a little and looks what the coefficient does.
  // Formula and differences are apart by the order of 1 / n.
  const ratings = graded(600, 4, 3, 0.1);
  const n = 600;
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
