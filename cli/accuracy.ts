import { postTestProbability } from '@kritikos/core/accuracy/postTest';
import { accuracyOf } from '@kritikos/core/accuracy/twoByTwo';
import { BadInput } from './badInput.ts';

export interface AccuracyFlags {
  tp: number;
  fp: number;
  fn: number;
  tn: number;
  pretest?: number;
}

/** What a test is worth, and where a pre-test probability goes with it. */
export function accuracy({ tp, fp, fn, tn, pretest }: AccuracyFlags) {
  try {
    const figures = accuracyOf(tp, fp, fn, tn);
    if (pretest === undefined) return figures;
    const after = (ratio: {
      estimate: number | null;
      lower: number | null;
      upper: number | null;
    }) => {
      const at = (lr: number | null) => (lr === null ? null : postTestProbability(pretest, lr));
      return { estimate: at(ratio.estimate), lower: at(ratio.lower), upper: at(ratio.upper) };
    };
    return {
      ...figures,
      postTestPositive: after(figures.lrPositive),
      postTestNegative: after(figures.lrNegative),
    };
  } catch (error) {
    if (error instanceof RangeError) throw new BadInput(error.message);
    throw error;
  }
}
