import { postTestProbability } from '@kritikos/core/accuracy/postTest';
import { accuracyOf } from '@kritikos/core/accuracy/twoByTwo';
import type { Figure } from '@kritikos/core/accuracy/twoByTwo';
import { asBadInput } from './badInput.ts';

export interface AccuracyFlags {
  tp: number;
  fp: number;
  fn: number;
  tn: number;
  pretest?: number;
}

/** What a test is worth, and where a pre-test probability goes with it. */
export function accuracy({ tp, fp, fn, tn, pretest }: AccuracyFlags) {
  return asBadInput(() => {
    const figures = accuracyOf(tp, fp, fn, tn);
    if (pretest === undefined) return figures;
    const after = ({ estimate, lower, upper }: Figure) => {
      const at = (lr: number | null) => (lr === null ? null : postTestProbability(pretest, lr));
      return { estimate: at(estimate), lower: at(lower), upper: at(upper) };
    };
    return {
      ...figures,
      postTestPositive: after(figures.lrPositive),
      postTestNegative: after(figures.lrNegative),
    };
  });
}
