import { describe, expect, it } from 'vitest';
import { bootstrapSubjects } from './bootstrapSubjects.ts';
import { brennanPrediger } from './brennanPrediger.ts';
import { cohenKappa } from './cohenKappa.ts';
import { congerKappa } from './congerKappa.ts';
import { fromCounts, tableOfPair } from './crossTable.ts';
import { everyCoefficient } from './everyCoefficient.ts';
import { fleissKappa } from './fleissKappa.ts';
import { gwetAC } from './gwetAC.ts';
import { krippendorffAlpha } from './krippendorffAlpha.ts';
import { lightKappa } from './lightKappa.ts';
import { maximumKappa } from './maximumKappa.ts';
import { pairwiseAgreement } from './pairwiseAgreement.ts';
import { percentAgreement } from './percentAgreement.ts';
import { prevalenceBias } from './prevalenceBias.ts';
import { pooledShares, withPseudoSubjects } from './pseudoSubjects.ts';
import { categoriesOf, countMissing } from './ratings.ts';
import { candidatesForIntraclass, candidatesForKappa } from './sampleSize.ts';
import { prepareScottPi, scottPi } from './scottPi.ts';
import { tally } from './tally.ts';
import { gradedRatings as graded } from './testing/gradedRatings.ts';
import { agreementWeights } from './weights.ts';

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
    // 0 0 and 1 1 in agreement and by chance, 0 1 and 1 0 by chance; nobody used category 2.
    expect([...added]).toEqual(
      [0.75 + 0.5625, 0.1875, 0.25 + 0.0625, 0.1875].map((w) => expect.closeTo(w, 12) as number),
    );
    expect([...larger.category.slice(marks.category.length)]).toEqual([0, 0, 0, 1, 1, 1, 1, 0]);
    expect([...larger.rater.slice(marks.rater.length)]).toEqual([0, 1, 0, 1, 0, 1, 0, 1]);
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
