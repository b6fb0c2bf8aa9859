import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evidencePath } from './evidencePath.ts';
import { misreadingOf } from './misreadings.ts';
import {
  againstPublished,
  combinedRatio,
  inParallel,
  inSeries,
  likelihoodRatios,
  postTestInterval,
  postTestProbability,
  predictiveValues,
} from './postTest.ts';
import { accuracyOf } from './twoByTwo.ts';

describe('accuracy from a 2x2 table', () => {
  it('works out the docstring’s table', () => {
    const a = accuracyOf(24, 3, 6, 70);
    expect(a.sensitivity.estimate).toBeCloseTo(0.8, 12);
    expect(a.specificity.estimate).toBeCloseTo(70 / 73, 12);
    expect(a.lrPositive.estimate).toBeCloseTo(19.467, 3);
    expect(a.lrNegative.estimate).toBeCloseTo(0.2086, 4);
    expect(a.dor.estimate).toBeCloseTo(93.33, 2);
  });

  // Altman & Bland 1994, BMJ 308:1552: liver scan, 231 and 32 / 27 and 54: sensitivity 90 %,
  // specificity 63 %, positive predictive value 88 %, negative 67 % (from memory).
  it('gives the figures of Altman & Bland’s liver scans', () => {
    const a = accuracyOf(231, 32, 27, 54);
    expect(a.sensitivity.estimate).toBeCloseTo(0.9, 2);
    expect(a.specificity.estimate).toBeCloseTo(0.63, 2);
    expect(a.ppv.estimate).toBeCloseTo(0.88, 2);
    expect(a.npv.estimate).toBeCloseTo(0.67, 2);
  });

  it('has the odds ratio as the quotient of the two likelihood ratios', () => {
    const count = fc.integer({ min: 1, max: 500 });
    fc.assert(
      fc.property(count, count, count, count, (tp, fp, fn, tn) => {
        const a = accuracyOf(tp, fp, fn, tn);
        const quotient = (a.lrPositive.estimate ?? NaN) / (a.lrNegative.estimate ?? NaN);
        expect(quotient / (a.dor.estimate ?? NaN)).toBeCloseTo(1, 9);
        for (const figure of Object.values(a)) {
          expect(figure.lower).toBeLessThanOrEqual(figure.estimate);
          expect(figure.upper).toBeGreaterThanOrEqual(figure.estimate);
        }
      }),
    );
  });

  it('says what is undefined instead of adding a half', () => {
    expect(accuracyOf(10, 0, 2, 20).lrPositive).toMatchObject({ estimate: null });
    expect(accuracyOf(0, 3, 0, 20).sensitivity.notes[0]).toMatch(/Nobody has the condition/);
    expect(() => accuracyOf(-1, 0, 0, 0)).toThrow(/whole number/);
  });
});

describe('the chance after a test', () => {
  it('is .75 from .30 with a ratio of 7', () => {
    expect(postTestProbability(0.3, 7)).toBeCloseTo(0.75, 12);
  });

  it('agrees with Bayes’ theorem on the table itself', () => {
    const a = accuracyOf(24, 3, 6, 70);
    expect(postTestProbability(30 / 103, a.lrPositive.estimate ?? NaN)).toBeCloseTo(
      a.ppv.estimate ?? NaN,
      10,
    );
  });

  it('stays a probability at both ends', () => {
    expect(postTestProbability(0, 9)).toBe(0);
    expect(postTestProbability(1, 0.1)).toBe(1);
    expect(() => postTestProbability(1.2, 2)).toThrow(/between 0 and 1/);
  });

  it('combines tests in series and in parallel, by hand', () => {
    const a = { sensitivity: 0.8, specificity: 0.9 };
    const b = { sensitivity: 0.6, specificity: 0.7 };
    expect(inSeries(a, b).sensitivity).toBeCloseTo(0.48, 12);
    expect(inSeries(a, b).specificity).toBeCloseTo(0.97, 12);
    expect(inParallel(a, b).sensitivity).toBeCloseTo(0.92, 12);
    expect(inParallel(a, b).specificity).toBeCloseTo(0.63, 12);
    expect(combinedRatio([2, 3])).toBe(6);
  });
});

