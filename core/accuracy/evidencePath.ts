import { likelihoodRatios, postTestProbability } from './postTest.ts';

/** What a test is worth, with the range that published figures span. */
export interface Evidence {
  readonly label: string;
  readonly result: 'positive' | 'negative';
  readonly sensitivity: number;
  readonly specificity: number;
  /** Other published pairs of the same test, for the range. */
  readonly others: readonly { readonly sensitivity: number; readonly specificity: number }[];
}

export interface Step {
  readonly label: string;
  readonly ratio: number;
  readonly probability: number;
  readonly lower: number;
  readonly upper: number;
}

/**
 * How the chance of a condition moves from test to test: odds times the likelihood ratio of each
 * result, one after the other. The range multiplies the smallest and the largest ratio that is
 * published for each test. Errors of tests are taken as independent given the condition, which
 * tests of one structure hardly are: the end is the strongest that can be claimed.
 *
 * Throws `RangeError` for a chance outside [0, 1].
 * Worked value: .30, one positive result of sensitivity .7 and specificity .9 (ratio 7): .75.
 */
export function evidencePath(pretest: number, evidence: readonly Evidence[]): Step[] {
  let [middle, low, high] = [1, 1, 1];
  return evidence.map(({ label, result, sensitivity, specificity, others }) => {
    const ratioOf = (pair: { sensitivity: number; specificity: number }) =>
      likelihoodRatios(pair)[result];
    const ratio = ratioOf({ sensitivity, specificity });
    const all = [ratio, ...others.map(ratioOf)].filter((x) => Number.isFinite(x));
    middle *= ratio;
    low *= all.length > 0 ? Math.min(...all) : ratio;
    high *= Math.max(ratio, ...all);
    return {
      label,
      ratio,
      probability: postTestProbability(pretest, middle),
      lower: postTestProbability(pretest, low),
      upper: postTestProbability(pretest, high),
    };
  });
}