describe('predictive values by Bayes’ theorem', () => {
  it('are those of the table at its own prevalence', () => {
    const a = accuracyOf(24, 3, 6, 70);
    const worth = { sensitivity: 0.8, specificity: 70 / 73 };
    const { ppv, npv } = predictiveValues(worth, 30 / 103);
    expect(ppv).toBeCloseTo(a.ppv.estimate ?? NaN, 12);
    expect(npv).toBeCloseTo(a.npv.estimate ?? NaN, 12);
    expect(likelihoodRatios(worth).positive).toBeCloseTo(a.lrPositive.estimate ?? NaN, 10);
  });

  // Gigerenzer's mammography problem (1996): prevalence 1 %, sensitivity 80 %, false positives
  // 9.6 %: a positive woman has the disease with 7.8 %.
  it('solve Gigerenzer’s mammography problem', () => {
    const { ppv } = predictiveValues({ sensitivity: 0.8, specificity: 0.904 }, 0.01);
    expect(ppv).toBeCloseTo(0.078, 3);
  });

  it('carry the interval of the ratio over', () => {
    const chance = postTestInterval(0.3, { estimate: 7, lower: 3, upper: 14 });
    expect(chance.estimate).toBeCloseTo(0.75, 12);
    expect(chance.lower).toBeCloseTo(0.5625, 12);
    expect(chance.upper).toBeCloseTo(6 / 7, 12);
  });
});

describe('the classic misreadings', () => {
  const truth = { sensitivity: 0.95, specificity: 0.6, ppv: 0.21, npv: 0.99 };

  it('are named when an answer shows them', () => {
    expect(misreadingOf('free-after-negative', 0.95, truth)).toBe('sensitivity-as-npv');
    expect(misreadingOf('ill-after-positive', 0.6, truth)).toBe('specificity-as-ppv');
  });

  it('are not imputed to a right answer or to any other', () => {
    expect(misreadingOf('free-after-negative', 0.99, truth)).toBeNull();
    expect(misreadingOf('ill-after-positive', 0.4, truth)).toBeNull();
    expect(misreadingOf('free-after-negative', 0.96, { ...truth, npv: 0.96 })).toBeNull();
  });
});

describe('a combination beside a published one', () => {
  it('shows by how much tests err together', () => {
    const calculated = inSeries(
      { sensitivity: 0.8, specificity: 0.9 },
      { sensitivity: 0.6, specificity: 0.7 },
    );
    const apart = againstPublished(calculated, { sensitivity: 0.5, specificity: 0.92 });
    expect(apart.sensitivity).toBeCloseTo(0.02, 10);
    expect(apart.specificity).toBeCloseTo(-0.05, 10);
  });
});

describe('the path of evidence', () => {
  const test = (result: 'positive' | 'negative') => ({
    label: 't',
    result,
    sensitivity: 0.7,
    specificity: 0.9,
    others: [{ sensitivity: 0.4, specificity: 0.9 }],
  });

  it('goes from .30 over a ratio of 7 to .75, and on', () => {
    const [first, second] = evidencePath(0.3, [test('positive'), test('negative')]);
    expect(first?.probability).toBeCloseTo(0.75, 12);
    expect(first?.lower).toBeCloseTo(((3 / 7) * 4) / (1 + (3 / 7) * 4), 12);
    expect(second?.ratio).toBeCloseTo(1 / 3, 12);
    expect(second?.probability).toBeCloseTo(0.5, 12);
  });

  it('stays between its own limits', () => {
    for (const step of evidencePath(0.2, [test('positive'), test('positive'), test('negative')])) {
      expect(step.lower).toBeLessThanOrEqual(step.probability);
      expect(step.upper).toBeGreaterThanOrEqual(step.probability);
    }
  });
});
